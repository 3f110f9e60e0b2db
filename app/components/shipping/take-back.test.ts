import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, test, vi } from 'vitest'
import TakeBackDialog from './TakeBackDialog.vue'
import { ApiRefusal } from '../../composables/api'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'

const calls = vi.hoisted(() => ({ takeShipmentBack: vi.fn() }))
vi.mock('../../calls/shipments', () => calls)

const refusal = (code: string, words: string) => new ApiRefusal(code, words, 409, {})
const shown = () =>
  mount(TakeBackDialog, {
    props: { modelValue: true, shipment: { id: 9, label: 'SO-1/2', version: 3 } },
    global: { plugins: [signedIn()], stubs: openDialogs },
  })
const press = async (page: ReturnType<typeof shown>) => {
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
}
beforeEach(() => calls.takeShipmentBack.mockReset().mockResolvedValue({}))

test('a shipment without documents is undone at once', async () => {
  const page = shown()
  await press(page)
  expect(calls.takeShipmentBack).toHaveBeenCalledWith(9, { version: 3, despite: false })
  expect(page.emitted('done')).toHaveLength(1)
})

test('documents that stay are named first; only who read that undoes it', async () => {
  calls.takeShipmentBack.mockRejectedValueOnce(refusal('shipment-documented', 'PS-31 is issued. It stays.'))
  const page = shown()
  await press(page)
  expect(page.text()).toContain('PS-31 is issued. It stays.')
  expect(page.emitted('done')).toBeUndefined()
  await press(page)
  expect(calls.takeShipmentBack).toHaveBeenLastCalledWith(9, { version: 3, despite: true })
  expect(page.emitted('done')).toHaveLength(1)
})

test('what somebody else did meanwhile is said, and nothing is undone', async () => {
  calls.takeShipmentBack.mockRejectedValueOnce(refusal('changed-meanwhile', 'Mara changed it meanwhile.'))
  const page = shown()
  await press(page)
  expect(page.get('[role="alert"]').text()).toBe('Mara changed it meanwhile.')
  expect(page.emitted('done')).toBeUndefined()
})
