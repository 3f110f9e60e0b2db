import { PDFDocument } from 'pdf-lib'
import type { Page } from '../../core/designs/pages'
import type { Pictures } from './painter'

/**
 * The painted pages with first pages of other PDFs put onto them, as large as they fit and in the middle of their
 * place. Unchanged where nothing is to be placed.
 * @throws Error where a file is not given
 */
export async function withPlaced(
  painted: Uint8Array,
  pages: readonly Page[],
  files: Pictures,
  madeAt: Date,
): Promise<Uint8Array> {
  if (!pages.some(({ placed }) => placed?.length)) return painted
  const whole = await PDFDocument.load(painted, { updateMetadata: false })
  whole.setModificationDate(madeAt)
  for (const [index, page] of pages.entries())
    for (const { file, x, y, width, height } of page.placed ?? []) {
      const bytes = files.get(file)
      if (!bytes) throw new Error(`the file ${file} to be placed is missing`)
      const [own] = await whole.embedPdf(bytes)
      const scale = Math.min(width / own!.width, height / own!.height)
      const size = { width: own!.width * scale, height: own!.height * scale }
      whole.getPage(index).drawPage(own!, {
        ...size,
        x: x + (width - size.width) / 2,
        // pdf-lib counts from the bottom
        y: page.height - y - height + (height - size.height) / 2,
      })
    }
  return whole.save()
}
