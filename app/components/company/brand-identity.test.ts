import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import BrandIdentity from './BrandIdentity.vue'
import Ask from '../frame/Ask.vue'
import { ApiRefusal } from '../../composables/api'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { BrandView } from '../../contract'

const calls = vi.hoisted(() => ({ changeBrand: vi.fn() }))
vi.mock('../../calls/brands', () => calls)

const brand = (change: object = {}) =>
  ({
    id: 1,
    code: 'TH',
    name: 'Tansy Hollow',
    legalName: 'Tansy Hollow Ltd',
    addressLines: ['Unit 3, Quarry Lane', 'Ballynore'],
    country: 'IE',
    phone: '',
    email: '',
    website: '',
    registration: 'Tansy Hollow Ltd, Ballynore 4711',
    taxNumber: 'IE1',
    withoutTaxNumber: {},
    banks: [],
    senderName: 'Tansy Hollow',
    senderAddress: 'accounts@tansyhollow.example',
    replyTo: '',
    pricesIncludeTax: false,
    methods: [],
    version: 4,
    ...change,
  }) as unknown as BrandView // the rest is not asked
function shown(role: 'supervisor' | 'clerk' = 'supervisor') {
  const page = mount(BrandIdentity, {
    props: { brand: brand() },
    global: { plugins: [signedIn(role)], stubs: { ...openDialogs, BankFields: true, BanksChanged: true } },
  })
  const labelled = (label: string) =>
    page.findAllComponents({ name: 'FormField' }).find((one) => one.props('label') === label)!
  const write = async (label: string, text: string) => {
    labelled(label).vm.$emit('update:modelValue', text)
    await flushPromises()
  }
  const save = async () => {
    await page
      .findAll('.foot-bar button')
      .find((one) => one.text() === 'Save')!
      .trigger('click')
    await flushPromises()
  }
  return { page, labelled, write, save }
}
beforeEach(() => calls.changeBrand.mockReset().mockResolvedValue({}))

describe('who a brand is', () => {
  test('is kept with its address in lines, over the version that was read', async () => {
    const { page, write, save } = shown()
    await write('Address', ' Quay 1 \n\n Marlbridge')
    await save()
    expect(calls.changeBrand.mock.calls[0]![0]).toBe(1)
    expect(calls.changeBrand.mock.calls[0]![1]).toMatchObject({
      version: 4,
      addressLines: ['Quay 1', 'Marlbridge'],
    })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('a new name asks after the sender and the registration, which carry the old one', async () => {
    const { page, write, save } = shown()
    await write('Name', 'Tansy & Skep')
    await save()
    expect(calls.changeBrand).not.toHaveBeenCalled()
    await page.getComponent(Ask).vm.$emit('go')
    await flushPromises()
    expect(calls.changeBrand.mock.calls[0]![1]).toMatchObject({
      name: 'Tansy & Skep',
      senderName: 'Tansy & Skep',
      registration: 'Tansy & Skep Ltd, Ballynore 4711',
    })
  })

  test('what is wrong is said at its field, the address by its own name', async () => {
    calls.changeBrand.mockRejectedValueOnce(
      new ApiRefusal('bad-input', 'An address has a street and a town.', 400, { field: 'addressLines' }),
    )
    const { page, labelled, write, save } = shown()
    await write('Address', 'Quay 1')
    await save()
    expect(labelled('Address').props('wrong')).toBe('An address has a street and a town.')
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('without a VAT number somebody says what invoices say instead, in each language', async () => {
    const { page, write } = shown()
    const before = page.findAllComponents({ name: 'FormField' }).length
    await write('VAT number', ' ')
    expect(page.findAllComponents({ name: 'FormField' })).toHaveLength(before + 3)
  })

  test('is only looked at by who may not change it', () => {
    const { page, labelled } = shown('clerk')
    expect(labelled('Name').props('disabled')).toBe(true)
    expect(page.find('.foot-bar').exists()).toBe(false)
  })
})
