import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import DespiteDialog from './DespiteDialog.vue'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'

const calls = vi.hoisted(() => ({
  keepBack: vi.fn(),
  sendDocument: vi.fn(),
  prepareDocuments: vi.fn(),
  sendPrepared: vi.fn(),
}))
vi.mock('../../calls/dispatches', () => calls)
vi.mock('../../calls/documents', () => calls)
vi.mock('../../calls/prepared', () => calls)
const runs = vi.hoisted(() => ({ watchRun: vi.fn() }))
vi.mock('../../stores/runs', () => ({ useRuns: () => runs }))

const row = {
  id: 4,
  revision: 2,
  kind: 'invoice' as const,
  sourceId: 9,
  orderNumber: 'SO-1',
  customerName: 'Ottermill',
  documentId: 31,
  total: '120.50',
  currency: 'EUR',
  stopped: 'Held',
}
async function done(act: 'send' | 'prepare' | 'send issued' | 'let go') {
  const page = mount(DespiteDialog, {
    props: { modelValue: true, row, act },
    global: { plugins: [signedIn()], stubs: openDialogs },
  })
  expect(page.text()).toContain('SO-1')
  expect(page.text()).toContain('Held')
  await page.get('[data-test="ask-go"]').trigger('click')
  await flushPromises()
  return page
}
beforeEach(() => {
  for (const call of Object.values(calls)) call.mockReset().mockResolvedValue({ runId: 5 })
  runs.watchRun.mockReset()
})

describe('a document of an order that is held goes after that was read', () => {
  test('as it was looked at', async () => {
    await done('send')
    expect(calls.sendPrepared.mock.calls[0]![0]).toMatchObject({
      papers: [{ id: 4, revision: 2 }],
      despite: true,
    })
    expect(runs.watchRun).toHaveBeenCalledWith(5)
  })

  test('is prepared', async () => {
    await done('prepare')
    expect(calls.prepareDocuments).toHaveBeenCalledWith({ kind: 'invoice', sourceIds: [9], despite: true })
  })

  test('once it is issued already, and where its email waits', async () => {
    await done('send issued')
    expect(calls.sendDocument).toHaveBeenCalledWith(31, { despite: true })
    await done('let go')
    expect(calls.keepBack).toHaveBeenCalledWith({ ids: [4], act: 'let go', despite: true })
  })

  test('and is not called done where it was refused', async () => {
    calls.prepareDocuments.mockRejectedValueOnce(new Error('Somebody prepared it meanwhile.'))
    const page = await done('prepare')
    expect(page.emitted('done')).toBeUndefined()
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([false])
  })
})
