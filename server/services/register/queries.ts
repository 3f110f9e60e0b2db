import type { Paper } from '../../../core/documents/paper'
import { rows } from '../../db/connection'

/* The statements of register that have no file of their own. */

export const papersAgain = (ids: readonly number[], most: number) =>
  rows<{ number: string; kind: string; brandId: number; paper: Paper }>(
    `select number, kind, brand_id "brandId", paper
    from document
    where id = any($ids::int[])
    order by array_position($ids::int[], id)
    limit $most`,
    { ids, most },
  )
