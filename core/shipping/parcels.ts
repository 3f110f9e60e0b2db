import type { Address } from '../documents/facts'
import { badInput, Refusal } from '../errors'
import { Decimal, type DecimalText } from '../money/decimal'
import { sumByPosition, type LinePart } from './quantities'

/** Millimetres. */
export interface Size {
  length: number
  width: number
  height: number
}

/** A box that the house packs into. Millimetres inside, kilograms. */
export interface Box extends Size {
  name: string
  /** Of the empty box. */
  weight: DecimalText
  /** What it may weigh when it is packed. */
  most: DecimalText
}

/** @throws Refusal "same-name" of two boxes, "bad-box" for a box that is heavier empty than it may be packed */
export function checkBoxes(boxes: readonly Box[]): void {
  boxes.forEach(({ name, weight, most }, place) => {
    if (boxes.findIndex((other) => other.name === name) < place)
      throw badInput('same-name/box', `boxes.${place}.name`, { name })
    if (new Decimal(weight).isNegative() || new Decimal(most).lte(weight))
      throw badInput('bad-box', `boxes.${place}.most`, { name })
  })
}

/** What is packed together and has a label of its own. */
export interface ParcelFacts {
  /** The box by its name; '' where it is none of the house's. */
  box: string
  /** Packed, in kilograms; null where nobody weighed it and an item's weight is not known. */
  weight: DecimalText | null
  contents: LinePart[]
}

/** A line that is packed, with what one of it weighs in kilograms; null where that is not known. */
export interface PackedLine extends LinePart {
  each: DecimalText | null
}

/** Kilograms of contents; null where a weight is not known. */
function weightOf(contents: readonly LinePart[], each: Weights): Decimal | null {
  let sum = new Decimal(0)
  for (const { position, quantity } of contents) {
    const one = each.get(position) ?? null
    if (one === null) return null
    sum = sum.plus(new Decimal(one).times(quantity))
  }
  return sum
}

type Weights = ReadonlyMap<number, DecimalText | null>
export const weightsOf = (lines: readonly PackedLine[]): Weights =>
  new Map(lines.map(({ position, each }) => [position, each]))

/** Boxes from the smallest to the largest that may be heaviest. */
const bySize = (boxes: readonly Box[]): Box[] =>
  [...boxes].sort(
    (one, other) =>
      new Decimal(one.most).cmp(other.most) ||
      one.length * one.width * one.height - other.length * other.width * other.height,
  )

/** Contents in the smallest box that may be as heavy, weighed with it. */
function packed(contents: LinePart[], each: Weights, boxes: readonly Box[]): ParcelFacts {
  const goods = weightOf(contents, each)
  const sorted = bySize(boxes)
  const box =
    (goods === null ? undefined : sorted.find((one) => goods.plus(one.weight).lte(one.most))) ?? sorted.at(-1)
  return {
    box: box?.name ?? '',
    weight: goods === null ? null : goods.plus(box?.weight ?? 0).toString(),
    contents,
  }
}

/** What lies together, in the smallest box that holds its weight; as it was weighed, where somebody did. */
export const packedParcel = (
  { weight, contents }: Pick<ParcelFacts, 'weight' | 'contents'>,
  lines: readonly PackedLine[],
  boxes: readonly Box[],
): ParcelFacts => {
  const proposed = packed(contents, weightsOf(lines), boxes)
  return { ...proposed, weight: weight ?? proposed.weight }
}

/**
 * Parcels as they would be packed: one after the other into the largest box until it is as heavy as it may be, each
 * then in the smallest box that holds it. Without boxes, or where no weight is known, all is one parcel. A single
 * piece that is too heavy for every box has a parcel of its own.
 */
export function proposeParcels(lines: readonly PackedLine[], boxes: readonly Box[]): ParcelFacts[] {
  const each = weightsOf(lines)
  const largest = bySize(boxes).at(-1)
  if (!largest) return [packed(lines.map(partOf), each, boxes)]
  const most = new Decimal(largest.most).minus(largest.weight)
  const parcels: LinePart[][] = []
  let contents: LinePart[] = []
  let room = most
  for (const line of lines) {
    const one = new Decimal(line.each ?? 0)
    let rest = new Decimal(line.quantity)
    while (rest.gt(0)) {
      const fits = piecesIn(room, one, rest)
      if (fits.lte(0) && contents.length > 0) {
        parcels.push(contents)
        contents = []
        room = most
        continue
      }
      const going = Decimal.min(rest, Decimal.max(fits, smallestPiece(rest)))
      contents.push({ position: line.position, quantity: going.toString() })
      room = room.minus(one.times(going))
      rest = rest.minus(going)
    }
  }
  return [...parcels, contents].map((own) => packed(own, each, boxes))
}

/** One piece, or all of what does not come in pieces. */
const smallestPiece = (quantity: Decimal) => (quantity.isInteger() ? new Decimal(1) : quantity)

/** How much of a line has room: whole pieces, or all of what does not come in pieces. */
function piecesIn(room: Decimal, each: Decimal, rest: Decimal): Decimal {
  if (each.isZero() || each.times(rest).lte(room)) return rest
  return rest.isInteger() ? Decimal.max(0, room.div(each).floor()) : new Decimal(0)
}

