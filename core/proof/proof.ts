import type { FontMetrics } from '../designs/metrics'
import type { LaidOut } from '../designs/pages'
import { Sheet, type TextStyle } from '../designs/sheet'

/*
 * The pages that stand before a document in its proof: what it is, how it went and to whom, what the servers said, and
 * its history. For whoever says that they never received it.
 */

/** A line of facts: what it is, and what it says; the words are ready to print. */
export type Fact = readonly [label: string, value: string]

export interface ProofFacts {
  /** "Invoice INV-2026-00042" */
  title: string
  /** When and by whom the proof was made, in words. */
  made: string
  document: Fact[]
  /** Each email and print job, oldest first. */
  sendings: { title: string; facts: Fact[] }[]
  history: { at: string; words: string }[]
}

/** Points. */
const page = { width: 595.28, height: 841.89, left: 56, right: 56, top: 62, bottom: 64 }
const labelWidth = 118
const soft = '#51656a'
const rule = '#cfdbd6'
const text: TextStyle = { family: 'Source Sans 3', weight: 400, size: 9.5 }
const strong: TextStyle = { ...text, weight: 600 }
const lineHeight = 13

/** Lays the pages out, top to bottom, as many as it takes. Pure. */
export function layOutProof(facts: ProofFacts, metrics: FontMetrics): LaidOut {
  const sheet = new Sheet(metrics, page)
  const width = page.width - page.left - page.right
  let y = page.top

  /** Makes room for so many points, on a new page where this one has none. */
  const room = (points: number) => {
    if (y + points <= page.height - page.bottom) return
    sheet.addPage()
    y = page.top
  }
  const paragraph = (words: string, style: TextStyle, x = page.left, wide = width) => {
    for (const line of sheet.wrap(words, wide, style)) {
      room(lineHeight)
      sheet.text(line, x, y, style)
      y += lineHeight
    }
  }
  const section = (words: string) => {
    // never alone at a page's foot
    room(4 * lineHeight)
    y += 10
    sheet.text(words, page.left, y, { ...strong, size: 11.5, role: 'heading' })
    sheet.line(page.left, y + 5, page.left + width, y + 5, rule)
    y += lineHeight + 8
  }
  const row = (label: string, value: string) => {
    const lines = sheet.wrap(value, width - labelWidth, text)
    room(Math.min(lines.length, 3) * lineHeight)
    sheet.text(label, page.left, y, { ...text, colour: soft })
    lines.forEach((line, index) => {
      if (index > 0) room(lineHeight)
      sheet.text(line, page.left + labelWidth, y, text)
      y += lineHeight
    })
  }

  sheet.text(`Proof of sending: ${facts.title}`, page.left, y, { ...strong, size: 16, role: 'heading' })
  y += 22
  paragraph(facts.made, { ...text, colour: soft })
  section('The document')
  for (const [label, value] of facts.document) row(label, value)
  facts.sendings.forEach((sending) => {
    section(sending.title)
    for (const [label, value] of sending.facts) row(label, value)
  })
  section('History')
  for (const { at, words } of facts.history) row(at, words)
  sheet.pages.forEach((_, index) =>
    sheet.onPage(index, () =>
      sheet.text(
        `${facts.title} · page ${index + 1} of ${sheet.pages.length} before the document`,
        page.left,
        page.height - 36,
        { ...text, size: 8, colour: soft, role: 'artifact' },
      ),
    ),
  )
  return {
    pages: sheet.pages,
    // what cannot be drawn is drawn as a box: a proof is not refused for a sign in somebody's name
    problems: [],
    replaced: sheet.replacements(),
    title: `Proof of sending: ${facts.title}`,
    language: 'en',
  }
}
