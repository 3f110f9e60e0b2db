import { sum, type DecimalText } from '../money/decimal'

/** So much of an item that an order waits for. */
export interface ToPick {
  order: string
  item: string
  description: string
  detail: string | null
  unit: string
  place: string
  quantity: DecimalText
}

/** A stop on the way through the warehouse: an item at its place, for all orders together. */
export interface Pick {
  place: string
  item: string
  description: string
  detail: string | null
  unit: string
  quantity: DecimalText
  /** Which order gets how much of it. */
  orders: { order: string; quantity: DecimalText }[]
}

/** Numbers in places go by their value: A2 comes before A10. */
const byPlace = new Intl.Collator('en', { numeric: true })

/**
 * What is fetched for many orders in one walk: each item once, by its place; what has no place comes last.
 * An item that was ordered with another detail (a size) is fetched by itself.
 */
export function pickingList(wanted: readonly ToPick[]): Pick[] {
  const picks = new Map<string, Pick>()
  for (const { order, quantity, ...item } of wanted) {
    const key = JSON.stringify([item.item || item.description, item.detail, item.unit])
    const pick = picks.get(key) ?? { ...item, quantity: '0', orders: [] }
    picks.set(key, pick)
    pick.quantity = sum([pick.quantity, quantity]).toString()
    const own = pick.orders.find((one) => one.order === order)
    if (own) own.quantity = sum([own.quantity, quantity]).toString()
    else pick.orders.push({ order, quantity })
  }
  return [...picks.values()].sort(
    (one, other) =>
      Number(one.place === '') - Number(other.place === '') ||
      byPlace.compare(one.place, other.place) ||
      byPlace.compare(one.item, other.item),
  )
}
