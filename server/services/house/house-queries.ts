import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Design } from '../../../core/designs/design'
import { one, rows } from '../../db/connection'
import type { CompanyRow, BrandRow, DesignRow, EmailTextRow, SeriesRow } from './house'

/* The statements of house.ts. */

/** SQL: percent by tax code, as they hold today in the company's zone. */
const ratesToday = `
  (
    select coalesce(jsonb_object_agg(r.code, r.percent), '{}')
    from (
      select distinct on (code) code, trim_scale(percent)::text percent
      from tax_rate
      order by code, from_day <= ($now::timestamptz at time zone time_zone)::date desc,
        case when from_day <= ($now::timestamptz at time zone time_zone)::date then from_day end desc, from_day
    ) r
  )`

const brandColumns = `
  b.id, b.code, b.name, b.legal_name "legalName", b.address_lines "addressLines", b.country,
  (select language from company) "homeLanguage", b.phone, b.email, b.website, b.registration,
  b.tax_number "taxNumber", b.banks, b.email_look "emailLook", b.sender_name "senderName",
  b.sender_address "senderAddress", b.reply_to "replyTo", b.version, b.prices_include_tax "pricesIncludeTax",
  b.payment_methods methods, b.without_tax_number "withoutTaxNumber",
  b.retired_at is not null retired, b.banks_changed "banksChanged"`

export const seriesColumns = `
  s.id, s.kind, s.brand_id "brandId", s.prefix, s.suffix, s.length, s.start, s.restart,
  s.business_year_start "businessYearStart", s.source, s.country, s.currency, s.version,
  coalesce((select name from branch where branch.id = s.branch_id), '') branch`

export const companyRow = (now: Date) =>
  one<CompanyRow>(
    `select name, time_zone "timeZone", country, currency, language, ${ratesToday} "taxRates",
      order_statuses "orderStatuses", status_steps "statusSteps", kinds_off "kindsOff",
      presume_seconds "presumeSeconds", failure_notice_to "failureNoticeTo",
      closed_until::text "closedUntil", zero_totals "zeroTotals",
      withdrawn_statuses "withdrawnStatuses", held_statuses "heldStatuses", withdrawn_rule "withdrawnRule",
      document_dates "documentDates", small_difference::text "smallDifference",
      public_address "publicAddress", link_days "linkDays", too_large "tooLarge",
      count_opens "countOpens", holiday_region "holidayRegion", boxes,
      service_rules "serviceRules", label_printing "labelPrinting", gs1_prefix "gs1Prefix", slip_shows "slipShows",
      contact_roles "contactRoles", papers_version "papersVersion"
    from company`,
    { now },
  )

export const brandRows = () => rows<BrandRow>(`select ${brandColumns} from brand b order by b.id`)

export const newestDesignRows = (kind: string) =>
  rows<DesignRow>(
    `select distinct on (brand_id) id, brand_id "brandId", version, design from design
    where kind = $kind order by brand_id, version desc`,
    { kind },
  )

export const designRows = (ids: readonly number[]) =>
  rows<{ id: number; design: Design }>('select id, design from design where id = any($ids::int[])', { ids })

export const newestEmailTexts = (kind: string, purposes: readonly EmailPurpose[]) =>
  rows<EmailTextRow>(
    `select distinct on (brand_id, purpose, language) id, brand_id "brandId", purpose, language, version, subject,
      text
    from email_text
    where kind = $kind and purpose = any($purposes::text[])
    order by brand_id, purpose, language, version desc`,
    { kind, purposes },
  )

/**
 * SQL: the newest email text for a purpose of a document, in its language or else the company's; null without one.
 * @param d the document's alias
 */
export const emailTextFor = (d: string, purpose: EmailPurpose) =>
  `(
    select n.id
    from email_text n
    where n.brand_id = ${d}.brand_id
      and n.kind = ${d}.kind
      and n.purpose = '${purpose}'
      and n.language in (${d}.paper ->> 'language', (select language from company))
    order by n.language = ${d}.paper ->> 'language' desc, n.version desc
    limit 1
  )`

export const seriesRows = () =>
  rows<SeriesRow>(`select ${seriesColumns} from number_series s order by s.kind, s.brand_id`)
