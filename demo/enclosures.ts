import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { addDays } from '../core/documents/days'
import { clock } from '../server/clock'
import { rows } from '../server/db/connection'
import { addEnclosure, type EnclosureChange, type HangsOn } from '../server/services/enclosures/enclosures'
import { inTheNameOf } from '../server/services/people/principal'

/* What goes along in the demo house: terms, an offer that ends, a drawing at one order, a note that stays here. */

const folder = process.env.CLOTHESPIN_DEMO ?? 'demo/data'
const withAll: Omit<EnclosureChange, 'name'> = {
  kinds: [],
  brandId: null,
  groupId: null,
  language: null,
  from: null,
  until: null,
  goes: true,
}
const add = (
  who: string,
  on: HangsOn,
  bytes: Uint8Array,
  change: Partial<EnclosureChange> & { name: string },
) => addEnclosure(on, bytes, { ...withAll, ...change }, inTheNameOf(who))
const file = (name: string) => readFileSync(join(folder, name))

/** @param brandId of the brand that has terms of its own @param orders that are sent later today */
export async function hangFiles(brandId: number, orders: readonly number[]): Promise<void> {
  const today = clock.now().toISOString().slice(0, 10)
  await add('Maeve Tarrant', {}, file('terms-of-sale.pdf'), {
    name: 'Terms of sale.pdf',
    kinds: ['order confirmation'],
    brandId,
  })
  await add('Maeve Tarrant', {}, file('winter-prices.pdf'), {
    name: 'Winter prices.pdf',
    brandId,
    language: 'en',
    from: addDays(today, -7),
    until: addDays(today, 60),
  })
  const [order] = orders
  if (order === undefined) return
  await add('Col Varley', { sourceId: order }, file('hive-stand.png'), { name: 'Hive stand, drawing.png' })
  const [{ customerId } = { customerId: 0 }] = await rows<{ customerId: number }>(
    'select customer_id "customerId" from sales_order where id = $1',
    [order],
  )
  await add('Col Varley', { customerId }, Buffer.from('Gate code 4711. Ring before delivery.\n'), {
    name: 'How to deliver.txt',
    goes: false,
  })
}
