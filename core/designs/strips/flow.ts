import { hairline, mm } from '../design'
import type { Block, Strip } from './strip'

/** Draws blocks below each other, each whole where it can be, on as many pages as they need. */
export function drawBlocks(strip: Strip, top: number, blocks: readonly Block[]): void {
  const { sheet, frame } = strip
  let y = top
  const waiting = [...blocks]
  while (waiting.length > 0) {
    const block = waiting.shift()!
    const fits = y + block.height <= frame.bottom
    const torn = fits ? null : (block.split?.(frame.bottom - y) ?? null)
    if (torn) waiting.unshift(torn[1])
    if (!fits && !torn) {
      sheet.addPage()
      continuedHead(strip)
      y = frame.continuedTop
      // longer than a whole page: torn on the new one
      const again = y + block.height > frame.bottom ? (block.split?.(frame.bottom - y) ?? null) : null
      if (again) waiting.unshift(again[1])
      const drawn = again ? again[0] : block
      y = drawFrom(strip, y, drawn)
      continue
    }
    const below = drawFrom(strip, y, torn ? torn[0] : block)
    y = torn ? frame.bottom : below
  }
}

/** Draws a block that fits, at the foot of the page where it belongs there. @returns where the next one begins */
function drawFrom({ frame }: Strip, y: number, block: Block): number {
  const top = block.atFoot ? Math.max(y, frame.bottom - block.height) : y
  block.draw(top)
  return top + block.height
}

/** The short head of a continued page: whose paper this is, and which. */
export function continuedHead({ paper, sheet, frame, design }: Strip): void {
  const y = 20 * mm
  sheet.text(paper.brand.name, frame.left, y, {
    ...frame.strong,
    role: 'artifact',
    colour: design.colours.brand,
  })
  sheet.text(
    `${paper.heading} ${paper.number}, ${paper.words.continued}`,
    frame.right,
    y,
    { ...frame.text, role: 'artifact' },
    'right',
  )
  sheet.line(frame.left, y + 5, frame.right, y + 5, hairline)
}
