import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { Dispatch } from './dispatch'

/** The very words of an email that was handed over. */
export class MailCopy extends Model<InferAttributes<MailCopy>, InferCreationAttributes<MailCopy>> {
  declare dispatchId: number
  declare messageId: string
  declare sender: string
  declare replyTo: string
  declare recipients: string
  declare subject: string
  declare text: string
  declare html: string
  declare files: object
  declare sentAt: Date
  declare emailRevision: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        dispatchId: { type: DataTypes.INTEGER, primaryKey: true },
        messageId: { type: DataTypes.TEXT, allowNull: false },
        sender: { type: DataTypes.TEXT, allowNull: false },
        replyTo: { type: DataTypes.TEXT, allowNull: false },
        recipients: { type: DataTypes.TEXT, allowNull: false },
        subject: { type: DataTypes.TEXT, allowNull: false },
        text: { type: DataTypes.TEXT, allowNull: false },
        html: { type: DataTypes.TEXT, allowNull: false },
        files: { type: DataTypes.JSONB, allowNull: false },
        sentAt: { type: DataTypes.DATE, allowNull: false },
        emailRevision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      },
      { sequelize, tableName: 'mail_copy' },
    )
  }

  static associate(): void {
    this.belongsTo(Dispatch, { as: 'dispatch', foreignKey: 'dispatchId' })
  }
}
