import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import CompanyTax from './CompanyTax.vue'
import { signedIn } from '../../testing/signed-in'
import type { TaxCodeRow } from '../../contract'

const calls = vi.hoisted(() => ({ fetchTaxCodes: vi.fn(), keepTaxCode: vi.fn() }))
const live = vi.hoisted(() => ({ told: () => {} }))
vi.mock('../../calls/tax-codes', () => calls)
vi.mock('../../composables/useLive', () => ({
  useLive: (_topics: string[], told: () => void) => {
    live.told = told
  },
}))

const code = (name: string, change: Partial<TaxCodeRow> = {}): TaxCodeRow => ({
  code: name,
  category: 'S',
  names: { en: 'VAT' },
  reasons: {},
  rates: [{ from: '2026-01-01', percent: '23' }],
  version: 1,
  ...change,
})
async function shown(role: 'supervisor' | 'clerk' = 'supervisor') {
  const page = mount(CompanyTax, { global: { plugins: [signedIn(role)] } })
  await flushPromises()
  const percent = (place: number) => page.findAll<HTMLInputElement>('.percent input')[place]!
  const save = async () => {
    await page.get('[data-test="save-tax"]').trigger('click')
    await flushPromises()
  }
  return { page, percent, save }
}
beforeEach(() => {
  calls.fetchTaxCodes.mockReset().mockResolvedValue({ rows: [code('standard'), code('reduced')] })
  calls.keepTaxCode.mockReset().mockResolvedValue({})
})

describe('tax codes', () => {
  test('only what was changed is saved, and is told by a mark until then', async () => {
    const { page, percent, save } = await shown()
    expect(page.get('[data-test="save-tax"]').attributes('disabled')).toBeDefined()
    await percent(1).setValue('13.5')
    expect(page.findAll('[data-test="tax-code"]')[1]!.find('.tag.wait').exists()).toBe(true)
    expect(page.findAll('[data-test="tax-code"]')[0]!.find('.tag.wait').exists()).toBe(false)
    await save()
    expect(calls.keepTaxCode).toHaveBeenCalledTimes(1)
    expect(calls.keepTaxCode.mock.calls[0]![0]).toMatchObject({ code: 'reduced' })
  })

  test('what is written outlives what somebody else saved beside it', async () => {
    const { percent } = await shown()
    await percent(1).setValue('9')
    calls.fetchTaxCodes.mockResolvedValue({
      rows: [
        code('standard', { rates: [{ from: '2026-01-01', percent: '24' }], version: 2 }),
        code('reduced'),
      ],
    })
    live.told()
    await flushPromises()
    expect([percent(0).element.value, percent(1).element.value]).toEqual(['24', '9'])
  })

  test('one that is refused says why; those before it are saved, and not once more', async () => {
    calls.keepTaxCode.mockResolvedValueOnce({}).mockRejectedValueOnce(new Error('Its rate is no percentage.'))
    const { page, percent, save } = await shown()
    await percent(0).setValue('24')
    await percent(1).setValue('x')
    await save()
    expect(page.get('.notice[role="alert"]').text()).toBe('Its rate is no percentage.')
    calls.keepTaxCode.mockReset().mockResolvedValue({})
    await percent(1).setValue('9')
    await save()
    expect(calls.keepTaxCode.mock.calls.map(([form]) => form.code)).toEqual(['reduced'])
  })

  test('a reason is asked for where no tax is taken', async () => {
    calls.fetchTaxCodes.mockResolvedValue({ rows: [code('standard'), code('export', { category: 'E' })] })
    const { page } = await shown()
    const words = page.findAll('[data-test="tax-code"]').map((one) => one.findAll('.words').length)
    expect(words).toEqual([1, 2])
  })

  test('a new one names itself; who may not change them only looks', async () => {
    const { page } = await shown()
    await page.get('[data-test="add-tax-code"]').trigger('click')
    expect(page.findAll('[data-test="tax-code"]')).toHaveLength(3)
    const { page: other } = await shown('clerk')
    expect(other.find('[data-test="add-tax-code"]').exists()).toBe(false)
    expect(other.find('[data-test="save-tax"]').exists()).toBe(false)
  })
})
