import { colourOf, hairline, mm, softInk, type StripOf } from '../design'
import type { Strip } from './strip'

/** Number, date and what else is said of the document at a glance. */
export function facts(strip: Strip, look: StripOf<'facts'>, above: number): number {
  if (look.as === 'columns') return asColumns(strip, look)
  asRows(strip, look.width)
  return above
}

const factCell = (row: number, column: number) => ({
  role: 'table cell' as const,
  cell: { table: 3, row: row + 1, column },
})

/** Facts as rows at the right of the address. */
function asRows({ paper, sheet, frame }: Strip, width: number): void {
  const label = { ...frame.text, colour: softInk }
  const x = frame.right - width * mm
  paper.facts.forEach((fact, index) => {
    const y = 49 * mm + index * 14
    sheet.text(fact.label, x, y, { ...label, ...factCell(index, 0) })
    sheet.text(fact.value, frame.right, y, { ...frame.text, ...factCell(index, 1) }, 'right')
  })
}

/** Facts as a band of columns between rules. */
function asColumns(
  { paper, design, sheet, frame }: Strip,
  look: Extract<StripOf<'facts'>, { as: 'columns' }>,
): number {
  const top = look.top * mm
  const columns = [
    ...paper.facts.map((fact) => ({ label: fact.label, value: fact.value })),
    ...(look.withSumToPay ? [{ label: paper.toPay.label, value: paper.toPay.amount }] : []),
  ]
  const perRow = columns.length > 6 ? Math.ceil(columns.length / 2) : columns.length
  const rows = Math.ceil(columns.length / perRow)
  const rowHeight = 30
  sheet.line(frame.left, top, frame.right, top, colourOf(design, look.rule), 1.4)
  for (let row = 0; row < rows; row++) {
    const cells = columns.slice(row * perRow, (row + 1) * perRow)
    const y = top + row * rowHeight
    const width = (frame.right - frame.left) / perRow
    cells.forEach((cell, index) => {
      const last = row === rows - 1 && index === cells.length - 1 && cells.length === perRow
      const x = last ? frame.right - 6 : frame.left + 6 + index * width
      const place = row * perRow + index
      sheet.text(cell.label, x, y + 13, { ...frame.small, ...factCell(place, 0) }, last ? 'right' : 'left')
      sheet.text(cell.value, x, y + 24.5, { ...frame.strong, ...factCell(place, 1) }, last ? 'right' : 'left')
    })
  }
  const bottom = top + rows * rowHeight + 4
  sheet.line(frame.left, bottom, frame.right, bottom, hairline)
  return bottom + 8 * mm
}
