import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { SalesOrder } from './sales-order'

/** The lines of an order, in their order. */
export class OrderLine extends Model<InferAttributes<OrderLine>, InferCreationAttributes<OrderLine>> {
  declare id: CreationOptional<number>
  declare orderId: number
  declare position: number
  declare itemCode: string
  declare description: string
  declare detail: string | null
  declare unit: CreationOptional<string>
  declare quantity: string
  declare unitPrice: string
  declare discountPercent: CreationOptional<string>
  declare taxCode: string
  declare fields: CreationOptional<Record<string, string>>
  /** What was cancelled of it; its quantity is what is ordered now. */
  declare cancelled: CreationOptional<string>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        orderId: { type: DataTypes.INTEGER, allowNull: false },
        position: { type: DataTypes.INTEGER, allowNull: false },
        itemCode: { type: DataTypes.TEXT, allowNull: false },
        description: { type: DataTypes.TEXT, allowNull: false },
        detail: { type: DataTypes.TEXT },
        unit: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        quantity: { type: DataTypes.DECIMAL(14, 3), allowNull: false },
        unitPrice: { type: DataTypes.DECIMAL(14, 4), allowNull: false },
        discountPercent: { type: DataTypes.DECIMAL(6, 3), allowNull: false, defaultValue: '0' },
        taxCode: { type: DataTypes.TEXT, allowNull: false },
        fields: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        cancelled: { type: DataTypes.DECIMAL(14, 3), allowNull: false, defaultValue: '0' },
      },
      { sequelize, tableName: 'order_line' },
    )
  }

  static associate(): void {
    this.belongsTo(SalesOrder, { as: 'order', foreignKey: 'orderId' })
  }
}
