import type { StripOf } from '../design'
import { drawPieces } from './pieces'
import type { Strip } from './strip'

/** Pieces anywhere on the page, behind everything else: on the first page, or on every one. */
export function free(strip: Strip, { pieces }: StripOf<'free'>): void {
  const { sheet } = strip
  sheet.pages.forEach((_, index) =>
    sheet.onPage(index, () =>
      sheet.behind(() =>
        drawPieces(
          strip,
          pieces.filter((piece) => index === 0 || piece.every),
        ),
      ),
    ),
  )
}
