import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import CreditDialog from './CreditDialog.vue'
import OrderAdjustments from '../orders/OrderAdjustments.vue'
import WordPicker from '../list/WordPicker.vue'
import OrderLines from '../orders/OrderLines.vue'
import StatusDialog from '../orders/StatusDialog.vue'
import { useSession } from '../../stores/session'
import { openDialogs } from '../../testing/dialog'
import type { Adjustment } from '../../../core/money/totals'
import type { StatusQuestion } from '../../composables/useStatusChange'
import type { CreditOffer, LineEdit } from '../../contract'

const calls = vi.hoisted(() => ({
  fetchCreditOffer: vi.fn(),
  creditSums: vi.fn(),
  creditDocument: vi.fn(),
}))
vi.mock('../../calls/documents', () => calls)
const navigateTo = vi.fn()
vi.stubGlobal('navigateTo', navigateTo)

const pinia = createPinia()
const global = { plugins: [pinia], stubs: openDialogs }
beforeEach(() => {
  setActivePinia(pinia)
  useSession().house = {
    ownFields: [],
    company: { currency: 'EUR', timeZone: 'UTC', taxRates: { reduced: '13.5', standard: '23' } },
  } as never // the rest is not asked
  vi.clearAllMocks()
  vi.useFakeTimers()
})
afterEach(() => vi.useRealTimers())
type Page = ReturnType<typeof mount>
const pick = async (page: Page, label: string, value: string) => {
  page
    .findAllComponents(WordPicker)
    .find((one) => one.props('label') === label)!
    .vm.$emit('pick', value)
  await flushPromises()
}

describe('a credit', () => {
  const offer = (change: object = {}) =>
    ({
      number: 'INV-7',
      left: '1284.46',
      currency: 'EUR',
      lines: [
        { item: 'HB-10N', description: 'Brood box', left: '12' },
        { item: 'LID', description: 'Lid', left: '0' },
      ],
      credits: [],
      ...change,
    }) as unknown as CreditOffer
  async function dialog(of = offer()) {
    calls.fetchCreditOffer.mockResolvedValue(of)
    calls.creditSums.mockResolvedValue({ net: '100.00', tax: '23.00', total: '123.00', currency: 'EUR' })
    calls.creditDocument.mockResolvedValue({ credit: 41, anew: null })
    const page = mount(CreditDialog, { props: { documentId: 7, modelValue: true }, global })
    await flushPromises()
    return page
  }
  const settle = async () => {
    await vi.advanceTimersByTimeAsync(250)
    await flushPromises()
  }
  const go = (page: Page) => page.get('[data-test="ask-go"]')
  const because = (page: Page, words: string) => page.findAll('.form-field input').at(-1)!.setValue(words)

  test('takes back all that is left where nothing else is chosen, and needs a reason', async () => {
    const page = await dialog()
    expect(page.text()).toContain('all that is left, €\u00a01,284.46')
    expect(go(page).attributes('disabled')).toBeDefined()
    await because(page, 'Arrived broken')
    await go(page).trigger('click')
    await flushPromises()
    expect(calls.creditDocument).toHaveBeenCalledWith(7, {
      ask: { kind: 'whole' },
      reason: 'Arrived broken',
      anew: false,
    })
    expect(navigateTo).toHaveBeenCalledWith('/drafts/41')
  })

  test('says what it comes to while one chooses, as the server works it out', async () => {
    const page = await dialog()
    await settle()
    expect(page.get('[data-test="credit-sums"]').text()).toContain('€\u00a0123.00')
  })

  test('of some lines asks for those only, and nothing can be taken of a line that is credited', async () => {
    const page = await dialog()
    await pick(page, 'What', 'lines')
    expect(page.get('[data-test="credit-2"]').attributes('disabled')).toBeDefined()
    await page.get('[data-test="credit-1"]').setValue('1,5')
    await settle()
    expect(calls.creditSums).toHaveBeenLastCalledWith(7, {
      ask: { kind: 'lines', lines: [{ line: 0, quantity: '1.5' }] },
    })
  })

  test('that is too much says so at once, in the server’s words', async () => {
    const page = await dialog()
    calls.creditSums.mockRejectedValue(new Error('Only 1284.46 EUR are not credited yet.'))
    await pick(page, 'What', 'amount')
    await page.findAll('.form-field input')[0]!.setValue('9999')
    await settle()
    expect(page.get('.notice[role="alert"]').text()).toBe('Only 1284.46 EUR are not credited yet.')
  })

  test('issues anew only what was credited whole, and opens the new one', async () => {
    const page = await dialog()
    calls.creditDocument.mockResolvedValue({ credit: 41, anew: 42 })
    page.findComponent({ name: 'CheckField' }).vm.$emit('update:modelValue', true)
    await because(page, 'Wrong address')
    await go(page).trigger('click')
    await flushPromises()
    expect(calls.creditDocument.mock.calls[0]![1]).toMatchObject({ anew: true })
    expect(navigateTo).toHaveBeenCalledWith('/drafts/42')
  })

  test('of an invoice that was credited before says by what, and issues nothing anew', async () => {
    const page = await dialog(offer({ credits: [{ number: 'CN-3', total: '20.00' }] }))
    expect(page.text()).toContain('Credited before: CN-3 (20.00)')
    expect(page.findComponent({ name: 'CheckField' }).exists()).toBe(false)
  })

  test('that is refused stays open with the reason', async () => {
    const page = await dialog()
    calls.creditDocument.mockRejectedValue(new Error('The period is closed.'))
    await because(page, 'x')
    await go(page).trigger('click')
    await flushPromises()
    expect(page.get('.notice[role="alert"]').text()).toBe('The period is closed.')
    expect(navigateTo).not.toHaveBeenCalled()
  })
})

