import type { Paper } from '../../../core/documents/paper'
import { fileNamePart } from '../../../core/numbering/series'
import { clock } from '../../clock'
import { inTransaction, rows, run } from '../../db/connection'
import { log, logTrouble, troubleWords } from '../../log'
import { keepFile } from '../../outside/filestore/store'
import { addJobs } from '../../queue/add'
import { renderPaper } from '../../render/pool'
import { designById } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'

/*
 * Painting: the PDF of an issued document, stored once and for all.
 * Called by paint-documents after issuing, and by the sweeper for documents left without a file.
 * Dies half-way: nothing is stored; painting again gives the same bytes.
 * Refuses: nothing; what cannot be drawn was stopped before issuing. Should it happen all the same, its
 * dispatches get stuck.
 */

interface Unpainted {
  id: number
  number: string
  kind: string
  paper: Paper
  designId: number
  issuedAt: Date
}

/** Paints those of the documents that have no file yet, and lets their dispatches go. */
export async function paintDocuments(documentIds: readonly number[]): Promise<void> {
  const documents = await rows<Unpainted>(
    `select d.id, d.number, d.kind, d.paper, d.design_id "designId", d.issued_at "issuedAt"
    from document d
    join unpainted u on u.document_id = d.id
    where d.id = any($1::int[])
    order by d.id`,
    [documentIds],
  )
  if (documents.length === 0) return
  const designs = await designById([...new Set(documents.map((document) => document.designId))])
  const painted = await Promise.all(
    documents.map(async (document) => {
      try {
        return {
          document,
          rendered: await renderPaper(document.paper, designs.get(document.designId)!, document.issuedAt),
        }
      } catch (error) {
        return {
          document,
          rendered: {
            bytes: null,
            pages: 0,
            problems: [
              {
                sentence: troubleWords(
                  'It could not be drawn',
                  logTrouble(error, { document: document.id }, 'a document could not be drawn'),
                ),
              },
            ],
            renderer: '',
          },
        }
      }
    }),
  )
  await inTransaction(async () => {
    const ready: number[] = []
    for (const { document, rendered } of painted) {
      if (rendered.bytes) {
        if (await keepPainted(document, rendered.bytes, rendered.pages, rendered.renderer))
          ready.push(document.id)
      } else await cannotDraw(document, rendered.problems.map((problem) => problem.sentence).join(' '))
    }
    const due = await rows<{ id: number; channel: string; notBefore: Date }>(
      `update dispatch
      set ready = true
      where not ready
        and id in (select dispatch_id from dispatch_document where document_id = any($1::int[]))
        and not exists (
          select
          from dispatch_document dd
          join unpainted u on u.document_id = dd.document_id
          where dd.dispatch_id = dispatch.id
        )
      returning id, channel, not_before "notBefore"`,
      [ready],
    )
    const now = clock.now()
    await addJobs(
      'send-dispatches',
      due.filter((one) => one.channel === 'email' && one.notBefore <= now).map((one) => one.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    publish('line')
    publish('register')
  })
}

async function keepPainted(
  document: Unpainted,
  bytes: Uint8Array,
  pages: number,
  renderer: string,
): Promise<boolean> {
  const sha256 = await keepFile(bytes, 'application/pdf')
  const heading = fileNamePart(document.paper.heading)
  await run(
    `insert into document_file (document_id, sha256, file_name, renderer, pages, made_at)
    values ($1, $2, $3, $4, $5, $6)
    on conflict do nothing`,
    [document.id, sha256, `${heading}-${fileNamePart(document.number)}.pdf`, renderer, pages, clock.now()],
  )
  return (await run('delete from unpainted where document_id = $1', [document.id])) > 0
}

async function cannotDraw(document: Unpainted, reason: string): Promise<void> {
  log.error({ document: document.id, reason }, 'an issued document cannot be drawn')
  const stuck = await rows<{ id: number }>(
    `update dispatch
    set state = 'stuck', stuck_cause = 'not drawn', last_reply = $2, since = $3
    where state = 'waiting' and id in (select dispatch_id from dispatch_document where document_id = $1)
    returning id`,
    [document.id, reason, clock.now()],
  )
  await noteAll(
    stuck.map((one) => ({
      documentId: document.id,
      dispatchId: one.id,
      actor: 'Clothespin',
      words: `The PDF could not be made: ${reason}`,
    })),
  )
}
