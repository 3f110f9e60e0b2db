import {
  DataTypes,
  literal,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { CarrierService } from '../../../core/shipping/carriers'
import type { CarrierMapping } from '../../../core/shipping/mapping'

/** A carrier that labels are bought of. Its key is sealed with a key that lies outside the database. */
export class Carrier extends Model<InferAttributes<Carrier>, InferCreationAttributes<Carrier>> {
  declare id: CreationOptional<number>
  declare name: string
  /** How it wants to be asked. */
  declare kind: 'simulated' | 'http'
  declare address: string
  declare sealedKey: CreationOptional<string>
  /** Its address may lie inside the house's network. */
  declare inside: CreationOptional<boolean>
  declare mapping: CreationOptional<CarrierMapping | null>
  declare services: CreationOptional<CarrierService[]>
  declare servicesAt: CreationOptional<Date | null>
  /** When it is asked again what it carries, where it can say so. */
  declare askServicesAt: CreationOptional<Date>
  /** Since when it does not answer; null while it does. */
  declare downSince: CreationOptional<Date | null>
  /** A person was told so. */
  declare downNoticed: CreationOptional<boolean>
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        kind: { type: DataTypes.TEXT, allowNull: false },
        address: { type: DataTypes.TEXT, allowNull: false },
        sealedKey: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        inside: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        mapping: { type: DataTypes.JSONB },
        services: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        servicesAt: { type: DataTypes.DATE },
        askServicesAt: { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') },
        downSince: { type: DataTypes.DATE },
        downNoticed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'carrier' },
    )
  }
}
