import type { Paper } from '../../core/documents/paper'
import { layOut } from '../../core/designs/layout'
import { FontMetrics } from '../../core/designs/metrics'
import { shippedFaces } from '../../core/designs/shipped-faces'
import type { LayoutProblem } from '../../core/designs/pages'
import type { Design } from '../../core/designs/design'
import { layOutProof, type ProofFacts } from '../../core/proof/proof'
import type { Told } from '../../core/said/told'
import { config } from '../config'
import { PdfkitPainter } from './pdfkit-painter'
import { withPlaced } from './placed'
import { withDocument } from './proof'

/**
 * One worker thread: fonts are loaded once, then papers are laid out and painted here, never on an event loop
 * that serves people.
 * Called by the pool in pool.ts; keeps nothing but fonts, so a thread that dies loses nothing.
 */
export interface RenderTask {
  paper: Paper
  design: Design
  /** The bytes of the design's pictures and of what is placed from other PDFs, by their hash. */
  pictures: ReadonlyMap<string, Uint8Array>
  /** ISO instant; the PDF's creation date. */
  madeAt: string
  /** Only lay out and answer what is wrong, without painting. */
  layoutOnly: boolean
}

/** Several PDFs into one, in a thread as well. */
export { merge } from './merge'

export interface Rendered {
  bytes: Uint8Array | null
  pages: number
  problems: LayoutProblem[]
  /** What was drawn otherwise than it was written. */
  replaced: Told[]
  renderer: string
}

const metrics = new FontMetrics(shippedFaces)

const painter = new PdfkitPainter(config.fontFolder)

/** A proof of sending, laid out, painted and with its document behind it. */
export interface ProofTask {
  facts: ProofFacts
  document: { name: string; bytes: Uint8Array } | null
  /** The house in whose name it is. */
  author: string
  /** ISO instant. */
  madeAt: string
}

export async function proof({ facts, document, author, madeAt }: ProofTask): Promise<Uint8Array> {
  const at = new Date(madeAt)
  const pages = await painter.paint(layOutProof(facts, metrics), new Map(), {
    madeAt: at,
    author,
    subject: facts.title,
  })
  return withDocument(pages, document, at)
}

/** Names everything that decides the bytes beside Paper and design. */
const renderer = `${painter.version} fonts-${metrics.hash.slice(0, 12)}`

export default async function render(task: RenderTask): Promise<Rendered> {
  const laidOut = layOut(task.paper, task.design, metrics)
  const { problems } = laidOut
  if (task.layoutOnly || problems.length > 0)
    return { bytes: null, pages: laidOut.pages.length, problems, replaced: laidOut.replaced, renderer }
  const painted = await painter.paint(laidOut, task.pictures, {
    madeAt: new Date(task.madeAt),
    author: task.paper.brand.legalName,
    subject: task.paper.facts.find((fact) => fact.key === 'order')?.value ?? '',
  })
  const bytes = await withPlaced(painted, laidOut.pages, task.pictures, new Date(task.madeAt))
  return { bytes, pages: laidOut.pages.length, problems, replaced: laidOut.replaced, renderer }
}
