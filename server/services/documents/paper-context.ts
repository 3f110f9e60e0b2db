import type { Design } from '../../../core/designs/design'
import type { Day } from '../../../core/documents/days'
import type {
  Address,
  CreditFacts,
  ReplacedFacts,
  DepositFacts,
  PaymentFacts,
  OrderFacts,
  CustomerFacts,
} from '../../../core/documents/facts'
import type { ReturnFacts } from '../../../core/documents/return'
import type { ShipmentFacts } from '../../../core/documents/shipment'
import type { ReminderFacts } from '../../../core/receivables/reminders'
import type { StatementFacts } from '../../../core/receivables/statement'
import type { Needs } from '../../../core/documents/needs'
import type { PaperSource } from '../../../core/documents/issue'
import type { FieldValues, OwnFieldFacts } from '../../../core/fields/own-fields'
import type { StandingTextFacts } from '../../../core/documents/standing-texts'
import type { TaxTreatment } from '../../../core/documents/treatment'
import type { Exchange } from '../../../core/money/exchange'
import type { Language } from '../../../core/money/format'
import type { TaxCode } from '../../../core/money/tax-codes'
import type { Channel, Recipient, Preferences, ContactRole } from '../../../core/preferences/recipients'
import type { AsOnce } from '../../../core/preferences/variants'
import type { Told } from '../../../core/said/told'
import type { Letter } from '../dispatch/compose'
import type { BranchView } from '../house/branches'
import type { SeriesRow, BrandRow, DesignRow, EmailTextRow, company } from '../house/house'

/*
 * What a document is made from: the source's facts with everything that was found for it, and the versions of both.
 * Made by found-settings.ts for the sources, read by the engine.
 */

/**
 * The versions a paper was built from. What was checked is what leaves: if one has moved on, the paper is
 * built anew.
 */
export interface BuiltFrom {
  order: number
  customer: number
  brand: number
  design: number
  emailText: number
  /** What of the whole house stands on documents: standing texts, own fields, tax, rates, branches, groups. */
  house: number
}

/** Everything a paper of one source is made of, as it stands now. */
export interface PaperContext {
  /** Why its source has nothing to make it of. */
  problem?: Told
  /** Why none is made at all: there is nothing that it would say. */
  nothing?: Told
  /** Why it is held until its source is complete, and whom to ask; null where nothing is missing. */
  held: Told | null
  sourceId: number
  creditsId: number | null
  replacesId: number | null
  /** The document date a person wants; null is the day of issue. */
  wantedDate: Day | null
  /** The event's day, where the house dates papers of this kind by it. */
  eventDay: Day | null
  orderNumber: string
  orderDate: Day
  customerId: number
  customerName: string
  brandId: number
  total: string
  /** Whether routines make papers of what comes to nothing. */
  zeroTotals: 'make' | 'skip'
  /** How often the order's content changed; a confirmation is of a revision. */
  revision: number
  /** How its order stands, or the status that an update tells of; '' where it is made of no order. */
  status: string
  source: PaperSource
  design: { id: number; design: Design }
  emailTextId: number
  /** The email's text, and the brand as its email shows it. */
  email: Pick<Letter, 'note' | 'brand'>
  channel: Channel
  recipients: Recipient[]
  builtFrom: BuiltFrom
  series: SeriesRow
  lastCounter: number | undefined
}

/** What a paper is made of before settings are found: a source with its customer. */
export interface SubjectRow {
  sourceId: number
  creditsId: number | null
  /** The document that it takes the place of, where a person says so. */
  replacesId: number | null
  wantedDate: Day | null
  eventDay?: Day
  credit?: CreditFacts
  replaces?: ReplacedFacts
  deposits?: DepositFacts[]
  payment?: PaymentFacts
  statement?: StatementFacts
  reminder?: ReminderFacts
  shipment?: ShipmentFacts
  goodsReturn?: ReturnFacts
  number: string
  /** Of an order. */
  status?: string
  date: Day
  suppliedOn: Day | null
  currency: string
  pricesIncludeTax: boolean
  reference: string | null
  customerNote: string | null
  /** Where the goods go, where that is not where it is billed. */
  delivery: Address | null
  /** Values of the house's own order fields. */
  fields: FieldValues
  /** Values of its own customer fields. */
  customerFields: FieldValues
  /** The order's, or else the customer's; '' where nobody is named. */
  salesperson: string
  prepaid: string
  adjustments: OrderFacts['adjustments']
  brandId: number
  /** The place it is sold from; null for the brand itself. */
  branchId: number | null
  version: number
  revision: number
  total: string
  customerId: number
  customerNumber: string
  customerName: string
  taxNumber: string | null
  terms: CustomerFacts['terms']
  customerLanguage: Language | null
  billing: CustomerFacts['billing']
  preferences: Preferences
  customerVersion: number
  treatment: TaxTreatment
  /** What its customer needs on an invoice. */
  needs?: Needs
  /** Where a person enters what is missing; the order by its number where nothing is said. */
  enterAt?: 'draft'
}

/** Whom a paper is addressed to before the customer's preferences: a role, and copies of the routine. */
export interface Addressing {
  role: ContactRole
  copyTo: readonly string[]
  /** What a person chose for this one document. */
  asOnce?: AsOnce | null
}

/** The settings that are the same for every paper of a batch. */
export interface HouseContext {
  brands: BrandRow[]
  branches: BranchView[]
  /** In force for the kind, each brand's own and those of variants. */
  designs: DesignRow[]
  notes: EmailTextRow[]
  series: SeriesRow[]
  counters: Map<number, number>
  company: Awaited<ReturnType<typeof company>>
  taxCodes: TaxCode[]
  standing: StandingTextFacts[]
  ownFields: OwnFieldFacts[]
  today: Day
  /** The newest sixty rates of each currency, newest first. */
  exchange: Exchange[]
}
