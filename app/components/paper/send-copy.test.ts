import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import type { CopyToWrite, DocumentView } from '../../contract'
import { bodyOf } from '../../../core/emailtexts/nodes'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import SendCopy from './SendCopy.vue'

const calls = vi.hoisted(() => ({ fetchCopy: vi.fn(), sendCopy: vi.fn() }))
vi.mock('../../calls/documents', () => calls)

const SelectField = {
  props: ['modelValue', 'choices', 'hint'],
  emits: ['update:modelValue'],
  template: `<div><select v-bind="$attrs" :value="modelValue" @change="$emit('update:modelValue', $event.target.value)">
    <option v-for="one in choices" :key="one.value" :value="one.value">{{ one.words }}</option>
  </select>{{ hint }}</div>`,
  inheritAttrs: false,
}
const copyOf = (subject: string, texts = [{ id: 3, name: 'Schools' }]) =>
  ({
    preparedId: 7,
    contacts: [{ name: 'Nuala', email: 'office@elsewhere.example', role: 'billing' }],
    texts,
    email: { subject, files: [] },
    words: { subject: bodyOf(subject), text: bodyOf('Dear Nuala'), cc: [], bcc: [], values: {} },
  }) as unknown as CopyToWrite
const opened = (copy: CopyToWrite) =>
  mount(SendCopy, {
    props: {
      modelValue: true,
      copy,
      purpose: 'again',
      document: { id: 12, number: 'INV-1', email: null } as unknown as DocumentView,
    },
    global: { plugins: [signedIn('clerk')], stubs: { ...openDialogs, SelectField, EmailForm: true } },
  })
const pick = async (dialog: ReturnType<typeof opened>, value: string) => {
  await dialog.get('[data-test="copy-text"]').setValue(value)
  await flushPromises()
}
beforeEach(() => {
  localStorage.clear()
  calls.fetchCopy.mockReset()
  calls.sendCopy.mockReset().mockResolvedValue({})
})

test('a copy goes with the text that is picked for it, whose words are shown before', async () => {
  const dialog = opened(copyOf('Invoice once more'))
  expect(dialog.text()).toContain('Invoice once more')
  calls.fetchCopy.mockResolvedValue(copyOf('For your school'))
  await pick(dialog, '3')
  expect(calls.fetchCopy).toHaveBeenCalledWith(12, 'again', 3)
  expect(dialog.text()).toContain('For your school')
  await dialog.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.sendCopy.mock.calls[0]![1]).toMatchObject({ text: 3, own: null })
})

test('one that cannot be had leaves the words as they are, and says why', async () => {
  const dialog = opened(copyOf('Invoice once more'))
  calls.fetchCopy.mockRejectedValue(new Error('There is no such variant.'))
  await pick(dialog, '3')
  expect(dialog.text()).toContain('Invoice once more')
  expect(dialog.text()).toContain('There is no such variant.')
  await dialog.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.sendCopy.mock.calls[0]![1]).toMatchObject({ text: null })
})

test('where no variant has one there is nothing to pick', () => {
  expect(opened(copyOf('Invoice once more', [])).find('[data-test="copy-text"]').exists()).toBe(false)
})
