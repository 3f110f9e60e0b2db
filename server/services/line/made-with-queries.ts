import type { DocumentKind } from '../../../core/documents/kinds'
import type { AsOnce } from '../../../core/preferences/variants'
import { json, one } from '../../db/connection'

/* The statements of made-with.ts. */

export const preparedToMake = (id: number) =>
  one<{ kind: DocumentKind; brandId: number; asOnce: AsOnce | null }>(
    `select kind, brand_id "brandId", as_once "asOnce" from prepared_document
    where id = $id and state in ('prepared', 'due', 'put back')`,
    { id },
  )

/**
 * Keeps what a document is made with, and that whoever chose it has seen what comes of it; nothing where it was
 * changed since it was looked at. Another text takes the place of what somebody wrote.
 */
export const keepAsOnce = (given: {
  id: number
  revision: number
  asOnce: AsOnce | null
  otherText: boolean
}) =>
  one<{ sourceId: number }>(
    `update prepared_document
    set as_once = $asOnce::jsonb, revision = revision + 1, baseline = baseline || '{"own": true}',
      own_email = case when $otherText then null else own_email end
    where id = $id and revision = $revision and state = 'prepared'
    returning source_id "sourceId"`,
    { ...given, asOnce: given.asOnce && json(given.asOnce) },
  )
