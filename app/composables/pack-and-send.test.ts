import { asWritten } from '../../core/said/told'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { packAndSend } from './packAndSend'

const calls = vi.hoisted(() => ({
  fetchPrepared: vi.fn(),
  prepareDocuments: vi.fn(),
  sendPrepared: vi.fn(),
  makeLabels: vi.fn(),
  fetchShipment: vi.fn(),
  makeShipment: vi.fn(),
}))
vi.mock('../calls/prepared', () => calls)
vi.mock('../calls/labels', () => calls)
vi.mock('../calls/shipments', () => calls)

const parcel = (quantity: string) => ({ box: '', weight: '3', contents: [{ position: 1, quantity }] })
const paper = (id: number, kind: string, change: object = {}) => ({
  id,
  kind,
  state: 'prepared',
  problem: null,
  ...change,
})

beforeEach(() => {
  for (const call of Object.values(calls)) call.mockReset()
  calls.makeShipment.mockResolvedValue({ shipmentId: 9 })
  calls.prepareDocuments.mockResolvedValue({ already: [] })
  calls.makeLabels.mockResolvedValue({ asked: 1, refused: [] })
  calls.sendPrepared.mockResolvedValue({ runId: 1 })
  calls.fetchPrepared.mockImplementation(async (id: number) => ({ id, revision: id * 10 }))
  calls.fetchShipment.mockResolvedValue({ papers: [paper(4, 'packing slip'), paper(5, 'delivery note')] })
})

describe('at the bench', () => {
  test('what lies in the parcels goes, is documented, and sent as it was looked at', async () => {
    expect(await packAndSend(1, [parcel('2'), parcel('1')], ['packing slip', 'delivery note'])).toEqual({
      shipmentId: 9,
      refused: [],
    })
    expect(calls.makeShipment.mock.calls[0]![1]).toMatchObject({
      lines: [
        { position: 1, quantity: '2' },
        { position: 1, quantity: '1' },
      ],
    })
    expect(calls.sendPrepared.mock.calls[0]![0]).toMatchObject({
      papers: [
        { id: 4, revision: 40 },
        { id: 5, revision: 50 },
      ],
    })
  })

  test('what is packed stays packed where a document cannot be made, and the others go', async () => {
    calls.prepareDocuments.mockImplementation(async ({ kind }: { kind: string }) => {
      if (kind === 'packing slip') throw new Error('It has no number series.')
      return { already: [] }
    })
    calls.fetchShipment.mockResolvedValue({ papers: [paper(5, 'delivery note')] })
    const { refused } = await packAndSend(1, [parcel('1')], ['packing slip', 'delivery note'])
    expect(refused).toEqual(['It has no number series.'])
    expect(calls.sendPrepared.mock.calls[0]![0]).toMatchObject({ papers: [{ id: 5, revision: 50 }] })
  })

  test('a document with a problem waits with its reason; none is sent where none can go', async () => {
    calls.fetchShipment.mockResolvedValue({
      papers: [paper(4, 'packing slip', { problem: asWritten('Nobody is there to write to.') })],
    })
    const { refused } = await packAndSend(1, [parcel('1')], ['packing slip'])
    expect(refused).toEqual(['Nobody is there to write to.'])
    expect(calls.sendPrepared).not.toHaveBeenCalled()
  })

  test('labels are bought first and follow by themselves; a carrier that is down stops nothing', async () => {
    calls.makeLabels.mockRejectedValue(new Error('The carrier does not answer.'))
    const { refused } = await packAndSend(1, [parcel('1')], ['packing slip', 'shipping label'])
    expect(refused).toEqual(['The carrier does not answer.'])
    expect(calls.prepareDocuments.mock.calls.map(([{ kind }]) => kind)).toEqual(['packing slip'])
    expect(calls.makeLabels.mock.invocationCallOrder[0]!).toBeLessThan(
      calls.prepareDocuments.mock.invocationCallOrder[0]!,
    )
  })

  test('what waits from before is not sent along', async () => {
    await packAndSend(1, [parcel('1')], ['packing slip'])
    expect(calls.sendPrepared.mock.calls[0]![0].papers).toEqual([{ id: 4, revision: 40 }])
  })

  test('nothing else is done where packing is refused', async () => {
    calls.makeShipment.mockRejectedValue(new Error('Somebody packed it meanwhile.'))
    await expect(packAndSend(1, [parcel('1')], ['packing slip'])).rejects.toThrow('meanwhile')
    expect(calls.prepareDocuments).not.toHaveBeenCalled()
  })
})
