import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { BankAccount } from '../../../core/documents/bank'
import { Brand } from './brand'

/** A place that a brand sells from: its documents show its address, and its bank accounts where it has own ones. */
export class Branch extends Model<InferAttributes<Branch>, InferCreationAttributes<Branch>> {
  declare id: CreationOptional<number>
  declare brandId: number
  declare name: string
  declare addressLines: string[]
  /** Its two letters (ISO 3166-1). */
  declare country: string
  declare phone: CreationOptional<string>
  declare email: CreationOptional<string>
  declare banks: CreationOptional<BankAccount[]>
  /** Nothing new begins there any more. */
  declare closedAt: Date | null
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        addressLines: { type: DataTypes.JSONB, allowNull: false },
        country: { type: DataTypes.TEXT, allowNull: false },
        phone: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        email: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        banks: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        closedAt: { type: DataTypes.DATE },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'branch' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
