import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { VAutocomplete } from 'vuetify/components'
import CustomerField from './CustomerField.vue'
import type { CustomerRow } from '../../contract'

/* An order goes to whom the clerk typed, however fast, and never to who stood in an older list. */
const searchCustomers = vi.hoisted(() => vi.fn())
vi.mock('../../calls/customers', () => ({ searchCustomers }))
const row = (id: number, name: string) => ({ id, name, number: String(id), country: 'IE' }) as CustomerRow
const [abbey, bluebell] = [row(1, 'Abbeyvale'), row(2, 'Bluebell Wood')]
/** Answers are given by hand, in any order. */
let answers: Record<string, (rows: CustomerRow[]) => void>
beforeEach(() => {
  vi.useFakeTimers()
  answers = {}
  searchCustomers.mockImplementation(
    ({ search }: { search: string }) =>
      new Promise((resolve) => {
        answers[search] = (rows) => resolve({ rows })
      }),
  )
})
async function field() {
  const page = mount(CustomerField, { props: { modelValue: null, label: 'Customer' } })
  answers['']!([abbey, bluebell])
  await flushPromises()
  const box = page.getComponent(VAutocomplete)
  return {
    page,
    offered: () => (box.props('items') as CustomerRow[]).map(({ name }) => name),
    type: async (text: string) => {
      box.vm.$emit('update:search', text)
      await vi.advanceTimersByTimeAsync(200)
    },
    enter: () => page.get('input').trigger('keydown', { key: 'Enter' }),
    answer: async (text: string, rows: CustomerRow[]) => {
      answers[text]!(rows)
      await flushPromises()
    },
    chosen: () => page.emitted('update:modelValue')?.map(([one]) => (one as CustomerRow | null)?.name),
  }
}

test('what was found for another text is not offered', async () => {
  const { offered, type, answer } = await field()
  expect(offered()).toEqual(['Abbeyvale', 'Bluebell Wood'])
  await type('Blue')
  expect(offered()).toEqual([])
  await answer('Blue', [bluebell])
  expect(offered()).toEqual(['Bluebell Wood'])
})

test('Enter before the answer takes the first of the answer, not of the list before', async () => {
  const { type, enter, answer, chosen } = await field()
  await type('Blue')
  await enter()
  expect(chosen()).toBeUndefined()
  await answer('Blue', [bluebell])
  expect(chosen()).toEqual(['Bluebell Wood'])
})

test('an answer that comes late, for what is not typed any more, changes nothing', async () => {
  const { type, enter, answer, offered, chosen } = await field()
  await type('Abb')
  await enter()
  await type('Blue')
  await answer('Blue', [bluebell])
  await answer('Abb', [abbey])
  expect(offered()).toEqual(['Bluebell Wood'])
  expect(chosen()).toBeUndefined()
})

test('who is compared is not offered to compare with, nor taken by Enter', async () => {
  const page = mount(CustomerField, { props: { modelValue: null, label: 'With whom', except: abbey.id } })
  answers['']!([abbey, bluebell])
  await flushPromises()
  const box = page.getComponent(VAutocomplete)
  expect((box.props('items') as CustomerRow[]).map(({ name }) => name)).toEqual(['Bluebell Wood'])
  box.vm.$emit('update:search', 'e')
  await vi.advanceTimersByTimeAsync(200)
  await page.get('input').trigger('keydown', { key: 'Enter' })
  answers['e']!([abbey, bluebell])
  await flushPromises()
  expect((page.emitted('update:modelValue')![0]![0] as CustomerRow).name).toBe('Bluebell Wood')
})

test('whose name stands in the field is not looked for again, so that no list opens over the rest', async () => {
  const { page, offered, type, answer } = await field()
  await type('Blue')
  await answer('Blue', [bluebell])
  const box = page.getComponent(VAutocomplete)
  // as the field tells of a choice: first the name, then who it is
  box.vm.$emit('update:search', 'Bluebell Wood')
  box.vm.$emit('update:modelValue', bluebell)
  await page.setProps({ modelValue: bluebell })
  expect(offered()).toEqual(['Bluebell Wood'])
  await vi.advanceTimersByTimeAsync(400)
  expect(Object.keys(answers)).not.toContain('Bluebell Wood')
  expect(box.props('menu')).toBe(false)
})
