import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, test } from 'vitest'
import WordMenu from './WordMenu.vue'
import WordPicker from './WordPicker.vue'

const choices = [
  { value: 'TH', words: 'Tansy Hollow' },
  { value: 'LS', words: 'Little Skep' },
  { value: '', words: 'any brand' },
]
let page: VueWrapper

/** The picker with its list open, as after Enter on its word. */
async function opened(props: object = {}) {
  page = mount(WordPicker, {
    props: { words: 'any brand', label: 'Brand', choices, value: '' as string | string[] | null, ...props },
    attachTo: document.body,
    global: {
      stubs: {
        WordMenu: { template: '<div><slot /></div>', props: ['modelValue'], emits: ['update:modelValue'] },
      },
    },
  })
  page.findComponent(WordMenu).vm.$emit('update:modelValue', true)
  await flushPromises()
  return page
}
afterEach(() => page.unmount())
const shown = () => page.findAll('[role="option"]').map((one) => one.text().replace('•', '').trim())
const at = () => page.findAll('li.at').map((one) => one.text().replace('•', '').trim())
const press = (key: string) => page.get('.picker').trigger('keydown', { key })
const picked = () => page.emitted('pick')?.map(([value]) => value) ?? []

describe('what stands in the sentence', () => {
  const said = (props: object) => {
    page = mount(WordPicker, { props: { label: 'Brand', choices, value: 'LS', ...props } })
    return page.getComponent(WordMenu).props('words')
  }

  test('are the words of the chosen one, or those that are given', () => {
    expect(said({})).toBe('Little Skep')
    expect(said({ words: 'one of our brands' })).toBe('one of our brands')
  })

  test('are those of the first where the chosen one is gone, and dots where there is nothing to choose', () => {
    expect(said({ value: 'OLD' })).toBe('Tansy Hollow')
    expect(said({ choices: [] })).toBe('…')
  })
})

describe('a word that is a choice', () => {
  test('opens at what is chosen', async () => {
    await opened()
    expect([shown(), at()]).toEqual([['Tansy Hollow', 'Little Skep', 'any brand'], ['any brand']])
  })

  test('is chosen by arrows and Enter', async () => {
    await opened()
    await press('ArrowUp')
    await press('Enter')
    expect(picked()).toEqual(['LS'])
  })

  test('does not leave the list at its ends', async () => {
    await opened()
    for (let times = 0; times < 9; times++) await press('ArrowUp')
    expect(at()).toEqual(['Tansy Hollow'])
    for (let times = 0; times < 9; times++) await press('ArrowDown')
    expect(at()).toEqual(['any brand'])
  })

  test('narrows to what is typed, in any case, and Enter takes the first', async () => {
    await opened()
    await page.get('input').setValue('  SKEP ')
    expect(shown()).toEqual(['Little Skep'])
    await press('Enter')
    expect(picked()).toEqual(['LS'])
  })

  test('that is not there says so, and Enter takes nothing', async () => {
    await opened()
    await page.get('input').setValue('nobody')
    expect(page.text()).toContain('Nothing of that name.')
    await press('Enter')
    expect(picked()).toEqual([])
  })

  test('of several stays open, and marks all that are chosen', async () => {
    await opened({ several: true, value: ['TH', 'LS'] })
    expect(page.findAll('[aria-selected="true"]')).toHaveLength(2)
    await page.findAll('[role="option"]')[0]!.trigger('click')
    await page.findAll('[role="option"]')[1]!.trigger('click')
    expect(picked()).toEqual(['TH', 'LS'])
  })

  test('is picked by a click, wherever the arrows are', async () => {
    await opened()
    await page.findAll('[role="option"]')[0]!.trigger('click')
    expect(picked()).toEqual(['TH'])
  })
})
