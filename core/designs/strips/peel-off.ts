import { drawCrosses } from '../crosses'
import { mm, type StripOf } from '../design'
import type { TextStyle } from '../sheet'
import type { Strip } from './strip'
import { told } from '../../said/told'

/** Millimetres that stay free within the label, since no printer and no punch is exact. */
const margin = 3
const sizes = [10, 9, 8, 7, 6.5]

/** The label that is peeled off the sheet: where the goods go, in small type, and of which order. On the first page. */
export function peelOff({ paper, sheet, frame }: Strip, { strip: _, ...zone }: StripOf<'peel-off'>): void {
  if (!paper.peelOff) return
  const { to, rows } = paper.peelOff
  const { x, y } = paper.offset ?? { x: 0, y: 0 }
  const moved = { ...zone, x: zone.x + x, y: zone.y + y }
  const left = (moved.x + margin) * mm
  const right = (moved.x + moved.width - margin) * mm
  const top = (moved.y + margin) * mm
  const bottom = (moved.y + moved.height - margin) * mm
  const tiny: TextStyle = { ...frame.small, size: 6.5 }
  sheet.onPage(0, () => {
    if (paper.crosses) drawCrosses(sheet, moved, frame.text.family)
    const sender = sheet.wrap(paper.brand.senderLine, right - left, tiny)[0] ?? ''
    sheet.text(sender, left, top + 6.5, tiny)
    const foot = sheet.wrap(rows.join(' · '), right - left, tiny)[0] ?? ''
    sheet.text(foot, left, bottom - 1, tiny)
    const room = bottom - 10 - (top + 10)
    for (const size of sizes) {
      const lines = to.flatMap((line, place) => {
        const style = { ...frame.text, size, weight: place === 0 ? 600 : 400 }
        return sheet.wrap(line, right - left, style).map((text) => ({ text, style }))
      })
      if (lines.length * size * 1.2 > room) continue
      lines.forEach(({ text, style }, place) =>
        sheet.text(text, left, top + 10 + size + place * size * 1.2, style),
      )
      return
    }
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/peel-off', { name: to[0] ?? '' }),
    })
  })
}