describe('discounts and charges of a draft', () => {
  function rows(adjustments: Adjustment[]) {
    const page = mount(OrderAdjustments, { props: { modelValue: adjustments, disabled: false }, global })
    return { page, adjustments: () => page.props('modelValue') }
  }

  test('begin as a discount in percent', async () => {
    const { page, adjustments } = rows([])
    await page.get('.open-end').trigger('click')
    expect(adjustments()).toEqual([{ kind: 'discount', label: 'Discount', percent: '5' }])
  })

  test('keep their figure when percent becomes an amount: never both at once', async () => {
    const { page, adjustments } = rows([{ kind: 'charge', label: 'Carriage', percent: '5' }])
    await pick(page, 'Percent or amount', 'amount')
    expect(adjustments()).toEqual([{ kind: 'charge', label: 'Carriage', amount: '5' }])
    await pick(page, 'Percent or amount', 'percent')
    expect(adjustments()).toEqual([{ kind: 'charge', label: 'Carriage', percent: '5' }])
  })

  test('have VAT as the lines have it, or a code of their own', async () => {
    const { page, adjustments } = rows([{ kind: 'charge', label: 'Carriage', amount: '10' }])
    await pick(page, 'VAT', 'reduced')
    expect(adjustments()[0]).toMatchObject({ taxCode: 'reduced' })
    await pick(page, 'VAT', '')
    expect(adjustments()[0]).not.toHaveProperty('taxCode')
  })
})

describe('the lines of an order', () => {
  const line = (change: Partial<LineEdit> = {}): LineEdit => ({
    item: 'HB-10N',
    description: 'Brood box',
    detail: null,
    unit: '',
    quantity: '12',
    unitPrice: '41.50',
    discountPercent: '0',
    taxCode: 'standard',
    ...change,
  })
  const table = (lines: LineEdit[], disabled = false) =>
    mount(OrderLines, { props: { modelValue: lines, disabled, currency: 'EUR' }, global })

  test('a new one has the highest rate: too little tax is the worse mistake', async () => {
    const lines: LineEdit[] = []
    await table(lines).get('.add').trigger('click')
    expect(lines).toMatchObject([{ quantity: '1', unitPrice: '0.00', taxCode: 'standard' }])
  })

  test.each(['', 'twelve', '1,5', '12345678901', '1.23456'])(
    '“%s” is no quantity, and marked',
    (quantity) => {
      expect(
        table([line({ quantity })])
          .get('[data-test="quantity-1"]')
          .classes(),
      ).toContain('bad')
    },
  )

  test.each(['1', '-2', '0.5', '1.2345'])('“%s” is one', (quantity) => {
    expect(
      table([line({ quantity })])
        .get('[data-test="quantity-1"]')
        .classes(),
    ).not.toContain('bad')
  })

  test('a line without a description is marked, and each can be taken away', async () => {
    const lines = [line({ description: ' ' }), line()]
    const page = table(lines)
    expect(page.findAll('.wide .bad')).toHaveLength(1)
    await page.get('[aria-label="Take line 1 away"]').trigger('click')
    expect(lines).toHaveLength(1)
  })

  test('are read, and not changed, where that is not allowed', () => {
    const page = table([line()], true)
    expect(page.findAll('input, select').every((one) => one.attributes('disabled') !== undefined)).toBe(true)
    expect(page.findAll('button')).toHaveLength(0)
  })
})

describe('what a status does to documents', () => {
  const question = (turn: string, effects: object, count = 2) =>
    ({
      ids: [1, 2],
      status: 'Held',
      change: {
        turn,
        changed: Array.from({ length: count }, (_, n) => n),
        effects: { toCheck: 0, emails: 0, prints: 0, gone: 0, nowByHand: 0, labels: 0, ...effects },
      },
    }) as unknown as StatusQuestion
  const dialog = (of: StatusQuestion) => mount(StatusDialog, { props: { question: of, busy: false }, global })

  test('is said with counts: what is kept back, taken out of Waiting, and what nothing calls back', () => {
    const text = dialog(question('stops', { toCheck: 3, emails: 1, prints: 2, gone: 1, nowByHand: 2 })).text()
    expect(text).toContain('3 documents in To check are marked')
    expect(text).toContain('2 of them would have gone automatically')
    expect(text).toContain('1 email and 2 print jobs are taken out of')
    expect(text).toContain('1 document has left')
  })

  test('says nothing of what there is none of', () => {
    const text = dialog(question('stops', { gone: 2 }, 1)).text()
    expect(text).toContain('Set 1 order to Held?')
    expect(text).not.toContain('To check')
    expect(text).toContain('nothing calls them back')
  })

  test('on return lets emails go, or keeps them held if one says so', async () => {
    const page = dialog(question('returns', { emails: 2 }))
    await page.get('[data-test="ask-go"]').trigger('click')
    expect(page.emitted('answer')).toEqual([[true]])
    page.findComponent({ name: 'VRadioGroup' }).vm.$emit('update:modelValue', false)
    await flushPromises()
    await page.get('[data-test="ask-go"]').trigger('click')
    expect(page.emitted('answer')).toEqual([[true], [false]])
  })

  test('is left with nothing set', async () => {
    const page = dialog(question('stops', { emails: 1 }))
    await page.findAll('.buttons button')[0]!.trigger('click')
    expect([page.emitted('leave')?.length, page.emitted('answer')]).toEqual([1, undefined])
  })
})
