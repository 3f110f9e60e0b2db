import { colourOf, mm, type Design, type Piece } from '../design'
import type { Paper } from '../../documents/paper'
import type { TextStyle } from '../sheet'
import type { Strip } from './strip'
import { told } from '../../said/told'

export type TextPieceDesign = Extract<Piece, { piece: 'text' }>

/** What a text piece says on this paper. */
export function textOf({ text }: TextPieceDesign, paper: Paper): string {
  if (typeof text === 'string') return text
  return text.fact === 'brand' ? paper.brand.name : paper[text.fact]
}

export const styleOf = (piece: TextPieceDesign, design: Design): TextStyle => ({
  family: piece.font === 'heading' ? design.fonts.heading : design.fonts.text,
  weight: piece.weight,
  size: piece.size,
  colour: colourOf(design, piece.colour),
  role: piece.role,
})

/** Draws pieces on the page that is drawn on. A text at the right counts from the right margin. */
export function drawPieces({ paper, design, sheet, frame }: Strip, pieces: readonly Piece[]): void {
  for (const piece of pieces) {
    switch (piece.piece) {
      case 'box':
        sheet.box(
          piece.x * mm,
          piece.y * mm,
          piece.width * mm,
          piece.height * mm,
          colourOf(design, piece.colour),
        )
        break
      case 'picture': {
        const picture = design.pictures[piece.picture]
        if (!picture) {
          sheet.problems.push({
            code: 'missing-picture',
            sentence: told('layout/picture', { design: design.name, picture: piece.picture }),
          })
          break
        }
        const width = picture.width * mm
        sheet.picture(
          piece.x * mm,
          piece.y * mm,
          width,
          width / picture.ratio,
          picture.picture,
          piece.picture,
        )
        break
      }
      case 'text': {
        const x = piece.align === 'right' ? frame.right - piece.x * mm : piece.x * mm
        sheet.text(textOf(piece, paper), x, piece.y * mm, styleOf(piece, design), piece.align)
      }
    }
  }
}
