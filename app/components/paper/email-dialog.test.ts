import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import type { PreparedView } from '../../contract'
import { openDialogs } from '../../testing/dialog'
import EmailDialog from './EmailDialog.vue'

const writeEmail = vi.hoisted(() => vi.fn(async (_id: number, _body: unknown) => ({ ok: true })))
vi.mock('../../calls/prepared', () => ({ writeEmail }))

const view = (revision: number, subject = 'Invoice {{ number }}') =>
  ({
    id: 7,
    revision,
    words: { subject, text: 'Dear Nuala', cc: [], bcc: [], own: false, supplied: { subject, text: '' } },
  }) as unknown as PreparedView
const opened = (of: PreparedView) =>
  mount(EmailDialog, {
    props: { modelValue: true, view: of, kept: async () => {} },
    global: { stubs: openDialogs },
  })
const subject = '[data-test="own-subject"] input, input[data-test="own-subject"]'

beforeEach(() => {
  localStorage.clear()
  writeEmail.mockClear()
})

test('what somebody else writes while it is open is not written over', async () => {
  const dialog = opened(view(3))
  await dialog.get(subject).setValue('Mine')
  await dialog.setProps({ view: view(4, 'Theirs') })
  await dialog.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(writeEmail).toHaveBeenCalledWith(7, expect.objectContaining({ revision: 3 }))
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
