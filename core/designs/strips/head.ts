import { a4, hairline, mm, softInk } from '../design'
import type { TextStyle } from '../sheet'
import type { Strip } from './strip'

/**
 * Everything above the line table on the first page. The address stands where a window envelope (DIN 680, DL)
 * shows it:
 * 20 mm from the left, 45 to 90 mm from the top, with the sender's line above.
 * @returns the y the table may begin at
 */
export function head(strip: Strip): number {
  letterhead(strip)
  address(strip)
  return strip.design.design === 'bold' ? boldFacts(strip) : plainFacts(strip)
}

function letterhead(strip: Strip): void {
  const { paper, design, sheet, frame } = strip
  const bold = design.design === 'bold'
  const { logo, headingFamily, colours } = design
  const top = 14 * mm
  const boxHeight = 12 * mm
  if (bold) sheet.box(0, 0, a4.width, 35 * mm, colours.brand)
  let x = frame.left
  if (logo) {
    const width = logo.width * mm
    const height = width / logo.ratio
    sheet.picture(x, top + (boxHeight - height) / 2, width, height, logo.picture, paper.brand.name)
    x += width + 4 * mm
  }
  if (bold) {
    const style = {
      family: headingFamily,
      weight: 700,
      size: 19,
      colour: '#ffffff',
      role: 'paragraph' as const,
    }
    const heading = { ...style, size: 22 }
    const room = frame.right - Math.max(sheet.width(paper.heading, heading), 30 * mm) - 6 * mm - x
    brandName(strip, x, top + boxHeight / 2, { ...style, sizes: [19, 16, 13.5, 11.5] }, room, 2)
    sheet.text(paper.heading, frame.right, top + 6.6 * mm, { ...heading, role: 'heading' }, 'right')
    sheet.text(
      paper.number,
      frame.right,
      top + 12 * mm,
      { ...frame.text, size: 10, colour: '#ffffff', role: 'heading' },
      'right',
    )
    return
  }
  const style = { family: headingFamily, weight: 600, size: 13.5 }
  brandName(strip, x, top + boxHeight / 2, { ...style, sizes: [13.5, 12, 10.5, 9] }, 62 * mm, 3)
}

/** The brand's name beside its logo, around a middle line: as large as it fits in so many lines, never cut. */
function brandName(
  { paper, sheet }: Strip,
  x: number,
  middle: number,
  { sizes, ...style }: TextStyle & { sizes: readonly number[] },
  width: number,
  most: number,
): void {
  const { name } = paper.brand
  const wrapped = (size: number) =>
    balanced(name, Math.min(width, size > 12 ? 52 * mm : width), (text, room) =>
      sheet.wrap(text, room, { ...style, size }),
    )
  const wide = (size: number) => sheet.width(name, { ...style, size }) <= width
  const one = sizes.find((size) => wide(size) && (style.weight === 700 || size === sizes[0]))
  const size = one ?? sizes.find((tried) => wrapped(tried).length <= most) ?? sizes.at(-1)!
  const lines = one !== undefined && style.weight === 700 ? [name] : wrapped(size)
  if (lines.length > most)
    sheet.problems.push({
      code: 'too-long',
      sentence: `The name “${name}” is too long for the head of a document. Shorten it under Company, Identity.`,
    })
  const step = size * 1.19
  const first =
    middle - ((lines.length - 1) * step) / 2 + sheet.metrics.capHeight(style.family, style.weight, size) / 2
  lines.forEach((line, index) => sheet.text(line, x, first + index * step, { ...style, size }))
}

/** Lines of about the same length: the narrowest width that needs no more lines. */
function balanced(text: string, width: number, wrap: (text: string, width: number) => string[]): string[] {
  let lines = wrap(text, width)
  for (let narrower = width - 4; narrower > width / 2; narrower -= 4) {
    const tried = wrap(text, narrower)
    if (tried.length > lines.length) break
    lines = tried
  }
  return lines
}

function address({ paper, design, sheet, frame }: Strip): void {
  const senderY = 48.5 * mm
  const width = 85 * mm
  const sender = paper.brand.senderLine
  const size = [6.8, 6.2, 5.6].find((tried) => sheet.width(sender, { ...frame.small, size: tried }) <= width)
  const small = { ...frame.small, size: size ?? 5.6 }
  if (size === undefined)
    sheet.problems.push({
      code: 'too-long',
      sentence:
        `The sender’s line above the address, “${sender}”, is longer than the envelope’s window. Shorten ` +
        'the brand’s name or address under Company, Identity.',
    })
  sheet.text(sender, frame.left, senderY, small)
  sheet.line(
    frame.left,
    senderY + 2.4,
    frame.left + Math.min(width, sheet.width(sender, small)),
    senderY + 2.4,
    hairline,
    0.4,
  )
  const step = 12.8
  let y = senderY + 6.5 * mm
  paper.recipient.lines.forEach((line, index) => {
    const style = { ...(index === 0 && design.design === 'bold' ? frame.strong : frame.text), size: 10 }
    for (const part of sheet.wrap(line, width, style)) {
      if (y > 90 * mm) {
        sheet.problems.push({
          code: 'too-long',
          sentence:
            `The address of ${paper.recipient.lines[0]} has more lines than the envelope's window shows. ` +
            'Shorten it to eight.',
        })
        return
      }
      sheet.text(part, frame.left, y, style)
      y += step
    }
  })
}

const factCell = (row: number, column: number) => ({
  role: 'table cell' as const,
  cell: { table: 3, row: row + 1, column },
})

/** Facts as rows at the right of the address; the heading below. */
function plainFacts({ paper, design, sheet, frame }: Strip): number {
  const label = { ...frame.text, colour: softInk }
  const x = 125 * mm
  paper.facts.forEach((fact, index) => {
    const y = 49 * mm + index * 14
    sheet.text(fact.label, x, y, { ...label, ...factCell(index, 0) })
    sheet.text(fact.value, frame.right, y, { ...frame.text, ...factCell(index, 1) }, 'right')
  })
  const style = {
    family: design.headingFamily,
    weight: 600,
    size: 19,
    colour: design.colours.brand,
    role: 'heading' as const,
  }
  sheet.text(`${paper.heading} ${paper.number}`, frame.left, 104 * mm, style)
  return 112 * mm
}

/** Facts as a band of columns between rules; the heading stands in the letterhead's band. */
function boldFacts({ paper, design, sheet, frame }: Strip): number {
  const top = 88 * mm
  const columns = [
    ...paper.facts.map((fact) => ({ label: fact.label, value: fact.value })),
    { label: paper.toPay.label, value: paper.toPay.amount },
  ]
  const perRow = columns.length > 6 ? Math.ceil(columns.length / 2) : columns.length
  const rows = Math.ceil(columns.length / perRow)
  const rowHeight = 30
  sheet.line(frame.left, top, frame.right, top, design.colours.brand, 1.4)
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
