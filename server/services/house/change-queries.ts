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

export const insertDesignVersion = (given: { id: number; design: Design; now: Date; actor: string }) =>
  run(
    `insert into design (brand_id, kind, version, design, made_at, made_by)
    select brand_id, kind, version + 1, $design::jsonb, $now, $actor
    from design
    where id = $id`,
    { ...given, design: json(given.design) },
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
}) =>
  run(
    `with newest as (
      select version, subject, text
      from email_text
      where brand_id = $brandId and kind = $kind and purpose = $purpose and language = $language
      order by version desc
      limit 1
    )
    insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
    select $brandId, $kind, $purpose, $language, coalesce((select version from newest), 0) + 1, $subject::jsonb,
      $text::jsonb, $now, $actor
    where not exists (select from newest where subject = $subject::jsonb and text = $text::jsonb)`,
    { ...given, subject: json(given.subject), text: json(given.text) },
  )
