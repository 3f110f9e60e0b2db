import type { EventFacts } from '../core/routines/routine'
import { judge } from '../core/routines/routine'
import type { RoutineSentence } from '../core/routines/sentence'
import { one, rows, run } from '../server/db/connection'
import { tryOut } from '../server/services/routines/trial'
import { inBenchHouse } from './house'
import type { Row } from './table'

/* The trial of a sentence over 10,000 orders of the last 90 days, beside asking order by order in the same run. */
const orderCount = 10_000
const sentence: RoutineSentence = {
  statuses: ['Shipped'],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
  conditions: [
    { about: 'country', is: 'one of', values: ['IE', 'DE'] },
    { about: 'total', of: 'gross', is: 'over', amount: '200', currency: 'EUR' },
    { about: 'item', is: 'not', values: ['BK-YR1'] },
  ],
}

export const benchTrial = (): Promise<Row[]> =>
  inBenchHouse('trial', false, async () => {
    await run(`
      insert into sales_order (
        number, brand_id, customer_id, date, status, status_since, currency, net, total, search
      )
      select 'B-' || n, 1 + n % 2, 1 + n % 80, current_date - (n % 90), 'Shipped',
        now() - (n % 90) * interval '1 day', 'EUR', n % 900, n % 900, ''
      from generate_series(1, ${orderCount}) n`)
    await run(`
      insert into event (kind, source_id, facts, schema_version, at, actor, looked_at)
      select 'order status', o.id,
        jsonb_build_object(
          'order', o.number, 'from', 'Packed', 'to', 'Shipped', 'total', o.total::text, 'net', o.net::text,
          'currency', 'EUR', 'brand', 'TH', 'customer', c.number, 'group', c.group_name, 'country', c.country,
          'salesperson', '', 'items', '["HB-10N", "WX-200"]'::jsonb, 'fields', '{}'::jsonb
        ),
        2, o.status_since, 'Bench', now()
      from sales_order o
      join customer c on c.id = o.customer_id`)
    await run('analyze')
    const times: number[] = []
    let papers = 0
    for (let turn = 0; turn < 9; turn++) {
      const began = performance.now()
      papers = (await tryOut(sentence, 90, sentence)).papers
      times.push(performance.now() - began)
    }
    times.sort((a, b) => a - b)
    const ids = await rows<{ id: number }>('select id from event order by id limit 1000')
    const began = performance.now()
    for (const { id } of ids) {
      const event = await one<{ facts: EventFacts; sourceId: number }>(
        'select facts, source_id "sourceId" from event where id = $1',
        [id],
      )
      if (judge(sentence, event!.facts).applies)
        await one(
          'select c.name, c.preferences from sales_order o join customer c on c.id = o.customer_id where o.id = $1',
          [event!.sourceId],
        )
    }
    const alternative = ((performance.now() - began) * orderCount) / ids.length
    return [
      {
        what: `trial over ${orderCount} orders, ${papers} papers`,
        ours: `${times[4]!.toFixed(0)} ms (worst ${times[8]!.toFixed(0)})`,
        other: `order by order: ${(alternative / 1000).toFixed(1)} s`,
        ratio: `1/${(alternative / times[4]!).toFixed(0)}`,
        aim: 'under 1 s',
      },
    ]
  })
