import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Body, Line } from '../../../core/emailtexts/nodes'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Design } from '../../../core/designs/design'
import { rows, run, one, json } from '../../db/connection'
import { type SeriesRow } from './house'
import { seriesColumns } from './house-queries'

/* The statements of change.ts. */

export const seriesOfKind = (kind: string) =>
  rows<SeriesRow>(`select ${seriesColumns} from number_series s where s.kind = $kind`, { kind })

export const usedCounters = () =>
  rows<{ seriesId: number; period: string; last: number }>(
    `select c.series_id "seriesId", c.period, c.last
    from series_counter c
    join number_series s on s.id = c.series_id
    where exists (select from document d where d.series_id = c.series_id and d.period = c.period)
    order by c.period desc`,
  )

export const raiseBrandVersion = (brandId: number, version: number) =>
  run('update brand set version = version + 1 where id = $brandId and version = $version', {
    brandId,
    version,
  })

export const brandExists = (brandId: number) => one('select id from brand where id = $brandId', { brandId })

/** The next version of a design, of the brand's own or of a variant. @param given.id the design that it began with */
export const insertDesignVersion = (given: {
  id: number
  variantId: number | null
  design: Design
  now: Date
  actor: string
}) =>
  run(
    `insert into design (brand_id, kind, variant_id, version, design, made_at, made_by)
    select b.brand_id, b.kind, $variantId, coalesce(max(d.version), 0) + 1, $design::jsonb, $now, $actor
    from design b
    left join design d
      on d.brand_id = b.brand_id and d.kind = b.kind and d.variant_id is not distinct from $variantId::int
    where b.id = $id
    group by b.brand_id, b.kind`,
    { ...given, design: json(given.design) },
  )

/** From now on a variant has no design of its own for a kind. */
export const giveUpDesign = (given: {
  brandId: number
  kind: string
  variantId: number
  now: Date
  actor: string
}) =>
  run(
    `insert into design (brand_id, kind, variant_id, version, design, made_at, made_by, given_up)
    select brand_id, kind, variant_id, version + 1, design, $now, $actor, true
    from (
      select *
      from design
      where brand_id = $brandId and kind = $kind and variant_id = $variantId
      order by version desc
      limit 1
    ) newest
    where not given_up`,
    given,
  )

/** From now on a variant has no email text of its own for a kind, a purpose and a language. */
export const giveUpEmailText = (given: {
  brandId: number
  kind: string
  purpose: EmailPurpose
  language: string
  variantId: number
  now: Date
  actor: string
}) =>
  run(
    `insert into email_text (
      brand_id, kind, purpose, language, variant_id, version, subject, text, made_at, made_by, given_up
    )
    select brand_id, kind, purpose, language, variant_id, version + 1, subject, text, $now, $actor, true
    from (
      select *
      from email_text
      where brand_id = $brandId and kind = $kind and purpose = $purpose and language = $language
        and variant_id = $variantId
      order by version desc
      limit 1
    ) newest
    where not given_up`,
    given,
  )

/** How many documents of a kind that are not issued yet say each text; those that somebody wrote anew do not. */
export const waitingByText = (kind: string) =>
  rows<{ emailTextId: number; waiting: number }>(
    `select email_text_id "emailTextId", count(*)::int waiting
    from prepared_document
    where kind = $kind and state in ('prepared', 'due', 'put back') and own_email is null
    group by 1`,
    { kind },
  )

export const updateEmailLook = (brandId: number, look: EmailLook) =>
  run('update brand set email_look = $look::jsonb where id = $brandId', { brandId, look: json(look) })

/** A new version of an email text, unless the newest reads just so already. */
export const insertChangedEmailText = (given: {
  brandId: number
  language: string
  subject: Line
  text: Body
  now: Date
  actor: string
  kind: string
  purpose: EmailPurpose
  variantId: number | null
}) =>
  run(
    `with newest as (
      select version, subject, text, given_up
      from email_text
      where brand_id = $brandId and kind = $kind and purpose = $purpose and language = $language
        and variant_id is not distinct from $variantId::int
      order by version desc
      limit 1
    )
    insert into email_text (brand_id, kind, purpose, language, variant_id, version, subject, text, made_at, made_by)
    select $brandId, $kind, $purpose, $language, $variantId::int, coalesce((select version from newest), 0) + 1,
      $subject::jsonb, $text::jsonb, $now, $actor
    where not exists (
      select from newest where subject = $subject::jsonb and text = $text::jsonb and not given_up
    )`,
    { ...given, subject: json(given.subject), text: json(given.text) },
  )
