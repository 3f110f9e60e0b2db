import type { Paper } from '../../../core/documents/paper'
import { rows } from '../../db/connection'

/* The statements of register that have no file of their own. */

export const papersAgain = (ids: readonly number[], most: number) =>
  rows<{
    number: string
    kind: string
    brandId: number
    /** Of the design that it was made with; null for the brand's own. */
    variantId: number | null
    paper: Paper
    takenOver: boolean
  }>(
    `select number, kind, brand_id "brandId",
      (select s.variant_id from design s where s.id = document.design_id) "variantId", paper,
      series_id is null "takenOver"
    from document
    where id = any($ids::int[])
    order by array_position($ids::int[], id)
    limit $most`,
    { ids, most },
  )
