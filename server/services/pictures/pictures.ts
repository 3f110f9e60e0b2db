import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Body } from '../../../core/emailtexts/nodes'
import { picturesOf } from '../../../core/emailtexts/pictures'
import { badInput, Refusal } from '../../../core/errors'
import { flattenPicture } from '../../outside/filestore/picture'
import { keepFile } from '../../outside/filestore/store'
import { pictureFiles, type PictureFile } from './queries'

/*
 * Pictures that emails carry, kept once by their content.
 * Called by the editor, by what keeps a text, and by what sends or shows an email.
 * Refuses what is no picture, or too heavy to go with every email.
 */

/** Bytes: one picture goes with every email of its text. */
const mostBytes = 500_000

/** Keeps a picture, checked by its content. @throws Refusal "bad-picture" */
export async function keepPicture(
  bytes: Uint8Array,
): Promise<{ sha256: string; width: number; height: number }> {
  const flat = flattenPicture(bytes, '#ffffff')
  if (flat.bytes.byteLength > mostBytes)
    throw badInput('bad-picture/email', 'picture', { size: Math.ceil(flat.bytes.byteLength / 1000) })
  const sha256 = await keepFile(flat.bytes, flat.mediaType)
  return { sha256, width: flat.width, height: flat.height }
}

/** @throws Refusal "no-such-picture" */
export async function readPicture(sha256: string): Promise<PictureFile> {
  const [found] = await readPictures([sha256])
  if (!found) throw new Refusal('no-such-picture/email', { status: 404 })
  return found
}

/** Those that are kept, of these. */
export const readPictures = async (sums: readonly string[]): Promise<PictureFile[]> =>
  sums.length === 0 ? [] : pictureFiles(sums)

/** @throws Refusal "no-such-picture" for one that was never kept */
export async function checkPictures(text: Body, look?: EmailLook): Promise<void> {
  const sums = [...picturesOf(text), ...(look?.banner ? [look.banner] : [])].map(({ sha256 }) => sha256)
  const kept = new Set((await readPictures(sums)).map(({ sha256 }) => sha256))
  if (sums.some((sha256) => !kept.has(sha256))) throw badInput('no-such-picture/email', 'text')
}
