import { type DocumentKind } from '../../../core/documents/kinds'
import type { SourceRef } from '../../../core/documents/sources'
import { Refusal } from '../../../core/errors'
import { readFileBytes } from '../../outside/filestore/store'
import { fileOfDocument } from './register-queries'
import { noPdf } from '../dispatch/no-pdf'

/** A row of the Register: every document ever issued. */
export interface RegisterRow extends SourceRef {
  id: number
  number: string
  kind: DocumentKind
  date: string
  orderNumber: string
  customerName: string
  brand: string
  total: string
  open: string
  currency: string
  /** State of its newest email or print job that is no copy; null when it was never sent. */
  state: string | null
  /** From the program before this one. */
  takenOver: boolean
  voided: boolean
  /** How much of an invoice is credited: nothing, a part, all. */
  credited: '' | 'part' | 'whole'
}

export type RegisterSort = 'issued' | 'number' | 'customer' | 'total'

/** What stands out about a document. */
export const registerStates = [
  'open',
  'overdue',
  'void',
  'withdrawn',
  'earlier date',
  'not sent',
  'taken over',
] as const

export type RegisterState = (typeof registerStates)[number]

export interface RegisterFilter {
  search?: string
  state?: RegisterState
  kind?: DocumentKind
  brand?: string
  from?: string
  to?: string
  sort: RegisterSort
  descending: boolean
  after?: string
  limit: number
}

/** The very bytes that were sent, with their name. @throws Refusal "not-painted", "no-pdf" */
export async function documentBytes(
  documentId: number,
): Promise<{ bytes: Uint8Array; fileName: string; sha256: string }> {
  const file = await fileOfDocument(documentId)
  if (!file?.sha256) throw file?.takenOver ? noPdf() : new Refusal('not-painted', { status: 404 })
  const { sha256, fileName } = file
  return { sha256, fileName, bytes: await readFileBytes(sha256) }
}
