import { unzipSync } from 'fflate'
import { PDFDocument } from 'pdf-lib'
import { Refusal } from '../../../core/errors'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { DocumentFile } from '../../db/models'
import { keepFiles } from '../../outside/filestore/store'
import type { Principal } from '../people/principal'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import { takenOverDocuments } from './take-over-queries'

/*
 * PDFs of documents that came over: a ZIP (PKWARE APPNOTE) in which each is named by its number. They are kept as they
 * came; one that is there already stays.
 * Called from Accounts. Refuses what is no ZIP, and one that is too large unpacked.
 */

export interface TakenOverPdfs {
  added: number
  /** Those whose documents have their PDF already. */
  before: number
  /** Files of which no document has the number, or that are no PDF. */
  unknown: string[]
}

export const mostZipBytes = 60_000_000
const mostUnpackedBytes = 200_000_000

/** A number as file names write it: letters and digits alone, in capitals. */
const bare = (text: string) => text.toUpperCase().replace(/[^\p{L}\d]/gu, '')
const nameOf = (path: string) => path.split('/').at(-1)!

/** @throws Refusal "no-zip", "too-large" */
export async function takePdfs(zip: Uint8Array, who: Principal): Promise<TakenOverPdfs> {
  const files = unpack(zip)
  return inTransaction(async () => {
    const byNumber = new Map((await takenOverDocuments(who)).map((one) => [bare(one.number), one]))
    const taken: TakenOverPdfs = { added: 0, before: 0, unknown: [] }
    const fresh: { id: number; name: string; bytes: Uint8Array; pages: number }[] = []
    for (const [path, bytes] of files) {
      const name = nameOf(path)
      const document = byNumber.get(bare(name.replace(/\.pdf$/i, '')))
      const pages = document && (await pagesOf(bytes))
      if (!document || pages === undefined) taken.unknown.push(name)
      else if (document.hasFile) taken.before++
      else {
        document.hasFile = true
        fresh.push({ id: document.id, name, bytes, pages })
      }
    }
    const sums = await keepFiles(
      fresh.map((one) => one.bytes),
      'application/pdf',
    )
    await DocumentFile.bulkCreate(
      fresh.map(({ id, name, pages }, index) => ({
        documentId: id,
        sha256: sums[index]!,
        fileName: name,
        renderer: 'taken over',
        pages,
        madeAt: clock.now(),
      })),
    )
    await noteAll(
      fresh.map(({ id, name }) => ({
        documentId: id,
        actor: who.name,
        ...told('issued/came-pdf', { file: name }),
      })),
    )
    publish('register')
    return { ...taken, added: fresh.length }
  })
}

function unpack(zip: Uint8Array): [string, Uint8Array][] {
  let size = 0
  try {
    const files = unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        if (!/\.pdf$/i.test(name) || nameOf(name).startsWith('.')) return false
        size += originalSize
        if (size > mostUnpackedBytes) throw new Refusal('too-large/pdfs', { status: 400 })
        return true
      },
    })
    return Object.entries(files)
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('no-zip', { status: 400 })
  }
}

/** Undefined where it is no PDF. */
async function pagesOf(bytes: Uint8Array): Promise<number | undefined> {
  try {
    return (await PDFDocument.load(bytes, { ignoreEncryption: true, updateMetadata: false })).getPageCount()
  } catch {
    return undefined
  }
}
