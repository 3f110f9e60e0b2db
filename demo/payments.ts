import type { Day } from '../core/documents/days'
import type { Terms } from '../core/documents/terms'
import { Decimal, moneyText } from '../core/money/decimal'
import { spreadPayment, type OpenItem } from '../core/receivables/settle'
import { rows } from '../server/db/connection'
import { markItem } from '../server/services/receivables/accounts'
import { recordPayment } from '../server/services/receivables/payments'
import { Dice } from './random'
import { inTheNameOf } from '../server/services/people/principal'

interface Payable extends OpenItem {
  customerId: number
  brand: string
  terms: Terms
  customer: string
}

/**
 * How a day's invoices are paid: most when they are due, some early with the discount, some late, some in
 * part, some twice, some never.
 */
export async function livePayments(day: Day, daysAgo: number): Promise<void> {
  const dice = new Dice(7000 + daysAgo)
  const open = await rows<Payable>(`
      select d.id, d.number, d.date::text date, i.due_date::text "dueDate", i.currency, i.open::text open,
        i.amount::text amount, c.id "customerId", c.number customer, c.terms, b.code brand
      from open_item i
      join document d on d.id = i.document_id
      join customer c on c.id = i.customer_id
      join brand b on b.id = d.brand_id
      where i.open > 0 and d.kind = 'invoice'
      order by d.id`)
  for (const item of open) {
    const ways = item.brand === 'LS' ? 'shop' : 'trade'
    const never = item.id % 11 === 3
    const wait =
      ways === 'shop' ? 1 + (item.id % 3) : item.terms.discount && item.id % 3 === 0 ? 6 : 12 + (item.id % 26)
    const age = Math.round((Date.parse(day) - Date.parse(item.date)) / 86_400_000)
    if (never || age !== wait || item.open !== item.amount) continue
    const discount = ways === 'trade' && item.terms.discount && item.id % 3 === 0
    const part = item.id % 17 === 5
    const asked = discount
      ? new Decimal(item.amount).times(new Decimal(100).minus(item.terms.discount!.percent)).div(100)
      : new Decimal(item.amount)
    const amount = moneyText(
      part ? asked.times('0.4') : item.id % 41 === 7 ? asked.plus(10) : asked,
      item.currency,
    )
    const { settlements } = spreadPayment(amount, [item], { paidOn: day, smallDifference: '0.05' })
    await recordPayment(
      {
        direction: 'in',
        customerId: item.customerId,
        date: day,
        method: ways === 'shop' ? dice.of(['card', 'card', 'bank transfer'] as const) : 'bank transfer',
        amount,
        currency: item.currency,
        reference: item.number,
        settle: settlements,
        another: true,
      },
      ways === 'shop' ? inTheNameOf('Card page') : inTheNameOf('Col Varley'),
    )
  }
  if (daysAgo !== 1) return
  const late = open.filter((item) => item.dueDate < day && item.id % 11 === 3)
  if (late[0])
    await markItem(late[0].id, { dispute: 'Says two boxes were missing' }, inTheNameOf('Col Varley'))
  if (late[1])
    await markItem(
      late[1].id,
      { promisedOn: new Date(Date.parse(day) + 6 * 86_400_000).toISOString().slice(0, 10) },
      inTheNameOf('Col Varley'),
    )
}
