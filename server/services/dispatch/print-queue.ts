import { Refusal } from '../../../core/errors'
import { rows } from '../../db/connection'
import { readFileBytes } from '../../outside/filestore/store'
import { mergePdfs } from '../../render/pool'
import { theHouse, within } from '../people/principal'

/*
 * The print queue: the stored PDFs of papers that wait for the printer, merged in posting order.
 * Called to print; marking as posted is a person's act of its own, so that a jammed printer loses nothing.
 */

/** Most papers in one print job. */
export const mostPrinted = 500

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

/** What waits for the printer, a row a print job, in posting order: customer by customer, each by number. */
export async function printQueue(who = theHouse): Promise<PrintQueueRow[]> {
  return rows<PrintQueueRow>(`
    select s.id, s.number, s.customer_name "customerName", sum(f.pages)::int pages, s.total::text total,
      s.currency, s.since, min(f.document_id) "documentId"
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document_file f on f.document_id = dd.document_id
    where s.state = 'waiting' and s.channel = 'paper' and s.ready and not s.held
      and ${within(who, 's.brand_id')}
    group by s.id
    order by s.customer_name, length(s.number), s.number, s.id
    limit ${mostPrinted}`)
}

/** The chosen papers as one PDF, each as often as asked. @throws Refusal "nothing-to-print" */
export async function printQueuePdf(ids: readonly number[], copies: number): Promise<Uint8Array> {
  const chosen = new Set(ids)
  const files = await rows<{ id: number; sha256: string }>(
    `select s.id, f.sha256
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document_file f on f.document_id = dd.document_id
    where s.id = any($1::int[]) and s.channel = 'paper' and not s.held
    order by s.customer_name, length(s.number), s.number, s.id, f.document_id
    limit ${mostPrinted}`,
    [[...chosen]],
  )
  if (files.length === 0)
    throw new Refusal('nothing-to-print', 'None of these waits for the printer any more.', { status: 404 })
  const bytes = new Map<string, Uint8Array>()
  for (const { sha256 } of files) if (!bytes.has(sha256)) bytes.set(sha256, await readFileBytes(sha256))
  return mergePdfs(files.flatMap((file) => Array<Uint8Array>(copies).fill(bytes.get(file.sha256)!)))
}
