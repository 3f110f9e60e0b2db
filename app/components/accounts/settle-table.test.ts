import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import SettleTable from './SettleTable.vue'
import { useSession } from '../../stores/session'
import type { OpenItem, Settlement } from '../../../core/receivables/settle'

const item = (id: number, open: string, change: Partial<OpenItem> = {}): OpenItem => ({
  id,
  number: `INV-${id}`,
  date: '2026-10-01',
  dueDate: `2026-11-0${id}`,
  currency: 'EUR',
  amount: open,
  open,
  terms: { kind: 'days', days: 30 },
  ...change,
})

function tableOf(items: OpenItem[], amount: string, settle: Settlement[] = [], refund = false) {
  const pinia = createPinia()
  setActivePinia(pinia)
  const company = { currency: 'EUR', timeZone: 'UTC', smallDifference: '2.00' }
  useSession().house = { company } as never // the rest is not asked
  const settled = shallowRef(settle)
  const table = mount(SettleTable, {
    props: {
      items,
      amount,
      date: '2026-11-20',
      refund,
      modelValue: settle,
      'onUpdate:modelValue': (now: Settlement[]) => {
        settled.value = now
      },
    },
    global: { plugins: [pinia] },
  })
  const cell = (label: string) => table.get<HTMLInputElement>(`[aria-label="${label}"]`)
  const shown = () => settled.value.map((one) => [one.documentId, one.amount, one.discount, one.writeOff])
  return { table, cell, shown }
}
beforeEach(() => setActivePinia(createPinia()))

describe('what a payment settles', () => {
  test('is the oldest first, as far as it reaches', () => {
    const { shown } = tableOf([item(1, '100.00'), item(2, '50.00'), item(3, '70.00')], '160')
    expect(shown()).toEqual([
      [1, '100.00', '0', '0'],
      [2, '50.00', '0', '0'],
      [3, '10.00', '0', '0'],
    ])
  })

  test('is nothing while no amount is written', () => {
    expect(tableOf([item(1, '100.00')], '0').shown()).toEqual([])
  })

  test('is spread anew when the amount changes', async () => {
    const { table, shown } = tableOf([item(1, '100.00'), item(2, '50.00')], '100')
    await table.setProps({ amount: '120' })
    expect(shown().map(([id, amount]) => [id, amount])).toEqual([
      [1, '100.00'],
      [2, '20.00'],
    ])
  })

  test('stays as a person wrote it, though the page loads the same items again', async () => {
    const items = [item(1, '100.00'), item(2, '50.00')]
    const { table, cell, shown } = tableOf(items, '100')
    await cell('INV-1, amount').setValue('60')
    await cell('INV-2, amount').setValue('40,00')
    await table.setProps({ items: items.map((one) => ({ ...one })) })
    expect(shown().map(([id, amount]) => [id, amount])).toEqual([
      [1, '60'],
      [2, '40.00'],
    ])
  })

  test('may be a discount or waived in its own column', async () => {
    const { cell, shown } = tableOf([item(1, '100.00')], '98')
    await cell('INV-1, amount').setValue('98')
    await cell('INV-1, early-payment discount').setValue('1.50')
    await cell('INV-1, waived').setValue('0,50')
    expect(shown()).toEqual([[1, '98', '1.50', '0.50']])
  })

  test('leaves out a document whose cells were emptied', async () => {
    const { cell, shown } = tableOf([item(1, '100.00'), item(2, '50.00')], '150')
    await cell('INV-1, amount').setValue('')
    await cell('INV-1, waived').setValue('')
    await cell('INV-1, early-payment discount').setValue('')
    expect(shown().map(([id]) => id)).toEqual([2])
  })

  test('begins with what is chosen already, as a bank file has matched it', () => {
    const chosen = [{ documentId: 2, amount: '50.00', discount: '0', writeOff: '0' }]
    expect(
      tableOf([item(1, '100.00'), item(2, '50.00')], '50', chosen)
        .shown()
        .map(([id]) => id),
    ).toEqual([2])
  })

  test('is all on one document by its number, which also says so to the amount above', async () => {
    const { table, shown } = tableOf([item(1, '100.00'), item(2, '50.00')], '50')
    await table.findAll('button')[1]!.trigger('click')
    await nextTick()
    expect(table.emitted('only')![0]![0]).toMatchObject({ number: 'INV-2' })
    expect(shown().map(([id, amount]) => [id, amount])).toEqual([[2, '50.00']])
  })
})

describe('what a refund settles', () => {
  test('has neither a discount nor something waived', () => {
    const { table } = tableOf([item(1, '40.00', { number: 'CN-1' })], '40', [], true)
    expect(table.text()).toContain('Credit note')
    expect(table.findAll('tbody input')).toHaveLength(1)
  })

  test('waives no small difference: the house owes every cent', () => {
    const { shown } = tableOf([item(1, '40.00')], '39.00', [], true)
    expect(shown()).toEqual([[1, '39.00', '0', '0']])
  })
})

test('where nothing is open it says so', () => {
  expect(tableOf([], '5').table.text()).toBe('Nothing is open in this currency.')
  expect(tableOf([], '5', [], true).table.text()).toBe('There is no open credit note.')
})
