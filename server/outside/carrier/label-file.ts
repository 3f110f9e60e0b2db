import { PDFDocument } from 'pdf-lib'
import { CarrierFailure } from './carrier'

/** Dots an inch of the printers that pictures of labels are made for. */
const labelDots = 203

const startsWith = (bytes: Uint8Array, signature: readonly number[]) =>
  signature.every((byte, place) => bytes[place] === byte)
const isPdf = (bytes: Uint8Array) => startsWith(bytes, [0x25, 0x50, 0x44, 0x46, 0x2d])
/** ISO/IEC 15948, 5.2 */
const isPng = (bytes: Uint8Array) => startsWith(bytes, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
/** ISO/IEC 10918-1, B.1.1 */
const isJpeg = (bytes: Uint8Array) => startsWith(bytes, [0xff, 0xd8, 0xff])

/**
 * A carrier's own label as the PDF that is kept and placed: a PDF as it is, a PNG or JPEG as the one page of one.
 * @throws CarrierFailure "not understood" for anything else: the label is bought, and nobody could print it
 */
export async function labelFile(base64: string): Promise<Uint8Array> {
  const bytes = Buffer.from(base64, 'base64')
  if (isPdf(bytes)) return bytes
  if (!isPng(bytes) && !isJpeg(bytes))
    throw new CarrierFailure('not understood', false, 'its label is neither a PDF nor a picture')
  try {
    const document = await PDFDocument.create({ updateMetadata: false })
    const picture = isPng(bytes) ? await document.embedPng(bytes) : await document.embedJpg(bytes)
    const { width, height } = picture.scale(72 / labelDots)
    document.addPage([width, height]).drawImage(picture, { x: 0, y: 0, width, height })
    return await document.save()
  } catch {
    throw new CarrierFailure('not understood', false, 'the picture of its label is damaged')
  }
}
