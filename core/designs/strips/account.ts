import { hairline } from '../design'
import type { Block, Strip } from './strip'

const rowStep = 13

/** What is open on the customer's account, below what is billed; nothing at all where nothing is open. */
export function account({ paper, sheet, frame }: Strip): Block | null {
  const found = paper.account
  if (!found) return null
  const width = Math.min(300, frame.right - frame.left)
  const places = [
    { x: frame.left, align: 'left' as const },
    { x: frame.left + width * 0.5, align: 'left' as const },
    { x: frame.left + width, align: 'right' as const },
  ]
  return {
    height: 44 + found.rows.length * rowStep,
    draw: (top) => {
      sheet.text(found.title, frame.left, top + 16, { ...frame.strong, role: 'heading' })
      const y = top + 32
      found.headings.forEach((heading, column) => {
        const { x, align } = places[column]!
        const cell = { table: 6, row: 0, column }
        sheet.text(heading, x, y, { ...frame.smallStrong, role: 'table heading', cell }, align)
      })
      sheet.line(frame.left, y + 4, frame.left + width, y + 4, hairline)
      found.rows.forEach((row, place) =>
        row.forEach((text, column) => {
          if (text === '') return
          const { x, align } = places[column]!
          const cell = { table: 6, row: place + 1, column }
          sheet.text(
            text,
            x,
            y + (place + 1) * rowStep + 2,
            { ...frame.text, role: 'table cell', cell },
            align,
          )
        }),
      )
    },
  }
}
