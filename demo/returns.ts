import { addDays, dayInZone } from '../core/documents/days'
import { Decimal } from '../core/money/decimal'
import { rows, run } from '../server/db/connection'
import { takeInAndCredit } from '../server/services/drafts/credit-return'
import { company } from '../server/services/house/house'
import { inTheNameOf } from '../server/services/people/principal'
import { bookLabels } from '../server/services/shipping/book-labels'
import { makeLabelDocuments } from '../server/services/shipping/label-documents'
import { labelsOf } from '../server/services/shipping/labels'
import { agreeReturn, planReturn, returnView } from '../server/services/shipping/returns'
import { onItsWay } from './labels'

const desk = inTheNameOf('Col Varley')
const reasons = ['broken in transit', 'wrong size', 'ordered twice', 'does not fit our frames']

/** Goods that come back: expected, on their way, overdue, and back, with a credit note being drafted. */
export async function takeGoodsBack(): Promise<void> {
  const orders = await rows<{ id: number }>(
    `select distinct o.id
    from sales_order o
    join document d on d.source_id = o.id and d.kind = 'invoice'
    where o.supplied_on is not null and not exists (select from document_void v where v.document_id = d.id)
    order by o.id desc
    limit 5`,
  )
  const { timeZone } = await company()
  const today = dayInZone(new Date(), timeZone)
  for (const [place, { id: orderId }] of orders.entries()) {
    const { lines, sender, delivery, until } = await planReturn(orderId)
    const line = lines.find(({ left }) => new Decimal(left).gte(1))
    if (!line || !sender) continue
    const id = await agreeReturn(
      orderId,
      {
        lines: [{ position: line.position, quantity: '1', reason: reasons[place % reasons.length]! }],
        until,
        sender,
        delivery,
        remarks: '',
        withLabels: place !== 3,
        write: false,
      },
      desk,
    )
    await bookLabels((await labelsOf(id)).map((label) => label.id))
    await makeLabelDocuments([id])
    if (place === 3)
      await run('update goods_return set until = $2, day = $3 where id = $1', [
        id,
        addDays(today, -3),
        addDays(today, -33),
      ])
    if (place === 1) await onItsWay([id], ['under way'])
    if (place === 4) {
      await onItsWay([id], ['delivered'])
      const { version } = await returnView(id)
      const came = [{ position: line.position, quantity: '1' }]
      await takeInAndCredit(id, { version, day: today, lines: came, credit: true }, desk)
    }
  }
}
