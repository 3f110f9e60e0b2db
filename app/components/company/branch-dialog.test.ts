import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import BranchDialog from './BranchDialog.vue'
import OrderMore from '../orders/OrderMore.vue'
import { ApiRefusal } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { BranchView, BrandView } from '../../contract'

/* A place that a brand sells from, and where an order chooses it. */
const calls = vi.hoisted(() => ({ fetchBranches: vi.fn(), addBranch: vi.fn(), changeBranch: vi.fn() }))
vi.mock('../../calls/branches', () => calls)
const pinia = createPinia()
const global = { plugins: [pinia], stubs: openDialogs }
const brand = { id: 2, name: 'Tansy Hollow', country: 'IE', phone: '', email: '' } as BrandView
const quay = (change: Partial<BranchView> = {}): BranchView => ({
  id: 5,
  brandId: 2,
  name: 'Quay shop',
  addressLines: ['7 Salt Quay', 'Port Ardal'],
  country: 'IE',
  phone: '',
  email: '',
  banks: [],
  closed: false,
  version: 3,
  ...change,
})
beforeEach(() => {
  setActivePinia(pinia)
  useToasts().forget()
  useSession().house = { company: { taxRates: { standard: '23' } }, brands: [], ownFields: [] } as never
  for (const call of Object.values(calls)) call.mockReset()
})
function dialog(branch?: BranchView) {
  const page = mount(BranchDialog, { props: { brand, branch }, global })
  const save = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, save }
}

describe('a branch', () => {
  test('is written with its address line by line, in the country of its brand', async () => {
    calls.addBranch.mockResolvedValue({ id: 1 })
    const { page, save } = dialog()
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    await page.get('[data-test="branch-name"] input').setValue('Quay shop')
    await page.get('[data-test="branch-address"] textarea').setValue(' 7 Salt Quay \n\nPort Ardal\n')
    await save()
    expect(calls.addBranch.mock.calls[0]![0]).toMatchObject({
      brandId: 2,
      name: 'Quay shop',
      addressLines: ['7 Salt Quay', 'Port Ardal'],
      country: 'Ireland',
      banks: [],
      closed: false,
    })
    expect(page.text()).toContain('Its documents are paid to the accounts of Tansy Hollow.')
  })

  test('with a wrong IBAN says so at that account, and is not called saved', async () => {
    const words = 'The check digits do not fit.'
    calls.changeBranch.mockRejectedValue(new ApiRefusal('bad-iban', words, 400, { field: 'banks.0.iban' }))
    const { page, save } = dialog(
      quay({ banks: [{ name: 'Quay Bank', iban: 'IE00', bic: '', currency: '' }] }),
    )
    await save()
    expect(page.text()).toContain(words)
    expect(useToasts().toasts).toEqual([])
  })

  test('that somebody closed meanwhile stands beside mine', async () => {
    calls.changeBranch.mockRejectedValueOnce(new ApiRefusal('changed-meanwhile', 'Changed.', 409, {}))
    calls.fetchBranches.mockResolvedValue({ branches: [quay({ closed: true, version: 4 })] })
    const { page, save } = dialog(quay())
    await save()
    expect(page.get('[data-test="meanwhile"]').text()).toMatch(/Closed.*yes.*no/s)
    await page.get('[data-test="keep-mine"]').trigger('click')
    calls.changeBranch.mockResolvedValueOnce({ id: 5 })
    await save()
    expect(calls.changeBranch).toHaveBeenLastCalledWith(
      5,
      expect.objectContaining({ version: 4, closed: false }),
    )
  })
})

describe('an order', () => {
  const more = { adjustments: [], billToId: null, delivery: null, internalNote: '', branchId: null }
  const soldFrom = (branches: BranchView[], branchId: number | null = null) => {
    const page = mount(OrderMore, {
      props: { modelValue: { ...more, branchId }, customer: undefined, branches, disabled: false },
      global,
    })
    return page.findAllComponents({ name: 'SelectField' }).find((one) => one.props('label') === 'Sold from')
  }
  const offered = (field: ReturnType<typeof soldFrom>) =>
    (field!.props('choices') as { words: string }[]).map(({ words }) => words)

  test('of a brand with one address asks nothing', () => {
    expect(soldFrom([])).toBeUndefined()
    expect(soldFrom([quay({ closed: true })])).toBeUndefined()
  })

  test('offers what is open, and the closed one that it is sold from already', () => {
    const all = [
      quay(),
      quay({ id: 6, name: 'Hill', closed: true }),
      quay({ id: 7, name: 'Mill', closed: true }),
    ]
    expect(offered(soldFrom(all))).toEqual(['the brand’s own address', 'Quay shop'])
    expect(offered(soldFrom(all, 6))).toEqual(['the brand’s own address', 'Quay shop', 'Hill'])
  })
})
