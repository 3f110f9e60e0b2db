import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Item } from './item'

/** Another price of an item: in a currency, for a group of customers or for all (''). */
export class ItemPrice extends Model<InferAttributes<ItemPrice>, InferCreationAttributes<ItemPrice>> {
  declare id: CreationOptional<number>
  declare itemId: number
  declare currency: string
  declare groupName: CreationOptional<string>
  declare price: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        itemId: { type: DataTypes.INTEGER, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        groupName: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        price: { type: DataTypes.DECIMAL(14, 4), allowNull: false },
      },
      { sequelize, tableName: 'item_price' },
    )
  }

  static associate(): void {
    this.belongsTo(Item, { as: 'item', foreignKey: 'itemId' })
  }
}
