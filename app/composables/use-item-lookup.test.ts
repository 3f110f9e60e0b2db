import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { newLine } from '../components/orders/order-form'
import { useItemLookup } from './useItemLookup'

const findItems = vi.hoisted(() => vi.fn())
vi.mock('../calls/items', () => ({ findItems }))

const seed = { code: 'SEED-1', name: 'Wiesenmischung', price: '18.50', unit: 'kg', taxCode: 'reduced' }
const pots = { code: 'POT-9', name: 'Töpfe', price: '12.00', unit: '', taxCode: 'standard' }
beforeEach(() => {
  setActivePinia(createPinia())
  findItems.mockReset()
})
const line = (change = {}) => ({ ...newLine({ standard: '23' }), ...change })
const lookup = (currency = 'EUR') =>
  useItemLookup(
    () => 'de',
    () => currency,
  )

test('a line that names an item takes its name in the document’s language, price, unit and VAT', async () => {
  findItems.mockResolvedValue([seed])
  const mine = line({ item: 'seed-1' })
  expect(await lookup().fill(mine)).toBe(true)
  expect(findItems).toHaveBeenCalledWith({ search: 'seed-1', language: 'de', currency: 'EUR' })
  expect(mine).toMatchObject({
    item: 'SEED-1',
    description: 'Wiesenmischung',
    unitPrice: '18.50',
    unit: 'kg',
    taxCode: 'reduced',
  })
})

test('words that fit one item alone name it, too; what fits several or none changes nothing', async () => {
  findItems.mockResolvedValueOnce([pots]).mockResolvedValueOnce([seed, pots]).mockResolvedValueOnce([])
  const one = line({ item: 'töpf' })
  await lookup().fill(one)
  expect(one.item).toBe('POT-9')
  for (const words of ['e', 'xyz']) {
    const other = line({ item: words })
    expect(await lookup().fill(other)).toBe(false)
    expect(other).toEqual(line({ item: words }))
  }
})

test('what somebody wrote stays, also its price', async () => {
  findItems.mockResolvedValue([seed])
  const mine = line({ item: 'SEED-1', description: 'A mix of our own', unitPrice: '9.99' })
  await lookup().fill(mine)
  expect(mine).toMatchObject({ description: 'A mix of our own', unitPrice: '9.99' })
})

test('another item in the same line takes the place of the first', async () => {
  findItems.mockResolvedValueOnce([seed]).mockResolvedValueOnce([pots])
  const { fill } = lookup()
  const mine = line({ item: 'SEED-1' })
  await fill(mine)
  mine.item = 'POT-9'
  await fill(mine)
  expect(mine).toMatchObject({ description: 'Töpfe', unitPrice: '12.00' })
})

test('an item without a price in the order’s currency leaves it to be written', async () => {
  findItems.mockResolvedValue([{ ...seed, price: null }])
  const mine = line({ item: 'SEED-1' })
  await lookup('GBP').fill(mine)
  expect(mine).toMatchObject({ description: 'Wiesenmischung', unitPrice: '0.00' })
})

test('what the customer calls an item names it too, and stands beneath the line', async () => {
  findItems.mockResolvedValue([{ ...seed, customerCode: 'FA-77' }])
  const mine = line({ item: 'fa-77' })
  expect(
    await useItemLookup(
      () => 'de',
      () => 'EUR',
      () => 7,
    ).fill(mine),
  ).toBe(true)
  expect(findItems).toHaveBeenCalledWith({ search: 'fa-77', language: 'de', currency: 'EUR', customerId: 7 })
  expect(mine).toMatchObject({ item: 'SEED-1', detail: 'Ihre Nr. FA-77' })
})

test('what is looked up for the list meanwhile takes nothing from the line that is being filled', async () => {
  let answer: (items: object[]) => void = () => {}
  findItems.mockReturnValueOnce(new Promise((resolve) => (answer = resolve))).mockResolvedValue([])
  const { fill, searchSoon } = lookup()
  const mine = line({ item: 'töpf' })
  const filled = fill(mine)
  await searchSoon('töpf')
  answer([pots])
  expect(await filled).toBe(true)
  expect(mine.item).toBe('POT-9')
})
