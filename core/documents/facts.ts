import type { Language } from '../money/format'
import type { Adjustment, LineCharge, Totals } from '../money/totals'
import type { Currency, DecimalText } from '../money/decimal'
import type { BankAccount } from './bank'
import type { Day } from './days'
import type { Credited } from './credit'
import type { DocumentKind } from './kinds'
import type { Terms } from './terms'
import type { TaxTreatment } from './treatment'

/** A postal address; lines that are empty leave no gap. */
export interface Address {
  name: string
  attention?: string
  lines: string[]
  /** Its two letters (ISO 3166-1). */
  country: string
}

/** A brand's identity as it stands now. */
export interface BrandFacts {
  id: number
  code: string
  name: string
  legalName: string
  addressLines: string[]
  /** Its two letters (ISO 3166-1). */
  country: string
  /** The company's language, in which its post office reads addresses. */
  homeLanguage: Language
  phone: string
  email: string
  website: string
  registration: string
  taxNumber: string
  /** What invoices say instead where the company has no tax number, by language. */
  withoutTaxNumber?: Partial<Record<Language, string>>
  /** In the order in which they are looked through. */
  banks: BankAccount[]
  /** The branch whose address and accounts these are; the brand's own where none is named. */
  branch?: string
  /** Payment methods its invoices say are accepted; nothing is said where none is. */
  methods?: PaymentMethod[]
}

/** What an item is called besides the house's code: by the customer, and by its bar code. */
export interface ItemCodes {
  customer?: string
  gtin?: string
}

export interface OrderLineFacts extends LineCharge {
  /** Its place in the order, where a part of that is meant: a shipment's lines. */
  position?: number
  item: string
  description: string
  detail: string | null
  unit: string
  /** What else its item is called, where the document's design names it so. */
  codes?: ItemCodes
}

/** An order as a document is made from it. */
export interface OrderFacts {
  number: string
  date: Day
  /** Day the goods left, in the house's zone; the date of supply. */
  suppliedOn: Day | null
  currency: Currency
  pricesIncludeTax: boolean
  reference: string | null
  customerNote: string | null
  /** The house's own order fields as they are printed. */
  own?: string
  /** Where the goods go, where that is not where it is billed. */
  delivery?: Address
  prepaid: DecimalText
  /** Deposit invoices already issued for it; the final invoice lists and deducts each. */
  deposits?: DepositFacts[]
  lines: OrderLineFacts[]
  adjustments: Adjustment[]
}

export interface CustomerFacts {
  number: string
  name: string
  billing: Address | null
  taxNumber: string | null
  terms: Terms
  language: Language
  /** Domestic where nothing is said. */
  treatment?: TaxTreatment
}

/** A deposit invoice as its final invoice lists it. */
export interface DepositFacts {
  number: string
  date: Day
  /** Per rate. */
  groups: { rate: DecimalText; base: DecimalText; tax: DecimalText }[]
  total: DecimalText
}

export const paymentMethods = ['bank transfer', 'card', 'cash', 'cheque', 'direct debit', 'other'] as const
export type PaymentMethod = (typeof paymentMethods)[number]

/** A payment that came in, or a refund that went out, as its receipt is made from it. */
export interface PaymentFacts {
  direction: 'in' | 'out'
  /** The day the money moved. */
  date: Day
  method: PaymentMethod
  amount: DecimalText
  currency: Currency
  /** What the payer wrote; may be empty. */
  reference: string
  /** The documents it settles. */
  settles: SettledFacts[]
  /** What of it settles nothing yet. */
  onAccount: DecimalText
}

export interface SettledFacts {
  kind: DocumentKind
  number: string
  date: Day
  /** Money, early-payment discount and waived difference that were booked on it. */
  amount: DecimalText
  discount: DecimalText
  writtenOff: DecimalText
  /** Open on it afterwards. */
  left: DecimalText
}

/** The document that this one takes the place of. */
export interface ReplacedFacts {
  id: number
  number: string
  date: Day
}

/** What a credit note is about. */
export interface CreditFacts {
  /** The invoice it takes back, as it is numbered and dated. */
  number: string
  date: Day
  reason: string
  /** Worked out by `creditOf`; used as they are. */
  sums: Totals
  credited: Credited
}
