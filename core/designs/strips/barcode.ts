import { barsOf } from '../bars'
import { mm } from '../design'
import type { Block, Strip } from './strip'

/** A module that every bench scanner reads, in points; a long text is drawn narrower to stay on the page. */
const module = 0.33 * mm
const height = 11 * mm

/** The order's bar code with its number below it: Code 128, ISO/IEC 15417. Nothing where the document has none. */
export function barcode({ paper, sheet, frame }: Strip): Block | null {
  if (!paper.barcode) return null
  const { text, caption } = paper.barcode
  const widths = barsOf(text)
  if (!widths) return null
  const modules = widths.reduce((sum, one) => sum + one, 0)
  const width = Math.min(modules * module, frame.right - frame.left)
  return {
    height: height + 31,
    draw: (top) => {
      sheet.bars(frame.left, top + 14, width, height, widths, caption)
      sheet.text(caption, frame.left, top + 14 + height + 11, frame.small)
    },
  }
}
