import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** How many emails of a mail account were given a minute to go in, so that its limits are kept. */
export class MailSlot extends Model<InferAttributes<MailSlot>, InferCreationAttributes<MailSlot>> {
  declare mailAccountId: number
  declare minute: Date
  declare emails: number

  static start(sequelize: Sequelize): void {
    this.init(
      {
        mailAccountId: { type: DataTypes.INTEGER, primaryKey: true },
        minute: { type: DataTypes.DATE, primaryKey: true },
        emails: { type: DataTypes.INTEGER, allowNull: false },
      },
      { sequelize, tableName: 'mail_slot' },
    )
  }
}
