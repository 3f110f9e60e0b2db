import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Customer } from './customer'
import { Item } from './item'

/** What a customer calls an item. */
export class ItemCustomerCode extends Model<
  InferAttributes<ItemCustomerCode>,
  InferCreationAttributes<ItemCustomerCode>
> {
  declare id: CreationOptional<number>
  declare itemId: number
  declare customerId: number
  declare code: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        itemId: { type: DataTypes.INTEGER, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        code: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'item_customer_code' },
    )
  }

  static associate(): void {
    this.belongsTo(Item, { as: 'item', foreignKey: 'itemId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
