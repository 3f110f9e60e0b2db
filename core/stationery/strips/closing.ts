import { generate, correction, mode } from 'lean-qr'
import { hairline, mm, softInk } from '../stationery'
import type { Block, Strip } from './strip'

const rowStep = 17

/** Sums, payment, what the law wants said and the customer's note: blocks that are never torn; the first, the sums, stays with the last row of the table. */
export function closing(strip: Strip): Block[] {
  return [sums(strip), payment(strip), note(strip)].filter((block) => block !== null)
}

/** VAT by rate at the left (plain design), the sums at the right; the sum to pay is the strongest thing after the heading. */
function sums(strip: Strip): Block {
  const { paper, sheet, frame, stationery } = strip
  const bold = stationery.design === 'bold'
  const rows = paper.sums.filter((row) => !row.key || !stationery.hiddenSums?.includes(row.key))
  const left = bold ? frame.right - 78 * mm : 122 * mm
  const inset = bold ? 6 : 0
  const height = 14 + rows.length * rowStep + 30
  return {
    height: Math.max(height, bold ? 0 : 40 + paper.taxes.length * 12) + 8,
    draw: (top) => {
      let y = top + 20
      const cell = (row: number, column: number) => ({
        role: 'table cell' as const,
        cell: { table: 1, row: row + 1, column },
      })
      for (const [index, row] of rows.entries()) {
        sheet.text(row.label, left + inset, y, {
          ...(row.strong ? frame.strong : frame.text),
          ...cell(index, 0),
        })
        sheet.text(
          row.amount,
          frame.right - inset,
          y,
          { ...(row.strong ? frame.strong : frame.text), ...cell(index, 1) },
          'right',
        )
        y += rowStep
      }
      const strong = { ...frame.strong, size: 12 }
      if (bold) sheet.box(left, y - 11, frame.right - left, 25, stationery.colours.accent)
      else sheet.line(left, y - 10, frame.right, y - 10, '#1a1a1a', 0.9)
      sheet.text(paper.toPay.label, left + inset, y + 6, { ...strong, ...cell(rows.length, 0) })
      sheet.text(
        paper.toPay.amount,
        frame.right - inset,
        y + 6,
        { ...strong, ...cell(rows.length, 1) },
        'right',
      )
      if (!bold && paper.taxes.length > 0) taxTable(strip, top + 20)
    },
  }
}

function taxTable({ paper, sheet, frame }: Strip, top: number): void {
  const edges = [frame.left, frame.left + 48 * mm, frame.left + 72 * mm]
  const row = (texts: string[], y: number, style: typeof frame.small, place: number) =>
    texts.forEach((text, index) =>
      sheet.text(
        text,
        edges[index]!,
        y,
        {
          ...style,
          role: place === 0 ? 'table heading' : 'table cell',
          cell: { table: 2, row: place, column: index },
        },
        index === 0 ? 'left' : 'right',
      ),
    )
  row([paper.words.tax, paper.words.base, paper.words.taxAmount], top, frame.smallStrong, 0)
  paper.taxes.forEach((tax, index) =>
    row([tax.rate, tax.base, tax.tax], top + 15 + index * 12, frame.small, index + 1),
  )
}

/** How to pay, with the payment code; nothing at all when nothing is to pay. */
function payment(strip: Strip): Block | null {
  const { paper, sheet, frame, stationery } = strip
  const facts = paper.payment
  if (!facts) return null
  const bold = stationery.design === 'bold'
  const codeSize = 24 * mm
  const inset = bold ? 10 : 0
  const textLeft = frame.left + inset + (facts.code ? codeSize + 12 : 0)
  const width = frame.right - textLeft - inset
  const title = bold
    ? { family: stationery.headingFamily, weight: 700, size: 11, colour: stationery.colours.brand }
    : frame.strong
  const lines = [...facts.lines, facts.codeCaption]
    .filter(Boolean)
    .flatMap((line) => sheet.wrap(line, width, frame.text))
  const textHeight = 16 + lines.length * 12.5
  const inner = Math.max(facts.code ? codeSize : 0, textHeight)
  return {
    height: inner + (bold ? 44 : 34),
    draw: (top) => {
      const y = top + 16
      if (bold) sheet.box(frame.left, y, frame.right - frame.left, inner + 20, stationery.colours.ground)
      else sheet.line(frame.left, y, frame.right, y, hairline)
      const contentTop = y + (bold ? 10 : 10)
      if (facts.code) {
        if (bold) sheet.box(frame.left + inset - 3, contentTop - 3, codeSize + 6, codeSize + 6, '#ffffff')
        if (paper.issued)
          sheet.modules(frame.left + inset, contentTop, codeSize, qrRows(facts.code), facts.codeCaption)
        else sheet.box(frame.left + inset, contentTop, codeSize, codeSize, '#eceeec')
      }
      const textTop = contentTop + (bold ? Math.max(0, (inner - textHeight) / 2) : 0) + 10
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

function note({ paper, sheet, frame }: Strip): Block | null {
  const parts = [...(paper.legal ?? []), paper.customerNote ?? ''].filter((part) => part !== '')
  if (parts.length === 0) return null
  const lines = parts.flatMap((part) => sheet.wrap(part, frame.right - frame.left, frame.text))
  return {
    height: 14 + lines.length * 12,
    draw: (top) =>
      lines.forEach((line, index) => sheet.text(line, frame.left, top + 18 + index * 12, frame.text)),
  }
}

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
