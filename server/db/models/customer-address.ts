import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Address } from '../../../core/documents/facts'
import type { AddressMail } from '../../../core/preferences/recipients'
import { Customer } from './customer'

/** Further addresses of a customer: others to bill, and where goods go. */
export class CustomerAddress extends Model<
  InferAttributes<CustomerAddress>,
  InferCreationAttributes<CustomerAddress>
> {
  declare id: CreationOptional<number>
  declare customerId: number
  declare purpose: 'billing' | 'delivery'
  declare label: string
  declare address: Address
  declare mail: CreationOptional<AddressMail>
  declare position: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        purpose: { type: DataTypes.TEXT, allowNull: false },
        label: { type: DataTypes.TEXT, allowNull: false },
        address: { type: DataTypes.JSONB, allowNull: false },
        mail: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        position: { type: DataTypes.INTEGER, allowNull: false },
      },
      { sequelize, tableName: 'customer_address' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
