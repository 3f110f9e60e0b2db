import { mm } from '../design'
import type { Strip } from './strip'

const pale = '#f0d9d6'

/**
 * The word across every page of a rehearsal or of what was made again, behind everything else, three times
 * from edge to edge.
 */
export function watermark({ paper, sheet, frame }: Strip): void {
  const word = paper.rehearsal ? (paper.words.rehearsal ?? 'REHEARSAL') : (paper.words.copy ?? 'COPY')
  const style = { ...frame.strong, size: 84, colour: pale, role: 'artifact' as const }
  const size = style.size * Math.min(1, (frame.width - 20 * mm) / sheet.width(word, style))
  sheet.pages.forEach((_, index) =>
    sheet.onPage(index, () =>
      sheet.behind(() => {
        for (const y of [75, 165, 255])
          sheet.text(word, frame.width / 2, y * mm, { ...style, size }, 'centre')
      }),
    ),
  )
}
