import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import Ask from './Ask.vue'
import { openDialogs } from '../../testing/dialog'

const ask = (props: object = {}, slot = '<input class="why" />') =>
  mount(Ask, {
    props: { modelValue: true, title: 'Void INV-1?', go: 'Void it', ...props },
    slots: { default: slot },
    global: { stubs: openDialogs },
  })
const buttons = (page: ReturnType<typeof ask>) => page.findAll('.buttons button')

describe('a question', () => {
  test('says what it does on its button, and goes only by it', async () => {
    const page = ask()
    expect(buttons(page).at(-1)!.text()).toBe('Void it')
    await buttons(page).at(-1)!.trigger('click')
    expect(page.emitted('go')).toHaveLength(1)
    expect(page.emitted('update:modelValue')).toBeUndefined()
  })

  test('is left by the other button with nothing done', async () => {
    const page = ask()
    await buttons(page)[0]!.trigger('click')
    expect([page.emitted('go'), page.emitted('update:modelValue')]).toEqual([undefined, [[false]]])
  })

  test('that is not ready cannot be answered by a click', () => {
    expect(
      buttons(ask({ disabled: true }))
        .at(-1)!
        .attributes('disabled'),
    ).toBeDefined()
  })

  test('shows its danger in the button that does it', () => {
    expect(
      buttons(ask({ danger: true }))
        .at(-1)!
        .classes(),
    ).toContain('danger')
    expect(buttons(ask()).at(-1)!.classes()).toContain('go')
  })
})

describe('its first field', () => {
  const opened = () =>
    mount(Ask, {
      props: { modelValue: true, title: 'A level of reminding', go: 'Save' },
      slots: { default: '<input class="name" /><input class="fee" />' },
      global: { stubs: openDialogs },
      attachTo: document.body,
    })
  const settled = () => new Promise((done) => setTimeout(done, 90))

  test('has the focus once it is open', async () => {
    const page = opened()
    await settled()
    expect(document.activeElement).toBe(page.get('.name').element)
    page.unmount()
  })

  test('does not take it from where a quick hand writes already', async () => {
    const page = opened()
    const fee = page.get<HTMLInputElement>('.fee').element
    fee.focus()
    await settled()
    expect(document.activeElement).toBe(fee)
    page.unmount()
  })
})

describe('by keyboard', () => {
  /** Vuetify gives the dialog its keys; here they are given to the content and rise to it. */
  const dialog = { VDialog: { inheritAttrs: true, template: '<div class="dialog"><slot /></div>' } }
  const press = async (page: ReturnType<typeof mount>, where: string, init: KeyboardEventInit) =>
    page
      .get(where)
      .element.dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init }))
  const shown = (props: object = {}) =>
    mount(Ask, {
      props: { modelValue: true, title: 'Credit INV-1', go: 'Credit', ...props },
      slots: { default: '<input class="why" /><textarea /><input type="checkbox" class="box" />' },
      global: { stubs: dialog },
      attachTo: document.body,
    })

  test('Enter in a field and Ctrl+Enter anywhere are its button', async () => {
    const page = shown()
    await press(page, '.why', { key: 'Enter' })
    await press(page, 'textarea', { key: 'Enter', ctrlKey: true })
    expect(page.emitted('go')).toHaveLength(2)
    page.unmount()
  })

  test('Enter in a text of several lines is a new line, in a box it is the box', async () => {
    const page = shown()
    await press(page, 'textarea', { key: 'Enter' })
    await press(page, '.box', { key: 'Enter' })
    expect(page.emitted('go')).toBeUndefined()
    page.unmount()
  })

  test('what was written is not lost to a click beside it; Escape leaves, but a list that is open first', async () => {
    const page = shown()
    const dialogOf = () => page.get('.dialog').attributes('persistent')
    expect(dialogOf()).toBe('false')
    await page.get('.why').setValue('a reason')
    expect(dialogOf()).toBe('true')
    const list = document.createElement('div')
    list.className = 'v-overlay v-menu v-overlay--active'
    document.body.append(list)
    await press(page, '.why', { key: 'Escape' })
    expect(page.emitted('update:modelValue')).toBeUndefined()
    list.remove()
    await press(page, '.why', { key: 'Escape' })
    expect(page.emitted('update:modelValue')).toEqual([[false]])
    page.unmount()
  })

  test('nothing goes twice, and nothing before it is ready', async () => {
    for (const props of [{ busy: true }, { disabled: true }]) {
      const page = shown(props)
      await press(page, '.why', { key: 'Enter', ctrlKey: true })
      expect(page.emitted('go')).toBeUndefined()
      page.unmount()
    }
  })
})
