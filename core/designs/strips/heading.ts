import { colourOf, mm, type StripOf } from '../design'
import type { Strip } from './strip'

/** What the document is, and its number, as a line of its own. */
export function heading(
  { paper, design, sheet, frame }: Strip,
  { weight, size, colour, y, below }: StripOf<'heading'>,
): number {
  sheet.text(`${paper.heading} ${paper.number}`, frame.left, y * mm, {
    family: design.fonts.heading,
    weight,
    size,
    colour: colourOf(design, colour),
    role: 'heading',
  })
  return (y + below) * mm
}
