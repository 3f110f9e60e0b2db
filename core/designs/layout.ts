import type { Paper } from '../documents/paper'
import type { FontMetrics } from './metrics'
import type { LaidOut } from './pages'
import { Sheet } from './sheet'
import type { Design } from './design'
import { footer } from './strips/footer'
import { watermark } from './strips/watermark'
import { head } from './strips/head'
import { lineTable } from './strips/lines'
import { closing } from './strips/closing'
import { frameOf, type Strip } from './strips/strip'

/**
 * Lays a Paper out on a design: pages of positioned draw operations. Pure; the same input gives the same pages.
 * Order of the strips: head (letterhead, address, facts, heading), the line table, closing (sums, payment,
 * note), footer on every page.
 */
export function layOut(paper: Paper, design: Design, metrics: FontMetrics): LaidOut {
  const strip: Strip = { paper, design, sheet: new Sheet(metrics), frame: frameOf(design) }
  const end = head(strip)
  lineTable(strip, end, closing(strip))
  footer(strip)
  if (paper.rehearsal || paper.copy) watermark(strip)
  return {
    pages: strip.sheet.pages,
    problems: strip.sheet.findings(),
    replaced: strip.sheet.replacements(),
    title: `${paper.heading} ${paper.number}`,
    language: paper.language,
  }
}
