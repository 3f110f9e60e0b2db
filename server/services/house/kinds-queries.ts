import type { DocumentKind } from '../../../core/documents/kinds'
import { rows } from '../../db/connection'

/* The statements of kinds.ts. */

export const usesOfKinds = () =>
  rows<{ kind: DocumentKind; routines: string[]; waiting: number }>(
    `select k.kind, coalesce(r.routines, '[]') routines, coalesce(p.waiting, 0)::int waiting
    from (
      select distinct kind from design
    ) k
    left join (
      select sentence ->> 'issue' kind, jsonb_agg(name order by name) routines
      from routine
      where is_on
      group by 1
    ) r on r.kind = k.kind
    left join (
      select kind, count(*) waiting
      from prepared_document
      where state in ('due', 'prepared', 'put back')
      group by kind
    ) p on p.kind = k.kind`,
  )
