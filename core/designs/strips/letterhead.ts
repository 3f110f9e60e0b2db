import { colourOf, mm, type Piece, type StripOf } from '../design'
import type { TextStyle } from '../sheet'
import { drawPieces, styleOf, textOf } from './pieces'
import type { Strip } from './strip'
import { told } from '../../said/told'

const top = 14 * mm
const middle = top + (12 * mm) / 2

/** The brand: its logo and its name beside it, on a ground of colour where there is one. */
export function letterhead(
  strip: Strip,
  { band, name, pieces }: StripOf<'letterhead'>,
  above: number,
): number {
  const { paper, design, sheet, frame } = strip
  if (band) sheet.box(0, 0, frame.width, band.height * mm, colourOf(design, band.colour))
  let x = frame.left
  const { logo } = design.pictures
  if (logo) {
    const width = logo.width * mm
    const height = width / logo.ratio
    sheet.picture(x, middle - height / 2, width, height, logo.picture, paper.brand.name)
    x += width + 4 * mm
  }
  const style: TextStyle = {
    family: design.fonts.heading,
    weight: name.weight,
    size: name.sizes[0]!,
    colour: colourOf(design, name.colour),
    role: 'paragraph',
  }
  brandName(strip, x, middle, { ...style, sizes: name.sizes }, room(strip, x, name.width, pieces), name.lines)
  drawPieces(strip, pieces)
  return above
}

/** The width that is left for the name: a fixed one, or up to the widest text at the right. */
function room(
  { paper, sheet, frame, design }: Strip,
  x: number,
  width: number | 'rest',
  pieces: readonly Piece[],
): number {
  if (width !== 'rest') return width * mm
  const heading = pieces.find(
    (one) => one.piece === 'text' && one.role === 'heading' && one.align === 'right',
  )
  const beside = heading?.piece === 'text' ? sheet.width(textOf(heading, paper), styleOf(heading, design)) : 0
  return frame.right - Math.max(beside, 30 * mm) - 6 * mm - x
}

/** The brand's name beside its logo, around a middle line: as large as it fits in so many lines, never cut. */
function brandName(
  { paper, sheet }: Strip,
  x: number,
  middle: number,
  { sizes, ...style }: TextStyle & { sizes: readonly number[] },
  width: number,
  most: number,
): void {
  const { name } = paper.brand
  const wrapped = (size: number) =>
    balanced(name, Math.min(width, size > 12 ? 52 * mm : width), (text, room) =>
      sheet.wrap(text, room, { ...style, size }),
    )
  const wide = (size: number) => sheet.width(name, { ...style, size }) <= width
  const one = sizes.find((size) => wide(size) && (style.weight === 700 || size === sizes[0]))
  const size = one ?? sizes.find((tried) => wrapped(tried).length <= most) ?? sizes.at(-1)!
  const lines = one !== undefined && style.weight === 700 ? [name] : wrapped(size)
  if (lines.length > most)
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/name', { name }),
    })
  const step = size * 1.19
  const first =
    middle - ((lines.length - 1) * step) / 2 + sheet.metrics.capHeight(style.family, style.weight, size) / 2
  lines.forEach((line, index) => sheet.text(line, x, first + index * step, { ...style, size }))
}

/** Lines of about the same length: the narrowest width that needs no more lines. */
function balanced(text: string, width: number, wrap: (text: string, width: number) => string[]): string[] {
  let lines = wrap(text, width)
  for (let narrower = width - 4; narrower > width / 2; narrower -= 4) {
    const tried = wrap(text, narrower)
    if (tried.length > lines.length) break
    lines = tried
  }
  return lines
}
