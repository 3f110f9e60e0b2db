import { colourOf, hairline, mm, type StripOf } from '../design'
import type { TextStyle } from '../sheet'
import type { Strip } from './strip'
import { told } from '../../said/told'

const step = 9

interface FootLine {
  text: string
  x: number
  row: number
}

/**
 * All small print as one text; what belongs together, a telephone number or an IBAN, is not torn while it
 * fits a line.
 */
function runningText({ paper, sheet, frame }: Strip, style: TextStyle): FootLine[] {
  const width = frame.right - frame.left - 28 * mm
  const kept = paper.brand.foot
    .flat()
    .map((part) => (sheet.width(part, style) <= width ? part.replaceAll(' ', '\u00A0') : part))
  return sheet
    .wrap(kept.join(' · '), width, style)
    .map((text, row) => ({ text: text.replace(/^· | ·$/g, ''), x: frame.left, row }))
}

/** Each column within its width; a long line goes on in the next. */
function columns({ paper, sheet, frame }: Strip, style: TextStyle): FootLine[] {
  const width = 53 * mm
  return paper.brand.foot.flatMap((column, n) =>
    column
      .flatMap((line) => sheet.wrap(line, n === 2 ? width - 4 * mm : width - 3 * mm, style))
      .map((text, row) => ({ text, x: frame.left + n * width, row })),
  )
}

/** Texts of the house above the small print, and the room they take. */
export function footTexts({ paper, sheet, frame }: Strip): { lines: string[]; height: number } {
  const lines = (paper.foot ?? []).flatMap((text) => sheet.wrap(text, frame.right - frame.left, frame.small))
  return { lines, height: lines.length === 0 ? 0 : lines.length * textStep + 6 }
}

const textStep = 9.5

/** The company's small print and "page n of m" on every page; drawn last, when the number of pages is known. */
export function footer(strip: Strip, look: StripOf<'footer'>): void {
  const { paper, sheet, frame, design } = strip
  const running = look.as === 'running text'
  const style = { ...frame.small, size: 7, role: 'artifact' as const }
  const lines = running ? runningText(strip, style) : columns(strip, style)
  if (lines.some(({ row }) => frame.footTop + row * step > frame.height - 5 * mm))
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/foot'),
    })
  const texts = footTexts(strip)
  if (texts.height > (frame.height - frame.continuedTop) / 3)
    sheet.problems.push({
      code: 'too-long',
      sentence: told('layout/foot-texts'),
    })
  sheet.pages.forEach((_, index) =>
    sheet.onPage(index, () => {
      const y = frame.footTop
      texts.lines.forEach((line, row) =>
        sheet.text(line, frame.left, y - 10 - texts.height + (row + 1) * textStep, {
          ...frame.small,
          role: 'artifact',
        }),
      )
      sheet.line(
        frame.left,
        y - 10,
        frame.right,
        y - 10,
        look.rule.colour ? colourOf(design, look.rule.colour) : hairline,
        look.rule.width,
      )
      const page = paper.words.page
        .replace('{page}', String(index + 1))
        .replace('{pages}', String(sheet.pages.length))
      lines.forEach(({ text, x, row }) => sheet.text(text, x, y + row * step, style))
      sheet.text(page, frame.right, running ? y : y + 18, style, 'right')
    }),
  )
}
