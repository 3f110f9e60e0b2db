import { asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import type { EmailView, EmailWords } from '../../contract'
import { bodyOf, wordsOfBody, type Body } from '../../../core/emailtexts/nodes'
import { openDialogs } from '../../testing/dialog'
import EmailDialog from './EmailDialog.vue'

const write = vi.fn(async (_revision: number, _own: unknown) => ({ ok: true }))

/** The editor as one field: what it is to write with is tried in a browser. */
const EmailEditor = {
  props: ['modelValue', 'label'],
  emits: ['update:modelValue'],
  setup: (_: unknown, { emit }: { emit: (event: string, body: Body) => void }) => ({
    wordsOfBody,
    write: (event: Event) => emit('update:modelValue', bodyOf((event.target as HTMLInputElement).value)),
  }),
  template: '<input :aria-label="label" :value="wordsOfBody(modelValue)" @input="write">',
}

const CheckField = {
  props: ['modelValue'],
  emits: ['update:modelValue'],
  template: `<label><input type="checkbox" v-bind="$attrs" :checked="modelValue"
    @change="$emit('update:modelValue', $event.target.checked)" /><slot /></label>`,
  inheritAttrs: false,
}
const noLimits = { mostDownloads: null, goodDays: null }
const files = [
  { name: 'Invoice.pdf', size: null, enclosure: null, url: null },
  {
    name: 'Terms.pdf',
    size: 9_000_000,
    enclosure: { id: 4, source: 'kind', leftOut: false, ...noLimits },
    url: '',
  },
  {
    name: 'Plan.pdf',
    size: 8_000_000,
    enclosure: { id: 5, source: 'once', leftOut: false, ...noLimits },
    url: '',
  },
]
const view = (revision: number, subject = 'Invoice') =>
  ({
    name: 'prepared 7',
    preparedId: 7,
    revision,
    email: { files, size: 1, most: 20_000_000, pictures: 0 },
    words: {
      subject: bodyOf(subject),
      text: bodyOf('Dear Nuala'),
      cc: [],
      bcc: [],
      leftOut: [],
      added: [],
      own: false,
      supplied: { subject: bodyOf(subject), text: bodyOf('') },
      values: {},
      senders: [{ id: 0, shown: asWritten('Tansy Hollow <accounts@tansyhollow.example>') }],
      carriages: ['attached', 'link', 'both'],
    },
  }) as unknown as { email: EmailView; words: EmailWords; name: string; preparedId: number; revision: number }
const opened = (of: ReturnType<typeof view>) =>
  mount(EmailDialog, {
    props: { ...of, modelValue: true, write, kept: async () => {} },
    global: { stubs: { ...openDialogs, EmailEditor, CheckField } },
  })
const subject = '[data-test="own-subject"]'

beforeEach(() => {
  localStorage.clear()
  write.mockClear()
})

test('says when it is too large, leaves out what is not wanted this time and keeps what was added', async () => {
  const dialog = opened(view(3))
  expect(dialog.text()).toContain('About 23.5 MB, and the mail account takes at most 20 MB')
  await dialog.get('[data-test="goes-Terms.pdf"]').setValue(false)
  expect(dialog.text()).toContain('About 11.2 MB of at most 20 MB')
  await dialog.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(write.mock.calls[0]![1]).toMatchObject({ leftOut: [4], added: [5] })
})

test('what somebody else writes while it is open is not written over', async () => {
  const dialog = opened(view(3))
  await dialog.get(subject).setValue('Mine')
  await dialog.setProps(view(4, 'Theirs'))
  await dialog.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(write.mock.calls[0]![0]).toBe(3)
})

test('begun and left, it is there again, and says where it was written otherwise since', async () => {
  const first = opened(view(3))
  await first.get(subject).setValue('Mine')
  first.unmount()
  const same = opened(view(3))
  expect((same.get(subject).element as HTMLInputElement).value).toBe('Mine')
  expect(same.get('[data-test="goes-on"]').text()).toContain('have not used it')
  same.unmount()
  const later = opened(view(4, 'Theirs'))
  expect(later.get('[data-test="goes-on"]').text()).toContain('written otherwise')
  await later.get('[data-test="email-anew"]').trigger('click')
  expect((later.get(subject).element as HTMLInputElement).value).toBe('Theirs')
})
