import type { Paper } from '../documents/paper'
import type { FontMetrics } from './metrics'
import type { LaidOut } from './pages'
import { drawLabels, layOutLabels } from './labels'
import { Sheet } from './sheet'
import { mm, type Design, type StripDesign } from './design'
import { renderers } from './strips'
import { watermark } from './strips/watermark'
import { textBlock } from './strips/closing'
import { continuedHead, drawBlocks } from './strips/flow'
import { footTexts } from './strips/footer'
import { frameOf, type Block, type Renderer, type Strip } from './strips/strip'

/** A strip's renderer; that they fit each other is what the registry's type says of every kind. */
const rendererOf = (look: StripDesign) => renderers[look.strip] as Renderer<StripDesign['strip']>

/**
 * Lays a Paper out on a design: pages of positioned draw operations. Pure; the same input gives the same pages.
 * The strips are drawn in the design's order: those of the head on the first page, the table over as many as it
 * needs with the blocks of the closing below it, and on every page what stands on every page.
 */
export function layOut(paper: Paper, design: Design, metrics: FontMetrics): LaidOut {
  if (paper.labels && !paper.labels.follow) return layOutLabels(paper, design, metrics)
  const size = { width: design.page.width * mm, height: design.page.height * mm }
  const strip: Strip = { paper, design, sheet: new Sheet(metrics, size), frame: frameOf(design) }
  keepFree(strip)
  drawHeadAndTable(strip)
  drawOwnPages(strip)
  for (const look of design.strips) {
    const renderer = rendererOf(look)
    if (renderer.part === 'page') renderer.draw(strip, look)
  }
  if (paper.labels) drawLabels(strip.sheet, paper, design)
  if (paper.rehearsal || paper.copy) watermark(strip)
  return {
    pages: strip.sheet.pages,
    problems: strip.sheet.findings(),
    replaced: strip.sheet.replacements(),
    title: `${paper.heading} ${paper.number}`,
    language: paper.language,
  }
}

function drawHeadAndTable(strip: Strip): void {
  let top = strip.design.page.continuedTop * mm
  let table = false
  for (const look of strip.design.strips) {
    const renderer = rendererOf(look)
    if (renderer.part === 'head') top = renderer.draw(strip, look, top)
    if (renderer.part !== 'table') continue
    renderer.draw(strip, look, top, closingOf(strip))
    table = true
  }
  if (!table) drawBlocks(strip, top, closingOf(strip))
}

const closingOf = (strip: Strip): Block[] =>
  strip.design.strips.flatMap((look) => {
    const renderer = rendererOf(look)
    return renderer.part === 'closing' ? (renderer.block(strip, look) ?? []) : []
  })

/** What stands in the foot of every page takes its room from the page, and so does a label that is peeled off. */
function keepFree(strip: Strip): void {
  strip.frame.bottom -= footTexts(strip).height
  const label = strip.design.strips.find((one) => one.strip === 'peel-off')
  // every sheet of the stationery has one
  if (label && strip.paper.peelOff) strip.frame.bottom = Math.min(strip.frame.bottom, (label.y - 4) * mm)
}

/** Texts of the house on pages of their own, each under its name. */
function drawOwnPages(strip: Strip): void {
  const { sheet, frame, paper } = strip
  for (const { title, text } of paper.pages ?? []) {
    sheet.addPage()
    continuedHead(strip)
    const top = frame.continuedTop
    sheet.text(title, frame.left, top + 4, { ...frame.strong, size: 11, role: 'heading' })
    drawBlocks(strip, top + 8, [textBlock(strip, [text])])
  }
}
