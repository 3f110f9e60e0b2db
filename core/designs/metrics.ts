/** One font file as the layout sees it. All lengths in font units. */
export interface FontFace {
  /** Names the file: "source-sans-3-400-latin". */
  id: string
  family: string
  weight: number
  unitsPerEm: number
  ascent: number
  /** Below the baseline, negative. */
  descent: number
  capHeight: number
  /** First 16 hex digits of the file's SHA-256: papers laid out with other fonts are told apart. */
  hash: string
  /** Advance by code point, in runs of neighbours. */
  runs: [number, number[]][]
}

/** A part of a text that one face can draw. */
export interface TextPiece {
  face: string
  text: string
  /** Width in points. */
  width: number
}

interface PreparedFace {
  id: string
  family: string
  weight: number
  ascent: number
  capHeight: number
  advances: Map<number, number>
}

/**
 * The shipped fonts as data: coverage and advances. Pure; made once and shared.
 * A style is a family and a weight; its faces are tried in order, then those of the fallback family in the
 * same or nearest weight, then those with pictures.
 */
export class FontMetrics {
  private readonly styles = new Map<string, PreparedFace[]>()
  private readonly faces: PreparedFace[]
  /** Hash over all faces, part of the renderer's version. */
  readonly hash: string

  constructor(
    faces: readonly FontFace[],
    private readonly fallbackFamily = 'Source Sans 3',
    private readonly pictureFamily = 'Noto Emoji',
  ) {
    this.hash = faces
      .map((face) => face.hash)
      .join('')
      .slice(0, 32)
    this.faces = faces.map((face) => {
      const advances = new Map<number, number>()
      for (const [first, widths] of face.runs)
        widths.forEach((width, index) => advances.set(first + index, width / face.unitsPerEm))
      return {
        id: face.id,
        family: face.family,
        weight: face.weight,
        ascent: face.ascent / face.unitsPerEm,
        capHeight: face.capHeight / face.unitsPerEm,
        advances,
      }
    })
  }

  private style(family: string, weight: number): PreparedFace[] {
    const key = `${family}/${weight}`
    let found = this.styles.get(key)
    if (!found) {
      const of = (name: string) =>
        this.faces
          .filter((face) => face.family === name)
          .sort((a, b) => Math.abs(a.weight - weight) - Math.abs(b.weight - weight))
      const own = of(family)
      const nearest = own[0]?.weight
      const fallback = of(this.fallbackFamily)
      found = [
        ...own.filter((face) => face.weight === nearest),
        ...fallback.filter((face) => face.weight === fallback[0]?.weight),
        ...of(this.pictureFamily),
      ]
      if (found.length === 0) throw new RangeError(`no font of the family ${family}`)
      this.styles.set(key, found)
    }
    return found
  }

  /** Cap height of a style in points at a size. */
  capHeight(family: string, weight: number, size: number): number {
    return this.style(family, weight)[0]!.capHeight * size
  }

  /**
   * Splits a text into pieces by face, choosing the face per character. Characters that no face has are
   * listed in `missing` and left out.
   */
  pieces(text: string, family: string, weight: number, size: number, missing?: Set<string>): TextPiece[] {
    const faces = this.style(family, weight)
    const pieces: TextPiece[] = []
    let current: TextPiece | undefined
    for (const character of text) {
      const codePoint = character.codePointAt(0)!
      let face = faces[0]!
      let advance = face.advances.get(codePoint)
      for (let index = 1; advance === undefined && index < faces.length; index++) {
        face = faces[index]!
        advance = face.advances.get(codePoint)
      }
      if (advance === undefined) {
        missing?.add(character)
        continue
      }
      if (current?.face !== face.id) {
        current = { face: face.id, text: '', width: 0 }
        pieces.push(current)
      }
      current.text += character
      current.width += advance * size
    }
    return pieces
  }

  /** Whether some face that a style may use has a character. */
  has(character: string, family: string, weight: number): boolean {
    const codePoint = character.codePointAt(0)!
    return this.style(family, weight).some((face) => face.advances.has(codePoint))
  }

  /** Width in points: the sum of advances; ligatures and kerning are off when it is painted. */
  width(text: string, family: string, weight: number, size: number): number {
    let width = 0
    for (const piece of this.pieces(text, family, weight, size)) width += piece.width
    return width
  }
}
