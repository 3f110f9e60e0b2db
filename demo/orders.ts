import type { LineEdit, NewOrder } from '../server/services/orders/orders'
import type { CustomerData, LoadedHouse } from './house'
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

/** How large the demo is: what bin/demo loads, and a smaller one that tests begin with. */
export interface Size {
  orders: number
  days: number
}
export const fullSize: Size = { orders: 600, days: 90 }
export const testSize: Size = { orders: 150, days: 60 }

/** How many orders, from the newest, are where. */
interface Shares {
  packed: number
  picking: number
  young: number
  today: number
}

/** The demo's orders: most long gone, a good number packed and ready, the youngest just in. */
export function stories(house: LoadedHouse, size: Size): Story[] {
  const dice = new Dice(20931)
  const shares: Shares = {
    packed: 32 + Math.floor(size.orders / 50),
    picking: 9,
    young: 11,
    today: 18 + Math.floor(size.orders / 100),
  }
  return Array.from({ length: size.orders }, (_, index) => story(house, dice, index, size, shares))
}

function story(house: LoadedHouse, dice: Dice, index: number, size: Size, shares: Shares): Story {
  const gone = size.orders - shares.packed - shares.picking - shares.young
  const cameIn =
    index < gone
      ? size.days - Math.floor((index * (size.days - 6)) / gone)
      : Math.max(0, 6 - Math.floor(((index - gone) * 7) / (size.orders - gone)))
  const rank = size.orders - index
  let ends = 'Draft'
  if (index < gone) ends = cameIn > 16 ? 'Closed' : 'Shipped'
  else if (index < gone + shares.packed) ends = 'Packed'
  else if (index < gone + shares.packed + shares.picking) ends = 'In picking'
  else if (rank > 3) ends = 'Confirmed'
  const special = index - gone
  if (special === -37 || special === 19 || (index % 97 === 61 && index < gone - 40)) ends = 'Held'
  if (special === -65 || (index % 131 === 90 && index < gone - 40)) ends = 'Withdrawn'
  const left = ends === 'Closed' || ends === 'Shipped'
  const shipped = left ? (special >= -shares.today ? 0 : Math.max(1, cameIn - dice.between(2, 4))) : null

  const customer = pickCustomer(house, dice, special)
  const shop = customer.group === 'Private beekeepers' || dice.chance(0.12)
  const brand = house.brands.find((candidate) => candidate.code === (shop ? 'LS' : 'TH'))!
  const count = special === -28 ? 200 : special === -53 || special === 12 ? 26 : dice.between(1, 6)
  return {
    cameIn,
    ends,
    shipped,
    order: {
      number: `SO-${20951 - size.orders + index}`,
      brandId: brand.id,
      branchId: shop
        ? null
        : (house.branches.find(({ sellsTo }) => sellsTo.includes(customer.number))?.id ?? null),
      customerId: customer.id,
      customerName: customer.name,
      status: 'Draft',
      currency: customer.currency,
      pricesIncludeTax: shop,
      reference: dice.chance(0.6)
        ? `${customer.name.replace(/[^A-Z]/g, '').slice(0, 3)}/${dice.between(100, 999)}`
        : null,
      salesperson: customer.salesperson,
      customerNote: noteOf(customer, index, special),
      fields: fieldsOf(customer, index),
      prepaid: '0',
      adjustments: adjustments(dice, customer),
      lines: Array.from({ length: count }, () => line(house, dice, customer, shop)),
    },
  }
}

/** One note holds a character that no font of ours has: its paper waits with the reason. */
function noteOf(customer: CustomerData, index: number, special: number): string | null {
  if (special === -3) return 'Thank you for the lovely bees 🐝'
  if (index % 23 !== 5) return null
  return {
    de: 'Bitte an der Rampe hinter dem Haus abgeben.',
    fr: 'Merci de livrer au quai, derrière le bâtiment.',
    en: 'Please leave at the ramp behind the house.',
  }[customer.language as 'en' | 'de' | 'fr']
}

function fieldsOf(customer: CustomerData, index: number): Record<string, string> {
  const fields: Record<string, string> = {}
  if (index % 5 === 2) fields['Delivery window'] = ['mornings', 'after 14:00', 'Tuesdays only'][index % 3]!
  if (index % 9 === 4) fields['Season order'] = 'yes'
  if (['CH', 'GB'].includes(customer.country)) fields['Customs code'] = '8436.80'
  return fields
}

/**
 * Some places are kept for customers whose papers meet trouble; places are counted from the newest order that
 * has left.
 */
function pickCustomer(house: LoadedHouse, dice: Dice, special: number): CustomerData {
  const named: Record<number, string> = {
    '-53': '10428',
    '-28': '10438',
    '-18': '10435',
    '-17': '10421',
    '-16': '10426',
    '-15': '10419',
    '-14': '10439',
    '-13': '10445',
    '-9': '10424',
    '-8': '10417',
    '-7': '10418',
    '-6': '10420',
    '-5': '10423',
    '-4': '10419',
    '-3': '10427',
    '-2': '10429',
    '-1': '10436',
    '-10': '10444',
    '-11': '10446',
    '-12': '10461',
  }
  return (
    house.customers.find((customer) => customer.number === named[special]) ??
    dice.of(
      house.customers.filter(
        (customer) =>
          !['Gorsefield Estate', 'Turlough Farm Shop', 'Greyfriars Estate'].includes(customer.name),
      ),
    )
  )
}

function adjustments(dice: Dice, customer: CustomerData): NewOrder['adjustments'] {
  const say = (en: string, de: string, fr: string) =>
    ({ en, de, fr })[customer.language as 'en' | 'de' | 'fr']
  const list: NewOrder['adjustments'] = []
  if (customer.group === 'Schools' && dice.chance(0.5))
    list.push({
      kind: 'discount',
      label: say('Schools discount 5 %', 'Schulrabatt 5 %', 'Remise écoles 5 %'),
      percent: '5',
    })
  if (dice.chance(0.45))
    list.push({
      kind: 'charge',
      label: say('Carriage', 'Versand', 'Port'),
      amount: dice.of(['9.50', '14.90', '24.00']),
    })
  return list
}

function line(house: LoadedHouse, dice: Dice, customer: CustomerData, shop: boolean): LineEdit {
  const item = dice.of(house.items)
  const language = customer.language as 'en' | 'de' | 'fr'
  const rate = { standard: 1.23, reduced: 1.135, zero: 1 }[item.tax] ?? 1
  const price = customer.currency === 'GBP' ? Number(item.price) * 0.86 : Number(item.price)
  const runners = {
    en: 'with runners fitted',
    de: 'mit montierten Rähmchenträgern',
    fr: 'avec crémaillères montées',
  }[language]
  return {
    item: item.code,
    description: item[language],
    detail: item.code.startsWith('HB') && dice.chance(0.5) ? runners : null,
    unit: item.unit,
    quantity: String(dice.of([1, 1, 2, 2, 3, 4, 6, 10, 12])),
    unitPrice: (shop ? price * rate : price).toFixed(2),
    discountPercent: dice.chance(0.08) ? '10' : '0',
    taxCode: item.tax,
  }
}
