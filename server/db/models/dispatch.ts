import type { ChannelName } from '../../../core/dispatch/channels'
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { EmailPart } from '../../../core/enclosures/parts'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { DispatchState, StuckCause } from '../../../core/dispatch/states'
import { Brand } from './brand'
import { Customer } from './customer'
import { EmailTextVersion } from './email-text'

/** An email or a print job with one or more documents: its state is moved in services/dispatch alone. */
export class Dispatch extends Model<InferAttributes<Dispatch>, InferCreationAttributes<Dispatch>> {
  declare id: CreationOptional<number>
  declare channel: ChannelName
  declare state: DispatchState
  declare customerId: number
  declare customerName: string
  declare brandId: number
  declare emailTextId: number
  declare toRole: string
  declare toAddresses: string[] | null
  /** What a person wrote for this one email. */
  declare ownEmail: CreationOptional<OwnEmail | null>
  declare emailRevision: CreationOptional<number>
  /** A copy never decides how its document stands. */
  declare isCopy: CreationOptional<boolean>
  /** What it says is still open of its invoice, where it reminds of that. */
  declare unpaid: string | null
  /** Of several emails over which the files of one were spread, which this is. */
  declare part: CreationOptional<EmailPart | null>
  declare number: string
  declare total: string
  declare currency: string
  declare sendTo: CreationOptional<string>
  declare createdAt: Date
  declare createdBy: string
  /** Every document of it has its PDF. */
  declare ready: CreationOptional<boolean>
  /** Held until then by a delay, by hours of the day or by a person. */
  declare notBefore: Date
  /** Decides when it is tried, not the queue. */
  declare nextTryAt: Date
  declare attempts: CreationOptional<number>
  /** Only who holds it may write what became of the try. */
  declare claimToken: string | null
  declare claimedBy: string | null
  declare leaseUntil: Date | null
  /** Fixed before the first try and kept on every other. */
  declare messageId: string
  declare since: Date
  declare handedOverAt: Date | null
  declare arrivedAt: Date | null
  declare arrivedHow: string | null
  declare stuckCause: StuckCause | null
  declare lastReply: string | null
  /** The failure notice told of it. */
  declare noticed: CreationOptional<boolean>
  declare copyTo: CreationOptional<string[]>
  declare held: CreationOptional<boolean>
  declare heldFor: string | null
  declare despite: CreationOptional<boolean>
  declare gatherKey: string | null
  declare away: CreationOptional<boolean>
  /** The minute it goes in, where its mail account takes so many. */
  declare slotAt: Date | null

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        channel: { type: DataTypes.TEXT, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        customerName: { type: DataTypes.TEXT, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        emailTextId: { type: DataTypes.INTEGER, allowNull: false },
        toRole: { type: DataTypes.TEXT, allowNull: false },
        toAddresses: { type: DataTypes.JSONB },
        ownEmail: { type: DataTypes.JSONB },
        emailRevision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        isCopy: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        unpaid: { type: DataTypes.DECIMAL },
        part: { type: DataTypes.JSONB },
        number: { type: DataTypes.TEXT, allowNull: false },
        total: { type: DataTypes.DECIMAL, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        sendTo: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        createdAt: { type: DataTypes.DATE, allowNull: false },
        createdBy: { type: DataTypes.TEXT, allowNull: false },
        ready: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        notBefore: { type: DataTypes.DATE, allowNull: false },
        nextTryAt: { type: DataTypes.DATE, allowNull: false },
        attempts: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        claimToken: { type: DataTypes.UUID },
        claimedBy: { type: DataTypes.TEXT },
        leaseUntil: { type: DataTypes.DATE },
        messageId: { type: DataTypes.TEXT, allowNull: false },
        since: { type: DataTypes.DATE, allowNull: false },
        handedOverAt: { type: DataTypes.DATE },
        arrivedAt: { type: DataTypes.DATE },
        arrivedHow: { type: DataTypes.TEXT },
        stuckCause: { type: DataTypes.TEXT },
        lastReply: { type: DataTypes.TEXT },
        noticed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        copyTo: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        held: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        heldFor: { type: DataTypes.TEXT },
        despite: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        gatherKey: { type: DataTypes.TEXT },
        away: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        slotAt: { type: DataTypes.DATE },
      },
      { sequelize, tableName: 'dispatch' },
    )
  }

  static associate(): void {
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(EmailTextVersion, { as: 'emailText', foreignKey: 'emailTextId' })
  }
}
