import { hairline, mm, type StripOf } from '../design'
import type { Strip } from './strip'
import { told } from '../../said/told'

/**
 * The address where a window envelope (DIN 680, DL) shows it: 20 mm from the left, 45 to 90 mm from the top, with
 * the sender's line above.
 */
export function address(
  { paper, sheet, frame }: Strip,
  { firstStrong }: StripOf<'address'>,
  above: number,
): number {
  const senderY = 48.5 * mm
  const width = 85 * mm
  const sender = paper.brand.senderLine
  const size = [6.8, 6.2, 5.6].find((tried) => sheet.width(sender, { ...frame.small, size: tried }) <= width)
  const small = { ...frame.small, size: size ?? 5.6 }
  if (size === undefined)
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/window-sender', { sender }),
    })
  sheet.text(sender, frame.left, senderY, small)
  sheet.line(
    frame.left,
    senderY + 2.4,
    frame.left + Math.min(width, sheet.width(sender, small)),
    senderY + 2.4,
    hairline,
    0.4,
  )
  const step = 12.8
  let y = senderY + 6.5 * mm
  paper.recipient.lines.forEach((line, index) => {
    const style = { ...(index === 0 && firstStrong ? frame.strong : frame.text), size: 10 }
    for (const part of sheet.wrap(line, width, style)) {
      if (y > 90 * mm) {
        sheet.problems.push({
          code: 'too-long',
          sentence: told('layout/window-address', { name: paper.recipient.lines[0] ?? '' }),
        })
        return
      }
      sheet.text(part, frame.left, y, style)
      y += step
    }
  })
  return above
}
