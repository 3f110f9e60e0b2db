import type { LaidOut } from '../../core/designs/pages'

/** Pictures by the key that draw operations name them with. */
export type Pictures = ReadonlyMap<string, Uint8Array>

export interface PaintFacts {
  /** Creation date in the PDF: the moment of issue, so that the same Paper gives the same bytes. */
  madeAt: Date
  author: string
  subject: string
}

/** Turns laid-out pages into the bytes of a PDF. A faster painter can replace one without touching the layout. */
export interface Painter {
  /** Part of a stored document's renderer version. */
  readonly version: string
  paint(laidOut: LaidOut, pictures: Pictures, facts: PaintFacts): Promise<Uint8Array>
}
