import { asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import StatementRun from './StatementRun.vue'
import Ask from '../frame/Ask.vue'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'

const calls = vi.hoisted(() => ({ fetchStatementRun: vi.fn(), stopStatements: vi.fn() }))
vi.mock('../../calls/statements', () => calls)
vi.mock('../../composables/useLive', () => ({ useLive: vi.fn() }))

const counts = { prepared: 0, already: 0, nothing: 0, refused: 0, stopped: 0 }
const run = (change: object = {}) => ({
  id: 3,
  waiting: 0,
  period: { form: 'open items', until: '2026-11-30' },
  counts,
  left: [],
  ...change,
})
async function shown(view: object) {
  calls.fetchStatementRun.mockResolvedValue(view)
  const page = mount(StatementRun, {
    props: { modelValue: true, id: 3 },
    global: { plugins: [signedIn()], stubs: openDialogs },
  })
  await flushPromises()
  return page
}
beforeEach(() => Object.values(calls).forEach((call) => call.mockReset()))

describe('a run of statements', () => {
  test('says how far it is, and can be stopped', async () => {
    const page = await shown(run({ waiting: 6, counts: { ...counts, prepared: 3, nothing: 1 } }))
    expect(page.get('[data-test="statements-done"]').text()).toBe('4 of 10')
    expect(page.find('[data-test="statement-counts"]').exists()).toBe(false)
    calls.stopStatements.mockResolvedValue(run({ counts: { ...counts, prepared: 3, stopped: 6 } }))
    await page.get('[data-test="stop-statements"]').trigger('click')
    await flushPromises()
    expect(page.get('[data-test="statement-counts"]').text()).toContain('6')
    expect(page.find('[data-test="stop-statements"]').exists()).toBe(false)
  })

  test('ends in what was made and what was not, each with its reason', async () => {
    const left = [
      { customerId: 7, name: 'Cowslip', brand: 'TH', reason: asWritten('Nobody is there to write to.') },
    ]
    const page = await shown(run({ counts: { ...counts, prepared: 2, nothing: 4 }, left }))
    expect(page.getComponent(Ask).props('title')).toContain('2 statements')
    expect(page.findAll('[data-test="statement-counts"] li')).toHaveLength(2)
    expect(page.text()).toContain('Cowslip')
    expect(page.text()).toContain('Nobody is there to write to.')
  })

  test('of reminders says so, and leads nowhere where nothing was made', async () => {
    const page = await shown(
      run({ period: { form: 'reminder', until: '2026-11-30' }, counts: { ...counts, nothing: 5 } }),
    )
    expect(page.getComponent(Ask).props('title')).toContain('reminders')
    expect(page.getComponent(Ask).props('disabled')).toBe(true)
  })
})
