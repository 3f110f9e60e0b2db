import type { Asked } from '../../../core/documents/second-look'
import type { Body, Line } from '../../../core/emailtexts/nodes'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { StatusSteps, StatusWords } from '../../../core/orders/statuses'
import { clock } from '../../clock'
import type { TooLargeRule } from '../../../core/enclosures/carriage'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Day } from '../../../core/documents/days'
import type { BrandFacts, PaymentMethod } from '../../../core/documents/facts'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { NumberSeries } from '../../../core/numbering/series'
import type { Language } from '../../../core/money/format'
import type { Design } from '../../../core/designs/design'
import type { ServiceRule } from '../../../core/shipping/carriers'
import type { LabelPrinting } from '../../../core/shipping/label-formats'
import type { SlipShows } from '../../../core/shipping/slip'
import type { Box } from '../../../core/shipping/parcels'
import {
  companyRow,
  brandRows,
  newestDesignRows,
  designRows,
  newestEmailTexts,
  seriesRows,
} from './house-queries'

export interface CompanyRow {
  name: string
  timeZone: string
  country: string
  currency: string
  language: Language
  taxRates: Record<string, string>
  orderStatuses: string[]
  /** Which statuses may follow a status. */
  statusSteps: StatusSteps
  /** What customers read of a status. */
  statusWords: StatusWords
  /** Kinds of document that the house does not use. */
  kindsOff: DocumentKind[]
  contactRoles: string[]
  presumeSeconds: number
  failureNoticeTo: string
  /** Last day of the closed accounting periods. */
  closedUntil: Day | null
  /** Whether orders that come to nothing get documents from routines. */
  zeroTotals: 'make' | 'skip'
  /** Statuses in which an order is withdrawn, and what becomes of its documents then. */
  withdrawnStatuses: string[]
  /** Statuses in which nothing of an order leaves for now. */
  heldStatuses: string[]
  withdrawnRule: 'list' | 'settle'
  /** Kinds that are dated by the event and not by the day of issue. */
  documentDates: Partial<Record<DocumentKind, 'event'>>
  /** Most that is waived without asking when a payment falls short, in the house's currency. */
  smallDifference: string
  /** What links in emails begin with. */
  publicAddress: string
  /** So many days a link to a file is good. */
  linkDays: number
  /** What becomes of an email that is larger than its mail account takes. */
  tooLarge: TooLargeRule
  /** Whether emails say when they are opened. */
  countOpens: boolean
  /** Whether customers who want it get what books nothing as a text that can be edited. */
  editableFiles: boolean
  /** The part of the country whose public holidays are kept; empty for those of the whole country. */
  holidayRegion: string
  /** The boxes that it packs into. */
  boxes: Box[]
  /** Which service goods go by that say nothing themselves, the first that applies. */
  serviceRules: ServiceRule[]
  labelPrinting: LabelPrinting
  /** The company prefix that GS1 gave, for SSCCs; empty for none. */
  gs1Prefix: string
  /** What packing slips say of the buyer, and whether they say prices. */
  slipShows: SlipShows
  /** How often something of the whole house that stands on documents was changed. */
  papersVersion: number
}

/** The company's settings. @throws when the database is empty */
export async function company(): Promise<CompanyRow> {
  const row = await companyRow(clock.now())
  if (!row) throw new Error('the database holds no company yet')
  return row
}

export interface BrandRow extends BrandFacts {
  version: number
  senderName: string
  senderAddress: string
  replyTo: string
  emailLook: EmailLook
  /** Whether prices of new drafts and orders include tax, where the customer says nothing. */
  pricesIncludeTax: boolean
  methods: PaymentMethod[]
  withoutTaxNumber: Partial<Record<Language, string>>
  /** It is not used for new orders and documents any more. */
  retired: boolean
  /** Where emails go while their text is being tried, by kind of document. */
  textRehearsals: Partial<Record<DocumentKind, string>>
  /** Who changed the bank accounts, until somebody else confirms them. */
  banksChanged: Asked | null
}

export async function brands(): Promise<BrandRow[]> {
  return brandRows()
}

export interface DesignRow {
  id: number
  brandId: number
  /** Null: the brand's own, and not that of a variant for some customers. */
  variantId: number | null
  version: number
  madeAt: Date
  design: Design
}

/** Every design in force for a kind, each brand's own and those of variants: the newest versions. */
export const designsInForce = (kind: string): Promise<DesignRow[]> => newestDesignRows(kind)

/** The design in force of each brand for a kind, its own. */
export const newestDesigns = async (kind: string): Promise<DesignRow[]> =>
  (await designsInForce(kind)).filter(({ variantId }) => variantId === null)

/** A kept version by id. */
export async function designById(ids: readonly number[]): Promise<Map<number, Design>> {
  const found = await designRows(ids)
  return new Map(found.map((row) => [row.id, row.design]))
}

export interface EmailTextRow {
  id: number
  brandId: number
  /** Null: the brand's own, and not that of a variant for some customers. */
  variantId: number | null
  madeAt: Date
  purpose: EmailPurpose
  language: Language
  version: number
  subject: Line
  text: Body
}

/** Every email text in force for a kind, each brand's own and those of variants. */
export const emailTextsInForce = (
  kind: string,
  purposes: readonly EmailPurpose[] = ['first'],
): Promise<EmailTextRow[]> => newestEmailTexts(kind, purposes)

/** The email texts in force for a kind, the brands' own: one per brand, purpose and language. */
export const emailTexts = async (
  kind: string,
  purposes: readonly EmailPurpose[] = ['first'],
): Promise<EmailTextRow[]> =>
  (await emailTextsInForce(kind, purposes)).filter(({ variantId }) => variantId === null)

export interface SeriesRow extends NumberSeries {
  id: number
  kind: DocumentKind
  brandId: number
  country: string
  currency: string
  /** Of its brand, by name; '' for all. */
  branch: string
  version: number
}

export async function allSeries(): Promise<SeriesRow[]> {
  return seriesRows()
}
