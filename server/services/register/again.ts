import { paperWords } from '../../../core/documents/words'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { mergePdfs, renderPaper } from '../../render/pool'
import { notOursToDraw } from '../dispatch/no-pdf'
import { ofVariant } from '../../../core/preferences/variants'
import { sentencesOf } from '../../../core/designs/pages'
import { designsInForce } from '../house/house'
import { papersAgain } from './queries'

/*
 * Documents made again: the frozen Paper on the design that is in force now, marked as a copy on every
 * page. The stored PDF stays the original;
 * nothing is kept and nothing is sent. Called from the Register for chosen rows.
 */

/** Most documents that are made again at once. */
export const mostAgain = 50

/** @throws Refusal "no-such-document", "not-ours", "cannot-draw" */
export async function madeAgain(ids: readonly number[]): Promise<Uint8Array> {
  const documents = await papersAgain(ids, mostAgain)
  if (documents.length === 0) throw new Refusal('no-such-document/none', { status: 404 })
  const foreign = documents.find((one) => one.takenOver)
  if (foreign) throw notOursToDraw(foreign.number)
  const designs = new Map(
    await Promise.all(
      [...new Set(documents.map((one) => one.kind))].map(
        async (kind) => [kind, await designsInForce(kind)] as const,
      ),
    ),
  )
  const pdfs = await Promise.all(
    documents.map(async ({ number, kind, brandId, variantId, paper }) => {
      const { design } = ofVariant(designs.get(kind)!, brandId, variantId)!
      const words = { ...paper.words, copy: paper.words.copy ?? paperWords[paper.language].copy }
      const { bytes, problems } = await renderPaper({ ...paper, words, copy: true }, design, clock.now())
      if (!bytes)
        throw new Refusal('cannot-draw', {
          values: { number, problems: sentencesOf(problems) },
        })
      return bytes
    }),
  )
  return pdfs.length === 1 ? pdfs[0]! : mergePdfs(pdfs)
}
