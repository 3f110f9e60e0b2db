import type { LineEdit, NewOrder } from '../server/services/orders/orders'
import type { CustomerData, ItemData } from './house'
import { Dice } from './random'

/** An order and the days on which it moves; days are counted back from today. */
export interface Story {
  order: Omit<NewOrder, 'date'>
  /** Days ago it came in. */
  cameIn: number
  /** Status it has in the end. */
  ends: string
  /** Days ago its goods left, for those that did. */
  shipped: number | null
}

export const orderCount = 150
const shippedCount = 98
const packedCount = 32
const pickingCount = 9

interface House { brands: { id: number, code: string }[], customers: CustomerData[], items: ItemData[] }

/** The demo's 150 orders over 60 days: most long gone, a good number packed and ready, the youngest just in. */
export function stories(house: House): Story[] {
  const dice = new Dice(20931)
  return Array.from({ length: orderCount }, (_, index) => story(house, dice, index))
}

function story(house: House, dice: Dice, index: number): Story {
  const cameIn = index < shippedCount ? 60 - Math.floor(index * 54 / shippedCount) : Math.max(0, 6 - Math.floor((index - shippedCount) * 7 / (orderCount - shippedCount)))
  const rank = orderCount - index
  let ends = 'Draft'
  if (index < shippedCount) ends = cameIn > 16 ? 'Closed' : 'Shipped'
  else if (index < shippedCount + packedCount) ends = 'Packed'
  else if (index < shippedCount + packedCount + pickingCount) ends = 'In picking'
  else if (rank > 3) ends = 'Confirmed'
  if (index === 61 || index === 117) ends = 'Held'
  if (index === 33) ends = 'Withdrawn'
  const left = ends === 'Closed' || ends === 'Shipped'
  const shipped = left ? (index >= shippedCount - 18 ? 0 : Math.max(1, cameIn - dice.between(2, 4))) : null

  const customer = pickCustomer(house, dice, index)
  const shop = customer.group === 'Private beekeepers' || dice.chance(0.12)
  const brand = house.brands.find(candidate => candidate.code === (shop ? 'LS' : 'TH'))!
  const count = index === 70 ? 200 : index === 45 || index === 110 ? 26 : dice.between(1, 6)
  return {
    cameIn, ends, shipped,
    order: {
      number: `SO-${20801 + index}`, brandId: brand.id, customerId: customer.id, customerName: customer.name, status: 'Draft', currency: customer.currency,
      pricesIncludeTax: shop, reference: dice.chance(0.6) ? `${customer.name.replace(/[^A-Z]/g, '').slice(0, 3)}/${dice.between(100, 999)}` : null,
      salesperson: customer.salesperson, customerNote: index % 23 === 5 ? (customer.language === 'de' ? 'Bitte an der Rampe hinter dem Haus abgeben.' : 'Please leave at the ramp behind the house.') : null,
      prepaid: '0', adjustments: adjustments(dice, customer), lines: Array.from({ length: count }, () => line(house, dice, customer, shop)),
    },
  }
}

function pickCustomer(house: House, dice: Dice, index: number): CustomerData {
  const named: Record<number, string> = {
    45: '10428', 70: '10438', 80: '10435', 81: '10421', 82: '10426', 83: '10419', 84: '10439', 89: '10424', 90: '10417', 91: '10418', 92: '10420', 93: '10423', 94: '10419', 95: '10427', 96: '10429', 97: '10436',
  }
  return house.customers.find(customer => customer.number === named[index]) ?? dice.of(house.customers.filter(customer => customer.number !== '10424'))
}

function adjustments(dice: Dice, customer: CustomerData): NewOrder['adjustments'] {
  const german = customer.language === 'de'
  const list: NewOrder['adjustments'] = []
  if (customer.group === 'Schools' && dice.chance(0.5)) list.push({ kind: 'discount', label: german ? 'Schulrabatt 5 %' : 'Schools discount 5 %', percent: '5' })
  if (dice.chance(0.45)) list.push({ kind: 'charge', label: german ? 'Versand' : 'Carriage', amount: dice.of(['9.50', '14.90', '24.00']) })
  return list
}

function line(house: House, dice: Dice, customer: CustomerData, shop: boolean): LineEdit {
  const item = dice.of(house.items)
  const german = customer.language === 'de'
  const rate = { standard: 1.23, reduced: 1.135, zero: 1 }[item.tax] ?? 1
  const price = customer.currency === 'GBP' ? Number(item.price) * 0.86 : Number(item.price)
  return {
    item: item.code, description: german ? item.de : item.en,
    detail: item.code.startsWith('HB') && dice.chance(0.5) ? (german ? 'mit montierten Rähmchenträgern' : 'with runners fitted') : null,
    unit: item.unit, quantity: String(dice.of([1, 1, 2, 2, 3, 4, 6, 10, 12])), unitPrice: (shop ? price * rate : price).toFixed(2),
    discountPercent: dice.chance(0.08) ? '10' : '0', taxCode: item.tax,
  }
}
