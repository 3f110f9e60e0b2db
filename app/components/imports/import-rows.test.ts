import { asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import ImportRows from './ImportRows.vue'
import WordPicker from '../list/WordPicker.vue'
import { useToasts } from '../../stores/toasts'
import { signedIn } from '../../testing/signed-in'
import type { ImportView } from '../../contract'

const calls = vi.hoisted(() => ({ fetchImportRows: vi.fn(), mendImportRow: vi.fn() }))
vi.mock('../../calls/imports', () => calls)

const row = (line: number, change: object = {}) => ({
  id: line,
  line,
  state: 'wrong',
  note: asWritten('It has no name.'),
  cells: [`1041${line}`, ''],
  ...change,
})
const file = (change: object = {}) =>
  ({
    id: 5,
    subject: 'customers',
    state: 'checked',
    mapping: { number: { column: 0 }, name: { column: 1 } },
    counts: { wrong: 2, right: 8, written: 0, unchanged: 0 },
    ...change,
  }) as unknown as ImportView // the rest is not asked
async function shown(of = file(), may = true) {
  const page = mount(ImportRows, {
    props: { file: of, may },
    global: {
      plugins: [signedIn()],
      stubs: {
        RowList: {
          props: ['rows'],
          template:
            '<div><slot v-for="row in rows" name="row" :row="row" /><slot v-if="!rows.length" name="empty" /></div>',
        },
      },
    },
  })
  await flushPromises()
  return page
}
const rowsOf = (...rows: object[]) => ({ rows, after: null, matching: rows.length })
beforeEach(() => {
  calls.fetchImportRows.mockReset().mockResolvedValue(rowsOf(row(2), row(3)))
  calls.mendImportRow.mockReset().mockResolvedValue({ state: 'right', note: null })
})

describe('rows of an import', () => {
  test('that are wrong come first, each with what is wrong; without any, all are shown', async () => {
    const page = await shown()
    expect(calls.fetchImportRows.mock.calls[0]![1]).toMatchObject({ state: 'wrong' })
    expect(page.text()).toContain('It has no name.')
    await shown(file({ counts: { wrong: 0, right: 8 } }))
    expect(calls.fetchImportRows.mock.calls.at(-1)![1]).toMatchObject({ state: '' })
  })

  test('one is mended in its cells and checked at once, and the list is that of now', async () => {
    const page = await shown()
    expect(page.get('[data-test="mend-row"]').attributes('disabled')).toBeDefined()
    await page.get('[data-test="cell-name"]').setValue('Cowslip Honey')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(calls.mendImportRow).toHaveBeenCalledWith(5, 2, { cells: ['10412', 'Cowslip Honey'] })
    expect(useToasts().toasts.at(-1)!.words).toContain('2')
    expect(calls.fetchImportRows).toHaveBeenCalledTimes(2)
  })

  test('one that is still wrong says so', async () => {
    calls.mendImportRow.mockResolvedValue({ state: 'wrong', note: asWritten('The country is unknown.') })
    const page = await shown()
    await page.get('[data-test="cell-name"]').setValue('Cowslip')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(useToasts().toasts.at(-1)).toMatchObject({ wrong: true })
    expect(useToasts().toasts.at(-1)!.words).toContain('The country is unknown.')
  })

  test('what is being typed outlives a list that is loaded anew', async () => {
    const page = await shown()
    await page.get('[data-test="cell-name"]').setValue('Half a na')
    calls.fetchImportRows.mockResolvedValue(rowsOf(row(2), row(3), row(4)))
    await page.setProps({ file: file({ counts: { wrong: 3, right: 7 } }) })
    await flushPromises()
    expect(page.get<HTMLInputElement>('[data-test="cell-name"]').element.value).toBe('Half a na')
  })

  test('that are written are only looked at, as by who only reads', async () => {
    calls.fetchImportRows.mockResolvedValue(rowsOf(row(2, { state: 'written', note: null })))
    expect((await shown()).find('[data-test="mend-row"]').exists()).toBe(false)
    calls.fetchImportRows.mockResolvedValue(rowsOf(row(2)))
    expect((await shown(file(), false)).find('[data-test="mend-row"]').exists()).toBe(false)
    expect((await shown(file({ state: 'writing' }))).find('[data-test="mend-row"]').exists()).toBe(false)
  })

  test('are narrowed by how they stand, with the count of each', async () => {
    const page = await shown()
    const picker = page.getComponent(WordPicker)
    expect((picker.props('choices') as { words: string }[]).map(({ words }) => words)).toContain('right, 8')
    picker.vm.$emit('pick', 'right')
    await flushPromises()
    expect(calls.fetchImportRows.mock.calls.at(-1)![1]).toMatchObject({ state: 'right' })
    calls.fetchImportRows.mockResolvedValue(rowsOf())
    picker.vm.$emit('pick', 'written')
    await flushPromises()
    expect(page.find('.empty').exists()).toBe(true)
  })
})
