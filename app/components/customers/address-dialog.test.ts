import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import AddressDialog from './AddressDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { CustomerView } from '../../contract'

const calls = vi.hoisted(() => ({
  changeAddresses: vi.fn(),
  changeCustomer: vi.fn(),
  fetchCustomer: vi.fn(),
}))
vi.mock('../../calls/customers', () => calls)

const weir = {
  id: 31,
  purpose: 'billing',
  label: 'Head office',
  address: { name: 'Ottermill Group', attention: '', lines: ['Weir Road 2'], country: 'IE' },
  mail: { to: ['group@ottermill.example'] },
}
const depot = { ...weir, id: 32, purpose: 'delivery', label: 'Depot', mail: {} }
const customer = (change: object = {}) =>
  ({
    id: 7,
    version: 4,
    name: 'Ottermill Honey',
    country: 'IE',
    billing: { name: 'Ottermill Honey', attention: 'Nuala', lines: ['Quay 1', 'Marlbridge'], country: 'IE' },
    billingMail: { cc: ['boss@ottermill.example'] },
    addresses: [weir, depot],
    ...change,
  }) as unknown as CustomerView // the rest is not asked
function shown(which: 'postal' | 'new' | number, of = customer()) {
  return mount(AddressDialog, {
    props: { customer: of, which },
    global: { plugins: [signedIn()], stubs: openDialogs },
  })
}
type Page = ReturnType<typeof shown>
const input = (page: Page, name: string) =>
  page.get<HTMLInputElement>(`[data-test="${name}"] input, [data-test="${name}"] textarea:not([aria-hidden])`)
const press = async (page: Page) => {
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
}
beforeEach(() => {
  calls.changeAddresses.mockReset().mockResolvedValue({})
  calls.changeCustomer.mockReset().mockResolvedValue({})
  calls.fetchCustomer.mockReset()
})

describe('an address of a customer', () => {
  test('the postal one is kept without empty lines, with whom its emails go to', async () => {
    const page = shown('postal')
    expect(input(page, 'address-cc').element.value).toBe('boss@ottermill.example')
    await input(page, 'address-lines').setValue(' Quay 2 \n\nMarlbridge')
    await input(page, 'address-to').setValue('a@ottermill.example, b@ottermill.example')
    await press(page)
    expect(calls.changeCustomer).toHaveBeenCalledWith(7, {
      version: 4,
      billing: expect.objectContaining({ lines: ['Quay 2', 'Marlbridge'], attention: 'Nuala' }),
      billingMail: { to: ['a@ottermill.example', 'b@ottermill.example'], cc: ['boss@ottermill.example'] },
    })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('a new one to deliver to comes beside the others, and has no recipients of its own', async () => {
    const page = shown('new')
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    expect(page.find('[data-test="address-to"]').exists()).toBe(false)
    await input(page, 'address-label').setValue('North')
    await input(page, 'address-lines').setValue('Hill 3')
    await press(page)
    const { addresses, version } = calls.changeAddresses.mock.calls[0]![1]
    expect(version).toBe(4)
    expect(addresses.map(({ id, label }: typeof weir) => [id, label])).toEqual([
      [31, 'Head office'],
      [32, 'Depot'],
      [null, 'North'],
    ])
    expect(addresses[2].mail).toEqual({})
  })

  test('one that is changed keeps its place and its recipients', async () => {
    const page = shown(31)
    await input(page, 'address-lines').setValue('Weir Road 5')
    await press(page)
    const { addresses } = calls.changeAddresses.mock.calls[0]![1]
    expect(addresses.map(({ id }: typeof weir) => id)).toEqual([31, 32])
    expect(addresses[0]).toMatchObject({ address: { lines: ['Weir Road 5'] }, mail: weir.mail })
  })

  test('one is deleted, the others stay', async () => {
    const page = shown(32)
    await page.get('[data-test="drop-address"]').trigger('click')
    await flushPromises()
    expect(calls.changeAddresses.mock.calls[0]![1].addresses.map(({ id }: typeof weir) => id)).toEqual([31])
  })

  test('what is wrong is said at its field, and nothing is called saved', async () => {
    calls.changeCustomer.mockRejectedValueOnce(
      new ApiRefusal('bad-input', 'That is no address.', 400, { field: 'billingMail.to.0' }),
    )
    const page = shown('postal')
    await input(page, 'address-to').setValue('nobody')
    await press(page)
    expect(page.get('[data-test="address-to"]').text()).toContain('That is no address.')
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('what somebody else wrote meanwhile stands beside mine, and I choose', async () => {
    calls.changeCustomer.mockRejectedValueOnce(
      new ApiRefusal('changed-meanwhile', 'Mara changed it.', 409, {}),
    )
    const theirs = customer({ version: 5 })
    calls.fetchCustomer.mockResolvedValue({
      ...theirs,
      billing: { ...theirs.billing, lines: ['Quay 9', 'Marlbridge'] },
    })
    const page = shown('postal')
    await input(page, 'address-lines').setValue('Quay 2\nMarlbridge')
    await press(page)
    expect(page.text()).toContain('Quay 9')
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    expect(page.emitted('kept')).toBeUndefined()
  })
})
