import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import ReturnLines, { type ComingLine } from './ReturnLines.vue'
import type { LineReturned } from '../../contract'

const line = (position: number, left: string): LineReturned => ({
  position,
  item: `IT-${position}`,
  description: `Item ${position}`,
  detail: null,
  unit: '',
  each: '2',
  shipped: '5',
  returned: left === '5' ? '0' : '2',
  left,
})
/** What was told last. */
const lastOf = (told: Record<string, unknown[][]>) =>
  told['update:modelValue']!.at(-1)![0] as Record<number, ComingLine>
const mounted = () =>
  mount(ReturnLines, {
    props: { modelValue: {}, lines: [line(1, '5'), line(2, '0'), line(3, '3')], disabled: false },
    attachTo: document.body,
  })

test('only what was shipped and is not back yet can be entered, with a reason; Enter goes on', async () => {
  const table = mounted()
  expect(table.find('[data-test="comes-2"]').exists()).toBe(false)
  const comes = table.get<HTMLInputElement>('[data-test="comes-1"]')
  await comes.setValue('4')
  await table.setProps({ modelValue: lastOf(table.emitted()) })
  comes.element.focus()
  await comes.trigger('keydown', { key: 'Enter' })
  expect(document.activeElement).toBe(table.get('[data-test="reason-1"]').element)
  await table.get('[data-test="reason-1"]').setValue('broken')
  expect(lastOf(table.emitted())).toEqual({ 1: { quantity: '4', reason: 'broken' } })
})

test('more than can come back is marked', async () => {
  const table = mounted()
  await table.setProps({ modelValue: { 3: { quantity: '3.5', reason: '' } } })
  expect(table.get('[data-test="comes-3"]').classes()).toContain('bad')
  await table.setProps({ modelValue: { 3: { quantity: '3', reason: '' } } })
  expect(table.get('[data-test="comes-3"]').classes()).not.toContain('bad')
})
