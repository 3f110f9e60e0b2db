import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'
import { Payment } from './payment'

/** Which payment or credit settled what. Counter-entries are below zero; none is ever deleted. */
export class Allocation extends Model<InferAttributes<Allocation>, InferCreationAttributes<Allocation>> {
  declare id: CreationOptional<number>
  declare fromDocumentId: number | null
  declare toDocumentId: number | null
  declare amount: string
  declare currency: string
  declare at: Date
  declare by: string
  declare paymentId: number | null
  declare toPaymentId: number | null
  /** By what it was settled. */
  declare kind: CreationOptional<'credit' | 'payment' | 'discount' | 'write-off'>
  /** The day on which it was waived without any payment. */
  declare waivedOn: string | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        fromDocumentId: { type: DataTypes.INTEGER },
        toDocumentId: { type: DataTypes.INTEGER },
        amount: { type: DataTypes.DECIMAL, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        at: { type: DataTypes.DATE, allowNull: false },
        by: { type: DataTypes.TEXT, allowNull: false },
        paymentId: { type: DataTypes.INTEGER },
        toPaymentId: { type: DataTypes.INTEGER },
        kind: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'credit' },
        waivedOn: { type: DataTypes.DATEONLY },
      },
      { sequelize, tableName: 'allocation' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'fromDocument', foreignKey: 'fromDocumentId' })
    this.belongsTo(IssuedDocument, { as: 'toDocument', foreignKey: 'toDocumentId' })
    this.belongsTo(Payment, { as: 'payment', foreignKey: 'paymentId' })
    this.belongsTo(Payment, { as: 'toPayment', foreignKey: 'toPaymentId' })
  }
}
