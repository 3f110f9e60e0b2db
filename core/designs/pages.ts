import { joined, type Told } from '../said/told'
import type { TextPiece } from './metrics'

/** What a drawn thing is, for the PDF's structure and for tests. Repeated heading rows and footers are artifacts. */
export type Role = 'heading' | 'paragraph' | 'table heading' | 'table cell' | 'figure' | 'artifact'

/** Where a text stands in a table: which table of the paper, row and column from 0; row 0 holds the headings. */
export interface Cell {
  table: number
  row: number
  column: number
}

/** Points (1/72 inch) from the page's top left corner; y of a text is its baseline. */
export type DrawOp =
  | {
      op: 'text'
      role: Role
      x: number
      y: number
      size: number
      colour: string
      text: string
      pieces: TextPiece[]
      cell?: Cell
    }
  | { op: 'line'; role: Role; x1: number; y1: number; x2: number; y2: number; width: number; colour: string }
  | { op: 'box'; role: Role; x: number; y: number; width: number; height: number; colour: string }
  | {
      op: 'picture'
      role: Role
      x: number
      y: number
      width: number
      height: number
      picture: string
      alt: string
    }
  | {
      op: 'modules'
      role: Role
      x: number
      y: number
      module: number
      /** Of a row, where that is not a module: the bars of a bar code. */
      rowHeight?: number
      rows: string[]
      colour: string
      alt: string
    }

export interface Page {
  width: number
  height: number
  ops: DrawOp[]
  /** Pages of other PDFs that are put onto it, by the SHA-256 of their bytes. */
  placed?: { file: string; x: number; y: number; width: number; height: number; alt: string }[]
}

/** Something that must stop a paper before it is issued, in plain words. */
export interface LayoutProblem {
  code: 'missing-glyph' | 'too-long' | 'missing-picture'
  sentence: Told
}

/** What several problems say. */
export const sentencesOf = (problems: readonly Pick<LayoutProblem, 'sentence'>[]): Told =>
  joined(
    problems.map(({ sentence }) => sentence),
    'list/sentences',
  )

/** A laid-out paper. */
export interface LaidOut {
  pages: Page[]
  /** Empty when the paper can be drawn as it is. */
  problems: LayoutProblem[]
  /** What was drawn otherwise than it was written, and does not stop it: signs that no font has. */
  replaced: Told[]
  title: string
  language: string
}
