import { mount, flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import PaymentDialog from './PaymentDialog.vue'
import CheckField from '../fields/CheckField.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { Account } from '../../contract'

const calls = vi.hoisted(() => ({
  recordPayment: vi.fn(async (_: object) => ({ id: 31 })),
  allocatePayment: vi.fn(async (_id: number, _: object) => ({})),
  undoPayment: vi.fn(async (_id: number, _: object) => ({})),
}))
vi.mock('../../calls/payments', () => calls)

const entry = (id: number, open: string, change: object = {}) => ({
  id,
  number: `${Number(open) < 0 ? 'CN' : 'INV'}-${id}`,
  date: '2026-10-01',
  dueDate: '2026-11-01',
  currency: 'EUR',
  amount: open,
  open,
  ...change,
})
const account = (change: object = {}) =>
  ({
    customerId: 7,
    name: 'Ottermill Honey',
    currency: 'EUR',
    terms: { kind: 'days', days: 30 },
    items: [entry(1, '100.00'), entry(2, '50.00'), entry(3, '-40.00')],
    payments: [],
    ...change,
  }) as unknown as Account // what a payment does not need is left out

async function dialog(of: Account, direction: 'in' | 'out' = 'in', payment?: object) {
  const pinia = createPinia()
  setActivePinia(pinia)
  const company = { currency: 'EUR', timeZone: 'UTC', smallDifference: '2.00' }
  useSession().house = { company } as never // the rest is not asked
  const page = mount(PaymentDialog, {
    props: { account: of, direction, modelValue: true, ...(payment ? { payment } : {}) } as never, // the same
    global: { plugins: [pinia], stubs: { ...openDialogs, RealNotice: true } },
  })
  await flushPromises()
  const amount = (text: string) => page.get('[data-test="payment-amount"] input').setValue(text)
  const go = () => page.get('[data-test="ask-go"]')
  const press = async () => {
    await go().trigger('click')
    await flushPromises()
  }
  return { page, amount, go, press }
}
const recorded = () => calls.recordPayment.mock.calls.at(-1)![0] as Record<string, unknown>
beforeEach(() => vi.clearAllMocks())

describe('a payment', () => {
  test('cannot be recorded before its amount is written, and the button then says it', async () => {
    const { amount, go } = await dialog(account())
    expect(go().attributes('disabled')).toBeDefined()
    await amount('120')
    expect([go().attributes('disabled'), go().text()]).toEqual([undefined, 'Record 120.00'])
  })

  test.each(['twelve', '-5', '0', '1.2.3', '12345678901234'])('of “%s” is none', async (text) => {
    const { amount, go } = await dialog(account())
    await amount(text)
    expect(go().attributes('disabled')).toBeDefined()
  })

  test('settles invoices only, the oldest first, and is recorded as it was written', async () => {
    const { page, amount, press } = await dialog(account())
    expect(page.text()).not.toContain('CN-3')
    await amount('1.120,50')
    await amount('120,00')
    await press()
    expect(recorded()).toMatchObject({
      customerId: 7,
      direction: 'in',
      amount: '120.00',
      currency: 'EUR',
      settle: [
        { documentId: 1, amount: '100.00' },
        { documentId: 2, amount: '20.00' },
      ],
      giveBack: [],
      another: false,
    })
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('that is too much says what stays on account, and may be recorded', async () => {
    const { page, amount, go } = await dialog(account())
    await amount('200')
    expect(page.get('[data-test="on-account"]').text()).toBe(
      '50.00 is too much: it stays on the customer’s account.',
    )
    expect(go().attributes('disabled')).toBeUndefined()
  })

  test('of which more would be booked than was paid cannot be recorded', async () => {
    const { page, amount, go } = await dialog(account())
    await amount('10')
    await page.get('[data-test="settle-INV-1"]').setValue('30')
    expect(page.text()).toContain('20.00 more would be booked than was paid. Lower an amount.')
    expect(go().attributes('disabled')).toBeDefined()
  })

  test('takes the amount of the invoice whose number was clicked, less its discount', async () => {
    const terms = { kind: 'days', days: 30, discount: { percent: '2', days: 60 } }
    const { page, press } = await dialog(
      account({ terms, items: [entry(1, '100.00', { date: '2026-11-20' })] }),
    )
    await page.get('table button').trigger('click')
    await flushPromises()
    await press()
    expect(recorded()).toMatchObject({
      amount: '98.00',
      settle: [{ documentId: 1, amount: '98.00', discount: '2.00' }],
    })
  })

  test('that was booked before is asked about, and goes only when it is another one', async () => {
    const { page, amount, go, press } = await dialog(account())
    calls.recordPayment.mockRejectedValueOnce(
      new ApiRefusal('booked-before', 'A payment like this was booked today.', 409, {}),
    )
    await amount('100')
    await press()
    expect(page.text()).toContain('A payment like this was booked today.')
    expect(go().attributes('disabled')).toBeDefined()
    page.findComponent(CheckField).vm.$emit('update:modelValue', true)
    await flushPromises()
    await press()
    expect(recorded()).toMatchObject({ another: true })
  })

  test('is taken back from the message that says it', async () => {
    const { amount, press } = await dialog(account())
    await amount('100')
    await press()
    const said = useToasts().toasts.at(-1)!
    expect(said.words).toBe('100.00 booked for Ottermill Honey.')
    await said.undo!()
    expect(calls.undoPayment).toHaveBeenCalledWith(31, { reason: 'Recorded by mistake' })
  })

  test('on account is booked later against what is open, with nothing recorded anew', async () => {
    const { press, go } = await dialog(account(), 'in', { id: 9, open: '100.00', currency: 'EUR' })
    expect(go().text()).toBe('Book 100.00')
    await press()
    expect(calls.allocatePayment).toHaveBeenCalledWith(9, {
      settle: [{ documentId: 1, amount: '100.00', discount: '0', writeOff: '0' }],
    })
    expect(calls.recordPayment).not.toHaveBeenCalled()
  })
})

describe('a refund', () => {
  test('settles credit notes, and invoices are no part of it', async () => {
    const { page, amount, press, go } = await dialog(account(), 'out')
    expect(page.text()).not.toContain('INV-1')
    await amount('40')
    expect(go().text()).toBe('Record refund of 40.00')
    await press()
    expect(recorded()).toMatchObject({ direction: 'out', settle: [{ documentId: 3, amount: '40.00' }] })
  })

  test('gives back what lies on account, oldest first, no more than it is', async () => {
    const on = (id: number, open: string) => ({
      id,
      open,
      currency: 'EUR',
      direction: 'in',
      date: '2026-11-01',
    })
    const { page, amount, press } = await dialog(
      account({ items: [], payments: [on(5, '30.00'), on(6, '30.00')] }),
      'out',
    )
    await amount('45')
    for (const field of page.findAllComponents(CheckField)) field.vm.$emit('update:modelValue', true)
    await flushPromises()
    await press()
    expect(recorded()).toMatchObject({
      giveBack: [
        { paymentId: 5, amount: '30.00' },
        { paymentId: 6, amount: '15.00' },
      ],
    })
  })

  test('gives nothing back that was not ticked', async () => {
    const on = { id: 5, open: '30.00', currency: 'EUR', direction: 'in', date: '2026-11-01' }
    const { amount, press } = await dialog(account({ items: [], payments: [on] }), 'out')
    await amount('20')
    await press()
    expect(recorded()).toMatchObject({ giveBack: [] })
  })

  test('of nothing open says that the customer then owes it', async () => {
    const { page, amount } = await dialog(account({ items: [] }), 'out')
    await amount('10')
    expect(page.get('[data-test="on-account"]').text()).toContain('it stands as owed by the customer')
  })
})
