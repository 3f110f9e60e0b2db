import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { readFileBytes } from '../../outside/filestore/store'
import { mergePdfs } from '../../render/pool'
import { theHouse, type Principal } from '../people/principal'
import { overtakenReminders } from './channels/email-queries'
import { papersToPrint, printFiles } from './queries'

/*
 * The print queue: the stored PDFs of papers that wait for the printer, merged in posting order.
 * Called to print; marking as posted is a person's act of its own, so that a jammed printer loses nothing.
 */

export interface PrintQueueRow {
  id: number
  number: string
  kind: DocumentKind
  customerName: string
  pages: number
  total: string
  currency: string
  since: Date
  documentId: number
  /** What a reminder asks for and on which something was booked since: it is not printed. */
  overtaken: string[]
}

/** What waits for the printer, in posting order. */
export async function printQueue(who: Principal = theHouse): Promise<PrintQueueRow[]> {
  const lying = await papersToPrint(who)
  const overtaken = await overtakenIn(lying.map((row) => row.id))
  return lying.map((row) => ({ ...row, overtaken: overtaken.get(row.id) ?? [] }))
}

const overtakenIn = async (ids: readonly number[]) =>
  new Map((await overtakenReminders(ids)).map((one) => [one.id, one.numbers]))

/**
 * The chosen papers as one PDF, each as often as asked; a reminder that would ask for too much stays out of it.
 * @throws Refusal "nothing-to-print"
 */
export async function printQueuePdf(ids: readonly number[], copies: number): Promise<Uint8Array> {
  const chosen = new Set(ids)
  const overtaken = await overtakenIn([...chosen])
  const files = await printFiles([...chosen].filter((id) => !overtaken.has(id)))
  if (files.length === 0)
    throw new Refusal(overtaken.size > 0 ? 'nothing-to-print/overtaken' : 'nothing-to-print', { status: 404 })
  const bytes = new Map<string, Uint8Array>()
  for (const { sha256 } of files) if (!bytes.has(sha256)) bytes.set(sha256, await readFileBytes(sha256))
  return mergePdfs(files.flatMap((file) => Array<Uint8Array>(copies).fill(bytes.get(file.sha256)!)))
}