const partOf = ({ position, quantity }: PackedLine): LinePart => ({ position, quantity })

/**
 * Moves so much of a line from one parcel into another, or into a new one behind all others; a parcel that is left
 * empty goes. Weights follow where every weight is known.
 * @param to counted from 0; the number of parcels for a new one
 */
export function moveContent(
  parcels: readonly ParcelFacts[],
  from: number,
  to: number,
  moved: LinePart,
  lines: readonly PackedLine[],
  boxes: readonly Box[],
): ParcelFacts[] {
  const each = weightsOf(lines)
  const held = parcels[from]?.contents.find((one) => one.position === moved.position)
  if (!held || from === to) return [...parcels]
  const going = Decimal.min(held.quantity, moved.quantity)
  const contents = [...parcels, ...(to === parcels.length ? [{ contents: [] as LinePart[] }] : [])].map(
    (parcel, place) => {
      const own = sumByPosition(parcel.contents)
      const change = place === from ? going.neg() : place === to ? going : null
      if (change) own.set(moved.position, new Decimal(own.get(moved.position) ?? 0).plus(change).toString())
      return [...own]
        .map(([position, quantity]) => ({ position, quantity }))
        .filter(({ quantity }) => new Decimal(quantity).gt(0))
        .sort((a, b) => a.position - b.position)
    },
  )
  return contents
    .map((own, place) => {
      const before = parcels[place]
      if (before && place !== from && place !== to) return before
      const box = boxes.find((one) => one.name === before?.box)
      const goods = weightOf(own, each)
      if (!before || !box) return packed(own, each, boxes)
      return {
        box: box.name,
        weight: goods === null ? null : goods.plus(box.weight).toString(),
        contents: own,
      }
    })
    .filter(({ contents: own }) => own.length > 0)
}

/** All of one parcel into another. */
export const joinParcels = (
  parcels: readonly ParcelFacts[],
  from: number,
  to: number,
  lines: readonly PackedLine[],
  boxes: readonly Box[],
): ParcelFacts[] => {
  let joined = [...parcels]
  for (const part of parcels[from]?.contents ?? []) {
    const place = joined.length < parcels.length && from < to ? to - 1 : to
    joined = moveContent(joined, from, place, part, lines, boxes)
  }
  return joined
}

/** Whether a parcel is heavier than its box may be. */
export function isTooHeavy({ box, weight }: ParcelFacts, boxes: readonly Box[]): boolean {
  const most = boxes.find((one) => one.name === box)?.most
  return most !== undefined && weight !== null && new Decimal(weight).gt(most)
}

/**
 * Parcels that hold just what is shipped, no more and no less.
 * @throws Refusal "parcels-differ" where they do not, "parcel-weight" for a weight that cannot be
 */
export function checkParcels(
  parcels: readonly ParcelFacts[],
  shipped: readonly LinePart[],
  nameOf: (position: number) => string,
): void {
  const packedOf = sumByPosition(parcels.flatMap((parcel) => parcel.contents))
  const wanted = sumByPosition(shipped)
  for (const position of new Set([...wanted.keys(), ...packedOf.keys()])) {
    const packedNow = new Decimal(packedOf.get(position) ?? 0)
    const going = new Decimal(wanted.get(position) ?? 0)
    if (!packedNow.eq(going))
      throw new Refusal('parcels-differ', {
        values: { item: nameOf(position), packed: packedNow.toString(), going: going.toString() },
        about: { field: 'parcels' },
      })
  }
  parcels.forEach(({ weight }, index) => {
    if (weight !== null && (new Decimal(weight).lte(0) || new Decimal(weight).gte(100_000)))
      throw new Refusal('parcel-weight', {
        values: { parcel: index + 1 },
        about: { field: `parcels.${index}.weight` },
      })
  })
}

/** What the labels of a consignment say: what each parcel holds and weighs, and where it comes from and goes. */
export interface Labelled {
  parcels: readonly ParcelFacts[]
  addresses: readonly Address[]
}

/** Whether the label of a parcel, by its number, is as right after a change as before it. */
export function staysRight(number: number, before: Labelled, after: Labelled): boolean {
  const [one, other] = [before.parcels[number - 1], after.parcels[number - 1]]
  return (
    before.parcels.length === after.parcels.length &&
    !!one &&
    !!other &&
    isSameParcel(one, other) &&
    before.addresses.length === after.addresses.length &&
    before.addresses.every((address, place) => isSameAddress(address, after.addresses[place]!))
  )
}

/** Whether two parcels are packed alike and weigh the same. */
const isSameParcel = (one: ParcelFacts, other: ParcelFacts): boolean => {
  const weight = (parcel: ParcelFacts) =>
    parcel.weight === null ? '' : new Decimal(parcel.weight).toString()
  const held = (parcel: ParcelFacts) =>
    [...sumByPosition(parcel.contents)]
      .map(([position, quantity]) => `${position}: ${new Decimal(quantity).toString()}`)
      .sort()
      .join()
  return one.box === other.box && weight(one) === weight(other) && held(one) === held(other)
}

/** Nobody's attention is the same as none. */
const isSameAddress = (one: Address, other: Address): boolean => {
  const printed = ({ name, attention, lines, country }: Address) =>
    JSON.stringify([name, attention ?? '', lines, country])
  return printed(one) === printed(other)
}
