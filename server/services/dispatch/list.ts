import type { dispatchStages } from '../../../core/dispatch/states'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Channel } from '../../../core/preferences/recipients'

/*
 * All emails and print jobs there ever were: by address, state, kind, words and days. Each leads to its exact
 * words and files.
 * Called from the Emails page. Reads only.
 */

export interface DispatchRow {
  id: number
  channel: Channel
  state: string
  isCopy: boolean
  /** Of several emails over which the files of one were spread, which this is. */
  part: { place: number; of: number } | null
  number: string
  documents: number
  documentId: number
  kind: DocumentKind
  customerName: string
  sendTo: string
  subject: string
  createdAt: Date
  sentAt: Date | null
  total: string
  currency: string
}

export interface DispatchFilter {
  /** A part of an address that it was written to, or is to go to. */
  address?: string
  state?: (typeof dispatchStages)[number]
  kind?: DocumentKind
  /** Words in subject or text, as they were sent. */
  text?: string
  from?: string
  to?: string
  copies?: boolean
  after?: string
  limit: number
}
