import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Address } from '../../../core/documents/facts'
import type { GoesOn } from '../../../core/shipping/labels'
import type { ReturnState } from '../../../core/shipping/returns'
import { Brand } from './brand'
import { Customer } from './customer'
import { SalesOrder } from './sales-order'

/** Goods of an order that come back: agreed on, then taken in. */
export class GoodsReturn extends Model<InferAttributes<GoodsReturn>, InferCreationAttributes<GoodsReturn>> {
  declare id: CreationOptional<number>
  declare orderId: number
  declare brandId: number
  declare customerId: number
  /** From 1 within its order. */
  declare number: number
  /** The order's number with it. */
  declare label: string
  declare state: CreationOptional<ReturnState>
  declare day: string
  /** The last day: labels that are not used by then are given back. */
  declare until: string
  declare sender: Address
  /** Where it comes to. */
  declare delivery: Address
  declare service: CreationOptional<string>
  declare remarks: CreationOptional<string>
  /** How its note goes on once its labels are there; null where a person prepares it. */
  declare goesOn: CreationOptional<GoesOn | null>
  declare backOn: CreationOptional<string | null>
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
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'expected' },
        day: { type: DataTypes.DATEONLY, allowNull: false },
        until: { type: DataTypes.DATEONLY, allowNull: false },
        sender: { type: DataTypes.JSONB, allowNull: false },
        delivery: { type: DataTypes.JSONB, allowNull: false },
        service: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        remarks: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        goesOn: { type: DataTypes.JSONB },
        backOn: { type: DataTypes.DATEONLY },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'goods_return' },
    )
  }

  static associate(): void {
    this.belongsTo(SalesOrder, { as: 'order', foreignKey: 'orderId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
