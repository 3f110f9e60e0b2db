import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import { reactive } from 'vue'
import OrderMore from './OrderMore.vue'
import type { OrderMore as More } from './order-form'
import type { BranchView, CustomerView } from '../../contract'
import { signedIn } from '../../testing/signed-in'

const store = { name: 'Weir Store', lines: ['Weir Road 2', 'Marlbridge'], country: 'IE' }
const customer = {
  name: 'Ottermill Honey',
  country: 'IE',
  addresses: [
    { id: 31, purpose: 'delivery', label: 'Weir Store', address: store },
    { id: 32, purpose: 'billing', label: 'Head office', address: { ...store, name: 'Ottermill Group' } },
  ],
} as unknown as CustomerView // the rest is not asked
const branch = (id: number, closed = false) => ({ id, name: `Branch ${id}`, closed }) as unknown as BranchView

function shown(change: Partial<More> = {}, props: { customer?: CustomerView; branches?: BranchView[] } = {}) {
  const more = reactive<More>({
    adjustments: [],
    billToId: null,
    delivery: null,
    internalNote: '',
    branchId: null,
    ...change,
  })
  const page = mount(OrderMore, {
    props: { modelValue: more, customer, disabled: false, ...props },
    global: { plugins: [signedIn()] },
  })
  const field = (name: string) =>
    page.findAllComponents({ name: 'SelectField' }).find((one) => one.vm.$attrs['data-test'] === name)
  const pick = async (name: string, value: string) => {
    field(name)!.vm.$emit('update:modelValue', value)
    await page.vm.$nextTick()
  }
  const words = (name: string) =>
    (field(name)!.props('choices') as { words: string }[]).map((one) => one.words)
  return { more, page, field, pick, words }
}

describe('where the goods of an order go', () => {
  test('is the address that is billed, one of the customer’s, or another that is written here', async () => {
    const { more, page, pick, words } = shown()
    expect(words('deliver-to')).toContain('Weir Store')
    expect(words('deliver-to')).not.toContain('Head office')
    await pick('deliver-to', '31')
    expect(more.delivery).toEqual(store)
    expect(page.text()).toContain('Weir Road 2, Marlbridge, Ireland')
    await pick('deliver-to', 'other')
    expect(more.delivery).toMatchObject({ name: 'Ottermill Honey', lines: [''] })
    await page.get('[data-test="delivery-lines"] textarea').setValue('Quay 1\n  Ballynore ')
    expect(more.delivery!.lines).toEqual(['Quay 1', 'Ballynore'])
    await pick('deliver-to', 'own')
    expect(more.delivery).toBeNull()
  })

  test('one of the customer’s is a copy: what is written at the order stays at the order', async () => {
    const { more, pick } = shown()
    await pick('deliver-to', '31')
    more.delivery!.lines[0] = 'Elsewhere'
    expect(store.lines[0]).toBe('Weir Road 2')
  })

  test('one that the customer has no more is shown as another', () => {
    const gone = { ...store, lines: ['Old Road 9'] }
    expect(shown({ delivery: gone }).field('deliver-to')!.props('modelValue')).toBe('other')
  })
})

describe('who is billed, and where it is sold from', () => {
  test('is only asked where there is something to choose', () => {
    expect(shown().field('sold-from')).toBeUndefined()
    const alone = { ...customer, addresses: [] } as CustomerView
    expect(shown({}, { customer: alone }).field('bill-to')).toBeUndefined()
  })

  test('is one of the customer’s billing addresses, or its own', async () => {
    const { more, pick } = shown()
    await pick('bill-to', '32')
    expect(more.billToId).toBe(32)
    await pick('bill-to', 'own')
    expect(more.billToId).toBeNull()
  })

  test('a branch that was closed is not offered, and stays where it stands', () => {
    const branches = [branch(1), branch(2, true)]
    expect(shown({}, { branches }).words('sold-from')).not.toContain('Branch 2')
    expect(shown({ branchId: 2 }, { branches }).words('sold-from')).toContain('Branch 2')
  })
})
