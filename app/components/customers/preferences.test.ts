import { told } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import ContactsDialog from './ContactsDialog.vue'
import ManyPreferences from './ManyPreferences.vue'
import DeliveryTable from './DeliveryTable.vue'
import { useSession } from '../../stores/session'
import WordPicker from '../list/WordPicker.vue'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { CustomerRow, CustomerView } from '../../contract'

const calls = vi.hoisted(() => ({
  fetchCustomer: vi.fn(),
  changeContacts: vi.fn(async (_id: number, _: object) => ({})),
  changePreferences: vi.fn(),
  bringPreferencesBack: vi.fn(async (_: object) => ({})),
}))
vi.mock('../../calls/customers', () => calls)
const pinia = createPinia()
const global = { plugins: [pinia], stubs: openDialogs }
beforeEach(() => {
  setActivePinia(pinia)
  vi.clearAllMocks()
  useSession().house = { company: { contactRoles: ['buying', 'billing', 'goods-in'] }, variants: [] } as never
})

const view = (change: object = {}) =>
  ({
    id: 7,
    name: 'Ottermill Honey',
    version: 3,
    contacts: [{ name: 'Accounts', email: 'accounts@ottermill.example', role: 'billing' }],
    preferences: {},
    ways: [{ kind: 'invoice', to: 'accounts@ottermill.example', problem: null }],
    ...change,
  }) as unknown as CustomerView // what a sentence does not say is left out
type Page = ReturnType<typeof mount>
const picker = (page: Page, label: string) =>
  page.findAllComponents(WordPicker).find((one) => one.props('label') === label)!
const pick = async (page: Page, label: string, value: string) => {
  picker(page, label).vm.$emit('pick', value)
  await flushPromises()
}

describe('how kinds of document go to a customer', () => {
  const beneath = [
    { level: 'the company', preferences: { invoice: { channel: 'both' } } },
    { level: 'the group Schools', preferences: { invoice: { gathered: true } } },
  ] as const
  const table = (change: object = {}, may = true, over: readonly object[] = []) =>
    mount(DeliveryTable, {
      props: {
        own: {},
        level: 'this customer',
        beneath: over as never,
        ways: [
          { kind: 'invoice', wish: told('wish/email'), to: 'accounts@ottermill.example', problem: null },
        ],
        may,
        ...change,
      },
      global,
    })
  const row = (page: Page) => page.get('[data-test="wish-invoice"]').text()
  const change = (page: Page) => page.get('[data-test="change-invoice"]').trigger('click')
  const keep = (page: Page) => page.get('[data-test="ask-go"]').trigger('click')
  const select = async (page: Page, name: string, value: string) => {
    ;(page.getComponent(`[data-test="${name}"]`) as unknown as Page).vm.$emit('update:modelValue', value)
    await flushPromises()
  }

  test('are rows that compare: how, to whom, and who says so', () => {
    expect(row(table())).toMatch(/Invoices.*by email.*the billing contact.*accounts@ottermill/)
    expect(row(table({}, true, beneath))).toMatch(
      /the group Schools.*by email and on paper to the billing contact, one email a Send/,
    )
    expect(row(table({ own: { invoice: { channel: 'paper' } } }, true, beneath))).toMatch(
      /this customer.*on paper/,
    )
  })

  test('a change says only what differs, and what is chosen as beneath is not said', async () => {
    const page = table({ own: { invoice: { channel: 'paper', to: 'buying' } } }, true, beneath)
    await change(page)
    await select(page, 'wish-channel', 'email')
    await select(page, 'wish-to', '')
    await keep(page)
    expect(page.emitted('change')).toEqual([['invoice', { channel: 'email' }]])
  })

  test('an address that is none is said at its field, and nothing is saved', async () => {
    const page = table()
    await change(page)
    await page.get('[data-test="wish-cc"] input').setValue('office@')
    await keep(page)
    expect(page.text()).toContain('“office@” is not an email address.')
    expect(page.emitted('change')).toBeUndefined()
  })

  test('one that cannot be made says the remedy where it is missing', async () => {
    const page = table({
      ways: [{ kind: 'invoice', to: '', wish: told('wish/email'), problem: told('way/no-postal-address') }],
    })
    expect(page.get('[role="status"]').text()).toContain(
      'Without a postal address an invoice cannot be made.',
    )
    await page.get('[role="status"] button').trigger('click')
    expect(page.emitted('address')).toHaveLength(1)
  })

  test('one that has nobody to go to asks for a contact', async () => {
    const page = table({
      ways: [
        {
          kind: 'invoice',
          to: '',
          wish: told('wish/email'),
          problem: told('way/no-contact', { role: 'billing' }),
        },
      ],
    })
    await page.get('[role="status"] button').trigger('click')
    expect([page.emitted('contacts')?.length, page.emitted('address')]).toEqual([1, undefined])
  })

  test('they are read, and not changed, by who may only read', () => {
    const page = table({}, false)
    expect(page.findAll('button')).toHaveLength(0)
  })
})

