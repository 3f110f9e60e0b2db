import type { Paper } from '../../documents/paper'
import type { Sheet, TextStyle } from '../sheet'
import { a4, mm, softInk, type Design } from '../design'

/** What every strip is given: the paper, its design, the sheet to draw on and the frame to keep within. */
export interface Strip {
  paper: Paper
  design: Design
  sheet: Sheet
  frame: Frame
}

/** The usable area of a page in points, and the text styles of the design: two sizes beyond the text at most. */
export interface Frame {
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

export function frameOf(design: Design): Frame {
  const family = design.textFamily
  return {
    left: 20 * mm,
    right: a4.width - 18 * mm,
    continuedTop: design.design === 'bold' ? 30 * mm : 34 * mm,
    bottom: a4.height - 30 * mm,
    footTop: a4.height - 21 * mm,
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
}
