import { mm, type Zone } from './design'
import type { Sheet } from './sheet'

/** Millimetres that an arm of a cross reaches. */
const arm = 4

/**
 * Crosses at the corners of a place on the sheet, and how large it is: held against the stationery one sees whether it
 * fits.
 */
export function drawCrosses(sheet: Sheet, { x, y, width, height }: Zone, family: string): void {
  const black = '#000000'
  for (const [cx, cy] of [
    [x, y],
    [x + width, y],
    [x, y + height],
    [x + width, y + height],
  ] as const) {
    sheet.line((cx - arm) * mm, cy * mm, (cx + arm) * mm, cy * mm, black, 0.4)
    sheet.line(cx * mm, (cy - arm) * mm, cx * mm, (cy + arm) * mm, black, 0.4)
  }
  const size = { family, weight: 400, size: 7 }
  sheet.text(`${width} × ${height} mm`, (x + width / 2) * mm, (y + height) * mm - 4, size, 'centre')
}
