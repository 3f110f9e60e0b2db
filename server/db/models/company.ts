import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import { noSecondLook, type SecondLookRule } from '../../../core/documents/second-look'
import type { TooLargeRule } from '../../../core/enclosures/carriage'
import type { DigestRule } from '../../../core/dispatch/digest'
import type { MorningRule } from '../../../core/line/morning'
import type { ReminderRule } from '../../../core/receivables/reminders'
import type { ServiceRule } from '../../../core/shipping/carriers'
import { usualPrinting, type LabelPrinting } from '../../../core/shipping/label-formats'
import { usualSlip, type SlipShows } from '../../../core/shipping/slip'
import type { Box } from '../../../core/shipping/parcels'
import type { Terms } from '../../../core/documents/terms'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { StatusWords } from '../../../core/orders/statuses'
import type { Language } from '../../../core/money/format'
import type { TrialBalance } from '../../../core/receivables/trial-balance'
import {
  suppliedRoles,
  usualPreferences,
  type ContactRole,
  type Preferences,
} from '../../../core/preferences/recipients'

/** The one company of this house, with its switches. */
export class Company extends Model<InferAttributes<Company>, InferCreationAttributes<Company>> {
  declare id: number
  declare name: string
  declare installationId: string
  declare timeZone: string
  declare country: string
  declare currency: string
  declare language: Language
  declare orderStatuses: string[]
  /** After so many seconds without a bounce an email counts as arrived. */
  declare presumeSeconds: number
  declare failureNoticeTo: CreationOptional<string>
  declare undoMinutes: CreationOptional<number>
  declare pausedAt: Date | null
  declare pausedBy: string | null
  declare pauseReason: CreationOptional<string>
  declare rehearsalSince: Date | null
  declare rehearsalBy: string | null
  declare rehearsalAddress: CreationOptional<string>
  /** A copied or restored house stays silent until a supervisor confirmed numbers and queue. */
  declare confirmNeeded: CreationOptional<boolean>
  /** No document is dated in a closed period. */
  declare closedUntil: string | null
  declare zeroTotals: CreationOptional<'make' | 'skip'>
  declare withdrawnStatuses: CreationOptional<string[]>
  declare withdrawnRule: CreationOptional<'list' | 'settle'>
  /** How a kind’s date is chosen. */
  declare documentDates: CreationOptional<Partial<Record<DocumentKind, 'event'>>>
  /** So much less than is open counts as paid in full, once a person agrees. */
  declare smallDifference: CreationOptional<string>
  declare secondLook: CreationOptional<SecondLookRule>
  declare heldStatuses: CreationOptional<string[]>
  /** 1 to 12: the month in which the business year begins. */
  declare businessYearStart: CreationOptional<number>
  /** What a new customer is given. */
  declare terms: CreationOptional<Terms>
  /** What the address of links in emails begins with; never taken from a request. */
  declare publicAddress: CreationOptional<string>
  /** So many days a link in an email is good. */
  declare linkDays: CreationOptional<number>
  /** What becomes of an email that is larger than its mail account takes. */
  declare tooLarge: CreationOptional<TooLargeRule>
  /** What a letter costs that an email saves, in the house's currency. */
  declare postage: CreationOptional<string>
  /** Whether emails say when they are opened. */
  declare countOpens: CreationOptional<boolean>
  /** How the house reminds; null as supplied. */
  declare reminders: CreationOptional<ReminderRule | null>
  /** One statement for all brands of one company. */
  declare statementsTogether: CreationOptional<boolean>
  /** Whose public holidays are kept; empty for those of the whole country. */
  declare holidayRegion: CreationOptional<string>
  declare boxes: CreationOptional<Box[]>
  declare serviceRules: CreationOptional<ServiceRule[]>
  declare labelPrinting: CreationOptional<LabelPrinting>
  /** The company prefix that GS1 gave; empty for none. */
  declare gs1Prefix: CreationOptional<string>
  /** What packing slips say of the buyer besides the goods, and whether they say prices. */
  declare slipShows: CreationOptional<SlipShows>
  declare morning: CreationOptional<MorningRule | null>
  declare morningSent: CreationOptional<string | null>
  declare digest: CreationOptional<DigestRule | null>
  declare digestUntil: CreationOptional<Date | null>
  declare editableFiles: CreationOptional<boolean>
  /** How documents reach customers that say nothing else, nor their group. */
  declare preferences: CreationOptional<Preferences>
  /** What contacts are for, in the house’s own words. */
  declare contactRoles: CreationOptional<ContactRole[]>
  /** Kinds of document that the house does not use. */
  declare kindsOff: CreationOptional<DocumentKind[]>
  /** Which statuses may follow a status; one that is not named may be followed by any. */
  declare statusSteps: CreationOptional<Record<string, string[]>>
  /** What customers read of a status. */
  declare statusWords: CreationOptional<StatusWords>
  /** What the program before this one said was open, by currency. */
  declare trialBalance: CreationOptional<TrialBalance>
  /** How often something of the whole house that stands on documents was changed. */
  declare papersVersion: CreationOptional<number>

