import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'

/** Interest on an invoice that a letter made owed. */
export class BookedInterest extends Model<
  InferAttributes<BookedInterest>,
  InferCreationAttributes<BookedInterest>
> {
  declare documentId: number
  declare reminderId: number
  declare amount: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        reminderId: { type: DataTypes.INTEGER, primaryKey: true },
        amount: { type: DataTypes.DECIMAL, allowNull: false },
      },
      { sequelize, tableName: 'booked_interest' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(IssuedDocument, { as: 'letter', foreignKey: 'reminderId' })
  }
}
