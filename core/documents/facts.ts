import type { Language } from '../money/format'
import type { Adjustment, LineCharge } from '../money/totals'
import type { Currency, DecimalText } from '../money/decimal'
import type { BankAccount } from './bank'
import type { Day } from './days'
import type { Terms } from './terms'

/** A postal address; lines that are empty leave no gap. */
export interface Address {
  name: string
  attention?: string
  lines: string[]
  country: string
}

/** A brand's identity as it stands now. */
export interface BrandFacts {
  id: number
  code: string
  name: string
  legalName: string
  addressLines: string[]
  country: string
  phone: string
  email: string
  website: string
  registration: string
  taxNumber: string
  /** In the order in which they are looked through. */
  banks: BankAccount[]
}

export interface OrderLineFacts extends LineCharge {
  item: string
  description: string
  detail: string | null
  unit: string
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
  prepaid: DecimalText
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
}
