import { generate, correction, mode } from 'lean-qr'
import type { TextStyle } from '../sheet'
import { colourOf, hairline, mm, softInk, type StripOf } from '../design'
import type { Block, Strip } from './strip'
import { told } from '../../said/told'

const rowStep = 17

/**
 * Base, rate and tax of every rate at the left, the sums at the right; the sum to pay is the strongest thing
 * after the heading.
 */
export function sums(strip: Strip, { width, inset, box, hidden }: StripOf<'sums'>): Block {
  const { paper, sheet, frame, design } = strip
  const left = frame.right - width * mm
  const strong = { ...frame.strong, size: 12 }
  const rows = paper.sums
    .filter((row) => !row.key || !hidden.includes(row.key))
    .map((row) => {
      const style = row.strong ? frame.strong : frame.text
      return { ...row, style, lines: labelLines(strip, row, style, frame.right - left - 2 * inset) }
    })
  const toPay = labelLines(strip, paper.toPay, strong, frame.right - left - 2 * inset)
  const rowsHeight = rows.reduce((height, row) => height + rowStep + (row.lines.length - 1) * labelStep, 0)
  const height = 14 + rowsHeight + 30 + (toPay.length - 1) * 14
  const taxes = taxTable(strip, left - 10)
  return {
    height: Math.max(height, taxes.height) + 8,
    draw: (top) => {
      let y = top + 20
      const cell = (row: number, column: number) => ({
        role: 'table cell' as const,
        cell: { table: 1, row: row + 1, column },
      })
      for (const [index, row] of rows.entries()) {
        row.lines.forEach((line, n) =>
          sheet.text(line, left + inset, y + n * labelStep, { ...row.style, ...cell(index, 0) }),
        )
        y += (row.lines.length - 1) * labelStep
        sheet.text(row.amount, frame.right - inset, y, { ...row.style, ...cell(index, 1) }, 'right')
        y += rowStep
      }
      const extra = (toPay.length - 1) * 14
      if (box) sheet.box(left, y - 11, frame.right - left, 25 + extra, colourOf(design, box))
      else sheet.line(left, y - 10, frame.right, y - 10, '#1a1a1a', 0.9)
      toPay.forEach((line, n) =>
        sheet.text(line, left + inset, y + 6 + n * 14, { ...strong, ...cell(rows.length, 0) }),
      )
      sheet.text(
        paper.toPay.amount,
        frame.right - inset,
        y + 6 + extra,
        { ...strong, ...cell(rows.length, 1) },
        'right',
      )
      taxes.draw(top + 20)
    },
  }
}

const labelStep = 11.5

/** A sum's label in as many lines as leave room for its amount; a sum that leaves no room at all is a problem. */
function labelLines(
  { sheet }: Strip,
  { label, amount }: { label: string; amount: string },
  style: TextStyle,
  width: number,
): string[] {
  const room = width - sheet.width(amount, style) - 10
  if (room >= 60 || sheet.width(label, style) <= room) return sheet.wrap(label, room, style)
  sheet.problems.push({
    code: 'too-long',
    sentence: told('layout/sum', { amount, label }),
  })
  return [label]
}

/** One row a rate: what is taxed, the rate and the tax (Directive 2006/112/EC, article 226, points 8 to 10). */
function taxTable({ paper, sheet, frame }: Strip, right: number): Block {
  if (paper.taxes.length === 0) return { height: 0, draw: () => {} }
  const rows = [
    [paper.words.tax, paper.words.base, paper.words.taxAmount],
    ...paper.taxes.map((tax) => [tax.rate, tax.base, tax.tax]),
  ]
  const widest = (column: number) =>
    Math.max(
      ...rows.map((row, place) => sheet.width(row[column]!, place === 0 ? frame.smallStrong : frame.small)),
    )
  const gap = 14
  const numbers = widest(1) + gap + widest(2)
  const room = right - frame.left - numbers - gap
  const rateLines = rows.map((row, place) =>
    sheet.wrap(row[0]!, Math.max(40, room), place === 0 ? frame.smallStrong : frame.small),
  )
  if (room < 40)
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/tax', { tax: rows[1]![2]!, base: rows[1]![1]! }),
    })
  const first = Math.max(48 * mm - widest(1), Math.min(room, widest(0)) + gap)
  const edges = [
    frame.left,
    Math.min(frame.left + first + widest(1), right - widest(2) - gap),
    Math.min(Math.max(frame.left + 72 * mm, frame.left + first + numbers), right),
  ]
  const step = (place: number) => 12 + (rateLines[place]!.length - 1) * 9.5
  const height = 40 + rows.slice(1).reduce((total, _, index) => total + step(index + 1), 0)
  return {
    height,
    draw: (top) => {
      let y = top
      rows.forEach((row, place) => {
        const style = {
          ...(place === 0 ? frame.smallStrong : frame.small),
          role: place === 0 ? ('table heading' as const) : ('table cell' as const),
        }
        const cell = (column: number) => ({ ...style, cell: { table: 2, row: place, column } })
        rateLines[place]!.forEach((line, n) => sheet.text(line, edges[0]!, y + n * 9.5, cell(0)))
        sheet.text(row[1]!, edges[1]!, y, cell(1), 'right')
        sheet.text(row[2]!, edges[2]!, y, cell(2), 'right')
        y += place === 0 ? 15 : step(place)
      })
    },
  }
}