  static start(sequelize: Sequelize): void {
    this.init(
      {
        id: { type: DataTypes.INTEGER, primaryKey: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        installationId: { type: DataTypes.UUID, allowNull: false },
        timeZone: { type: DataTypes.TEXT, allowNull: false },
        country: { type: DataTypes.TEXT, allowNull: false },
        currency: { type: DataTypes.TEXT, allowNull: false },
        language: { type: DataTypes.TEXT, allowNull: false },
        orderStatuses: { type: DataTypes.JSONB, allowNull: false },
        presumeSeconds: { type: DataTypes.INTEGER, allowNull: false },
        failureNoticeTo: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        undoMinutes: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        pausedAt: { type: DataTypes.DATE },
        pausedBy: { type: DataTypes.TEXT },
        pauseReason: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        rehearsalSince: { type: DataTypes.DATE },
        rehearsalBy: { type: DataTypes.TEXT },
        rehearsalAddress: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        confirmNeeded: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        closedUntil: { type: DataTypes.DATEONLY },
        zeroTotals: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'make' },
        withdrawnStatuses: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        withdrawnRule: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'list' },
        documentDates: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        smallDifference: { type: DataTypes.DECIMAL, allowNull: false, defaultValue: '0' },
        secondLook: { type: DataTypes.JSONB, allowNull: false, defaultValue: noSecondLook },
        heldStatuses: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        businessYearStart: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        terms: {
          type: DataTypes.JSONB,
          allowNull: false,
          defaultValue: JSON.parse('{"kind": "days", "days": 30}'),
        },
        publicAddress: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        linkDays: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 30 },
        tooLarge: { type: DataTypes.TEXT, allowNull: false, defaultValue: 'stop' },
        postage: { type: DataTypes.DECIMAL, allowNull: false, defaultValue: '0' },
        countOpens: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        reminders: { type: DataTypes.JSONB },
        statementsTogether: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        holidayRegion: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        boxes: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        serviceRules: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        labelPrinting: { type: DataTypes.JSONB, allowNull: false, defaultValue: usualPrinting },
        gs1Prefix: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
        slipShows: { type: DataTypes.JSONB, allowNull: false, defaultValue: usualSlip },
        morning: { type: DataTypes.JSONB },
        morningSent: { type: DataTypes.DATEONLY },
        digest: { type: DataTypes.JSONB },
        digestUntil: { type: DataTypes.DATE },
        editableFiles: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        preferences: { type: DataTypes.JSONB, allowNull: false, defaultValue: usualPreferences },
        contactRoles: { type: DataTypes.JSONB, allowNull: false, defaultValue: [...suppliedRoles] },
        kindsOff: { type: DataTypes.JSONB, allowNull: false, defaultValue: [] },
        statusSteps: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        statusWords: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        trialBalance: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
        papersVersion: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { sequelize, tableName: 'company' },
    )
  }
}
