import { type Told } from '../../../core/said/told'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { useToasts } from '../../stores/toasts'
import { useLineActs } from './useLineActs'
import type { LineRow } from '../../contract'

const calls = vi.hoisted(() => ({
  keepBack: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  decideDispatches: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  sendAgain: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  putBack: vi.fn(async (ids: number[]) => ({ ids })),
  prepareDocuments: vi.fn(async ({ sourceIds }: { sourceIds: number[] }) => ({
    prepared: sourceIds.length,
    already: [] as Told[],
    refused: [] as Told[],
  })),
  dropPrepared: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  sendDocument: vi.fn(async () => {}),
}))
vi.mock('../../calls/dispatches', () => calls)
vi.mock('../../calls/prepared', () => calls)
vi.mock('../../calls/documents', () => calls)

const row = (id: number, change: Partial<LineRow> = {}) =>
  ({ id, sourceId: id + 1000, kind: 'invoice', of: 'paper', ...change }) as LineRow
const done = vi.fn()
const said = () => useToasts().toasts.map((toast) => toast.words)
const undo = () => useToasts().toasts.at(-1)!.undo

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
})

describe('rows of the Line', () => {
  test('put back can be prepared again, kind by kind, from the same message', async () => {
    const rows = [row(1), row(2, { kind: 'order confirmation' }), row(3)]
    await useLineActs(done).putBack(rows)
    expect(said()).toEqual(['3 documents returned to To send. No number was used.'])
    await undo()!()
    expect(calls.prepareDocuments.mock.calls.map(([ask]) => ask)).toEqual([
      { kind: 'invoice', sourceIds: [1001, 1003] },
      { kind: 'order confirmation', sourceIds: [1002] },
    ])
  })

  test('are told by how many were really moved, not by how many were picked', async () => {
    calls.keepBack.mockResolvedValueOnce({ ids: [1] })
    await useLineActs(done).keepBack('hold', [row(1), row(2)])
    expect(said()).toEqual(['1 email or print job held.'])
    await undo()!()
    expect(calls.keepBack).toHaveBeenLastCalledWith({ ids: [1], act: 'let go' })
  })

  test('that go at a time say when, and offer no undo', async () => {
    const at = new Date('2026-11-28T07:30:00Z')
    await useLineActs(done).keepBack('later', [row(1)], at)
    expect(calls.keepBack).toHaveBeenCalledWith({ ids: [1], act: 'later', at: at.toISOString() })
    expect(undo()).toBeUndefined()
  })

  test('are prepared where nothing is made yet, and sent where a document is issued', async () => {
    await useLineActs(done).prepare([row(1), row(2, { of: 'document', documentId: 77 })])
    expect(calls.prepareDocuments).toHaveBeenCalledTimes(1)
    expect(calls.sendDocument).toHaveBeenCalledWith(77)
  })

  test('that were refused are said, and the screen is told all the same', async () => {
    calls.sendAgain.mockRejectedValueOnce(new Error('It is sent already.'))
    const acts = useLineActs(done)
    await acts.sendAgain([row(1)])
    expect(said()).toEqual(['It is sent already.'])
    expect(done).toHaveBeenCalledTimes(1)
    expect(acts.busy.value).toBe(false)
  })

  test('closed carry the reason that was given', async () => {
    await useLineActs(done).settle('close', [row(1), row(2)], 'sent by the portal')
    expect(calls.decideDispatches).toHaveBeenCalledWith({
      ids: [1, 2],
      act: 'close',
      reason: 'sent by the portal',
    })
    expect(said()).toEqual(['2 documents given up.'])
  })
})
