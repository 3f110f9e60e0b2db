import type { PaperLine } from '../../documents/paper'
import { hairline, mm, softInk } from '../design'
import type { TextStyle } from '../sheet'
import type { Block, Strip } from './strip'

interface Column {
  /** Left edge for left-aligned, right edge for right-aligned columns. */
  x: number
  width: number
  align: 'left' | 'right'
  heading: string
  value: (line: PaperLine) => string
}

interface Row {
  line: PaperLine
  item: string[]
  description: string[]
  detail: string[]
  height: number
}

const lineStep = 11.5
const padding = 7

/**
 * The line table over as many pages as it needs: the heading row repeats, a row is never split, and the first
 * closing block (the sums)
 * stays together with the last row. The other blocks follow, each whole.
 */
export function lineTable(strip: Strip, top: number, closing: Block[]): void {
  const { sheet, frame, paper } = strip
  const columns = columnsOf(strip)
  const rows = paper.lines.map((line) => measure(strip, columns, line))
  let y = headingRow(strip, columns, top, false)
  const room = frame.bottom - (frame.continuedTop + 24)

  rows.forEach((row, index) => {
    const last = index === rows.length - 1
    const together = last ? row.height + closing[0]!.height : row.height
    const fitsAlone = together <= room
    if (row.height > room) {
      sheet.problems.push({
        code: 'too-long',
        sentence:
          `Line ${index + 1} (“${row.line.description.slice(0, 40)}…”) is longer than a page. Shorten its ` +
          'description.',
      })
    }
    if (y + (fitsAlone ? together : row.height) > frame.bottom && index > 0) y = continuePage(strip, columns)
    drawRow(strip, columns, row, y, index)
    y += row.height
  })
  const waiting = [...closing]
  while (waiting.length > 0) {
    const block = waiting.shift()!
    const fits = y + block.height <= frame.bottom
    const torn = fits ? null : (block.split?.(frame.bottom - y) ?? null)
    if (torn) waiting.unshift(torn[1])
    if (!fits && !torn) {
      sheet.addPage()
      continuedHead(strip)
      y = frame.continuedTop
      // longer than a whole page: torn on the new one
      const again = y + block.height > frame.bottom ? (block.split?.(frame.bottom - y) ?? null) : null
      if (again) waiting.unshift(again[1])
      const drawn = again ? again[0] : block
      drawn.draw(y)
      y += drawn.height
      continue
    }
    const drawn = torn ? torn[0] : block
    drawn.draw(y)
    y += torn ? frame.bottom - y : drawn.height
  }
}

function columnsOf({ paper, sheet, frame, design }: Strip): Column[] {
  const inset = design.design === 'bold' ? 6 : 0
  const right = frame.right - inset
  const left = frame.left + inset
  const { columns } = paper
  const severalRates = paper.taxes.length > 1
  const widest = (heading: string, values: string[]) =>
    Math.max(
      sheet.width(heading, frame.smallStrong),
      ...values.map((value) => sheet.width(value, frame.text)),
    )
  const amount = Math.max(
    58,
    widest(
      columns.amount,
      paper.lines.map((line) => line.amount),
    ) + 12,
  )
  const rate = severalRates
    ? Math.max(
        34,
        widest(
          columns.rate,
          paper.lines.map((line) => line.rate),
        ) + 10,
      )
    : 0
  const price = !columns.price
    ? 0
    : Math.max(
        52,
        widest(
          columns.price,
          paper.lines.map((line) => line.price),
        ) + 12,
      )
  const quantity = !columns.quantity
    ? 0
    : Math.max(
        46,
        widest(
          columns.quantity,
          paper.lines.map((line) => line.quantity),
        ) + 12,
      )
  const item = Math.min(
    88,
    Math.max(
      56,
      widest(
        columns.item,
        paper.lines.map((line) => line.item),
      ) + 10,
    ),
  )
  const description = right - left - item - quantity - price - rate - amount
  return [
    { x: left, width: item - 8, align: 'left', heading: columns.item, value: (line) => line.item },
    {
      x: left + item,
      width: description - 6,
      align: 'left',
      heading: columns.description,
      value: (line) => line.description,
    },
    ...(quantity
      ? [
          {
            x: right - amount - rate - price,
            width: quantity,
            align: 'right' as const,
            heading: columns.quantity,
            value: (line: PaperLine) => line.quantity,
          },
        ]
      : []),
    ...(price
      ? [
          {
            x: right - amount - rate,
            width: price,
            align: 'right' as const,
            heading: columns.price,
            value: (line: PaperLine) => line.price,
          },
        ]
      : []),
    ...(severalRates
      ? [
          {
            x: right - amount,
            width: rate,
            align: 'right' as const,
            heading: columns.rate,
            value: (line: PaperLine) => line.rate,
          },
        ]
      : []),
    { x: right, width: amount, align: 'right', heading: columns.amount, value: (line) => line.amount },
  ]
}

