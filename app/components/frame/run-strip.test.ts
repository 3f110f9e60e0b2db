import { told } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import RunStrip from './RunStrip.vue'
import { signedIn } from '../../testing/signed-in'
import type { RunReport } from '../../contract'

const calls = vi.hoisted(() => ({ controlRun: vi.fn() }))
vi.mock('../../calls/runs', () => calls)
const store = vi.hoisted(() => ({
  runs: [] as unknown[],
  findOpen: vi.fn(async () => {}),
  watchRun: vi.fn(async () => {}),
  remove: vi.fn(),
}))
vi.mock('../../stores/runs', () => ({ useRuns: () => store }))

const inSeconds = (seconds: number) => new Date(Date.now() + seconds * 1000).toISOString()
const run = (change: object = {}) =>
  ({
    id: 5,
    goesAt: inSeconds(-60),
    endedAt: inSeconds(-5),
    chosen: 3,
    open: 0,
    issued: 3,
    rehearsed: 0,
    takenBackBy: '',
    stoppedBy: '',
    numbers: [{ first: 'INV-1', last: 'INV-3' }],
    sums: [{ currency: 'EUR', sum: '120.50' }],
    parts: [{ part: 'emailed', documents: 3 }],
    problems: [],
    emails: 3,
    prints: 0,
    ...change,
  }) as unknown as RunReport // the rest is not asked
async function shown(...runs: RunReport[]) {
  store.runs = runs
  const page = mount(RunStrip, { global: { plugins: [signedIn()] } })
  await flushPromises()
  return page
}
beforeEach(() => {
  calls.controlRun.mockReset().mockResolvedValue({})
  store.remove.mockReset()
})

describe('a Send', () => {
  test('can be taken back as long as nothing is numbered, and counts the seconds', async () => {
    const page = await shown(run({ goesAt: inSeconds(65), endedAt: null, open: 3 }))
    expect(page.text()).toMatch(/1:0\d/)
    await page.get('[data-test="take-back"]').trigger('click')
    await flushPromises()
    expect(calls.controlRun).toHaveBeenCalledWith(5, 'take-back')
  })

  test('under way says how far it is, and can be stopped', async () => {
    const page = await shown(run({ endedAt: null, open: 1 }))
    expect(page.text()).toContain('2 of 3')
    await page.get('.close').trigger('click')
    await flushPromises()
    expect(calls.controlRun).toHaveBeenCalledWith(5, 'stop')
  })

  test('that ended says numbers, sum and what became of each part, and is closed by a person', async () => {
    const page = await shown(run({ parts: [{ part: 'waiting', documents: 3 }] }))
    for (const words of ['INV-1', 'INV-3', '120.50', '3 emails']) expect(page.text()).toContain(words)
    await page.get('.close').trigger('click')
    expect(store.remove).toHaveBeenCalledWith(5)
  })

  test('names what did not go with its reason; many are found in the report', async () => {
    const problem = (id: number) => ({
      preparedId: id,
      number: '',
      orderNumber: `SO-${id}`,
      customerName: 'Cowslip',
      reason: told('plan/changed'),
      reply: '',
      part: '',
    })
    const page = await shown(run({ issued: 0, problems: [1, 2, 3, 4].map(problem) }))
    expect(page.text()).toContain('SO-2')
    expect(page.text()).not.toContain('SO-3')
    expect(page.text()).toContain('2 more')
  })

  test('with nothing left to do goes by itself, one with something to do stays', async () => {
    const done = run({ endedAt: inSeconds(-120) })
    expect((await shown(done)).find('[data-test="run"]').exists()).toBe(false)
    const waits = run({ endedAt: inSeconds(-120), parts: [{ part: 'waiting', documents: 1 }] })
    expect((await shown(waits)).find('[data-test="run"]').exists()).toBe(true)
  })

  test('of which none was left says who took it back', async () => {
    const page = await shown(run({ takenBackBy: 'Mara', issued: 0, numbers: [], sums: [] }))
    expect(page.text()).not.toContain('INV-1')
    expect(page.text()).toContain('3')
  })

  test('more than two are counted', async () => {
    const several = [1, 2, 3, 4].map((id) => run({ id, parts: [{ part: 'waiting', documents: 1 }] }))
    const page = await shown(...several)
    expect(page.findAll('[data-test="run"]')).toHaveLength(2)
    expect(page.text()).toContain('2 more Sends')
  })
})
