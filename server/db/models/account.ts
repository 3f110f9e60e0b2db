import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Brand } from './brand'
import { Customer } from './customer'

/** What a customer owes a brand in a currency. */
export class Account extends Model<InferAttributes<Account>, InferCreationAttributes<Account>> {
  declare id: CreationOptional<number>
  declare customerId: number
  declare brandId: number
  declare currency: string
  /** The customer's number, by which lists call it. */
  declare label: string
  declare version: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        label: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'account' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
  }
}