function measure({ sheet, frame }: Strip, columns: Column[], line: PaperLine): Row {
  const item = sheet.wrap(line.item, columns[0]!.width, frame.text)
  const description = sheet.wrap(line.description, columns[1]!.width, frame.text)
  const detail = line.detail ? sheet.wrap(line.detail, columns[1]!.width, frame.small) : []
  const textLines = Math.max(item.length, description.length) + detail.length * 0.92
  return { line, item, description, detail, height: textLines * lineStep + padding * 2 - 2 }
}

/** @returns the y below the heading row */
function headingRow(
  { sheet, frame, design }: Strip,
  columns: Column[],
  top: number,
  repeated: boolean,
): number {
  const bold = design.design === 'bold'
  const style: TextStyle = {
    ...frame.smallStrong,
    size: 8,
    colour: bold ? '#ffffff' : undefined,
    role: repeated ? 'artifact' : 'table heading',
  }
  if (bold) sheet.box(frame.left, top, frame.right - frame.left, 22, design.colours.brand)
  columns.forEach((column, index) =>
    sheet.text(
      column.heading,
      column.x,
      top + 14,
      { ...style, ...(repeated ? {} : { cell: { table: 0, row: 0, column: index } }) },
      column.align,
    ),
  )
  if (!bold) sheet.line(frame.left, top + 20, frame.right, top + 20, '#1a1a1a', 0.9)
  return top + 22
}

function drawRow(
  { sheet, frame, design }: Strip,
  columns: Column[],
  row: Row,
  top: number,
  index: number,
): void {
  const bold = design.design === 'bold'
  if (bold && index % 2 === 1)
    sheet.box(frame.left, top, frame.right - frame.left, row.height, design.colours.ground)
  const first = top + padding + 8
  const cell = (column: number, text = frame.text): TextStyle => ({
    ...text,
    role: 'table cell',
    cell: { table: 0, row: index + 1, column },
  })
  row.item.forEach((text, n) =>
    sheet.text(text, columns[0]!.x, first + n * lineStep, { ...cell(0), colour: softInk }),
  )
  row.description.forEach((text, n) => sheet.text(text, columns[1]!.x, first + n * lineStep, cell(1)))
  row.detail.forEach((text, n) =>
    sheet.text(
      text,
      columns[1]!.x,
      first + (row.description.length + n * 0.92) * lineStep,
      cell(1, frame.small),
    ),
  )
  columns
    .slice(2)
    .forEach((column, n) => sheet.text(column.value(row.line), column.x, first, cell(n + 2), column.align))
  sheet.line(frame.left, top + row.height, frame.right, top + row.height, hairline, 0.5)
}

function continuePage(strip: Strip, columns: Column[]): number {
  strip.sheet.addPage()
  continuedHead(strip)
  return headingRow(strip, columns, strip.frame.continuedTop, true)
}

/** The short head of a continued page: whose paper this is, and which. */
function continuedHead({ paper, sheet, frame, design }: Strip): void {
  const y = 20 * mm
  sheet.text(paper.brand.name, frame.left, y, {
    ...frame.strong,
    role: 'artifact',
    colour: design.colours.brand,
  })
  sheet.text(
    `${paper.heading} ${paper.number}, ${paper.words.continued}`,
    frame.right,
    y,
    { ...frame.text, role: 'artifact' },
    'right',
  )
  sheet.line(frame.left, y + 5, frame.right, y + 5, hairline)
}
