import { Decimal } from '../../core/money/decimal'
import { proposeParcels, type Box, type PackedLine, type ParcelFacts } from '../../core/shipping/parcels'
import type { LinePart } from '../../core/shipping/quantities'

/** A line of an order, how much of it can go or come back, and what its goods weigh. */
type OfferedLine = Omit<PackedLine, 'quantity'> & { left: string }

const isQuantity = (text: string) => /^\d{1,10}(\.\d{1,3})?$/.test(text.trim())

/**
 * What of an order's lines goes or comes back, by what is typed at each, and the parcels for that.
 * @param offered the lines and boxes, once they are known
 * @param typed by position, the quantity as it was typed
 */
export function usePacking<Line extends OfferedLine>(
  offered: () => { lines: readonly Line[]; boxes: readonly Box[] } | undefined,
  typed: () => Record<number, string>,
) {
  const lineAt = (position: number) => offered()?.lines.find((one) => one.position === position)
  const parts = computed((): LinePart[] =>
    Object.entries(typed())
      .filter(([, quantity]) => isQuantity(quantity) && new Decimal(quantity.trim()).gt(0))
      .map(([position, quantity]) => ({ position: Number(position), quantity: quantity.trim() })),
  )
  const packedLines = computed(() =>
    parts.value.flatMap(({ position, quantity }) => {
      const line = lineAt(position)
      return line ? [{ ...line, quantity }] : []
    }),
  )
  /** Somewhere stands what is no quantity, or more than there is. */
  const isWrong = computed(() =>
    Object.entries(typed()).some(
      ([position, quantity]) =>
        !isQuantity(quantity) || new Decimal(quantity.trim()).gt(lineAt(Number(position))?.left ?? '0'),
    ),
  )
  const parcels = ref<ParcelFacts[]>([])
  function propose(): void {
    parcels.value = parts.value.length === 0 ? [] : proposeParcels(packedLines.value, offered()?.boxes ?? [])
  }
  return { parts, packedLines, isWrong, parcels, propose }
}
