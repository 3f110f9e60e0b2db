import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Address } from '../../../core/documents/facts'
import type { Adjustment } from '../../../core/money/totals'
import { Brand } from './brand'
import { Customer } from './customer'
import { CustomerAddress } from './customer-address'

/** An order as it is now. Version counts every change, revision those that a document shows. */
export class SalesOrder extends Model<InferAttributes<SalesOrder>, InferCreationAttributes<SalesOrder>> {
  declare id: CreationOptional<number>
  declare number: string
  declare brandId: number
  declare customerId: number
  declare date: string
  declare status: string
  declare statusSince: Date
  declare currency: string
  declare pricesIncludeTax: CreationOptional<boolean>
  declare reference: string | null
  declare salesperson: CreationOptional<string>
  declare customerNote: string | null
  declare prepaid: CreationOptional<string>
  declare adjustments: CreationOptional<Adjustment[]>
  /** The date of supply; from the status where nobody wrote one. */
  declare suppliedOn: string | null
  declare net: string
  declare total: string
  /** Lower-case text that the search looks through. */
  declare search: string
  declare version: CreationOptional<number>
  declare revision: CreationOptional<number>
  declare fields: CreationOptional<Record<string, string>>
  /** Another of the customer's addresses, where it is not billed to its own. */
  declare billToId: number | null
  /** Where the goods go, as it was agreed; null for the address that is billed. */
  declare delivery: Address | null
  /** For people here only; never on a document. */
  declare internalNote: CreationOptional<string>
  /** The place it is sold from; null for the brand's own address. */
  declare branchId: number | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        number: { type: DataTypes.TEXT, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        date: { type: DataTypes.DATEONLY, allowNull: false },
        status: { type: DataTypes.TEXT, allowNull: false },
        statusSince: { type: DataTypes.DATE, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        pricesIncludeTax: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        reference: { type: DataTypes.TEXT },
        salesperson: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        customerNote: { type: DataTypes.TEXT },
        prepaid: { type: DataTypes.DECIMAL, allowNull: false, defaultValue: '0' },
        adjustments: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        suppliedOn: { type: DataTypes.DATEONLY },
        net: { type: DataTypes.DECIMAL, allowNull: false },
        total: { type: DataTypes.DECIMAL, allowNull: false },
        search: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        fields: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        billToId: { type: DataTypes.INTEGER },
        delivery: { type: DataTypes.JSONB },
        internalNote: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        branchId: { type: DataTypes.INTEGER },
      },
      { sequelize, tableName: 'sales_order' },
    )
  }

  static associate(): void {
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(CustomerAddress, { as: 'billTo', foreignKey: 'billToId' })
  }
}
