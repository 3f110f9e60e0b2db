import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { PaymentMethod } from '../../../core/documents/facts'
import { Brand } from './brand'
import { Customer } from './customer'

/** Money that came in or went out. Taking one back is a payment of its own that reverses it. */
export class Payment extends Model<InferAttributes<Payment>, InferCreationAttributes<Payment>> {
  declare id: CreationOptional<number>
  declare direction: 'in' | 'out'
  declare customerId: number
  declare brandId: number
  declare date: string
  declare method: PaymentMethod
  declare amount: string
  declare currency: string
  declare reference: CreationOptional<string>
  /** What of it is on account. */
  declare open: string
  declare reversesId: number | null
  declare version: CreationOptional<number>
  declare madeAt: Date
  declare madeBy: string
  /** The other program’s own key, so that it comes in once. */
  declare externalKey: string | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        direction: { type: DataTypes.TEXT, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        date: { type: DataTypes.DATEONLY, allowNull: false },
        method: { type: DataTypes.TEXT, allowNull: false },
        amount: { type: DataTypes.DECIMAL, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        reference: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        open: { type: DataTypes.DECIMAL, allowNull: false },
        reversesId: { type: DataTypes.INTEGER },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        madeAt: { type: DataTypes.DATE, allowNull: false },
        madeBy: { type: DataTypes.TEXT, allowNull: false },
        externalKey: { type: DataTypes.TEXT },
      },
      { sequelize, tableName: 'payment' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(Payment, { as: 'reverses', foreignKey: 'reversesId' })
  }
}
