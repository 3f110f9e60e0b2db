import bwip from 'bwip-js/generic'
import { PDFDocument, StandardFonts, grayscale, type PDFPage } from 'pdf-lib'
import type { Sold } from './book'
import { products } from './services'

/** Points; the carrier's own label is 4 × 6 inches. */
const width = 288
const margin = 16

/** The carrier's own label as a PDF of 4 × 6 inches. */
export async function ownLabel(sold: Sold): Promise<Uint8Array> {
  const document = await PDFDocument.create()
  document.setTitle(`Label ${sold.number}`)
  const moment = new Date(sold.soldAt)
  document.setCreationDate(moment)
  document.setModificationDate(moment)
  const page = document.addPage([width, 432])
  const plain = await document.embedFont(StandardFonts.Helvetica)
  const strong = await document.embedFont(StandardFonts.HelveticaBold)
  const title = products.find(({ product }) => product === sold.product)!.title
  page.drawRectangle({ x: 0, y: 382, width, height: 50 })
  page.drawText('GLENHAVEN PARCELS', { x: margin, y: 400, size: 17, font: strong, color: grayscale(1) })
  page.drawText(title, { x: margin, y: 358, size: 15, font: strong })
  const weight = `${sold.kilos} kg`
  page.drawText(weight, {
    x: width - margin - strong.widthOfTextAtSize(weight, 15),
    y: 358,
    size: 15,
    font: strong,
  })
  sold.consignee.forEach((line, place) =>
    page.drawText(latin(line), {
      x: margin,
      y: 328 - place * 17,
      size: 13,
      font: place === 0 ? strong : plain,
      maxWidth: width - 2 * margin,
    }),
  )
  drawBars(page, sold.number)
  page.drawText(sold.number, {
    x: (width - strong.widthOfTextAtSize(sold.number, 12)) / 2,
    y: 34,
    size: 12,
    font: strong,
  })
  return document.save()
}

/** The letters of the standard fonts: what they do not have is a question mark. */
const latin = (text: string) => text.replace(/[^\u0020-\u00ff]/g, '?')

function drawBars(page: PDFPage, number: string): void {
  const [code] = bwip.raw('code128', number, {}) as { sbs: number[] }[]
  let x = (width - code!.sbs.reduce((sum, modules) => sum + modules, 0) * 1.25) / 2
  code!.sbs.forEach((modules, place) => {
    if (place % 2 === 0) page.drawRectangle({ x, y: 56, width: modules * 1.25, height: 80 })
    x += modules * 1.25
  })
}
