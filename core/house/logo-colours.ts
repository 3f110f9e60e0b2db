import type { Look } from '../designs/supplied'
import { contrastWithWhite } from '../designs/contrast'
import { starterColours } from './starter'

/** Pixels as RGBA bytes, as pictures are decoded. */
export type Pixels = Uint8Array | Uint8ClampedArray | Buffer

const hex = (parts: readonly number[]) =>
  `#${parts.map((part) => Math.round(part).toString(16).padStart(2, '0')).join('')}`

interface Swatch {
  weight: number
  sum: [number, number, number]
}

/** The least contrast with white that text of any size needs (WCAG 2.2, 1.4.3). */
const readable = 4.5

/**
 * Colours for a brand's documents out of its logo: the colour that covers most of it, made dark enough for headings
 * on white; a second one that differs as the accent; and a very pale one for backgrounds. Black, white and greys do
 * not count; a logo without colours gets those of the starter set.
 */
export function coloursOf(pixels: Pixels): Look['colours'] {
  const swatches = new Map<number, Swatch>()
  for (let at = 0; at + 3 < pixels.length; at += 4) {
    const [red, green, blue, alpha] = [pixels[at]!, pixels[at + 1]!, pixels[at + 2]!, pixels[at + 3]!]
    const [most, least] = [Math.max(red, green, blue), Math.min(red, green, blue)]
    if (alpha < 128 || most - least < 40) continue
    const key = ((red >> 5) << 6) | ((green >> 5) << 3) | (blue >> 5)
    const swatch = swatches.get(key) ?? { weight: 0, sum: [0, 0, 0] }
    swatch.weight++
    swatch.sum[0] += red
    swatch.sum[1] += green
    swatch.sum[2] += blue
    swatches.set(key, swatch)
  }
  const found = [...swatches.values()]
    .sort((a, b) => b.weight - a.weight)
    .map(({ weight, sum }) => sum.map((part) => part / weight) as [number, number, number])
  const main = found[0]
  if (!main) return starterColours
  const second = found.find((colour) => distance(colour, main) > 90) ?? mixed(main, 255, 0.45)
  return { brand: darkened(main), accent: hex(second), ground: hex(mixed(main, 255, 0.93)) }
}

const distance = (a: readonly number[], b: readonly number[]) =>
  Math.hypot(...a.map((part, index) => part - b[index]!))

/** Part of the way to black (0) or white (255). */
const mixed = (colour: readonly number[], towards: number, share: number) =>
  colour.map((part) => part + (towards - part) * share)

function darkened(colour: readonly number[]): string {
  let dark = [...colour]
  while (contrastWithWhite(hex(dark)) < readable) dark = mixed(dark, 0, 0.08)
  return hex(dark)
}
