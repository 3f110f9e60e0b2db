import { Refusal } from '../../../core/errors'
import { asPreview } from '../../../core/documents/issue'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { dayInZone } from '../../../core/documents/days'
import type { Stationery } from '../../../core/stationery/stationery'
import { clock } from '../../clock'
import { one } from '../../db/connection'
import { company } from '../house/house'
import { draft, loadContexts, type PaperContext } from './context'

/** A paper of the brand's newest supplied order, with today's settings; a preview that consumes nothing. */
export async function samplePaper(
  brandId: number,
  kind: DocumentKind,
): Promise<{ paper: Paper; design: Stationery; context: PaperContext }> {
  const order = await one<{ id: number }>(
    'select id from sales_order where brand_id = $1 and supplied_on is not null order by date desc, id desc limit 1',
    [brandId],
  )
  if (!order)
    throw new Refusal('no-sample', 'This brand has no shipped order yet to show a paper of.', { status: 404 })
  const context = (await loadContexts(kind, [order.id], { role: kindFacts[kind].to, copyTo: [] })).get(
    order.id,
  )!
  const made = draft(context, dayInZone(clock.now(), (await company()).timeZone))
  if ('problem' in made) throw new Refusal('not-drawn', made.problem)
  return { paper: asPreview(made.paper), design: context.stationery.design, context }
}
