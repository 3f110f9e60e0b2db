import bwip from 'bwip-js/generic'
import { PDFDocument, StandardFonts, type PDFPage } from 'pdf-lib'
import type { Sold } from './book'
import { products } from './services'

/** The carrier's own label as a PDF of 4 × 6 inches. */
export async function ownLabel(sold: Sold): Promise<Uint8Array> {
  const document = await PDFDocument.create()
  document.setTitle(`Label ${sold.number}`)
  const moment = new Date(sold.soldAt)
  document.setCreationDate(moment)
  document.setModificationDate(moment)
  const page = document.addPage([288, 432])
  const plain = await document.embedFont(StandardFonts.Helvetica)
  const strong = await document.embedFont(StandardFonts.HelveticaBold)
  const title = products.find(({ product }) => product === sold.product)!.title
  page.drawRectangle({ x: 0, y: 382, width: 288, height: 50 })
  page.drawText('GLENHAVEN PARCELS', { x: 16, y: 400, size: 17, font: strong })
  page.drawText(title, { x: 16, y: 358, size: 15, font: strong })
  page.drawText(`${sold.kilos} kg`, { x: 220, y: 358, size: 15, font: strong })
  sold.consignee.forEach((line, place) =>
    page.drawText(latin(line), {
      x: 16,
      y: 328 - place * 17,
      size: 13,
      font: place === 0 ? strong : plain,
      maxWidth: 256,
    }),
  )
  drawBars(page, sold.number)
  page.drawText(sold.number, { x: 90, y: 34, size: 12, font: strong })
  return document.save()
}

/** The letters of the standard fonts: what they do not have is a question mark. */
const latin = (text: string) => text.replace(/[^\u0020-\u00ff]/g, '?')

function drawBars(page: PDFPage, number: string): void {
  const [code] = bwip.raw('code128', number, {}) as { sbs: number[] }[]
  let x = 30
  code!.sbs.forEach((modules, place) => {
    if (place % 2 === 0) page.drawRectangle({ x, y: 56, width: modules * 1.25, height: 80 })
    x += modules * 1.25
  })
}
