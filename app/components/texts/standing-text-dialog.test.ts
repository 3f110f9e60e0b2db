import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import StandingTextDialog from './StandingTextDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { StandingTextView } from '../../contract'

const calls = vi.hoisted(() => ({
  addStandingText: vi.fn(),
  changeStandingText: vi.fn(),
  dropStandingText: vi.fn(),
  fetchStandingTexts: vi.fn(),
}))
vi.mock('../../calls/standing-texts', () => calls)

const terms = (change: Partial<StandingTextView> = {}): StandingTextView => ({
  id: 5,
  name: 'Terms of sale',
  kinds: ['invoice'],
  brandId: null,
  customers: 'all',
  place: 'before the foot',
  texts: { en: 'Goods stay ours until they are paid.' },
  from: '2026-01-01',
  until: null,
  version: 3,
  ...change,
})
function shown(text?: StandingTextView) {
  const page = mount(StandingTextDialog, {
    props: { text },
    global: { plugins: [signedIn()], stubs: { ...openDialogs, KindChecks: true } },
  })
  const field = (name: string) =>
    page.get<HTMLInputElement>(
      `[data-test="text-${name}"] input, [data-test="text-${name}"] textarea:not([aria-hidden])`,
    )
  const keep = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, field, keep }
}
beforeEach(() => {
  for (const call of Object.values(calls)) call.mockReset().mockResolvedValue({})
})

describe('a standing text', () => {
  test('is kept in all its languages, on its kinds and days, over the version that was read', async () => {
    const { page, field, keep } = shown(terms())
    await field('de').setValue('Die Ware bleibt bis zur Zahlung unser Eigentum.')
    await keep()
    expect(calls.changeStandingText.mock.calls[0]![0]).toBe(5)
    expect(calls.changeStandingText.mock.calls[0]![1]).toMatchObject({
      version: 3,
      kinds: ['invoice'],
      brandId: null,
      from: '2026-01-01',
      until: null,
      texts: {
        en: 'Goods stay ours until they are paid.',
        de: 'Die Ware bleibt bis zur Zahlung unser Eigentum.',
        fr: '',
      },
    })
    expect(page.emitted('kept')).toHaveLength(1)
  })

  test('a new one needs a name', async () => {
    const { page, field, keep } = shown()
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    await field('name').setValue('Season')
    await field('en').setValue('We are closed in August.')
    await keep()
    expect(calls.addStandingText.mock.calls[0]![0]).toMatchObject({ name: 'Season', kinds: [] })
    expect(page.find('[data-test="drop-text"]').exists()).toBe(false)
  })

  test('one that another person changed meanwhile shows both, and waits for a choice', async () => {
    calls.changeStandingText.mockRejectedValueOnce(
      new ApiRefusal('changed-meanwhile', 'Mara changed it.', 409, {}),
    )
    calls.fetchStandingTexts.mockResolvedValue({ texts: [terms({ name: 'Terms, new', version: 4 })] })
    const { page, field, keep } = shown(terms())
    await field('name').setValue('My terms')
    await keep()
    expect(page.text()).toContain('Terms, new')
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    expect(page.emitted('kept')).toBeUndefined()
  })

  test('what is wrong is said at its field', async () => {
    calls.addStandingText.mockRejectedValueOnce(
      new ApiRefusal('same-name', 'There is a text “Season” already.', 409, { field: 'name' }),
    )
    const { page, field, keep } = shown()
    await field('name').setValue('Season')
    await keep()
    expect(page.get('[data-test="text-name"]').text()).toContain('There is a text “Season” already.')
  })

  test('one is deleted; documents that are issued keep it', async () => {
    const { page } = shown(terms())
    await page.get('[data-test="drop-text"]').trigger('click')
    await flushPromises()
    expect(calls.dropStandingText).toHaveBeenCalledWith(5)
    expect(page.emitted('leave')).toHaveLength(1)
  })
})