describe('the contacts of a customer', () => {
  const dialog = async (of = view()) => {
    calls.fetchCustomer.mockResolvedValue(of)
    const page = mount(ContactsDialog, { props: { customerId: 7, modelValue: true }, global })
    await flushPromises()
    return page
  }
  const keep = async (page: Page) => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }

  test('of one who has none begin with an empty line to write in', async () => {
    const page = await dialog(view({ contacts: [] }))
    expect(page.findAll('[data-test^="contact-email"]')).toHaveLength(1)
  })

  test('are saved whole, from the version that was on the screen', async () => {
    const page = await dialog()
    await page.get('.open-end').trigger('click')
    await page.get('[data-test="contact-email-2"] input').setValue('buying@ottermill.example')
    await keep(page)
    expect(calls.changeContacts).toHaveBeenCalledWith(7, {
      version: 3,
      contacts: [
        { name: 'Accounts', email: 'accounts@ottermill.example', role: 'billing' },
        { name: '', email: 'buying@ottermill.example', role: 'billing' },
      ],
    })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('that were refused stay as they are written, with the reason', async () => {
    const page = await dialog()
    calls.changeContacts.mockRejectedValueOnce(new Error('“a b” is not an email address.'))
    await page.get('[data-test="contact-email-1"] input').setValue('a b')
    await keep(page)
    expect(page.get('.notice[role="alert"]').text()).toBe('“a b” is not an email address.')
    expect(page.get<HTMLInputElement>('[data-test="contact-email-1"] input').element.value).toBe('a b')
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('can be taken away one by one, and what was loaded is not written into', async () => {
    const of = view()
    const page = await dialog(of)
    await page.get('.remove').trigger('click')
    expect(page.findAll('[data-test^="contact-email"]')).toHaveLength(0)
    expect(of.contacts).toHaveLength(1)
  })
})

describe('preferences of many customers', () => {
  const customers = [{ id: 1 }, { id: 2 }, { id: 3 }] as CustomerRow[]
  const dialog = () =>
    mount(ManyPreferences, {
      props: { customers, kinds: [{ value: 'invoice', words: 'Invoices' }], modelValue: true },
      global,
    })
  const go = (page: Page) => page.get('[data-test="ask-go"]')
  const press = async (page: Page) => {
    await go(page).trigger('click')
    await flushPromises()
  }
  const asked = () => calls.changePreferences.mock.calls.at(-1)![0] as object

  test('stay as each has them, word by word, until a word is chosen', async () => {
    const page = dialog()
    expect(go(page).attributes('disabled')).toBeDefined()
    await pick(page, 'Way', 'paper')
    expect([go(page).attributes('disabled'), go(page).text()]).toEqual([undefined, 'Set 3'])
  })

  test('are sent as only what was chosen; “as the house usually does” takes an own wish away', async () => {
    calls.changePreferences.mockResolvedValue({ set: 3, skipped: [], before: [] })
    const page = dialog()
    await pick(page, 'Way', 'usual')
    await pick(page, 'Gathered', 'true')
    await pick(page, 'Language', 'de')
    await press(page)
    expect(asked()).toEqual({
      ids: [1, 2, 3],
      kind: 'invoice',
      preference: { channel: null, gathered: true },
      language: 'de',
    })
  })

  test('with copies to these addresses need the addresses', async () => {
    calls.changePreferences.mockResolvedValue({ set: 3, skipped: [], before: [] })
    const page = dialog()
    await pick(page, 'Copies', 'these')
    expect(go(page).attributes('disabled')).toBeDefined()
    await page.get('.form-field input').setValue('a@house.example, b@house.example;c@house.example')
    await press(page)
    expect(asked()).toMatchObject({
      preference: { cc: ['a@house.example', 'b@house.example', 'c@house.example'] },
    })
  })

  test('name who was skipped and why, and stay open until that was read', async () => {
    calls.changePreferences.mockResolvedValue({
      set: 2,
      skipped: [{ id: 3, name: 'Gorsefield Estate', reason: told('way/no-postal-address') }],
      before: [{ id: 1 }],
    })
    const page = dialog()
    await pick(page, 'Way', 'paper')
    await press(page)
    expect(page.text()).toContain('Gorsefield Estate: no postal address')
    expect(go(page).text()).toBe('Close')
    await press(page)
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([false])
    expect(calls.changePreferences).toHaveBeenCalledTimes(1)
  })

  test('come back as each had them', async () => {
    calls.changePreferences.mockResolvedValue({ set: 1, skipped: [], before: [{ id: 1, preferences: {} }] })
    const page = dialog()
    await pick(page, 'Way', 'paper')
    await press(page)
    const said = useToasts().toasts.at(-1)!
    expect(said.words).toBe('1 customer set, 0 skipped.')
    await said.undo!()
    expect(calls.bringPreferencesBack).toHaveBeenCalledWith({ before: [{ id: 1, preferences: {} }] })
  })
})
