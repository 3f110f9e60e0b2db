import type { Design, DesignPicture, HideableSum, ItemNamedBy, PageDesign, StripDesign, Zone } from './design'

/** What a house chooses of a supplied design without drawing one. */
export interface Look {
  name: string
  supplied: Design['supplied']
  fonts: Design['fonts']
  colours: Design['colours']
  logo: DesignPicture | null
  hiddenSums: HideableSum[]
  /** Whether what asks for the payment of an account ends in a slip that is sent back with it. */
  slip: boolean
  /** Whether what is open on the customer's account is listed besides. */
  account: boolean
  /** The label that is peeled off the sheets of what goes with the goods; null for none. */
  peelOff: Zone | null
  /** By what lines name their items. */
  item: ItemNamedBy
}

/** ISO 216 A4. */
const a4: PageDesign = {
  width: 210,
  height: 297,
  left: 20,
  right: 18,
  bottom: 30,
  foot: 21,
  continuedTop: 34,
}

type Parts = Pick<Look, 'slip' | 'account'>
const slipWhere = ({ slip }: Parts): StripDesign[] => (slip ? [{ strip: 'slip' }] : [])
const accountWhere = ({ account }: Parts): StripDesign[] => (account ? [{ strip: 'account' }] : [])
const peelOffWhere = (zone: Zone | null): StripDesign[] => (zone ? [{ strip: 'peel-off', ...zone }] : [])

/** Hairlines on white. */
const plainStrips = (hidden: HideableSum[], parts: Parts): StripDesign[] => [
  {
    strip: 'letterhead',
    band: null,
    name: { weight: 600, sizes: [13.5, 12, 10.5, 9], lines: 3, colour: '#1a1a1a', width: 62 },
    pieces: [],
  },
  { strip: 'address', firstStrong: false },
  { strip: 'facts', as: 'rows', width: 67 },
  { strip: 'heading', weight: 600, size: 19, colour: 'brand', y: 104, below: 8 },
  { strip: 'lines', band: null, stripes: null, inset: 0 },
  { strip: 'sums', width: 70, inset: 0, box: null, hidden },
  { strip: 'ageing' },
  { strip: 'payment', box: null, title: null },
  ...accountWhere(parts),
  { strip: 'note' },
  { strip: 'barcode' },
  { strip: 'signature' },
  ...slipWhere(parts),
  { strip: 'footer', as: 'columns', rule: { colour: null, width: 0.5 } },
]

/** A band of colour at the head, boxes behind the sum to pay and the payment. */
const boldStrips = (hidden: HideableSum[], parts: Parts): StripDesign[] => [
  {
    strip: 'letterhead',
    band: { colour: 'brand', height: 35 },
    name: { weight: 700, sizes: [19, 16, 13.5, 11.5], lines: 2, colour: '#ffffff', width: 'rest' },
    pieces: [
      {
        piece: 'text',
        text: { fact: 'heading' },
        x: 0,
        y: 20.6,
        align: 'right',
        font: 'heading',
        weight: 700,
        size: 22,
        colour: '#ffffff',
        role: 'heading',
      },
      {
        piece: 'text',
        text: { fact: 'number' },
        x: 0,
        y: 26,
        align: 'right',
        font: 'text',
        weight: 400,
        size: 10,
        colour: '#ffffff',
        role: 'heading',
      },
    ],
  },
  { strip: 'address', firstStrong: true },
  { strip: 'facts', as: 'columns', top: 88, rule: 'brand', withSumToPay: true },
  { strip: 'lines', band: 'brand', stripes: 'ground', inset: 6 },
  { strip: 'sums', width: 78, inset: 6, box: 'accent', hidden },
  { strip: 'ageing' },
  { strip: 'payment', box: 'ground', title: 'brand' },
  ...accountWhere(parts),
  { strip: 'note' },
  { strip: 'barcode' },
  { strip: 'signature' },
  ...slipWhere(parts),
  { strip: 'footer', as: 'running text', rule: { colour: 'brand', width: 1.4 } },
]

export const suppliedDesigns = {
  plain: { strips: plainStrips, page: a4 },
  bold: { strips: boldStrips, page: { ...a4, continuedTop: 30 } },
} as const

/** A supplied design in a house's fonts, colours and logo. */
export function suppliedDesign(look: Look): Design {
  const { name, supplied, fonts, colours, logo, hiddenSums, peelOff, item } = look
  const { strips, page } = suppliedDesigns[supplied]
  return {
    format: 1,
    name,
    supplied,
    page,
    fonts,
    colours,
    pictures: logo ? { logo } : {},
    strips: [...strips(hiddenSums, look).map((one) => namedBy(one, item)), ...peelOffWhere(peelOff)],
  }
}

/** What was chosen of a design that was supplied. */
export function lookOf(design: Design): Look {
  const sums = design.strips.find((one) => one.strip === 'sums')
  return {
    name: design.name,
    supplied: design.supplied,
    fonts: design.fonts,
    colours: design.colours,
    logo: design.pictures.logo ?? null,
    hiddenSums: sums?.hidden ?? [],
    slip: design.strips.some((one) => one.strip === 'slip'),
    account: hasAccountStrip(design),
    peelOff: zoneOf(design),
    item: namesOf(design),
  }
}

const namedBy = (one: StripDesign, item: ItemNamedBy): StripDesign =>
  one.strip === 'lines' && item !== 'own' ? { ...one, item } : one

/** Whether a design lists what is open on the customer's account. */
export const hasAccountStrip = ({ strips }: Pick<Design, 'strips'>): boolean =>
  strips.some((one) => one.strip === 'account')

/** By what lines of a design name their items. */
export function namesOf({ strips }: Pick<Design, 'strips'>): ItemNamedBy {
  const lines = strips.find((one) => one.strip === 'lines')
  return lines?.item ?? 'own'
}

/** Where the label lies that is peeled off; null where there is none. */
function zoneOf({ strips }: Design): Zone | null {
  const found = strips.find((one) => one.strip === 'peel-off')
  if (!found) return null
  const { strip: _, ...zone } = found
  return zone
}

/** What a house begins with that has sheets with a label: at the lower right, about the size of a large address. */
export const usualPeelOff: Zone = { x: 105, y: 210, width: 85, height: 55 }

/**
 * Whether the label lies where nothing else has to: below the address and above the footer, within the page.
 */
export const isFree = ({ x, y, width, height }: Zone, { page }: Pick<Design, 'page'>): boolean =>
  x >= 0 && x + width <= page.width && y >= 140 && y + height <= page.height - page.foot
