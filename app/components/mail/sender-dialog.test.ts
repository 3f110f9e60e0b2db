import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import SenderDialog from './SenderDialog.vue'
import SendersList from './SendersList.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { BrandView, SenderView } from '../../contract'

/* Who emails come from: what is written is what is saved, and what is left empty stays with the brand. */
const calls = vi.hoisted(() => ({
  fetchSenders: vi.fn(),
  addSender: vi.fn(),
  changeSender: vi.fn(),
  dropSender: vi.fn(),
}))
vi.mock('../../calls/senders', () => calls)
vi.mock('../../calls/routines', () => ({
  fetchRoutines: () => Promise.resolve([{ id: 4, name: 'Invoice when shipped' }]),
}))
vi.mock('../../calls/mail-accounts', () => ({
  fetchMailAccounts: () => Promise.resolve([{ id: 9, name: 'Books' }]),
}))
vi.mock('../../composables/useLive', () => ({ useLive: () => {} }))
const pinia = createPinia()
const global = { plugins: [pinia], stubs: openDialogs }
const brand = {
  id: 2,
  name: 'Tansy Hollow',
  senderName: 'Tansy Hollow Accounts',
  senderAddress: 'accounts@tansyhollow.example',
  replyTo: 'answers@tansyhollow.example',
} as BrandView
const sender = (change: Partial<SenderView> = {}): SenderView => ({
  id: 5,
  brandId: 2,
  kind: 'invoice',
  routineId: null,
  routineName: null,
  name: 'Books',
  namesPerson: false,
  address: '',
  answersTo: 'brand',
  replyTo: '',
  mailAccountId: null,
  mailAccountName: null,
  version: 3,
  ...change,
})
beforeEach(() => {
  setActivePinia(pinia)
  useToasts().forget()
  useSession().user = { id: 1, name: 'Maeve', email: 'm@tansyhollow.example', role: 'supervisor' }
  for (const call of Object.values(calls)) call.mockReset()
})
async function dialog(given?: SenderView) {
  const page = mount(SenderDialog, { props: { brand, sender: given }, global })
  await flushPromises()
  const select = (label: string) =>
    page.findAllComponents({ name: 'SelectField' }).find((one) => one.props('label') === label)!
  const save = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, select, save }
}

describe('a sender', () => {
  test('of a kind leaves to the brand what is empty', async () => {
    calls.addSender.mockResolvedValue({ id: 1 })
    const { page, save } = await dialog()
    await page.get('[data-test="sender-name"] input').setValue('Books')
    await save()
    expect(calls.addSender).toHaveBeenCalledWith({
      brandId: 2,
      kind: 'invoice',
      routineId: null,
      name: 'Books',
      namesPerson: false,
      address: '',
      answersTo: 'brand',
      replyTo: '',
      mailAccountId: null,
    })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('of a routine, with its account, and answers to an address that is asked for only then', async () => {
    calls.addSender.mockResolvedValue({ id: 1 })
    const { page, select, save } = await dialog()
    expect(page.find('[data-test="answer-address"]').exists()).toBe(false)
    select('Of which emails').vm.$emit('update:modelValue', 'routine 4')
    select('Answers go to').vm.$emit('update:modelValue', 'address')
    select('Sent through the mail account').vm.$emit('update:modelValue', '9')
    await flushPromises()
    await page.get('[data-test="answer-address"] input').setValue('desk@tansyhollow.example')
    await save()
    expect(calls.addSender.mock.calls[0]![0]).toMatchObject({
      kind: null,
      routineId: 4,
      answersTo: 'address',
      replyTo: 'desk@tansyhollow.example',
      mailAccountId: 9,
    })
  })

  test('that is refused says so at its field, and stays open', async () => {
    const words = '“books@” is not an email address.'
    calls.addSender.mockRejectedValue(new ApiRefusal('bad-address', words, 400, { field: 'address' }))
    const { page, save } = await dialog()
    await save()
    expect(page.get('[data-test="sender-address"]').text() + page.text()).toContain(words)
    expect([page.emitted('leave'), useToasts().toasts.length]).toEqual([undefined, 0])
  })

  test('that is deleted says whom its emails come from again', async () => {
    calls.dropSender.mockResolvedValue({})
    const { page } = await dialog(sender())
    await page.get('[data-test="drop-sender"]').trigger('click')
    await flushPromises()
    expect(calls.dropSender).toHaveBeenCalledWith(5)
    expect(useToasts().toasts[0]!.words).toContain('Tansy Hollow Accounts')
  })
})

test('the list says of each whose emails, from whom, where answers go and through which account', async () => {
  calls.fetchSenders.mockResolvedValue({
    senders: [
      sender({ address: 'books@tansyhollow.example' }),
      sender({
        id: 6,
        kind: null,
        routineId: 4,
        routineName: 'Invoice when shipped',
        answersTo: 'salesperson',
      }),
      sender({ id: 7, kind: 'credit note', name: '', namesPerson: true, mailAccountName: 'Books' }),
      sender({ id: 8, brandId: 3, name: 'Of another brand' }),
    ],
  })
  const page = mount(SendersList, { props: { brand }, global })
  await flushPromises()
  const rows = page.findAll('li').map((row) => row.text().replace(/\s+/g, ' '))
  expect(rows).toHaveLength(3)
  expect(rows[0]).toContain('All invoices')
  expect(rows[0]).toContain('from Books <books@tansyhollow.example>')
  expect(rows[0]).toContain('answers go to answers@tansyhollow.example')
  expect(rows[1]).toContain('What “Invoice when shipped” makes')
  expect(rows[1]).toContain('answers go to the salesperson')
  expect(rows[2]).toContain('from whoever sends it, Tansy Hollow Accounts')
  expect(rows[2]).toContain('through Books')
})
