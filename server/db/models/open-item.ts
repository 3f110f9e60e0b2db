import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Customer } from './customer'
import { IssuedDocument } from './document'

/** What is owed on an invoice, or on a credit note below zero. */
export class OpenItem extends Model<InferAttributes<OpenItem>, InferCreationAttributes<OpenItem>> {
  declare documentId: number
  declare customerId: number
  declare currency: string
  declare amount: string
  /** What is still open of it. */
  declare open: string
  declare dueDate: string
  declare dispute: CreationOptional<string>
  declare promisedOn: string | null
  declare markedBy: CreationOptional<string>
  declare markedAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        amount: { type: DataTypes.DECIMAL, allowNull: false },
        open: { type: DataTypes.DECIMAL, allowNull: false },
        dueDate: { type: DataTypes.DATEONLY, allowNull: false },
        dispute: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        promisedOn: { type: DataTypes.DATEONLY },
        markedBy: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        markedAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'open_item' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
  }
}
