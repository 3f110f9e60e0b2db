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

/** Facts as rows at the right of the address; a value that is too long beside its label goes on below. */
function asRows({ paper, sheet, frame }: Strip, width: number): void {
  const label = { ...frame.text, colour: softInk }
  const x = frame.right - width * mm
  let y = 49 * mm
  paper.facts.forEach((fact, index) => {
    const room = width * mm - sheet.width(fact.label, label) - gap
    sheet.text(fact.label, x, y, { ...label, ...factCell(index, 0) })
    for (const line of sheet.wrap(fact.value, room, frame.text)) {
      sheet.text(line, frame.right, y, { ...frame.text, ...factCell(index, 1) }, 'right')
      y += 14
    }
  })
}

/** Points between a fact and its neighbour, at least. */
const gap = 8

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
  const widths = columnWidths(
    columns.map(
      ({ label, value }) => gap + Math.max(sheet.width(label, frame.small), sheet.width(value, frame.strong)),
    ),
    frame.right - frame.left,
  )
  const perRow = widths.length
  const rows = Math.ceil(columns.length / perRow)
  const rowHeight = 30
  sheet.line(frame.left, top, frame.right, top, colourOf(design, look.rule), 1.4)
  for (let row = 0; row < rows; row++) {
    const cells = columns.slice(row * perRow, (row + 1) * perRow)
    const y = top + row * rowHeight
    let left = frame.left + 6
    cells.forEach((cell, index) => {
      const last = row === rows - 1 && index === cells.length - 1 && cells.length === perRow
      const x = last ? frame.right - 6 : left
      const place = row * perRow + index
      sheet.text(cell.label, x, y + 13, { ...frame.small, ...factCell(place, 0) }, last ? 'right' : 'left')
      sheet.text(cell.value, x, y + 24.5, { ...frame.strong, ...factCell(place, 1) }, last ? 'right' : 'left')
      left += widths[index]!
    })
  }
  const bottom = top + rows * rowHeight + 4
  sheet.line(frame.left, bottom, frame.right, bottom, hairline)
  return bottom + 8 * mm
}

/**
 * How wide the columns of the band are, six at most: alike where everything fits so, else each as wide as it needs
 * with what is left shared; where even that is too much, fewer in a row.
 * @param needs how wide each fact is, in points, in their order
 */
function columnWidths(needs: readonly number[], room: number): number[] {
  const most = needs.length > 6 ? Math.ceil(needs.length / 2) : needs.length
  for (let perRow = most; perRow > 1; perRow--) {
    const widest = Array.from({ length: perRow }, (_, column) =>
      Math.max(...needs.filter((__, index) => index % perRow === column)),
    )
    if (widest.every((need) => need <= room / perRow)) return widest.map(() => room / perRow)
    const left = room - widest.reduce((sum, need) => sum + need, 0)
    if (left >= 0) return widest.map((need) => need + left / perRow)
  }
  return [room]
}
