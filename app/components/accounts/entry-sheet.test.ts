import { asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import EntrySheet from './EntrySheet.vue'
import SettleTable from './SettleTable.vue'
import { signedIn } from '../../testing/signed-in'
import type { EntryView } from '../../contract'

const calls = vi.hoisted(() => ({ fetchAccount: vi.fn(), searchCustomers: vi.fn(), bookEntry: vi.fn() }))
vi.mock('../../calls/accounts', () => calls)
vi.mock('../../calls/customers', () => calls)
vi.mock('../../calls/bank-entries', () => calls)

const settled = (documentId: number, amount: string) => ({
  documentId,
  number: `INV-${documentId}`,
  amount,
  discount: '0',
  writeOff: '0',
})
const entry = (change: object = {}) =>
  ({
    id: 8,
    state: 'unsure',
    reason: asWritten('The name fits, the sum does not.'),
    decidedBy: '',
    name: 'OTTERMILL HONEY',
    amount: '100.00',
    currency: 'EUR',
    bookedOn: '2026-11-27',
    iban: '',
    reference: '',
    text: '',
    proposal: { customerId: 7, settlements: [settled(1, '100.00')] },
    ...change,
  }) as unknown as EntryView // the rest is not asked
const item = (documentId: number, open: string, currency = 'EUR') => ({
  documentId,
  number: `INV-${documentId}`,
  open,
  amount: open,
  currency,
  date: '2026-11-01',
})
async function shown(of = entry(), role: 'clerk' | 'reader' = 'clerk') {
  const page = mount(EntrySheet, {
    props: { entry: of },
    global: { plugins: [signedIn(role)], stubs: { SettleTable: true } },
  })
  await flushPromises()
  return page
}
const settle = async (page: Awaited<ReturnType<typeof shown>>, ...parts: object[]) => {
  page.getComponent(SettleTable).vm.$emit('update:modelValue', parts)
  await flushPromises()
}
const book = (page: Awaited<ReturnType<typeof shown>>) => page.get('[data-test="book-entry"]')

beforeEach(() => {
  calls.fetchAccount.mockReset().mockResolvedValue({
    customerId: 7,
    name: 'Ottermill Honey',
    terms: { kind: 'days', days: 30 },
    items: [item(1, '100.00'), item(2, '50.00', 'GBP'), item(3, '-20.00')],
  })
  calls.searchCustomers.mockReset()
  calls.bookEntry.mockReset().mockResolvedValue({})
})

describe('a movement of the bank', () => {
  test('says what it would settle and why, of that currency and direction alone', async () => {
    const page = await shown()
    expect(page.text()).toContain('The name fits, the sum does not.')
    expect(page.getComponent(SettleTable).props('items')).toMatchObject([{ documentId: 1 }])
  })

  test('is booked as it was decided', async () => {
    const page = await shown()
    await settle(page, { documentId: 1, amount: '60.00', discount: '0', writeOff: '0' })
    expect(page.findAll('.notice.wait').at(-1)!.text()).toContain('40.00')
    await book(page).trigger('click')
    await flushPromises()
    expect(calls.bookEntry).toHaveBeenCalledWith(8, {
      customerId: 7,
      settle: [{ documentId: 1, amount: '60.00', discount: '0', writeOff: '0' }],
    })
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('settles no more than came', async () => {
    const page = await shown()
    await settle(page, { documentId: 1, amount: '100.01', discount: '0', writeOff: '0' })
    expect(book(page).attributes('disabled')).toBeDefined()
  })

  test('that went out pays back what we owe', async () => {
    const back = entry({ amount: '-20.00', proposal: { customerId: 7, settlements: [] } })
    const items = (await shown(back)).getComponent(SettleTable).props('items') as object[]
    expect(items).toEqual([
      expect.objectContaining({ documentId: 3, open: '20', terms: { kind: 'days', days: 0 } }),
    ])
  })

  test('of nobody known waits for a customer', async () => {
    const page = await shown(entry({ state: 'strange', proposal: { customerId: null, settlements: [] } }))
    expect(page.findComponent(SettleTable).exists()).toBe(false)
    expect(book(page).attributes('disabled')).toBeDefined()
  })

  test('that somebody booked meanwhile says so, and nothing is called done', async () => {
    calls.bookEntry.mockRejectedValueOnce(new Error('Mara booked it meanwhile.'))
    const page = await shown()
    await book(page).trigger('click')
    await flushPromises()
    expect(page.get('.notice[role="alert"]').text()).toBe('Mara booked it meanwhile.')
    expect(page.emitted('done')).toBeUndefined()
  })

  test('that is booked shows what it settled and is not booked again, as for who only reads', async () => {
    const page = await shown(entry({ state: 'booked' }))
    expect(page.find('[data-test="book-entry"]').exists()).toBe(false)
    expect(page.text()).toContain('INV-1')
    expect((await shown(entry(), 'reader')).find('[data-test="book-entry"]').exists()).toBe(false)
  })
})
