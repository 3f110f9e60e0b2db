import type { Paper, PaperLabel } from '../documents/paper'
import { labelFormats, placesOf } from '../shipping/label-formats'
import { ssccWords } from '../shipping/sscc'
import { barsOf } from './bars'
import { drawCrosses } from './crosses'
import { mm, type Design } from './design'
import type { FontMetrics } from './metrics'
import type { LaidOut } from './pages'
import { Sheet, type TextStyle } from './sheet'
import { watermark } from './strips/watermark'
import { frameOf } from './strips/strip'
import { told } from '../said/told'

/** Millimetres that stay free around what is drawn on a label. */
const margin = 5
/** Of the bars, in points: a module that hand scanners read, and one of GS1's for logistic units (0.495 mm or more). */
const trackingModule = 0.35 * mm
const ssccModule = 0.5 * mm

interface Area {
  left: number
  right: number
  top: number
  bottom: number
}

/**
 * Lays out shipping labels in the fonts of a design, each in its place on its sheet. The carrier's own label is put
 * into the place instead where there is one. An address that does not fit is a problem, never cut.
 */
export function layOutLabels(paper: Paper, design: Design, metrics: FontMetrics): LaidOut {
  const { page } = labelFormats[paper.labels!.printing.format]
  const sheet = new Sheet(metrics, { width: page.width * mm, height: page.height * mm }, 0)
  drawLabels(sheet, paper, design)
  if (paper.rehearsal || paper.copy)
    watermark({ paper, design, sheet, frame: frameOf(onOwnPage(design, page)) })
  return {
    pages: sheet.pages,
    problems: sheet.findings(),
    replaced: sheet.replacements(),
    title: `${paper.heading} ${paper.number}`,
    language: paper.language,
  }
}

/** Draws labels on sheets of their own, behind whatever a sheet holds already. */
export function drawLabels(sheet: Sheet, paper: Paper, design: Design): void {
  const { printing, of: labels } = paper.labels!
  const { page, label: size } = labelFormats[printing.format]
  const before = sheet.pages.length
  placesOf(printing, labels.length).forEach(({ sheet: onSheet, x, y }, place) => {
    while (sheet.pages.length - before <= onSheet)
      sheet.addPage({ width: page.width * mm, height: page.height * mm })
    const label = labels[place]!
    if (paper.crosses) drawCrosses(sheet, { x, y, ...size }, design.fonts.text)
    if (label.file)
      sheet.place(label.file, x * mm, y * mm, size.width * mm, size.height * mm, wordsOf(paper, label))
    else
      draw(sheet, paper, design, label, {
        left: (x + margin) * mm,
        right: (x + size.width - margin) * mm,
        top: (y + margin) * mm,
        bottom: (y + size.height - margin) * mm,
      })
  })
}

const onOwnPage = (design: Design, { width, height }: { width: number; height: number }): Design => ({
  ...design,
  page: { ...design.page, width, height, left: margin, right: margin, bottom: margin },
})

const wordsOf = ({ heading }: Paper, { parcel, tracking }: PaperLabel) =>
  `${heading}, ${parcel}, ${tracking.label} ${tracking.value}`

function draw(sheet: Sheet, paper: Paper, design: Design, label: PaperLabel, area: Area): void {
  const family = design.fonts.text
  const small: TextStyle = { family, weight: 400, size: 7 }
  const strong: TextStyle = { family, weight: 600, size: 9 }
  const width = area.right - area.left
  const sender = fitted(sheet, label.from ?? paper.brand.senderLine, width, small, 2)
  sender.forEach((line, place) => sheet.text(line, area.left, area.top + 7 + place * 8.5, small))
  let y = area.top + 7 + sender.length * 8.5
  sheet.line(area.left, y, area.right, y, '#000000', 0.75)
  // from the foot upwards: bars keep their size, the address gets the rest
  let foot = area.bottom
  if (label.sscc) {
    bars(
      sheet,
      'gs1-128',
      `(00)${label.sscc}`,
      area.left,
      foot - 60,
      width,
      ssccModule,
      48,
      ssccWords(label.sscc),
    )
    sheet.text(ssccWords(label.sscc), area.left + width / 2, foot - 2, { ...small, size: 8 }, 'centre')
    foot -= 66
  }
  const { tracking } = label
  bars(
    sheet,
    'code128',
    tracking.bars,
    area.left,
    foot - 66,
    width,
    trackingModule,
    54,
    `${tracking.label} ${tracking.value}`,
  )
  sheet.text(
    `${tracking.label} ${tracking.value}`,
    area.left + width / 2,
    foot - 2,
    { ...strong, size: 8 },
    'centre',
  )
  foot -= 74
  const rows = label.rows.map((row) => `${row.label} ${row.value}`).join('  ·  ')
  const said = fitted(sheet, rows, width, small, 2)
  said.forEach((line, place) =>
    sheet.text(line, area.left, foot - (said.length - 1 - place) * 8.5 - 2, small),
  )
  foot -= said.length * 8.5 + 4
  sheet.text(label.parcel, area.left, foot - 2, { ...strong, size: 12 })
  sheet.text(label.weight, area.right, foot - 2, { ...strong, size: 12 }, 'right')
  foot -= 17
  const service = fitted(sheet, `${label.carrier} · ${label.service}`, width, { ...strong, size: 11 }, 2)
  service.forEach((line, place) =>
    sheet.text(line, area.left, foot - (service.length - 1 - place) * 13, { ...strong, size: 11 }),
  )
  foot -= service.length * 13 + 2
  sheet.line(area.left, foot, area.right, foot, '#000000', 0.75)
  y += 6
  address(sheet, label.to, { family, weight: 600, size: 0 }, { ...area, top: y, bottom: foot - 4 })
}

/** Lines of a small text; what does not fit in so many is left out of it. */
const fitted = (sheet: Sheet, text: string, width: number, style: TextStyle, most: number): string[] =>
  sheet.wrap(text, width, style).slice(0, most)

const addressSizes = [16, 14, 12.5, 11, 10, 9, 8]

/** The address as large as it fits: the first line strong. */
function address(sheet: Sheet, lines: readonly string[], style: TextStyle, area: Area): void {
  const width = area.right - area.left
  for (const size of addressSizes) {
    const drawn = lines.flatMap((line, place) =>
      sheet
        .wrap(line, width, { ...style, size, weight: place === 0 ? 600 : 400 })
        .map((text) => ({ text, weight: place === 0 ? 600 : 400 })),
    )
    if (drawn.length * size * 1.2 > area.bottom - area.top) continue
    drawn.forEach(({ text, weight }, place) =>
      sheet.text(text, area.left, area.top + size + place * size * 1.2, {
        ...style,
        size,
        weight,
        role: 'heading',
      }),
    )
    return
  }
  sheet.problems.push({
    code: 'too-long',
    sentence: told('layout/label', { name: lines[0] ?? '' }),
  })
}

/** Bars in the middle of a width, as wide as their module makes them, narrower where there is no room. */
function bars(
  sheet: Sheet,
  code: 'code128' | 'gs1-128',
  text: string,
  left: number,
  top: number,
  width: number,
  module: number,
  height: number,
  alt: string,
): void {
  const widths = barsOf(text, code)
  if (!widths) return
  const modules = widths.reduce((sum, one) => sum + one, 0)
  const drawn = Math.min(modules * module, width)
  sheet.bars(left + (width - drawn) / 2, top, drawn, height, widths, alt)
}
