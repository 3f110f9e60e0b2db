import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/**
 * Where email is handed over. A brand names its own, or the first one is taken. The password is sealed with a key
 * that lies outside the database.
 */
export class MailAccount extends Model<InferAttributes<MailAccount>, InferCreationAttributes<MailAccount>> {
  declare id: CreationOptional<number>
  declare name: string
  declare host: string
  declare port: number
  declare security: 'starttls' | 'tls' | 'none'
  declare userName: CreationOptional<string>
  declare sealedPassword: CreationOptional<string>
  /** Most emails in a minute, an hour and a day; null is no limit. */
  declare perMinute: number | null
  declare perHour: number | null
  declare perDay: number | null
  declare version: CreationOptional<number>
  /** Until when its server's certificate holds, as seen at the last connection; null before, and without TLS. */
  declare certificateUntil: CreationOptional<Date | null>
  /** The largest email that its server takes, in millions of bytes. */
  declare mostMegabytes: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        host: { type: DataTypes.TEXT, allowNull: false },
        port: { type: DataTypes.INTEGER, allowNull: false },
        security: { type: DataTypes.TEXT, allowNull: false },
        userName: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        sealedPassword: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        perMinute: { type: DataTypes.INTEGER },
        perHour: { type: DataTypes.INTEGER },
        perDay: { type: DataTypes.INTEGER },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        certificateUntil: { type: DataTypes.DATE },
        mostMegabytes: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 20 },
      },
      { sequelize, tableName: 'mail_account' },
    )
  }
}
