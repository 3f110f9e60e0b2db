import { isByWorker } from '../../../core/dispatch/channels'
import { fileNamePart } from '../../../core/numbering/series'
import { told, type Told } from '../../../core/said/told'
import { sentencesOf } from '../../../core/designs/pages'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { DocumentFile } from '../../db/models'
import { log, logTrouble } from '../../log'
import { keepFiles } from '../../outside/filestore/store'
import { addJobs } from '../../queue/add'
import { moveDispatches } from '../dispatch/move'
import { renderPaper } from '../../render/pool'
import { designById } from '../house/house'
import { publish } from '../live/publish'
import {
  documentsToPaint,
  readyPainted,
  type Unpainted,
  deleteUnpainted,
  dispatchesOfDocument,
} from './queries'
import { theHouse } from '../people/principal'

/*
 * Painting: the PDF of an issued document, stored once and for all.
 * Called by paint-documents after issuing, and by the sweeper for documents left without a file.
 * Dies half-way: nothing is stored; painting again gives the same bytes.
 * Refuses: nothing; what cannot be drawn was stopped before issuing. Should it happen all the same, its
 * dispatches get stuck.
 */

/** Paints those of the documents that have no file yet, and lets their dispatches go. */
export async function paintDocuments(documentIds: readonly number[]): Promise<void> {
  const documents = await documentsToPaint(documentIds)
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
                sentence: told('trouble/not-drawn', {
                  id: logTrouble(error, { document: document.id }, 'a document could not be drawn'),
                }),
              },
            ],
            renderer: '',
          },
        }
      }
    }),
  )
  await inTransaction(async () => {
    const made = painted.flatMap(({ document, rendered }) =>
      rendered.bytes
        ? { document, bytes: rendered.bytes, pages: rendered.pages, renderer: rendered.renderer }
        : [],
    )
    const ready = await keepPainted(made)
    for (const { document, rendered } of painted)
      if (!rendered.bytes) await cannotDraw(document, sentencesOf(rendered.problems))
    const due = await readyPainted(ready)
    const now = clock.now()
    await addJobs(
      'send-dispatches',
      due.filter((one) => isByWorker(one.channel) && one.notBefore <= now).map((one) => one.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    publish('line')
    publish('register')
  })
}

interface Painted {
  document: Unpainted
  bytes: Uint8Array
  pages: number
  renderer: string
}

/** Keeps the files of documents that have none yet. @returns the documents that have one now */
async function keepPainted(painted: readonly Painted[]): Promise<number[]> {
  if (painted.length === 0) return []
  const kept = await keepFiles(
    painted.map((one) => one.bytes),
    'application/pdf',
  )
  await DocumentFile.bulkCreate(
    painted.map(({ document, pages, renderer }, index) => ({
      documentId: document.id,
      sha256: kept[index]!,
      fileName: `${fileNamePart(document.paper.heading)}-${fileNamePart(document.number)}.pdf`,
      renderer,
      pages,
      madeAt: clock.now(),
    })),
    { ignoreDuplicates: true },
  )
  const ready = await deleteUnpainted(painted.map((one) => one.document.id))
  return ready.map(({ id }) => id)
}

async function cannotDraw(document: Unpainted, reason: Told): Promise<void> {
  log.error({ document: document.id, reason: reason.words }, 'an issued document cannot be drawn')
  const waiting = await dispatchesOfDocument(document.id)
  await moveDispatches(
    'refuse',
    waiting.map(({ id }) => ({ id, set: { cause: 'not drawn' as const, reply: reason.words } })),
    {
      who: theHouse,
      documentId: document.id,
      what: () => told('issued/not-drawn', { reason }),
    },
  )
}
