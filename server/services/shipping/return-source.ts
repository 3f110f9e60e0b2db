import type { DocumentKind } from '../../../core/documents/kinds'
import type { ReturnFacts } from '../../../core/documents/return'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { told } from '../../../core/said/told'
import { contactsOfCustomers } from '../customers/queries'
import { contextOf, houseContext } from '../documents/found-settings'
import type { Addressing, PaperContext } from '../documents/paper-context'
import type { Source } from '../documents/sources'
import { printedOn, unprintedLabels, unprintVoided } from './labels-queries'
import { returnRow } from './returns-queries'
import { bought } from './source'
import { linesOfReturns, returnSubjects, returnVersions, wordsOfLines } from './source-queries'

/*
 * Goods that come back as the source of their note, which has their labels behind it.
 * Called by the engine through the registry.
 */

/** Loads what notes of returns are made of, with a fixed number of queries. */
async function loadReturnContexts(
  kind: DocumentKind,
  ids: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const returns = await returnSubjects(ids)
  const orderIds = [...new Set(returns.map((one) => one.orderId))]
  const lines = groupBy(await linesOfReturns(ids), (line) => line.returnId)
  const words = groupBy(await wordsOfLines(orderIds), (line) => line.orderId)
  const labels = groupBy(await unprintedLabels(ids), (label) => label.sourceId)
  const contacts = groupBy(
    await contactsOfCustomers([...new Set(returns.map((one) => one.customerId))]),
    (contact) => contact.customerId,
  )
  const house = await houseContext(kind)
  return new Map(
    returns.map(({ orderId, called, agreedOn, until, remarks, sender, comesTo, returnState, ...subject }) => {
      const goodsReturn: ReturnFacts = {
        label: called,
        day: agreedOn,
        until,
        sender,
        delivery: comesTo,
        remarks,
        lines: (lines.get(subject.sourceId) ?? []).map(({ returnId: _, ...line }) => line),
        labels: (labels.get(subject.sourceId) ?? []).map(bought),
      }
      const context = contextOf(
        kind,
        { ...subject, goodsReturn },
        (words.get(orderId) ?? []).filter(({ position }) =>
          goodsReturn.lines.some((line) => line.position === position),
        ),
        contacts.get(subject.customerId) ?? [],
        addressing,
        house,
      )
      const gone = returnState === 'expected' ? {} : { nothing: told('problem/return-closed') }
      return [subject.sourceId, { ...context, ...gone }]
    }),
  )
}

/** Why a note is not made of a return now, looked at once it is locked. */
async function refusal(_kind: DocumentKind, id: number): Promise<Refusal | undefined> {
  const { state, label } = (await returnRow(id))!
  return state === 'expected'
    ? undefined
    : new Refusal('return-not-expected', { values: { goodsReturn: label } })
}

export const returnSource: Source = {
  table: 'goods_return',
  load: loadReturnContexts,
  versions: returnVersions,
  refusal,
  // labels that are bought later come on another note
  occasion: (_kind, { source }) => {
    const first = source.goodsReturn?.labels[0]
    return first ? `label ${first.id}` : ''
  },
  issued: async ({ source }, documentId) => {
    const labels = source.goodsReturn?.labels ?? []
    await printedOn(
      documentId,
      labels.map(({ id }) => id),
    )
  },
  voided: unprintVoided,
}
