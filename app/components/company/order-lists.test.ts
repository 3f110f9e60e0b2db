import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import OrderLists from './OrderLists.vue'
import StatusSteps from './StatusSteps.vue'
import WordsList from './WordsList.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { signedIn } from '../../testing/signed-in'

const calls = vi.hoisted(() => ({ changeLists: vi.fn(), fetchLists: vi.fn() }))
vi.mock('../../calls/house', () => calls)
vi.mock('../../composables/useLive', () => ({ useLive: vi.fn() }))

const lists = {
  statuses: ['Draft', 'Confirmed', 'Packed', 'Shipped'],
  steps: { Draft: ['Confirmed'], Packed: ['Shipped', 'Confirmed'] },
  words: { Confirmed: { en: 'taken' }, Packed: { de: 'gepackt' } },
}
async function shown(role: 'supervisor' | 'clerk' = 'supervisor') {
  const pinia = signedIn(role)
  useSession().load = vi.fn(async () => {})
  const page = mount(OrderLists, {
    global: { plugins: [pinia], stubs: { StatusSteps: true, WordsList: true } },
  })
  await flushPromises()
  const keep = async () => {
    await page.get('[data-test="keep-lists"]').trigger('click')
    await flushPromises()
  }
  return { page, keep }
}
beforeEach(() => {
  calls.fetchLists.mockReset().mockResolvedValue(structuredClone(lists))
  calls.changeLists.mockReset().mockResolvedValue({})
})

describe('the statuses of orders', () => {
  test('what is said of one that is taken away goes with it', async () => {
    const { page, keep } = await shown()
    page.getComponent(WordsList).vm.$emit('update:modelValue', ['Draft', 'Packed', 'Shipped'])
    await flushPromises()
    await keep()
    expect(calls.changeLists).toHaveBeenCalledWith({
      before: lists,
      now: {
        statuses: ['Draft', 'Packed', 'Shipped'],
        steps: { Draft: [], Packed: ['Shipped'] },
        words: { Packed: { de: 'gepackt' } },
      },
    })
    expect(useSession().load).toHaveBeenCalled()
  })

  test('a refusal is said, and what was written stays to be mended', async () => {
    calls.changeLists.mockRejectedValueOnce(
      new ApiRefusal('status-used', 'Three orders are Packed.', 409, { field: 'statuses.2' }),
    )
    const { page, keep } = await shown()
    page.getComponent(WordsList).vm.$emit('update:modelValue', ['Draft', 'Confirmed', 'Shipped'])
    await flushPromises()
    await keep()
    expect(page.getComponent(WordsList).props('wrong')).toBe('Three orders are Packed.')
    expect(page.getComponent(WordsList).props('modelValue')).toEqual(['Draft', 'Confirmed', 'Shipped'])
  })

  test('those that the house needs stay; nothing is saved where nothing changed', async () => {
    const { page } = await shown()
    expect(page.getComponent(WordsList).props('fixed')).toEqual(['Draft', 'Shipped'])
    expect(page.get('[data-test="keep-lists"]').attributes('disabled')).toBeDefined()
    expect((await shown('clerk')).page.find('[data-test="keep-lists"]').exists()).toBe(false)
  })
})

describe('which status may follow which', () => {
  const steps = (model: Record<string, string[]>) =>
    mount(StatusSteps, { props: { modelValue: model, statuses: lists.statuses, disabled: false } })
  const choose = (page: ReturnType<typeof steps>, status: string, after: string[]) =>
    page
      .findAllComponents({ name: 'VSelect' })
      .find(
        (one) =>
          one.attributes('data-test') === `after-${status}` ||
          one.vm.$attrs['data-test'] === `after-${status}`,
      )!
      .vm.$emit('update:modelValue', after)

  test('is kept for each that is said, and forgotten where nothing is', async () => {
    const page = steps({ Draft: ['Confirmed'] })
    choose(page, 'Packed', ['Shipped'])
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([{ Draft: ['Confirmed'], Packed: ['Shipped'] }])
    await page.setProps({ modelValue: { Draft: ['Confirmed'], Packed: ['Shipped'] } })
    choose(page, 'Draft', [])
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([{ Packed: ['Shipped'] }])
  })

  test('no status follows itself', () => {
    const items = steps({}).findAllComponents({ name: 'VSelect' })[1]!.props('items') as string[]
    expect(items).toEqual(['Draft', 'Packed', 'Shipped'])
  })
})
