import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Address } from '../../../core/documents/facts'
import type { ShipmentState } from '../../../core/shipping/states'
import { Brand } from './brand'
import { Customer } from './customer'
import { SalesOrder } from './sales-order'

/** Goods of an order that go out together. */
export class Shipment extends Model<InferAttributes<Shipment>, InferCreationAttributes<Shipment>> {
  declare id: CreationOptional<number>
  declare orderId: number
  declare brandId: number
  declare customerId: number
  /** From 1 within its order. */
  declare number: number
  /** The order's number with it. */
  declare label: string
  declare state: CreationOptional<ShipmentState>
  declare day: string
  declare delivery: Address
  declare service: CreationOptional<string>
  declare remarks: CreationOptional<string>
  declare version: CreationOptional<number>
  declare madeAt: Date
  declare madeBy: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        orderId: { type: DataTypes.INTEGER, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        number: { type: DataTypes.INTEGER, allowNull: false },
        label: { type: DataTypes.TEXT, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'packed' },
        day: { type: DataTypes.DATEONLY, allowNull: false },
        delivery: { type: DataTypes.JSONB, allowNull: false },
        service: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        remarks: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'shipment' },
    )
  }

  static associate(): void {
    this.belongsTo(SalesOrder, { as: 'order', foreignKey: 'orderId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
