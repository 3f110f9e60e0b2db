import { hairline, mm, softInk } from '../design'
import type { Block, Strip } from './strip'

const rowStep = 14
/** A dash and the gap after it. */
const dash = 3 * mm

/**
 * What the payer cuts off and sends back: whose payment it is and what it is for, beside fields to be written in.
 * Nothing at all where nothing is to pay.
 */
export function slip({ paper, sheet, frame }: Strip): Block | null {
  const facts = paper.slip
  if (!facts) return null
  const middle = (frame.left + frame.right) / 2 + 10
  const rows = Math.max(facts.rows.length, facts.fields.length)
  return {
    height: 62 + rows * rowStep,
    atFoot: true,
    draw: (top) => {
      const cut = top + 20
      for (let x = frame.left; x < frame.right - dash; x += 2 * dash)
        sheet.line(x, cut, x + dash, cut, softInk)
      sheet.text(facts.title, frame.left, cut + 20, { ...frame.strong, size: 11, role: 'heading' })
      facts.rows.forEach(({ label, value }, place) => {
        const y = cut + 38 + place * rowStep
        const cell = (column: number) => ({ cell: { table: 5, row: place + 1, column } })
        sheet.text(label, frame.left, y, { ...frame.text, role: 'table cell', ...cell(0) })
        sheet.text(value, middle - 24, y, { ...frame.strong, role: 'table cell', ...cell(1) }, 'right')
      })
      facts.fields.forEach((field, place) => {
        const y = cut + 38 + place * (rowStep + 8)
        sheet.text(field, middle, y, frame.text)
        const from = middle + sheet.width(field, frame.text) + 6
        sheet.line(from, y + 2, frame.right, y + 2, hairline)
      })
    },
  }
}
