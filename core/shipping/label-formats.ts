/** Where a label stands on its sheet: millimetres from the left and the top edge. */
export interface LabelSlot {
  x: number
  y: number
}

interface FormatFacts {
  /** Of the sheet, in millimetres. */
  page: { width: number; height: number }
  label: { width: number; height: number }
  /** From the first to the last. */
  slots: readonly LabelSlot[]
}

const alone: readonly LabelSlot[] = [{ x: 0, y: 0 }]
const single = (width: number, height: number): FormatFacts => ({
  page: { width, height },
  label: { width, height },
  slots: alone,
})

/** What labels are printed on. A4 (ISO 216) holds four of A6. */
export const labelFormats = {
  '100x150': single(100, 150),
  '4x6': single(101.6, 152.4),
  A6: single(105, 148),
  A4: {
    page: { width: 210, height: 297 },
    label: { width: 105, height: 148.5 },
    slots: [
      { x: 0, y: 0 },
      { x: 105, y: 0 },
      { x: 0, y: 148.5 },
      { x: 105, y: 148.5 },
    ],
  },
} as const satisfies Record<string, FormatFacts>

export type LabelFormat = keyof typeof labelFormats
export const labelFormatNames = Object.keys(labelFormats) as LabelFormat[]

/**
 * How labels are printed: on what, which place of the first sheet is the first free one, from 1, and how far the
 * printer sets everything off.
 */
export interface LabelPrinting {
  format: LabelFormat
  from: number
  offset?: PrinterOffset
}

/** So many millimetres to the right and down, to make up for where a printer begins. */
export interface PrinterOffset {
  x: number
  y: number
}

/** A printer that is further off than this is set at the printer. Millimetres. */
export const mostOffset = 10

export const usualPrinting: LabelPrinting = { format: '100x150', from: 1 }

/** The sheet, from 0, and the place of each of so many labels. */
export function placesOf(
  { format, from, offset }: LabelPrinting,
  count: number,
): (LabelSlot & { sheet: number })[] {
  const slots: readonly LabelSlot[] = labelFormats[format].slots
  const first = Math.min(Math.max(from, 1), slots.length) - 1
  const { x, y } = offset ?? { x: 0, y: 0 }
  const moved = slots.map((slot) => ({ x: slot.x + x, y: slot.y + y }))
  return Array.from({ length: count }, (_, label) => ({
    ...moved[(first + label) % slots.length]!,
    sheet: Math.floor((first + label) / slots.length),
  }))
}
