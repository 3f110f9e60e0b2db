import { kindFacts, type DocumentKind } from '../documents/kinds'
import type { Language } from '../money/format'

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

/** Why an order does not go to a status, as a sentence that says where it may go. */
export function stepRefusal(steps: StatusSteps, order: { number: string; from: string }, to: string): string {
  const after = steps[order.from] ?? []
  const may = after.length ? `it may go to ${after.join(', ')}` : 'it goes nowhere else'
  return `Order ${order.number} is ${order.from}; from there ${may}, and not to ${to}.`
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
export const stopWords = (order: string, status: string): string =>
  `Order ${order} is ${status}, so nothing of it goes.`

/** What the question whether a document may be made of an order looks at. */
export interface OrderToDocument {
  number: string
  status: string
  suppliedOn: string | null
}

/**
 * Why a document of a kind is not made of an order, as a sentence; null when it may be. The screen offers and
 * the API allows just this.
 */
export function prepareRefusal(kind: DocumentKind, order: OrderToDocument): string | null {
  if (order.status === draftStatus)
    return `Order ${order.number} is still a ${draftStatus}. Confirm it first; then its ${kind} can be prepared.`
  if (kindFacts[kind].needsSupply && !order.suppliedOn)
    return `Order ${order.number} has no date of supply yet. Set it to ${suppliedStatus} first; its ${kind} follows.`
  return null
}
