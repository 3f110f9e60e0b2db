import { kindFacts, type DocumentKind } from '../documents/kinds'
import type { Language } from '../money/format'
import { joined, told, toldKind, type Told } from '../said/told'

/** The status of an order that is still being written: nothing is made of it. */
export const draftStatus = 'Draft'

/** The status in which goods have left; reaching it gives an order its date of supply. */
export const suppliedStatus = 'Shipped'

/** Which statuses may follow a status; one that is not named may be followed by any. */
export type StatusSteps = Readonly<Record<string, readonly string[]>>

/** What customers read of a status, where that is not what the house calls it. */
export type StatusWords = Readonly<Record<string, Partial<Record<Language, string>>>>

/** A status as a customer reads it. */
export const statusIn = (words: StatusWords, status: string, language: Language): string =>
  words[status]?.[language] || status

/** Whether an order may go from a status to another; to stay is no step. */
export const mayFollow = (steps: StatusSteps, from: string, to: string): boolean =>
  from === to || (steps[from]?.includes(to) ?? true)

/** Why an order does not go to a status, and where it may go. */
export function stepRefusal(steps: StatusSteps, order: { number: string; from: string }, to: string): Told {
  const { number, from } = order
  const after = steps[from] ?? []
  return after.length === 0
    ? told('status/step-nowhere', { order: number, from, to })
    : told('status/step-to', { order: number, from, to, after: joined(after, 'list/comma') })
}

/** What a status says of an order's documents: withdrawn and held both keep them from leaving. */
export type OrderStop = 'withdrawn' | 'held'

/** The statuses of the company that stop an order's documents. */
export interface StoppingStatuses {
  withdrawnStatuses: readonly string[]
  heldStatuses: readonly string[]
}

/** How a status stops an order's documents; null when they may leave. Withdrawn is the stronger. */
export function stopOfStatus(status: string, stopping: StoppingStatuses): OrderStop | null {
  if (stopping.withdrawnStatuses.includes(status)) return 'withdrawn'
  return stopping.heldStatuses.includes(status) ? 'held' : null
}

/** Why a document stays although nothing is wrong with it itself. */
export const toldStop = (order: string, status: string): Told => told('status/stopped', { order, status })

/** What the question whether a document may be made of an order looks at. */
export interface OrderToDocument {
  number: string
  status: string
  suppliedOn: string | null
}

/** Why a document of a kind is not made of an order; null when it may be. The screen offers and the API allows this. */
export function prepareRefusal(kind: DocumentKind, order: OrderToDocument): Told | null {
  if (order.status === draftStatus)
    return told('status/draft', { order: order.number, draft: draftStatus, kind: toldKind(kind) })
  if (kindFacts[kind].needsSupply && !order.suppliedOn)
    return told('status/no-supply', { order: order.number, supplied: suppliedStatus, kind: toldKind(kind) })
  return null
}
