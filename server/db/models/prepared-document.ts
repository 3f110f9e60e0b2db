import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Asked } from '../../../core/documents/second-look'
import type { AsOnce } from '../../../core/preferences/variants'
import type { OwnEmail } from '../../../core/emailtexts/own-email'
import type { PaperChange, PaperSource } from '../../../core/documents/issue'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import type { SendingHours } from '../../../core/routines/sentence'
import { Brand } from './brand'
import { Customer } from './customer'
import { DesignVersion } from './design'
import { EmailTextVersion } from './email-text'
import { IssuedDocument } from './document'
import { Routine } from './routine'
import { Source } from './source'
import type { Told } from '../../../core/said/told'

/** A document that is due or prepared and not issued yet. */
export class PreparedDocument extends Model<
  InferAttributes<PreparedDocument>,
  InferCreationAttributes<PreparedDocument>
> {
  declare id: CreationOptional<number>
  declare sourceId: number
  declare kind: DocumentKind
  /** What lets a source have another of the same kind: its revision. */
  declare occasion: string
  declare state: 'due' | 'prepared' | 'put back' | 'issued' | 'dropped'
  declare automatic: CreationOptional<boolean>
  declare routineId: number | null
  declare routineVersion: number | null
  declare customerId: number
  declare brandId: number
  declare orderNumber: string
  declare orderDate: string
  declare customerName: string
  declare total: string
  declare currency: string
  declare channel: string
  declare sendTo: string
  declare toRole: string
  declare delayMinutes: CreationOptional<number>
  /** The facts it is made from, frozen. */
  declare source: PaperSource
  /** The printed document; null where there is a problem. */
  declare content: Paper | null
  /** What the person saw who looked at it last. */
  declare baseline: object
  declare designId: number
  declare emailTextId: number
  /** Versions of everything that it was made from. */
  declare builtFrom: object
  declare revision: CreationOptional<number>
  declare problem: Told | null
  declare changes: PaperChange[] | null
  /** Something it was made from changed; it is built anew. */
  declare stale: CreationOptional<boolean>
  declare since: Date
  declare actor: CreationOptional<string>
  declare copyTo: CreationOptional<string[]>
  declare hours: SendingHours | null
  /** The invoice that it credits, the document that it takes the place of. */
  declare creditsId: number | null
  declare replacesId: number | null
  declare wantedDate: string | null
  declare earlierDateOk: CreationOptional<boolean>
  declare eventDay: string | null
  declare keptBack: CreationOptional<boolean>
  declare keptBackNoticed: CreationOptional<boolean>
  /** Held until its order has what its customer needs: what follows then; null where nothing is missing. */
  declare onceComplete: CreationOptional<'check' | 'go' | null>
  declare secondLook: CreationOptional<Told | null>
  declare asked: CreationOptional<(Asked & { revision: number }) | null>
  /** Recipients for this time only. */
  declare toAddresses: string[] | null
  /** What a person wrote for this one email. */
  declare ownEmail: CreationOptional<OwnEmail | null>
  /** How often it was marked stale. */
  declare staleMark: CreationOptional<number>
  /** What it is made with this once, in place of what its customer has. */
  declare asOnce: CreationOptional<AsOnce | null>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        sourceId: { type: DataTypes.INTEGER, allowNull: false },
        kind: { type: DataTypes.TEXT, allowNull: false },
        occasion: { type: DataTypes.TEXT, allowNull: false },
        state: { type: DataTypes.TEXT, allowNull: false },
        automatic: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        routineId: { type: DataTypes.INTEGER },
        routineVersion: { type: DataTypes.INTEGER },
        customerId: { type: DataTypes.INTEGER, allowNull: false },
        brandId: { type: DataTypes.INTEGER, allowNull: false },
        orderNumber: { type: DataTypes.TEXT, allowNull: false },
        orderDate: { type: DataTypes.DATEONLY, allowNull: false },
        customerName: { type: DataTypes.TEXT, allowNull: false },
        total: { type: DataTypes.DECIMAL, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        channel: { type: DataTypes.TEXT, allowNull: false },
        sendTo: { type: DataTypes.TEXT, allowNull: false },
        toRole: { type: DataTypes.TEXT, allowNull: false },
        delayMinutes: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        source: { type: DataTypes.JSONB, allowNull: false },
        content: { type: DataTypes.JSONB },
        baseline: { type: DataTypes.JSONB, allowNull: false },
        designId: { type: DataTypes.INTEGER, allowNull: false },
        emailTextId: { type: DataTypes.INTEGER, allowNull: false },
        builtFrom: { type: DataTypes.JSONB, allowNull: false },
        revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        problem: { type: DataTypes.JSONB },
        changes: { type: DataTypes.JSONB },
        stale: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        since: { type: DataTypes.DATE, allowNull: false },
        actor: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        copyTo: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        hours: { type: DataTypes.JSONB },
        creditsId: { type: DataTypes.INTEGER },
        replacesId: { type: DataTypes.INTEGER },
        wantedDate: { type: DataTypes.DATEONLY },
        earlierDateOk: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        eventDay: { type: DataTypes.DATEONLY },
        keptBack: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        keptBackNoticed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
        onceComplete: { type: DataTypes.TEXT },
        secondLook: { type: DataTypes.JSONB },
        asked: { type: DataTypes.JSONB },
        toAddresses: { type: DataTypes.JSONB },
        ownEmail: { type: DataTypes.JSONB },
        staleMark: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        asOnce: { type: DataTypes.JSONB },
      },
      { sequelize, tableName: 'prepared_document' },
    )
  }

  static associate(): void {
    this.belongsTo(Source, { as: 'madeOf', foreignKey: 'sourceId' })
    this.belongsTo(Routine, { as: 'routine', foreignKey: 'routineId' })
    this.belongsTo(Customer, { as: 'customer', foreignKey: 'customerId' })
    this.belongsTo(Brand, { as: 'brand', foreignKey: 'brandId' })
    this.belongsTo(IssuedDocument, { as: 'credits', foreignKey: 'creditsId' })
    this.belongsTo(IssuedDocument, { as: 'replaces', foreignKey: 'replacesId' })
    this.belongsTo(DesignVersion, { as: 'design', foreignKey: 'designId' })
    this.belongsTo(EmailTextVersion, { as: 'emailText', foreignKey: 'emailTextId' })
  }
}
