import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import CheckField from './CheckField.vue'
import FormField from './FormField.vue'
import SelectField from './SelectField.vue'

describe('a field of a form', () => {
  test('is named by its label, and what else is given goes to the field', () => {
    const field = mount(FormField, {
      props: { modelValue: 'OM/118', label: 'Your reference' },
      attrs: { maxlength: 80, placeholder: 'nothing' },
    })
    const input = field.get('input')
    expect(field.get('label').attributes('for')).toBe(input.attributes('id'))
    expect([input.element.value, input.attributes('maxlength'), input.attributes('placeholder')]).toEqual([
      'OM/118',
      '80',
      'nothing',
    ])
  })

  test('says beneath it what is wrong, in the place of its hint', async () => {
    const field = mount(FormField, {
      props: { modelValue: 'IE00', label: 'IBAN', hint: 'From your bank’s letter.' },
    })
    expect(field.text()).toContain('From your bank’s letter.')
    await field.setProps({ wrong: 'Its check digits do not hold.' })
    expect(field.get('[role="alert"]').text()).toBe('Its check digits do not hold.')
    expect(field.text()).not.toContain('From your bank’s letter.')
  })

  test('gives every letter as it is typed', async () => {
    const field = mount(FormField, { props: { modelValue: '' } })
    await field.get('input').setValue('Ottermill')
    expect(field.emitted('update:modelValue')).toEqual([['Ottermill']])
  })

  test('of several lines is a text area, and cannot be written in while it is disabled', () => {
    const field = mount(FormField, { props: { modelValue: 'Quarry Lane', lines: 3, disabled: true } })
    expect(field.get('textarea').attributes('rows')).toBe('3')
    expect(field.get('textarea').attributes('disabled')).toBeDefined()
  })
})

test('a field that offers words takes any other too, and is an empty text when it is cleared', async () => {
  const field = mount(FormField, { props: { modelValue: 'Ireland', suggest: ['Ireland', 'Germany'] } })
  const input = field.get('input:not([type="hidden"])')
  await input.setValue('Elsewhere')
  expect(field.emitted('update:modelValue')!.at(-1)).toEqual(['Elsewhere'])
  await input.setValue('')
  expect(field.emitted('update:modelValue')!.at(-1)).toEqual([''])
})

test('a choice shows the words of its value, not the value', () => {
  const field = mount(SelectField, {
    props: {
      modelValue: 'goods-in',
      label: 'Whom',
      choices: [
        { value: 'billing', words: 'billing' },
        { value: 'goods-in', words: 'goods in' },
      ],
    },
  })
  expect(field.get('.v-select__selection-text').text()).toBe('goods in')
  expect(field.get('label').text()).toBe('Whom')
})

test('what is so or not changes by its words, too', async () => {
  const field = mount(CheckField, {
    props: { modelValue: false },
    slots: { default: 'Only issue: number and book now, send later' },
    attachTo: document.body,
  })
  const label = field.get('label')
  expect(label.text()).toContain('Only issue')
  await label.trigger('click')
  expect(field.emitted('update:modelValue')).toEqual([[true]])
  field.unmount()
})
