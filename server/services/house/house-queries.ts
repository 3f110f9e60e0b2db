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
  b.tax_number "taxNumber", b.banks, b.email_look "emailLook", b.text_rehearsals "textRehearsals",
  b.sender_name "senderName", b.sender_address "senderAddress", b.reply_to "replyTo", b.version,
  b.prices_include_tax "pricesIncludeTax",
  b.payment_methods methods, b.without_tax_number "withoutTaxNumber",
  b.retired_at is not null retired, b.banks_changed "banksChanged"`

export const seriesColumns = `
  s.id, s.kind, s.brand_id "brandId", s.prefix, s.suffix, s.length, s.start, s.restart,
  s.business_year_start "businessYearStart", s.source, s.country, s.currency, s.version,
  coalesce((select name from branch where branch.id = s.branch_id), '') branch`

export const companyRow = (now: Date) =>
  one<CompanyRow>(
    `select name, time_zone "timeZone", country, currency, language, ${ratesToday} "taxRates",
      order_statuses "orderStatuses", status_steps "statusSteps", status_words "statusWords",
      kinds_off "kindsOff",
      presume_seconds "presumeSeconds", failure_notice_to "failureNoticeTo",
      closed_until::text "closedUntil", zero_totals "zeroTotals",
      withdrawn_statuses "withdrawnStatuses", held_statuses "heldStatuses", withdrawn_rule "withdrawnRule",
      document_dates "documentDates", small_difference::text "smallDifference",
      public_address "publicAddress", link_days "linkDays", too_large "tooLarge",
      count_opens "countOpens", editable_files "editableFiles", holiday_region "holidayRegion", boxes,
      service_rules "serviceRules", label_printing "labelPrinting", gs1_prefix "gs1Prefix", slip_shows "slipShows",
      contact_roles "contactRoles", papers_version "papersVersion"
    from company`,
    { now },
  )

export const brandRows = () => rows<BrandRow>(`select ${brandColumns} from brand b order by b.id`)

/** SQL: of the newest versions of a table's rows, those that are in force. @param of what tells them apart */
const inForce = (table: 'design' | 'email_text', of: string, where: string) =>
  `(
    select x.*
    from (
      select distinct on (brand_id, ${of}variant_id) *
      from ${table}
      where ${where}
      order by brand_id, ${of}variant_id, version desc
    ) x
    left join variant v on v.id = x.variant_id
    where not x.given_up and v.retired is not true
  )`

export const newestDesignRows = (kind: string) =>
  rows<DesignRow>(
    `select id, brand_id "brandId", variant_id "variantId", version, made_at "madeAt", design
    from ${inForce('design', '', 'kind = $kind')} d
    order by brand_id, variant_id nulls first`,
    { kind },
  )

export const designRows = (ids: readonly number[]) =>
  rows<{ id: number; design: Design }>('select id, design from design where id = any($ids::int[])', { ids })

export const newestEmailTexts = (kind: string, purposes: readonly EmailPurpose[]) =>
  rows<EmailTextRow>(
    `select id, brand_id "brandId", variant_id "variantId", purpose, language, version, made_at "madeAt", subject, text
    from ${inForce('email_text', 'purpose, language, ', 'kind = $kind and purpose = any($purposes::text[])')} t
    order by brand_id, variant_id nulls first, purpose, language`,
    { kind, purposes },
  )

/** SQL: what decides the email text of a document `d`: see text-for.ts. */
export const textColumns = `d.kind, d.brand_id "brandId", d.paper ->> 'language' "language",
  d.email_text_id "emailTextId",
  (
    select nullif((preferences_for(c, d.source_id, array[d.kind]) -> d.kind ->> 'text')::int, 0)
    from customer c
    where c.id = d.customer_id
  ) "variantId"`

export const seriesRows = () =>
  rows<SeriesRow>(`select ${seriesColumns} from number_series s order by s.kind, s.brand_id`)
