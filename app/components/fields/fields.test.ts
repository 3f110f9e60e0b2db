import { mount, type VueWrapper } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import DateField from './DateField.vue'
import TakenField from './TakenField.vue'

const element = (field: VueWrapper) => field.get('input').element

describe('a field whose text is taken when it is left', () => {
  test('keeps what is being typed when the page loads the same value anew', async () => {
    const field = mount(TakenField, { props: { value: 'ann@house.example' } })
    element(field).value = 'ann@new.exa'
    await field.get('input').trigger('input')
    await field.setProps({ value: 'ann@house.example' })
    field.vm.$forceUpdate()
    await nextTick()
    expect(element(field).value).toBe('ann@new.exa')
  })

  test('takes over what really became another value', async () => {
    const field = mount(TakenField, { props: { value: 'ann@house.example' } })
    await field.setProps({ value: 'ben@house.example' })
    expect(element(field).value).toBe('ben@house.example')
  })

  test('gives its text without spaces around it', async () => {
    const field = mount(TakenField, { props: { value: '' } })
    element(field).value = '  ann@house.example '
    await field.get('input').trigger('input')
    await field.get('input').trigger('change')
    expect(field.emitted('take')).toEqual([['ann@house.example']])
  })
})

describe('a date field', () => {
  const typed = async (words: string, before: string | null = null) => {
    const field = mount(DateField, { props: { modelValue: before } })
    const input = field.get('input')
    await input.setValue(words)
    await input.trigger('change')
    return field
  }

  test.each([
    ['27.11.2026', '2026-11-27'],
    ['27 Nov 2026', '2026-11-27'],
    ['2026-11-27', '2026-11-27'],
  ])('reads %s', async (words, day) => {
    const field = await typed(words)
    expect(field.emitted('update:modelValue')).toEqual([[day]])
    expect(field.find('[role="alert"]').exists()).toBe(false)
  })

  test('says how to write one that it cannot read, and gives nothing', async () => {
    const field = await typed('the day after')
    expect(field.emitted('update:modelValue')).toBeUndefined()
    expect(field.get('[role="alert"]').text()).toContain('27 Nov 2026')
    expect(field.get('input').attributes('aria-invalid')).toBe('true')
  })

  test('is empty again when it is cleared', async () => {
    const field = await typed('', '2026-11-27')
    expect(field.emitted('update:modelValue')).toEqual([['']])
  })
})
