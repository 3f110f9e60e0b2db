import type { PaperLine } from '../../documents/paper'
import { colourOf, hairline, softInk, type ItemNamedBy, type StripOf } from '../design'
import type { TextStyle } from '../sheet'
import { continuedHead, drawBlocks } from './flow'
import type { Block, Strip } from './strip'
import { told } from '../../said/told'

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
export function lineTable(strip: Strip, look: StripOf<'lines'>, above: number, closing: Block[]): void {
  const { sheet, frame, paper } = strip
  const top = introduction(strip, above)
  const columns = columnsOf(strip, look)
  const rows = paper.lines.map((line) => measure(strip, columns, line))
  let y = headingRow(strip, look, columns, top, false)
  const room = frame.bottom - (frame.continuedTop + 24)

  rows.forEach((row, index) => {
    const last = index === rows.length - 1
    const together = last ? row.height + (closing[0]?.height ?? 0) : row.height
    const fitsAlone = together <= room
    if (row.height > room) {
      sheet.problems.push({
        code: 'too-long',
        sentence: told('layout/line', { n: index + 1, description: row.line.description.slice(0, 40) }),
      })
    }
    // a row that is followed by others leaves room for what is carried forward beneath it
    const below = !last && row.line.carry ? carriedHeight : 0
    if (y + (fitsAlone ? together : row.height) + below > frame.bottom && index > 0)
      y = continuePage(strip, look, columns, y, rows[index - 1]!.line.carry)
    drawRow(strip, look, columns, row, y, index)
    y += row.height
  })
  drawBlocks(strip, y, closing)
}

/** What a letter says before its table. @returns the y below it */
function introduction({ paper, sheet, frame }: Strip, top: number): number {
  if (!paper.intro) return top
  const lines = sheet.wrap(paper.intro, frame.right - frame.left, frame.text)
  lines.forEach((line, index) => sheet.text(line, frame.left, top + 9 + index * 12.5, frame.text))
  return top + lines.length * 12.5 + 16
}

/** What a line calls its item; the house's own code where it has no other. */
function nameOf({ item, codes }: PaperLine, by: ItemNamedBy = 'own'): string {
  if (by === 'none') return ''
  return (by === 'own' ? undefined : codes?.[by]) || item
}

function columnsOf({ paper, sheet, frame }: Strip, { inset, item: by }: StripOf<'lines'>): Column[] {
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
  const item =
    by === 'none'
      ? 0
      : Math.min(
          88,
          Math.max(
            56,
            widest(
              columns.item,
              paper.lines.map((line) => nameOf(line, by)),
            ) + 10,
          ),
        )
  const description = right - left - item - quantity - price - rate - amount
  return [
    {
      x: left,
      width: Math.max(1, item - 8),
      align: 'left',
      heading: by === 'none' ? '' : columns.item,
      value: (line) => nameOf(line, by),
    },
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
  const name = columns[0]!.value(line)
  const item = name ? sheet.wrap(name, columns[0]!.width, frame.text) : []
  const description = sheet.wrap(line.description, columns[1]!.width, frame.text)
  const detail = line.detail ? sheet.wrap(line.detail, columns[1]!.width, frame.small) : []
  const textLines = Math.max(item.length, description.length) + detail.length * 0.92
  return { line, item, description, detail, height: textLines * lineStep + padding * 2 - 2 }
}

/** @returns the y below the heading row */
function headingRow(
  { sheet, frame, design }: Strip,
  { band }: StripOf<'lines'>,
  columns: Column[],
  top: number,
  repeated: boolean,
): number {
  const style: TextStyle = {
    ...frame.smallStrong,
    size: 8,
    colour: band ? '#ffffff' : undefined,
    role: repeated ? 'artifact' : 'table heading',
  }
  if (band) sheet.box(frame.left, top, frame.right - frame.left, 22, colourOf(design, band))
  columns.forEach((column, index) =>
    sheet.text(
      column.heading,
      column.x,
      top + 14,
      { ...style, ...(repeated ? {} : { cell: { table: 0, row: 0, column: index } }) },
      column.align,
    ),
  )
  if (!band) sheet.line(frame.left, top + 20, frame.right, top + 20, '#1a1a1a', 0.9)
  return top + 22
}

function drawRow(
  { sheet, frame, design }: Strip,
  { stripes }: StripOf<'lines'>,
  columns: Column[],
  row: Row,
  top: number,
  index: number,
): void {
  if (stripes && index % 2 === 1)
    sheet.box(frame.left, top, frame.right - frame.left, row.height, colourOf(design, stripes))
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

/** @param carry the sum up to the last row, where the table says one */
function continuePage(
  strip: Strip,
  look: StripOf<'lines'>,
  columns: Column[],
  below: number,
  carry: string | undefined,
): number {
  const { carried = '', broughtForward = '' } = strip.paper.words
  if (carry) carriedRow(strip, look, carried, carry, below)
  strip.sheet.addPage()
  continuedHead(strip)
  const top = headingRow(strip, look, columns, strip.frame.continuedTop, true)
  return carry ? carriedRow(strip, look, broughtForward, carry, top) : top
}

const carriedHeight = 22

/** What a page hands to the next one; beside the table for who hears it read. @returns the y below it */
function carriedRow(
  { sheet, frame }: Strip,
  { inset }: StripOf<'lines'>,
  words: string,
  amount: string,
  top: number,
): number {
  const style: TextStyle = { ...frame.strong, role: 'artifact' }
  const right = frame.right - inset
  sheet.text(words, right - sheet.width(amount, frame.strong) - 14, top + 14, style, 'right')
  sheet.text(amount, right, top + 14, style, 'right')
  return top + carriedHeight
}
