import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { VCheckboxBtn } from 'vuetify/components'
import CatchUp from './CatchUp.vue'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import { kindsOn, type RoutineSentence } from '../../../core/routines/sentence'
import type { RoutineView } from '../../contract'

const calls = vi.hoisted(() => ({ fetchMissed: vi.fn(), catchUp: vi.fn() }))
vi.mock('../../calls/routines', () => calls)

const missed = (id: number, total: string) => ({
  id,
  number: `SO-${id}`,
  customerName: 'Ottermill',
  total,
  currency: 'EUR',
  reachedAt: '2026-11-24T09:00:00Z',
})
async function shown(sentence: Partial<RoutineSentence> = {}, role: 'clerk' | 'reader' = 'clerk') {
  const routine = {
    id: 5,
    trust: 'after a check',
    sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', ...sentence },
  } as unknown as RoutineView // the rest is not asked
  const page = mount(CatchUp, {
    props: { modelValue: true, routine },
    global: { plugins: [signedIn(role)], stubs: openDialogs },
  })
  await flushPromises()
  return page
}
const go = (page: Awaited<ReturnType<typeof shown>>) => page.get('[data-test="ask-go"]')

beforeEach(() => {
  calls.fetchMissed.mockReset().mockResolvedValue([missed(1, '100.00'), missed(2, '20.50')])
  calls.catchUp.mockReset().mockResolvedValue({ taken: 1 })
})

describe('catching up', () => {
  test('looks back a month, and prepares what is not taken off, with its count and sum', async () => {
    const page = await shown()
    const { from, to } = calls.fetchMissed.mock.calls[0]![1] as { from: string; to: string }
    expect(Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000)).toBe(30)
    expect(go(page).text()).toBe('Prepare 2 invoices')
    expect(page.text()).toContain('120.50')
    page.findAllComponents(VCheckboxBtn)[0]!.vm.$emit('update:modelValue', false)
    await flushPromises()
    expect(go(page).text()).toBe('Prepare 1 invoice')
    await go(page).trigger('click')
    await flushPromises()
    expect(calls.catchUp).toHaveBeenCalledWith(5, { from, to, ids: [2] })
    expect(useToasts().toasts.at(-1)!.words).toContain('1 invoice is being prepared')
  })

  test('says that nothing lacks its document, and has nothing to prepare', async () => {
    calls.fetchMissed.mockResolvedValue([])
    const page = await shown()
    expect(page.text()).toContain('Nothing of these days lacks its invoice.')
    expect(go(page).attributes('disabled')).toBeDefined()
  })

  test.each([
    [{}, 'Orders that came to Shipped'],
    [{ on: 'shipment', statuses: [], issue: 'delivery note' }, 'goods of an order are packed'],
    [{ on: 'order delivered', statuses: [] }, 'everything of an order is delivered'],
    [{ on: 'payment', statuses: [], issue: kindsOn.payment[0]! }, 'Payments of these days'],
    [{ on: 'time', statuses: [], issue: 'statement of account' }, 'Accounts that were due'],
  ] as const)('says what it looks at: %o', async (sentence, words) => {
    expect((await shown(sentence as Partial<RoutineSentence>)).text()).toContain(words)
  })

  test('is looked at, and not done, by who only reads', async () => {
    expect(go(await shown({}, 'reader')).attributes('disabled')).toBeDefined()
  })
})
