import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { IssuedDocument } from './document'

/** That an invoice was reminded of at a level, and by which letter. */
export class Reminder extends Model<InferAttributes<Reminder>, InferCreationAttributes<Reminder>> {
  declare documentId: number
  /** From 1. */
  declare level: number
  declare reminderId: number
  declare day: string

  static start(sequelize: Sequelize): void {
    this.init(
      {
        documentId: { type: DataTypes.INTEGER, primaryKey: true },
        level: { type: DataTypes.INTEGER, primaryKey: true },
        reminderId: { type: DataTypes.INTEGER, allowNull: false },
        day: { type: DataTypes.DATEONLY, allowNull: false },
      },
      { sequelize, tableName: 'reminder' },
    )
  }

  static associate(): void {
    this.belongsTo(IssuedDocument, { as: 'document', foreignKey: 'documentId' })
    this.belongsTo(IssuedDocument, { as: 'letter', foreignKey: 'reminderId' })
  }
}
