import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { DraftFacts } from '../../../core/documents/draft'
import { Brand } from './brand'
import { Customer } from './customer'
import { IssuedDocument } from './document'
import { SalesOrder } from './sales-order'

/** A draft that a person writes: an invoice without an order or for a part of one, or a credit. */
export class Draft extends Model<InferAttributes<Draft>, InferCreationAttributes<Draft>> {
  declare id: CreationOptional<number>
  declare kind: 'invoice' | 'credit note'
  declare brandId: number
  declare customerId: number
  declare orderId: number | null
  declare creditsId: number | null
  declare replacesId: number | null
  declare facts: DraftFacts
  declare state: CreationOptional<'open' | 'issued' | 'dropped'>
  declare version: CreationOptional<number>
  declare madeAt: Date
  declare madeBy: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        orderId: { type: DataTypes.INTEGER },
        creditsId: { type: DataTypes.INTEGER },
        replacesId: { type: DataTypes.INTEGER },
        facts: { type: DataTypes.JSONB, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'open' },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
      },
      { sequelize, tableName: 'draft' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(SalesOrder, { as: 'order', foreignKey: 'orderId' })
    this.belongsTo(IssuedDocument, { as: 'credits', foreignKey: 'creditsId' })
    this.belongsTo(IssuedDocument, { as: 'replaces', foreignKey: 'replacesId' })
  }
}
