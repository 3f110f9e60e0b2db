import { a4, hairline, mm } from '../stationery'
import type { Strip } from './strip'

/** The company's small print and "page n of m" on every page; drawn last, when the number of pages is known. */
export function footer(strip: Strip): void {
  const { paper, sheet, frame, stationery } = strip
  const bold = stationery.design === 'bold'
  const style = { ...frame.small, size: 7, role: 'artifact' as const }
  sheet.pages.forEach((_, index) =>
    sheet.onPage(index, () => {
      const y = frame.footTop
      sheet.line(
        frame.left,
        y - 10,
        frame.right,
        y - 10,
        bold ? stationery.colours.brand : hairline,
        bold ? 1.4 : 0.5,
      )
      const page = paper.words.page
        .replace('{page}', String(index + 1))
        .replace('{pages}', String(sheet.pages.length))
      if (bold) {
        const lines = sheet.wrap(
          paper.brand.foot.flat().join(' · '),
          frame.right - frame.left - 28 * mm,
          style,
        )
        lines.slice(0, 3).forEach((line, n) => sheet.text(line, frame.left, y + n * 9, style))
        sheet.text(page, frame.right, y, style, 'right')
      } else {
        paper.brand.foot.forEach((column, n) =>
          column
            .slice(0, 3)
            .forEach((line, row) => sheet.text(line, frame.left + n * 53 * mm, y + row * 9, style)),
        )
        sheet.text(page, frame.right, y + 18, style, 'right')
      }
      if (y + 27 > a4.height)
        sheet.problems.push({
          code: 'too-long',
          sentence: 'The small print at the foot does not fit the page.',
        })
    }),
  )
}
