import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { useHouseSettings } from './useHouseSettings'
import { useToasts } from '../stores/toasts'
import { signedIn } from '../testing/signed-in'

const calls = vi.hoisted(() => ({ changeSettings: vi.fn(), fetchSettings: vi.fn() }))
vi.mock('../calls/house', () => calls)
const live = vi.hoisted(() => ({ told: () => {} }))
vi.mock('./useLive', () => ({
  useLive: (_topics: string[], told: () => void) => {
    live.told = told
  },
}))

const settings = { gs1Prefix: '', presumeSeconds: 60, boxes: [] }
async function shown() {
  let used!: ReturnType<typeof useHouseSettings>
  mount(
    {
      setup: () => {
        used = useHouseSettings()
        return () => null
      },
    },
    { global: { plugins: [signedIn('supervisor')] } },
  )
  await flushPromises()
  return used
}
const toast = () => useToasts().toasts.at(-1)
beforeEach(() => {
  calls.fetchSettings.mockReset().mockResolvedValue({ ...settings })
  calls.changeSettings.mockReset().mockResolvedValue({})
})

test('a change is said, and undone in what it changed and in nothing else', async () => {
  const { keep } = await shown()
  await keep({ gs1Prefix: '5391234' } as never, 'The prefix is set.')
  expect(calls.changeSettings).toHaveBeenCalledWith({ gs1Prefix: '5391234' })
  expect(toast()!.words).toBe('The prefix is set.')
  await toast()!.undo!()
  expect(calls.changeSettings).toHaveBeenLastCalledWith({ gs1Prefix: '' })
})

test('one that is refused says why, and the settings stay as the house has them', async () => {
  calls.changeSettings.mockRejectedValueOnce(new Error('A prefix has 7 to 10 digits.'))
  const { settings: now, keep } = await shown()
  await keep({ gs1Prefix: '1' } as never, 'The prefix is set.')
  expect(toast()).toMatchObject({ words: 'A prefix has 7 to 10 digits.', wrong: true })
  expect(now.value).toMatchObject({ gs1Prefix: '' })
})

test('what somebody else changes is shown', async () => {
  const { settings: now } = await shown()
  calls.fetchSettings.mockResolvedValue({ ...settings, presumeSeconds: 90 })
  live.told()
  await flushPromises()
  expect(now.value).toMatchObject({ presumeSeconds: 90 })
})
