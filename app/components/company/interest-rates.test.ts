import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import InterestRates from './InterestRates.vue'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { InterestRate } from '../../../core/receivables/interest'

const calls = vi.hoisted(() => ({ fetchDefaults: vi.fn() }))
vi.mock('../../calls/customers', () => calls)

const rate = (change: Partial<InterestRate> = {}): InterestRate => ({
  group: '',
  country: '',
  from: '2026-01-01',
  percent: '8',
  ...change,
})
async function shown(rates: InterestRate[], disabled = false) {
  const page = mount(InterestRates, {
    props: { rates, disabled },
    global: { plugins: [signedIn('supervisor')], stubs: openDialogs },
  })
  await flushPromises()
  const field = (row: number, place: number) =>
    page.findAll('.rates li')[row]!.findAll('.form-field input')[place]!
  const keep = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    return page.emitted('keep')?.at(-1)?.[0] as InterestRate[] | undefined
  }
  return { page, field, keep }
}
beforeEach(() => calls.fetchDefaults.mockReset().mockResolvedValue({ groups: [{ name: 'Shops' }] }))

describe('what late payment costs', () => {
  test('an empty list begins with a rate to write; a comma is a point', async () => {
    const { page, field, keep } = await shown([])
    expect(page.findAll('.rates li')).toHaveLength(1)
    await field(0, 0).setValue('8,5')
    expect(await keep()).toEqual([expect.objectContaining({ percent: '8.5', group: '', country: '' })])
  })

  test.each(['', 'eight', '100', '8.1234', '-1'])(
    '“%s” is no percentage, and is said at its field',
    async (typed) => {
      const { page, field, keep } = await shown([rate()])
      await field(0, 0).setValue(typed)
      expect(await keep()).toBeUndefined()
      expect(page.get('[data-test="rate-percent"]').text()).toMatch(/\d/)
    },
  )

  test('a country is written by its name and kept by its code; one that is none is refused', async () => {
    const { page, keep } = await shown([rate({ country: 'DE' })])
    expect((await keep())![0]!.country).toBe('DE')
    const country = page.findAllComponents({ name: 'FormField' }).at(-1)!
    expect(country.props('modelValue')).toBe('Germany')
    country.vm.$emit('update:modelValue', 'Nowhere')
    await keep()
    expect(page.emitted('keep')).toHaveLength(1)
    expect(country.props('wrong')).not.toBe('')
  })

  test('two of the same day, group and country are refused: nobody could say which holds', async () => {
    const { page, keep } = await shown([rate(), rate({ percent: '9' })])
    expect(await keep()).toBeUndefined()
    expect(page.find('.notice[role="alert"]').exists()).toBe(true)
    await page.findAll('.rates button.word')[1]!.trigger('click')
    expect(await keep()).toEqual([rate()])
  })

  test('a group without customers is kept, and said to be empty', async () => {
    const { page, keep } = await shown([rate({ group: 'Florists' })])
    expect(page.text()).not.toBe('')
    expect((await keep())![0]!.group).toBe('Florists')
  })

  test('is only looked at by who may not change it', async () => {
    const { page } = await shown([rate()], true)
    expect(page.find('[data-test="add-interest-rate"]').exists()).toBe(false)
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
  })
})
