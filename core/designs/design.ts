/** Text fonts of papers; each ships with its weights. */
export const paperFamilies = ['Source Sans 3', 'Bitter'] as const

/** Rows above the sum to pay that a house may leave out. */
export const hideableSums = ['lines', 'net', 'tax'] as const
export type HideableSum = (typeof hideableSums)[number]

/** The design of the PDF. Kept in versions; a paper names the version it was drawn with. */
export interface Design {
  name: string
  design: 'plain' | 'bold'
  headingFamily: string
  textFamily: string
  colours: {
    /** Heading, and the bold design's band; #rrggbb. */
    brand: string
    /** Ground of the sum to pay in the bold design. */
    accent: string
    /** Pale ground of boxes and every other row in the bold design. */
    ground: string
  }
  /**
   * Logo by the SHA-256 of its bytes; width in millimetres, height follows the picture. The original is laid
   * anew on a changed ground.
   */
  logo: { picture: string; ratio: number; width: number; original?: string } | null
  /** Rows above the sum to pay that are left out; the sum to pay stays as it is. */
  hiddenSums?: HideableSum[]
}

export const ink = '#1a1a1a'
export const softInk = '#5c6166'
export const hairline = '#c9cdd0'

/** Points per millimetre. */
export const mm = 72 / 25.4
/** ISO 216 A4 in points. */
export const a4 = { width: 210 * mm, height: 297 * mm }
