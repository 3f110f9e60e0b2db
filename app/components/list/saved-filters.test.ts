import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import SavedFilters from './SavedFilters.vue'
import WordPanel from './WordPanel.vue'
import { ApiRefusal } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { signedIn } from '../../testing/signed-in'

const calls = vi.hoisted(() => ({ fetchFilters: vi.fn(), keepFilter: vi.fn(), dropFilter: vi.fn() }))
vi.mock('../../calls/saved-filters', () => calls)

const saved = (id: number, name: string, filters: object) => ({ id, name, filters, madeBy: 'Mara' })
const standard = { search: '', status: '', brand: '', sort: 'date' }
const close = vi.fn()
async function shown(filters: Partial<typeof standard>, role: 'clerk' | 'reader' = 'clerk') {
  const page = mount(SavedFilters<keyof typeof standard>, {
    props: {
      page: 'orders',
      filters: { ...standard, ...filters },
      standard,
      names: ['search', 'status', 'brand'],
    },
    global: {
      plugins: [signedIn(role)],
      stubs: {
        WordPanel: {
          props: ['words'],
          template: '<div><slot :close="close" /></div>',
          setup: () => ({ close }),
        },
      },
    },
  })
  await flushPromises()
  return page
}
const named = (page: Awaited<ReturnType<typeof shown>>) =>
  page.getComponent(WordPanel).props('words') as string
const press = async (page: Awaited<ReturnType<typeof shown>>, words: string) => {
  await page
    .findAll('button')
    .find((one) => one.text() === words)!
    .trigger('click')
  await flushPromises()
}
beforeEach(() => {
  close.mockReset()
  calls.fetchFilters
    .mockReset()
    .mockResolvedValue([saved(1, 'Ready to go', { status: 'Packed' }), saved(2, 'Ours', { brand: 'TH' })])
  calls.keepFilter.mockReset().mockResolvedValue({})
  calls.dropFilter.mockReset().mockResolvedValue({})
})

describe('saved filters of a list', () => {
  test('the one that the list shows now is named, whatever it is sorted by', async () => {
    expect(named(await shown({ status: 'Packed', sort: 'total' }))).toBe('Ready to go')
    expect(named(await shown({ status: 'Packed', brand: 'TH' }))).not.toBe('Ready to go')
  })

  test('one is taken up whole: what it says nothing of is as usual again', async () => {
    const page = await shown({ status: 'Packed', search: 'weir' })
    await press(page, 'Ours')
    expect(page.emitted('set')).toEqual([[{ search: '', status: '', brand: 'TH' }]])
    expect(close).toHaveBeenCalled()
  })

  test('what narrows the list now is kept by a name, without its order', async () => {
    const page = await shown({ search: 'weir', sort: 'total' })
    await page.get('[data-test="filter-name"] input').setValue(' Weir ')
    await page.get('[data-test="keep-filter"]').trigger('click')
    await flushPromises()
    expect(calls.keepFilter).toHaveBeenCalledWith({
      page: 'orders',
      name: 'Weir',
      filters: { search: 'weir' },
      replaces: false,
    })
    expect(useToasts().toasts.at(-1)!.words).toContain('Weir')
  })

  test('a name that is taken is replaced only once that was read', async () => {
    calls.keepFilter.mockRejectedValueOnce(new ApiRefusal('filter-there', 'Mara kept “Ours”.', 409, {}))
    const page = await shown({ search: 'weir' })
    await page.get('[data-test="filter-name"] input').setValue('Ours')
    await page.get('[data-test="keep-filter"]').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('Mara kept “Ours”.')
    expect(page.get('[data-test="keep-filter"]').text()).toBe('Replace it')
    await page.get('[data-test="filter-name"] input').setValue('Ours too')
    expect(page.get('[data-test="keep-filter"]').text()).not.toBe('Replace it')
  })

  test('one that is taken away can be had back', async () => {
    const page = await shown({})
    await page.findAll('button.push')[0]!.trigger('click')
    await flushPromises()
    expect(calls.dropFilter).toHaveBeenCalledWith(1)
    await useToasts().toasts.at(-1)!.undo!()
    expect(calls.keepFilter).toHaveBeenCalledWith({
      page: 'orders',
      name: 'Ready to go',
      filters: { status: 'Packed' },
      replaces: false,
    })
  })

  test('who only reads takes them up, and neither keeps nor takes away', async () => {
    const page = await shown({ search: 'weir' }, 'reader')
    expect(page.find('[data-test="filter-name"]').exists()).toBe(false)
    expect(page.findAll('button.push')).toHaveLength(0)
  })
})