/** How to pay, with the payment code; nothing at all when nothing is to pay. */
export function payment(strip: Strip, look: StripOf<'payment'>): Block | null {
  const { paper, sheet, frame, design } = strip
  const facts = paper.payment
  if (!facts) return null
  const { box } = look
  const codeSize = 24 * mm
  const inset = box ? 10 : 0
  const textLeft = frame.left + inset + (facts.code ? codeSize + 12 : 0)
  const width = frame.right - textLeft - inset
  const title = look.title
    ? { family: design.fonts.heading, weight: 700, size: 11, colour: colourOf(design, look.title) }
    : frame.strong
  const lines = [...facts.lines, facts.codeCaption]
    .filter(Boolean)
    .flatMap((line) => sheet.wrap(line, width, frame.text))
  const textHeight = 16 + lines.length * 12.5
  const inner = Math.max(facts.code ? codeSize : 0, textHeight)
  return {
    height: inner + (box ? 44 : 34),
    draw: (top) => {
      const y = top + 16
      if (box) sheet.box(frame.left, y, frame.right - frame.left, inner + 20, colourOf(design, box))
      else sheet.line(frame.left, y, frame.right, y, hairline)
      const contentTop = y + 10
      if (facts.code) {
        if (box) sheet.box(frame.left + inset - 3, contentTop - 3, codeSize + 6, codeSize + 6, '#ffffff')
        if (paper.issued)
          sheet.modules(frame.left + inset, contentTop, codeSize, qrRows(facts.code), facts.codeCaption)
        else sheet.box(frame.left + inset, contentTop, codeSize, codeSize, '#eceeec')
      }
      const textTop = contentTop + (box ? Math.max(0, (inner - textHeight) / 2) : 0) + 10
      sheet.text(facts.title, textLeft, textTop, title)
      lines.forEach((line, index) =>
        sheet.text(
          line,
          textLeft,
          textTop + 15 + index * 12.5,
          line === facts.codeCaption ? { ...frame.text, colour: softInk } : frame.text,
        ),
      )
    },
  }
}

/**
 * What the law wants said and the customer's note; a long one begins on the page where it has room for at
 * least two lines, and leaves no lone line.
 */
export function note(strip: Strip): Block | null {
  const { paper } = strip
  const parts = [...(paper.legal ?? []), ...(paper.paragraphs ?? []), paper.customerNote ?? ''].filter(
    (part) => part !== '',
  )
  return parts.length === 0 ? null : textBlock(strip, parts)
}

/** Paragraphs over the whole width; torn where at least two lines are left on either side. */
export function textBlock({ sheet, frame }: Strip, parts: readonly string[]): Block {
  const lines = parts.flatMap((part) => sheet.wrap(part, frame.right - frame.left, frame.text))
  const block = (some: readonly string[]): Block => ({
    height: 14 + some.length * noteStep,
    draw: (top) =>
      some.forEach((line, index) => sheet.text(line, frame.left, top + 18 + index * noteStep, frame.text)),
    split: (room) => {
      const fits = Math.min(Math.floor((room - 14) / noteStep), some.length - 2)
      return fits < 2 ? null : [block(some.slice(0, fits)), block(some.slice(fits))]
    },
  })
  return block(lines)
}

const noteStep = 12

/** QR modules, "1" dark: ISO/IEC 18004, error correction M as EPC069-12 asks, byte mode in UTF-8. */
function qrRows(text: string): string[] {
  const code = generate(mode.bytes(new TextEncoder().encode(text)), {
    minCorrectionLevel: correction.M,
    maxCorrectionLevel: correction.M,
  })
  return Array.from({ length: code.size }, (_, y) =>
    Array.from({ length: code.size }, (_, x) => (code.get(x, y) ? '1' : '0')).join(''),
  )
}
