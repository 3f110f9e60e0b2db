import { Refusal } from '../../../core/errors'
import { readFileBytes } from '../../outside/filestore/store'
import { mergePdfs } from '../../render/pool'
import { printFiles } from './queries'

/*
 * The print queue: the stored PDFs of papers that wait for the printer, merged in posting order.
 * Called to print; marking as posted is a person's act of its own, so that a jammed printer loses nothing.
 */

export interface PrintQueueRow {
  id: number
  number: string
  customerName: string
  pages: number
  total: string
  currency: string
  since: Date
  documentId: number
}

/** The chosen papers as one PDF, each as often as asked. @throws Refusal "nothing-to-print" */
export async function printQueuePdf(ids: readonly number[], copies: number): Promise<Uint8Array> {
  const chosen = new Set(ids)
  const files = await printFiles([...chosen])
  if (files.length === 0) throw new Refusal('nothing-to-print', { status: 404 })
  const bytes = new Map<string, Uint8Array>()
  for (const { sha256 } of files) if (!bytes.has(sha256)) bytes.set(sha256, await readFileBytes(sha256))
  return mergePdfs(files.flatMap((file) => Array<Uint8Array>(copies).fill(bytes.get(file.sha256)!)))
}
