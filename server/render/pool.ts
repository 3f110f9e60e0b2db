import { availableParallelism } from 'node:os'
import { pathToFileURL } from 'node:url'
import { resolve } from 'node:path'
import Piscina from 'piscina'
import type { Paper } from '../../core/documents/paper'
import type { Design } from '../../core/designs/design'
import { config } from '../config'
import { readFileBytes } from '../outside/filestore/store'
import type { ProofTask, RenderTask, Rendered } from './render-thread'

/** Lays papers out and paints them in one long-lived thread per core. */
let pool: Piscina<RenderTask, Rendered> | undefined

function threads(): Piscina<RenderTask, Rendered> {
  pool ??= new Piscina<RenderTask, Rendered>({
    filename: pathToFileURL(resolve(config.renderThread)).href,
    minThreads: availableParallelism(),
    maxThreads: availableParallelism(),
    // a long document with its fonts fits in well; without a bound each thread keeps what it no longer needs
    resourceLimits: { maxOldGenerationSizeMb: 256, maxYoungGenerationSizeMb: 32 },
  })
  return pool
}

/** Starts the threads before the first paper needs one. */
export function warmRenderPool(): void {
  threads()
}

const pictures = new Map<string, Uint8Array>()

/** The bytes of a design's pictures and of a carrier's own labels, by their hash. */
async function picturesOf(paper: Paper, design: Design): Promise<Map<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>()
  for (const { picture } of Object.values(design.pictures)) {
    const bytes = pictures.get(picture) ?? (await readFileBytes(picture))
    if (pictures.size > 50) pictures.clear()
    pictures.set(picture, bytes)
    found.set(picture, bytes)
  }
  for (const { file } of paper.labels?.of ?? []) if (file) found.set(file, await readFileBytes(file))
  return found
}

/** The PDF of a paper; `bytes` is null when the layout found a problem. */
export async function renderPaper(paper: Paper, design: Design, madeAt: Date): Promise<Rendered> {
  return threads().run({
    paper,
    design,
    pictures: await picturesOf(paper, design),
    madeAt: madeAt.toISOString(),
    layoutOnly: false,
  })
}

/** What would stop the paper from being drawn, and its number of pages. */
export async function checkPaper(paper: Paper, design: Design): Promise<Rendered> {
  return threads().run({
    paper,
    design,
    pictures: new Map(),
    madeAt: new Date(0).toISOString(),
    layoutOnly: true,
  })
}

/** Several stored PDFs as one, made in a thread. */
export async function mergePdfs(files: readonly Uint8Array[]): Promise<Uint8Array> {
  // the pool is typed by its main task; this is the other one
  return threads().run(files as never, { name: 'merge' }) as unknown as Promise<Uint8Array>
}

/** A proof of sending with its document, made in a thread. */
export async function renderProof(task: ProofTask): Promise<Uint8Array> {
  // the pool is typed by its main task; this is another one
  return threads().run(task as never, { name: 'proof' }) as unknown as Promise<Uint8Array>
}

export async function closeRenderPool(): Promise<void> {
  await pool?.destroy()
  pool = undefined
}
