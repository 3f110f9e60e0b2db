import { saidWords } from '../words/speech'
import { fetchPrepared, prepareDocuments, sendPrepared } from '../calls/prepared'
import { makeLabels } from '../calls/labels'
import { fetchShipment, makeShipment } from '../calls/shipments'
import type { ParcelFacts } from '../../core/shipping/parcels'
import type { DocumentKind } from '../../core/documents/kinds'

/**
 * Packs what lies on the bench, has its documents prepared and sends what can go. What is packed stays packed where a
 * document cannot go: why it waits is in `refused`, and the shipment's screen has the remedy. Labels are bought first:
 * their document follows by itself.
 */
export async function packAndSend(
  orderId: number,
  parcels: readonly ParcelFacts[],
  kinds: readonly DocumentKind[],
): Promise<{ shipmentId: number; refused: string[] }> {
  const { shipmentId } = await makeShipment(orderId, {
    lines: parcels.flatMap(({ contents }) => contents),
    parcels,
  })
  const refused: string[] = []
  if (kinds.includes('shipping label'))
    try {
      await makeLabels({ id: shipmentId, isReturn: false }, { despite: false })
    } catch (error) {
      refused.push((error as Error).message)
    }
  const sent: readonly DocumentKind[] = kinds.filter((one) => one !== 'shipping label')
  for (const kind of sent)
    try {
      await prepareDocuments({ kind, sourceIds: [shipmentId] })
    } catch (error) {
      refused.push((error as Error).message)
    }
  const { papers } = await fetchShipment(shipmentId)
  const prepared = papers.filter(({ state, kind }) => state === 'prepared' && sent.includes(kind))
  refused.push(...prepared.flatMap(({ problem }) => (problem ? saidWords(problem) : [])))
  const going = prepared.filter(({ problem }) => problem === null)
  if (going.length > 0)
    try {
      const looked = await Promise.all(going.map(({ id }) => fetchPrepared(id)))
      await sendPrepared({
        papers: looked.map(({ id, revision }) => ({ id, revision })),
        key: crypto.randomUUID(),
      })
    } catch (error) {
      refused.push((error as Error).message)
    }
  return { shipmentId, refused }
}
