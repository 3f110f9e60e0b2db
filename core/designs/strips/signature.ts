import { softInk } from '../design'
import type { Block, Strip } from './strip'

/** What is signed by who takes the goods in: lines to be written on, side by side at the foot of the page. */
export function signature({ paper, sheet, frame }: Strip): Block | null {
  if (!paper.signature) return null
  const { title, fields } = paper.signature
  const gap = 14
  const width = (frame.right - frame.left - gap * (fields.length - 1)) / fields.length
  return {
    height: 66,
    atFoot: true,
    draw: (top) => {
      sheet.text(title, frame.left, top + 14, frame.strong)
      fields.forEach((field, place) => {
        const x = frame.left + place * (width + gap)
        sheet.line(x, top + 48, x + width, top + 48, softInk)
        sheet.text(field, x, top + 58, frame.small)
      })
    },
  }
}
