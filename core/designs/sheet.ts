import type { FontMetrics } from './metrics'
import type { Cell, DrawOp, LayoutProblem, Page, Role } from './pages'
import { ink } from './design'
import { told, type Told } from '../said/told'

export interface TextStyle {
  family: string
  weight: number
  /** Points. */
  size: number
  colour?: string
  role?: Role
  cell?: Cell
}

/**
 * Collects draw operations page by page; knows how to measure, wrap and place text. Nothing here knows what
 * an invoice is.
 */
export class Sheet {
  readonly pages: Page[] = []
  readonly problems: LayoutProblem[] = []
  private readonly missing = new Map<string, string>()
  private readonly replaced = new Map<string, string>()
  /** Index of the page that is drawn on; −1 is the last. */
  private target = -1

  /** @param size of its pages, in points @param pages that it begins with */
  constructor(
    readonly metrics: FontMetrics,
    readonly size: { width: number; height: number },
    pages: 0 | 1 = 1,
  ) {
    if (pages > 0) this.addPage()
  }

  /** @param size of this one, where it is another than that of the others */
  addPage(size = this.size): void {
    this.pages.push({ ...size, ops: [] })
  }

  private get ops(): DrawOp[] {
    return this.pages.at(this.target)!.ops
  }

  /** Draws on page `index` instead of the last one, for what is only known at the end ("page 1 of 3"). */
  onPage(index: number, draw: () => void): void {
    this.target = index
    draw()
    this.target = -1
  }

  /** What `draw` draws comes before everything that is on the page already. */
  behind(draw: () => void): void {
    const page = this.pages.at(this.target)!
    const above = page.ops.splice(0)
    draw()
    page.ops.push(...above)
  }

  width(text: string, style: TextStyle): number {
    return this.metrics.width(this.drawable(text, style), style.family, style.weight, style.size)
  }

  /** One line of text; `x` is its left, right or middle by `align`; `y` its baseline. */
  text(
    text: string,
    x: number,
    y: number,
    style: TextStyle,
    align: 'left' | 'right' | 'centre' = 'left',
  ): void {
    const tidy = this.drawable(text, style)
    if (tidy === '') return
    const lost = new Set<string>()
    const pieces = this.metrics.pieces(tidy, style.family, style.weight, style.size, lost)
    for (const character of lost) if (!this.missing.has(character)) this.missing.set(character, tidy)
    const width = pieces.reduce((total, piece) => total + piece.width, 0)
    const left = align === 'left' ? x : align === 'right' ? x - width : x - width / 2
    this.ops.push({
      op: 'text',
      role: style.role ?? 'paragraph',
      x: left,
      y,
      size: style.size,
      colour: style.colour ?? ink,
      text: tidy,
      pieces,
      ...(style.cell ? { cell: style.cell } : {}),
    })
  }

  /**
   * The text as it can be drawn: a sign that no font has becomes a box; a letter that none has stops the
   * document, since a name must be right.
   */
  private drawable(text: string, { family, weight }: TextStyle): string {
    const tidy = clean(text)
    if (/^[ -~]*$/.test(tidy)) return tidy
    return [...tidy]
      .map((character) => {
        if (/[\p{L}\p{M}\p{N}\s]/u.test(character) || this.metrics.has(character, family, weight))
          return character
        if (!this.replaced.has(character)) this.replaced.set(character, tidy)
        return this.metrics.has('□', family, weight) ? '□' : '?'
      })
      .join('')
  }

  /** What was replaced. */
  replacements(): Told[] {
    return [...this.replaced].map(([sign, text]) => told('layout/sign', { sign, text: text.slice(0, 60) }))
  }

  line(x1: number, y1: number, x2: number, y2: number, colour: string, width = 0.5): void {
    this.ops.push({ op: 'line', role: 'artifact', x1, y1, x2, y2, width, colour })
  }

  box(x: number, y: number, width: number, height: number, colour: string): void {
    this.ops.push({ op: 'box', role: 'artifact', x, y, width, height, colour })
  }

  picture(x: number, y: number, width: number, height: number, picture: string, alt: string): void {
    this.ops.push({ op: 'picture', role: 'figure', x, y, width, height, picture, alt })
  }

  /** The first page of another PDF, as large as it fits. */
  place(file: string, x: number, y: number, width: number, height: number, alt: string): void {
    const page = this.pages.at(this.target)!
    page.placed = [...(page.placed ?? []), { file, x, y, width, height, alt }]
  }

  modules(x: number, y: number, size: number, rows: string[], alt: string): void {
    this.ops.push({
      op: 'modules',
      role: 'figure',
      x,
      y,
      module: size / rows.length,
      rows,
      colour: '#000000',
      alt,
    })
  }

  /** Bars of a bar code, each of so many modules: dark and light in turn. */
  bars(x: number, y: number, width: number, height: number, widths: readonly number[], alt: string): void {
    const row = widths.map((count, place) => (place % 2 ? '0' : '1').repeat(count)).join('')
    this.ops.push({
      op: 'modules',
      role: 'figure',
      x,
      y,
      module: width / row.length,
      rowHeight: height,
      rows: [row],
      colour: '#000000',
      alt,
    })
  }

  /**
   * Breaks a text into lines no wider than `width`, at spaces; a single word that is too wide is broken
   * between characters.
   */
  wrap(text: string, width: number, style: TextStyle): string[] {
    const lines: string[] = []
    for (const paragraph of text.split(/\r?\n/)) {
      let current = ''
      for (const word of clean(paragraph).split(' ').filter(Boolean)) {
        const longer = current ? `${current} ${word}` : word
        if (this.width(longer, style) <= width) {
          current = longer
          continue
        }
        if (current) lines.push(current)
        current = word
        while (this.width(current, style) > width && current.length > 1) {
          const characters = [...current]
          let count = characters.length - 1
          while (count > 1 && this.width(characters.slice(0, count).join(''), style) > width) count--
          lines.push(characters.slice(0, count).join(''))
          current = characters.slice(count).join('')
        }
      }
      lines.push(current)
    }
    return lines
  }

  /** The problems found, characters without a font among them. */
  findings(): LayoutProblem[] {
    const glyphs = [...this.missing].map(([sign, text]): LayoutProblem => {
      const code = sign.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')
      const where = text.length > 60 ? `${text.slice(0, 57)}…` : text
      return {
        code: 'missing-glyph',
        sentence: told('layout/character', { sign, code, text: where }),
      }
    })
    return [...this.problems, ...glyphs]
  }
}

/** Composed form, no controls: a soft hyphen, a joiner or a tab must not reach a font. */
function clean(text: string): string {
  if (/^[ -~]*$/.test(text)) return text
  return text
    .normalize('NFC')
    .replace(/[\t\r\n]+/g, ' ')
    .replace(/[\p{Cc}\u00AD\u200B-\u200F\u2028-\u202E\u2060\uFEFF\uFE0F]/gu, '')
}
