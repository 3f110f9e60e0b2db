import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import { useHouseSettings } from './useHouseSettings'
import { ApiRefusal } from './api'
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
  calls.fetchSettings.mockResolvedValue({ ...settings, gs1Prefix: '5391234' })
  await keep({ gs1Prefix: '5391234' } as never, 'The prefix is set.')
  expect(calls.changeSettings).toHaveBeenCalledWith({ gs1Prefix: '5391234', was: { gs1Prefix: '' } })
  expect(toast()!.words).toBe('The prefix is set.')
  await toast()!.undo!()
  expect(calls.changeSettings).toHaveBeenLastCalledWith({ gs1Prefix: '', was: { gs1Prefix: '5391234' } })
})

test('one that is refused says why, and the settings stay as the house has them', async () => {
  calls.changeSettings.mockRejectedValueOnce(new Error('A prefix has 7 to 10 digits.'))
  const { settings: now, keep } = await shown()
  await keep({ gs1Prefix: '1' } as never, 'The prefix is set.')
  expect(toast()).toMatchObject({ words: 'A prefix has 7 to 10 digits.', wrong: true })
  expect(now.value).toMatchObject({ gs1Prefix: '' })
})

test('two changes in quick succession are both kept, the second over the first', async () => {
  const { keep } = await shown()
  const house = { ...settings }
  calls.changeSettings.mockImplementation(async ({ was: _was, ...change }: Record<string, unknown>) => {
    Object.assign(house, change)
  })
  calls.fetchSettings.mockImplementation(async () => ({ ...house }))
  await Promise.all([
    keep({ gs1Prefix: '5391234' } as never, 'The prefix is set.'),
    keep({ gs1Prefix: '4012345' } as never, 'The prefix is set.'),
  ])
  expect(calls.changeSettings).toHaveBeenLastCalledWith({
    gs1Prefix: '4012345',
    was: { gs1Prefix: '5391234' },
  })
})

test('an older answer that comes late is not shown over what was just saved', async () => {
  const { settings: now, keep } = await shown()
  let answerLate!: (old: object) => void
  calls.fetchSettings.mockReturnValueOnce(new Promise((done) => (answerLate = done)))
  live.told()
  calls.fetchSettings.mockResolvedValue({ ...settings, gs1Prefix: '5391234' })
  await keep({ gs1Prefix: '5391234' } as never, 'The prefix is set.')
  answerLate({ ...settings })
  await flushPromises()
  expect(now.value).toMatchObject({ gs1Prefix: '5391234' })
})

test('what somebody else just changed is shown first, and kept over only by choice', async () => {
  const { settings: now, keep } = await shown()
  calls.changeSettings.mockRejectedValueOnce(
    new ApiRefusal('changed-meanwhile', 'Somebody else changed this meanwhile.', 409, {}),
  )
  calls.fetchSettings.mockResolvedValue({ ...settings, gs1Prefix: '4012345' })
  await keep({ gs1Prefix: '5391234' } as never, 'The prefix is set.')
  expect(now.value).toMatchObject({ gs1Prefix: '4012345' })
  expect(toast()).toMatchObject({ words: 'Somebody else changed this meanwhile.', wrong: true })
  await toast()!.offer!.go()
  expect(calls.changeSettings).toHaveBeenLastCalledWith({
    gs1Prefix: '5391234',
    was: { gs1Prefix: '4012345' },
  })
  expect(toast()!.words).toBe('The prefix is set.')
})

test('what somebody else changes is shown', async () => {
  const { settings: now } = await shown()
  calls.fetchSettings.mockResolvedValue({ ...settings, presumeSeconds: 90 })
  live.told()
  await flushPromises()
  expect(now.value).toMatchObject({ presumeSeconds: 90 })
})
