import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { LinePart } from '../../../core/shipping/quantities'
import { Shipment } from './shipment'

/** What of a shipment is packed together. */
export class Parcel extends Model<InferAttributes<Parcel>, InferCreationAttributes<Parcel>> {
  declare id: CreationOptional<number>
  declare shipmentId: number
  /** From 1 within its shipment. */
  declare number: number
  declare box: CreationOptional<string>
  /** Packed, in kilograms; null where nobody weighed it. */
  declare weight: string | null
  declare contents: LinePart[]

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        shipmentId: { type: DataTypes.INTEGER, allowNull: false },
        number: { type: DataTypes.INTEGER, allowNull: false },
        box: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        weight: { type: DataTypes.DECIMAL },
        contents: { type: DataTypes.JSONB, allowNull: false },
      },
      { sequelize, tableName: 'parcel' },
    )
  }

  static associate(): void {
    this.belongsTo(Shipment, { as: 'shipment', foreignKey: 'shipmentId' })
  }
}
