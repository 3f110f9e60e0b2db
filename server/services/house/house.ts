import { clock } from '../../clock'
import { one, rows } from '../../db/connection'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Day } from '../../../core/documents/days'
import type { BrandFacts, PaymentMethod } from '../../../core/documents/facts'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { NumberSeries } from '../../../core/numbering/series'
import type { Language } from '../../../core/money/format'
import type { Design } from '../../../core/designs/design'

export interface CompanyRow {
  name: string
  timeZone: string
  country: string
  currency: string
  language: Language
  taxRates: Record<string, string>
  orderStatuses: string[]
  /** Names of the house's own order fields. */
  orderFields: string[]
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
}

/** SQL: percent by tax code, as they hold today in the company's zone. */
const ratesToday = `
  (
    select coalesce(jsonb_object_agg(r.code, r.percent), '{}')
    from (
      select distinct on (code) code, trim_scale(percent)::text percent
      from tax_rate
      order by code, from_day <= ($1::timestamptz at time zone time_zone)::date desc,
        case when from_day <= ($1::timestamptz at time zone time_zone)::date then from_day end desc, from_day
    ) r
  )`

/** The company's settings. @throws when the database is empty */
export async function company(): Promise<CompanyRow> {
  const row = await one<CompanyRow>(
    `select name, time_zone "timeZone", country, currency, language, ${ratesToday} "taxRates",
      order_statuses "orderStatuses", order_fields "orderFields", presume_seconds "presumeSeconds",
      failure_notice_to "failureNoticeTo", closed_until::text "closedUntil", zero_totals "zeroTotals",
      withdrawn_statuses "withdrawnStatuses", held_statuses "heldStatuses", withdrawn_rule "withdrawnRule",
      document_dates "documentDates", small_difference::text "smallDifference"
    from company`,
    [clock.now()],
  )
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
}

const brandColumns = `
  b.id, b.code, b.name, b.legal_name "legalName", b.address_lines "addressLines", b.country,
  (select language from company) "homeLanguage", b.phone, b.email, b.website, b.registration,
  b.tax_number "taxNumber", b.banks, b.email_look "emailLook", b.sender_name "senderName",
  b.sender_address "senderAddress", b.reply_to "replyTo", b.version, b.prices_include_tax "pricesIncludeTax",
  b.payment_methods methods, b.without_tax_number "withoutTaxNumber"`

export async function brands(): Promise<BrandRow[]> {
  return rows<BrandRow>(`select ${brandColumns} from brand b order by b.id`)
}

export interface DesignRow {
  id: number
  brandId: number
  version: number
  design: Design
}

/** The design in force of each brand for a kind: the newest version. */
export async function newestDesigns(kind: string): Promise<DesignRow[]> {
  return rows<DesignRow>(
    `select distinct on (brand_id) id, brand_id "brandId", version, design from design
    where kind = $1 order by brand_id, version desc`,
    [kind],
  )
}

/** A kept version by id. */
export async function designById(ids: readonly number[]): Promise<Map<number, Design>> {
  const found = await rows<{ id: number; design: Design }>(
    'select id, design from design where id = any($1::int[])',
    [ids],
  )
  return new Map(found.map((row) => [row.id, row.design]))
}

export interface EmailTextRow {
  id: number
  brandId: number
  language: Language
  version: number
  subject: string
  text: string
}

/** The email texts in force for a kind, one per brand and language. */
export async function emailTexts(kind: string): Promise<EmailTextRow[]> {
  return rows<EmailTextRow>(
    `select distinct on (brand_id, language) id, brand_id "brandId", language, version, subject, text
    from email_text
    where kind = $1
    order by brand_id, language, version desc`,
    [kind],
  )
}

export interface SeriesRow extends NumberSeries {
  id: number
  kind: DocumentKind
  brandId: number
  country: string
  currency: string
}

export const seriesColumns = `
  s.id, s.kind, s.brand_id "brandId", s.prefix, s.suffix, s.length, s.start, s.restart,
  s.business_year_start "businessYearStart", s.source, s.country, s.currency`

export async function allSeries(): Promise<SeriesRow[]> {
  return rows<SeriesRow>(`select ${seriesColumns} from number_series s order by s.kind, s.brand_id`)
}
