import type { Paper } from '../../documents/paper'
import type { Sheet, TextStyle } from '../sheet'
import { mm, softInk, type Design, type StripKind, type StripOf } from '../design'

/** What every strip is given: the paper, its design, the sheet to draw on and the frame to keep within. */
export interface Strip {
  paper: Paper
  design: Design
  sheet: Sheet
  frame: Frame
}

/** The usable area of a page in points, and the text styles of the design: two sizes beyond the text at most. */
export interface Frame {
  /** Of the page. */
  width: number
  height: number
  left: number
  right: number
  /** Where the table goes on, on a continued page. */
  continuedTop: number
  /** Nothing but the footer below. */
  bottom: number
  footTop: number
  text: TextStyle
  strong: TextStyle
  small: TextStyle
  smallStrong: TextStyle
}

export function frameOf({ page, fonts }: Design): Frame {
  const family = fonts.text
  const width = page.width * mm
  const height = page.height * mm
  return {
    width,
    height,
    left: page.left * mm,
    right: width - page.right * mm,
    continuedTop: page.continuedTop * mm,
    bottom: height - page.bottom * mm,
    footTop: height - page.foot * mm,
    text: { family, weight: 400, size: 9 },
    strong: { family, weight: 600, size: 9 },
    small: { family, weight: 400, size: 7.5, colour: softInk },
    smallStrong: { family, weight: 600, size: 7.5 },
  }
}

/** A block of a closing or heading: its height, and how to draw it from a top edge. */
export interface Block {
  height: number
  draw: (top: number) => void
  /**
   * Tears it where at most so much room is left; null where it is better moved whole. Without this it is
   * never torn.
   */
  split?: (room: number) => [Block, Block] | null
  /** It stands at the foot of its page, however much is above it. */
  atFoot?: true
}

/**
 * How one kind of strip is drawn. A strip of the head is drawn on the first page and says where the next one may
 * begin; the table runs over as many pages as it needs, with the blocks of the closing below it; a strip of
 * the page is drawn last, when the number of pages is known.
 */
export type Renderer<Kind extends StripKind> =
  | { part: 'head'; draw: (strip: Strip, look: StripOf<Kind>, top: number) => number }
  | { part: 'table'; draw: (strip: Strip, look: StripOf<Kind>, top: number, closing: Block[]) => void }
  | { part: 'closing'; block: (strip: Strip, look: StripOf<Kind>) => Block | null }
  | { part: 'page'; draw: (strip: Strip, look: StripOf<Kind>) => void }
