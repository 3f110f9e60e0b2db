import { told, type Told } from '../said/told'
import type { Design } from './design'

/** Relative luminance of #rrggbb, 0 to 1 (WCAG 2.2). */
export function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5]
    .map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4)) as [
    number,
    number,
    number,
  ]
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** Contrast of a colour with white, 1 to 21 (WCAG 2.2, 1.4.3). */
export const contrastWithWhite = (colour: string) => 1.05 / (luminance(colour) + 0.05)

/**
 * What is said of a brand colour that headings are too pale in, or nothing. Large letters need a contrast of
 * 3 : 1 (WCAG 2.2, 1.4.3).
 */
export function paleHeadings(colour: string, design: Design['supplied']): Told | null {
  const contrast = contrastWithWhite(colour)
  if (contrast >= 3) return null
  return told(design === 'bold' ? 'contrast/white' : 'contrast/headings', { contrast: contrast.toFixed(1) })
}
