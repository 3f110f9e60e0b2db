import { Decimal, type DecimalText } from '../money/decimal'
import { sumByPosition, type LinePart } from './quantities'

/** A line of an order as it lies on the packing bench. */
export interface BenchLine {
  position: number
  item: string
  /** Its bar code (GS1 GTIN); '' where it has none. */
  gtin: string
  description: string
  left: DecimalText
}

/** A parcel that is being filled. */
export interface BenchParcel {
  /** Kilograms as somebody weighed it; null where nobody did. */
  weight: DecimalText | null
  contents: LinePart[]
}

/** What stands on the bench: an order's lines, its parcels, and what was scanned last. */
export interface Bench {
  lines: readonly BenchLine[]
  parcels: readonly BenchParcel[]
  /** The position of what was scanned last, of which a number says how many. */
  last: number | null
}

/** What came of a scan or of what was typed. */
export type BenchAnswer =
  | { said: 'added' | 'set'; position: number; packed: DecimalText; left: DecimalText }
  | { said: 'taken out'; position: number; packed: DecimalText }
  | { said: 'new parcel'; parcel: number }
  | { said: 'weighed'; weight: DecimalText }
  | { said: 'finish' }
  /** What is wrong, said once and plainly; the bench stays as it was. */
  | { said: 'not in the order'; code: string }
  | { said: 'all packed'; position: number }
  | { said: 'too many'; position: number; left: DecimalText }
  | { said: 'nothing to count' | 'parcel is empty' }

export const emptyBench = (lines: readonly BenchLine[]): Bench => ({
  lines,
  parcels: [{ weight: null, contents: [] }],
  last: null,
})

/** What of each line is in parcels. */
export const packedAt = (bench: Bench): Map<number, DecimalText> =>
  sumByPosition(bench.parcels.flatMap(({ contents }) => contents))

/** Whether everything that is left of the order is in parcels. */
export const isAllPacked = (bench: Bench): boolean =>
  bench.lines.every(({ position, left }) => new Decimal(packedAt(bench).get(position) ?? 0).eq(left))

/** Digits alone, without zeros in front: GTIN-8, -12, -13 and -14 of one item are one number. */
const plainGtin = (code: string) => (/^\d{8,14}$/.test(code) ? code.replace(/^0+/, '') : '')

/**
 * Takes what was scanned or typed: an item's number or bar code puts one of it into the parcel, a number of up to
 * four digits says how many of the last one, "-" takes one out, "+" begins a new parcel, "12.4 kg" is its weight,
 * and nothing at all is the wish to be finished.
 */
export function scan(bench: Bench, typed: string): { bench: Bench; answer: BenchAnswer } {
  const code = typed.trim()
  const stays = (answer: BenchAnswer) => ({ bench, answer })
  if (code === '') return stays({ said: 'finish' })
  if (code === '+') return newParcel(bench)
  if (code === '-') return bench.last === null ? stays({ said: 'nothing to count' }) : takeOut(bench)
  const weight = /^(\d{1,5}(?:[.,]\d{1,3})?)\s*kg$/i.exec(code)?.[1]?.replace(',', '.')
  if (weight !== undefined && new Decimal(weight).gt(0)) return weigh(bench, weight)
  const found = linesOf(bench, code)
  if (found.length > 0) return putOne(bench, found)
  if (/^\d{1,4}$/.test(code))
    return bench.last === null ? stays({ said: 'nothing to count' }) : count(bench, code)
  return stays({ said: 'not in the order', code })
}

function linesOf({ lines }: Bench, code: string): BenchLine[] {
  const gtin = plainGtin(code)
  return lines.filter(
    (line) =>
      (line.item !== '' && line.item.toLowerCase() === code.toLowerCase()) ||
      (gtin !== '' && plainGtin(line.gtin) === gtin),
  )
}

const current = (bench: Bench) => bench.parcels.at(-1)!

/** The bench with so much of a line in the parcel that is being filled. */
function withContent(bench: Bench, position: number, quantity: Decimal): Bench {
  const own = sumByPosition(current(bench).contents)
  own.set(position, quantity.toString())
  const contents = [...own]
    .map(([at, amount]) => ({ position: at, quantity: amount }))
    .filter((part) => new Decimal(part.quantity).gt(0))
  return {
    ...bench,
    parcels: [...bench.parcels.slice(0, -1), { ...current(bench), contents }],
    last: position,
  }
}

const inCurrent = (bench: Bench, position: number) =>
  new Decimal(sumByPosition(current(bench).contents).get(position) ?? 0)

const packedOf = (bench: Bench, position: number) => new Decimal(packedAt(bench).get(position) ?? 0)

function putOne(bench: Bench, found: readonly BenchLine[]): { bench: Bench; answer: BenchAnswer } {
  const open = found.find(({ position, left }) => packedOf(bench, position).lt(left))
  if (!open) return { bench, answer: { said: 'all packed', position: found[0]!.position } }
  const { position, left } = open
  // of half a metre the last scan packs what there is
  const one = Decimal.min(1, new Decimal(left).minus(packedOf(bench, position)))
  const now = withContent(bench, position, inCurrent(bench, position).plus(one))
  return { bench: now, answer: standing(now, open, 'added') }
}

function count(bench: Bench, code: string): { bench: Bench; answer: BenchAnswer } {
  const line = bench.lines.find(({ position }) => position === bench.last)!
  const elsewhere = packedOf(bench, line.position).minus(inCurrent(bench, line.position))
  const room = new Decimal(line.left).minus(elsewhere)
  if (new Decimal(code).gt(room))
    return { bench, answer: { said: 'too many', position: line.position, left: room.toString() } }
  const now = withContent(bench, line.position, new Decimal(code))
  return { bench: now, answer: standing(now, line, 'set') }
}

const standing = (bench: Bench, { position, left }: BenchLine, said: 'added' | 'set'): BenchAnswer => {
  const packed = packedOf(bench, position)
  return { said, position, packed: packed.toString(), left: new Decimal(left).minus(packed).toString() }
}

function takeOut(bench: Bench): { bench: Bench; answer: BenchAnswer } {
  const position = bench.last!
  const now = withContent(bench, position, Decimal.max(0, inCurrent(bench, position).minus(1)))
  return {
    bench: now,
    answer: { said: 'taken out', position, packed: packedOf(now, position).toString() },
  }
}

function newParcel(bench: Bench): { bench: Bench; answer: BenchAnswer } {
  if (current(bench).contents.length === 0) return { bench, answer: { said: 'parcel is empty' } }
  const parcels = [...bench.parcels, { weight: null, contents: [] }]
  return {
    bench: { ...bench, parcels, last: null },
    answer: { said: 'new parcel', parcel: parcels.length },
  }
}

function weigh(bench: Bench, weight: DecimalText): { bench: Bench; answer: BenchAnswer } {
  const parcels = [...bench.parcels.slice(0, -1), { ...current(bench), weight }]
  return { bench: { ...bench, parcels }, answer: { said: 'weighed', weight } }
}
