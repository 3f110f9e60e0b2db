import type { ItemOption } from '../../../core/items/options'
import { priceFor } from '../../../core/items/price'
import { company } from '../house/house'
import { likeText } from '../keyset'
import { customerToPrice, itemsLike } from './queries'

/* Items for the lines of an order: found by number, GTIN, words or the customer's own number, priced by rule. */

export interface FoundItem {
  code: string
  name: string
  /** Null where there is none in the order's currency: a person writes it. */
  price: string | null
  unit: string
  taxCode: string
  /** What a buyer chooses of it. */
  options: ItemOption[]
  /** What the customer calls it. */
  customerCode: string | null
}

/** At most twelve, by number. */
export async function findItems(of: {
  search: string
  language: string
  currency?: string
  customerId?: number
}): Promise<FoundItem[]> {
  const customer = of.customerId ? await customerToPrice(of.customerId) : undefined
  const { currency: companyCurrency } = await company()
  const asked = {
    currency: of.currency ?? customer?.currency ?? companyCurrency,
    groupName: customer?.groupName ?? '',
    companyCurrency,
  }
  const found = await itemsLike(likeText(of.search), of.language, of.customerId ?? null)
  return found.map(({ prices, ...item }) => ({ ...item, price: priceFor({ ...item, prices }, asked) }))
}
