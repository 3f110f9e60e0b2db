import { asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import RecipientsDialog from './RecipientsDialog.vue'
import SecondLook from './SecondLook.vue'
import { useSession } from '../../stores/session'
import { openDialogs } from '../../testing/dialog'
import type { PreparedView } from '../../contract'

const calls = vi.hoisted(() => ({
  askSecond: vi.fn(async (_body: unknown) => ({ asked: 1 })),
  chooseRecipients: vi.fn(async (_id: number, _body: unknown) => ({ ok: true })),
}))
vi.mock('../../calls/prepared', () => calls)

const asked = (id: number) => ({ id, name: 'Maeve Tarrant', at: '2026-11-29T03:00:00Z' })
function shown(change: Partial<PreparedView>) {
  const pinia = createPinia()
  setActivePinia(pinia)
  useSession().user = { id: 1, name: 'Bo', email: 'bo@house.example', role: 'clerk' }
  useSession().house = { company: { currency: 'EUR', timeZone: 'Europe/Dublin' } } as never // the rest is not asked
  const view = {
    id: 7,
    revision: 3,
    secondLook: asWritten('It is over 5,000.00 EUR.'),
    asked: null,
    ...change,
  } as PreparedView
  return mount(SecondLook, { props: { view, kept: async () => {} }, global: { plugins: [pinia] } })
}

test('says why, and asks for somebody else as it was looked at', async () => {
  const page = shown({})
  expect(page.text()).toContain('over 5,000.00 EUR')
  await page.get('[data-test="ask-second"]').trigger('click')
  await flushPromises()
  expect(calls.askSecond).toHaveBeenCalledWith({ papers: [{ id: 7, revision: 3 }], back: false })
})

test('tells who asked that another one sends it, and another one that it is theirs', () => {
  expect(shown({ asked: asked(1) }).text()).toContain('somebody else has to send it')
  expect(shown({ asked: asked(2) }).text()).toContain('Maeve Tarrant asked for one')
})

test('the customer’s people are chosen by name, and left out again', async () => {
  const people = [
    { name: 'Nuala Fennimore', email: 'accounts@ottermill.example', role: 'billing' },
    { name: 'Piers Hanrick', email: 'stores@ottermill.example', role: 'buying' },
    { name: 'No Address', email: '', role: 'anyone' },
  ]
  const page = mount(RecipientsDialog, {
    props: {
      modelValue: true,
      preparedId: 7,
      addresses: ['accounts@ottermill.example'],
      people,
      thisOnce: false,
      kept: async () => {},
    } as never,
    global: { stubs: openDialogs },
  })
  const [nuala, piers, ...others] = page.findAll('[data-test="people"] button')
  expect(others).toEqual([])
  await piers!.trigger('click')
  await nuala!.trigger('click')
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  expect(calls.chooseRecipients).toHaveBeenCalledWith(7, { addresses: ['stores@ottermill.example'] })
})
