import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { addDays } from '../core/documents/days'
import type { ItemOption } from '../core/items/options'
import { clock } from '../server/clock'
import { rows } from '../server/db/connection'
import { company } from '../server/services/house/house'
import { addEnclosure, type EnclosureChange, type HangsOn } from '../server/services/enclosures/enclosures'
import { keepItem } from '../server/services/items/items'
import { listItems } from '../server/services/items/queries'
import { inTheNameOf } from '../server/services/people/principal'

/*
 * What goes along in the demo house: terms, an offer that ends, a drawing at one order, a note that stays here, and
 * with an item how it is put together, as a link of a few downloads.
 */

const folder = process.env.CLOTHESPIN_DEMO ?? 'demo/data'
const withAll: Omit<EnclosureChange, 'name'> = {
  kinds: [],
  brandId: null,
  groupId: null,
  language: null,
  from: null,
  until: null,
  goes: true,
  mostDownloads: null,
  goodDays: null,
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
  await tellOfItems()
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

/** An item with a picture and a file, and one whose choices have words in every language. */
async function tellOfItems(): Promise<void> {
  const stand = await itemCalled('HS-STD')
  await keepItem(stand.id, { ...stand, picture: file('hive-stand.png') }, stand.version)
  await add('Col Varley', { itemId: stand.id }, file('hive-stand-assembly.pdf'), {
    name: 'Hive stand, how to put it together.pdf',
    kinds: ['invoice'],
    // a link that is counted has to lead somewhere
    ...((await company()).publicAddress ? { mostDownloads: 5, goodDays: 90 } : {}),
  })
  const suit = await itemCalled('CL-SUT')
  const worded = suit.options.map((option) => ({ ...option, wordings: suitWordings[option.name] }))
  await keepItem(suit.id, { ...suit, options: worded }, suit.version)
}

const suitWordings: Record<string, ItemOption['wordings']> = {
  Size: {
    de: { name: 'Größe', values: ['S', 'M', 'L', 'XL'] },
    fr: { name: 'Taille', values: ['S', 'M', 'L', 'XL'] },
  },
  Colour: {
    de: { name: 'Farbe', values: ['weiß', 'oliv'] },
    fr: { name: 'Couleur', values: ['blanc', 'olive'] },
  },
}

const itemCalled = async (code: string) => (await listItems({ search: code, limit: 1 })).rows[0]!
