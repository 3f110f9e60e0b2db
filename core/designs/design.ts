/** Text fonts of papers; each ships with its weights. */
export const paperFamilies = ['Source Sans 3', 'Bitter'] as const

/** Rows above the sum to pay that a house may leave out. */
export const hideableSums = ['lines', 'net', 'tax'] as const
export type HideableSum = (typeof hideableSums)[number]

/** By what a line names its item: the house's code, the customer's, the number of its bar code, or none. */
export const itemNames = ['own', 'customer', 'gtin', 'none'] as const
export type ItemNamedBy = (typeof itemNames)[number]

/** A colour of the design by its name, or one of its own as #rrggbb. */
export type Colour = string

/** A picture by the SHA-256 of its bytes; width in millimetres, height follows the picture. */
export interface DesignPicture {
  picture: string
  /** Width by height. */
  ratio: number
  width: number
  /** Uploaded as this; laid anew where the ground behind it changes. */
  original?: string
}

/** What stands in a strip. Places are millimetres from the page's left (or right) and top edge. */
export type Piece =
  | { piece: 'picture'; picture: string; x: number; y: number; every?: boolean }
  | { piece: 'box'; x: number; y: number; width: number; height: number; colour: Colour; every?: boolean }
  | {
      piece: 'text'
      /** A text of the house's own, or a fact of the paper. */
      text: string | { fact: 'heading' | 'number' | 'brand' }
      x: number
      y: number
      align: 'left' | 'right'
      font: 'heading' | 'text'
      weight: number
      /** Points. */
      size: number
      colour: Colour
      role: 'heading' | 'paragraph'
      every?: boolean
    }

/** A part of the page from edge to edge, as data: which renderer draws it, and how it looks here. */
export type StripDesign =
  | {
      strip: 'letterhead'
      /** A ground over the whole width; its height in millimetres. */
      band: { colour: Colour; height: number } | null
      /** The brand's name beside its logo: as large as one of the sizes fits, in so many lines. */
      name: { weight: number; sizes: number[]; lines: number; colour: Colour; width: number | 'rest' }
      /** Further pieces: the heading in the band, more pictures. */
      pieces: Piece[]
    }
  /** The address in the window of an envelope (DIN 680, DL). */
  | { strip: 'address'; firstStrong: boolean }
  /** The facts as rows at the right of the address, or as columns between rules. */
  | { strip: 'facts'; as: 'rows'; width: number }
  | { strip: 'facts'; as: 'columns'; top: number; rule: Colour; withSumToPay: boolean }
  | { strip: 'heading'; weight: number; size: number; colour: Colour; y: number; below: number }
  /** The line table; with a band, its heading row is white on a colour. */
  | { strip: 'lines'; band: Colour | null; stripes: Colour | null; inset: number; item?: ItemNamedBy }
  | { strip: 'sums'; width: number; inset: number; box: Colour | null; hidden: HideableSum[] }
  | { strip: 'payment'; box: Colour | null; title: Colour | null }
  /** What is owed by age, on statements. */
  | { strip: 'ageing' }
  /** What is open on the customer's account besides. */
  | { strip: 'account' }
  | { strip: 'note' }
  /** The order's bar code, on what is packed by it. */
  | { strip: 'barcode' }
  /** What is signed by who takes the goods in. */
  | { strip: 'signature' }
  /** The peel-off label of the sheet: where it lies, in millimetres from its left and top edge. */
  | ({ strip: 'peel-off' } & Zone)
  /** What is cut off and sent back with a payment, on statements. */
  | { strip: 'slip' }
  /** The small print on every page, in columns or as one running text. */
  | { strip: 'footer'; as: 'columns' | 'running text'; rule: { colour: Colour | null; width: number } }
  /** Pieces anywhere, on the first page or on every page, behind everything else. */
  | { strip: 'free'; pieces: Piece[] }

/** A place on the page, in millimetres. */
export interface Zone {
  x: number
  y: number
  width: number
  height: number
}

export type StripKind = StripDesign['strip']
export type StripOf<Kind extends StripKind> = Extract<StripDesign, { strip: Kind }>

/** Page and margins in millimetres. */
export interface PageDesign {
  width: number
  height: number
  left: number
  right: number
  /** Kept free for the footer. */
  bottom: number
  /** Where the footer begins, from the lower edge. */
  foot: number
  /** Where the table goes on, on a continued page. */
  continuedTop: number
}

/**
 * What a document looks like: strips from top to bottom, pieces in them. Kept in versions; a paper names the
 * version it was drawn with. Its form is told in design.schema.json too, for programs.
 */
export interface Design {
  /** The form of this data; raised by a change that an older build cannot read. */
  format: 1
  name: string
  /** The supplied design that it began as. */
  supplied: 'plain' | 'bold'
  page: PageDesign
  fonts: { heading: string; text: string }
  colours: {
    /** Heading and bands; #rrggbb. */
    brand: string
    /** Ground of the sum to pay. */
    accent: string
    /** Pale ground of boxes and every other row. */
    ground: string
  }
  /** Any number, by the names that strips and pieces use; "logo" is the one beside the brand's name. */
  pictures: Record<string, DesignPicture>
  strips: StripDesign[]
}

/** A colour as #rrggbb. */
export const colourOf = (design: Design, colour: Colour): string =>
  (design.colours as Record<string, string>)[colour] ?? colour

export const ink = '#1a1a1a'
export const softInk = '#5c6166'
export const hairline = '#c9cdd0'

/** Points per millimetre. */
export const mm = 72 / 25.4
