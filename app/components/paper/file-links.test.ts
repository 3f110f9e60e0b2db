import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import FileLinks from './FileLinks.vue'
import { useSession } from '../../stores/session'
import { openDialogs } from '../../testing/dialog'
import type { DocumentView } from '../../contract'

const calls = vi.hoisted(() => ({
  changeLinks: vi.fn(async (_id: number, _body: unknown) => ({ ok: true })),
}))
vi.mock('../../calls/documents', () => calls)

type Link = DocumentView['fileLinks'][number]
const link: Link = {
  id: 3,
  name: 'Invoice-INV-7.pdf',
  sentTo: 'accounts@ottermill.example',
  until: '2026-12-29',
  ended: null,
  opened: 0,
  mostOpened: null,
  lastOpenedAt: null,
}
function shown(change: Partial<Link>, role: 'reader' | 'clerk' = 'clerk') {
  const pinia = createPinia()
  setActivePinia(pinia)
  useSession().user = { id: 1, name: 'Bo', email: 'bo@house.example', role }
  useSession().house = { company: { timeZone: 'Europe/Dublin' } } as never // the rest is not asked
  return mount(FileLinks, {
    props: { documentId: 9, links: [{ ...link, ...change }] },
    global: { plugins: [pinia], stubs: openDialogs },
  })
}

test('says whether anybody opened it, and until when it is good', () => {
  expect(shown({}).text()).toContain('not opened yet')
  const opened = shown({ opened: 3, lastOpenedAt: '2026-11-29T10:00:00Z' }).text()
  expect(opened).toContain('opened 3 times')
  expect(opened).toContain('29')
})

test('with a limit says how much of it is used', () => {
  const used = { lastOpenedAt: '2026-11-29T10:00:00Z', mostOpened: 3 }
  expect(shown({ ...used, opened: 2 }).text()).toContain('opened 2 of 3 times')
  expect(shown({ ...used, opened: 3 }).text()).toContain('used up')
})

test('is ended after a question, and kept open without one', async () => {
  const page = shown({})
  await page.get('[data-test="lengthen-link"]').trigger('click')
  await flushPromises()
  expect(calls.changeLinks).toHaveBeenLastCalledWith(9, { links: [3], act: 'lengthen' })
  await page.get('[data-test="end-link"]').trigger('click')
  expect(calls.changeLinks).toHaveBeenCalledTimes(1)
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.changeLinks).toHaveBeenLastCalledWith(9, { links: [3], act: 'end' })
})

test('one that was ended says by whom, and has nothing more to press', () => {
  const page = shown({ ended: { at: '2026-11-29T10:00:00Z', by: 'Col Varley' } })
  expect(page.text()).toContain('by Col Varley')
  expect(page.find('button').exists()).toBe(false)
})

test('who may only look has nothing to press', () =>
  expect(shown({}, 'reader').find('[data-test="end-link"]').exists()).toBe(false))
