import { optionIn, type ItemOption } from '../../../core/items/options'
import type { Language } from '../../../core/money/format'
import { priceFor } from '../../../core/items/price'
import { company } from '../house/house'
import { likeText } from '../keyset'
import { customerToPrice, itemsLike, optionsOf } from './queries'

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
  language: Language
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
  return found.map(({ prices, ...item }) => ({
    ...item,
    options: item.options.map((option) => optionIn(option, of.language)),
    price: priceFor({ ...item, prices }, asked),
  }))
}

/** What can be chosen of items, by number, as it is called in a language; those without a choice are left out. */
export async function optionsWorded(
  codes: readonly string[],
  language: Language,
): Promise<{ code: string; options: ItemOption[] }[]> {
  const found = await optionsOf(codes)
  return found.map(({ code, options }) => ({
    code,
    options: options.map((option) => optionIn(option, language)),
  }))
}
