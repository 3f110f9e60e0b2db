import { isDeepStrictEqual } from 'node:util'
import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { EnclosureFacts } from '../../../core/enclosures/enclosures'
import { nameWithEnding } from '../../../core/enclosures/file-kinds'
import { mostFileBytes, sizeWords } from '../../../core/enclosures/mail-size'
import { badInput, Refusal } from '../../../core/errors'
import type { Language } from '../../../core/money/format'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand, Customer, CustomerGroup, Enclosure, Item, PreparedDocument, Source } from '../../db/models'
import { fileKindOf } from '../../outside/filestore/file-kind'
import { keepFile } from '../../outside/filestore/store'
import { note } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { lookAtSizes } from './sizes'
import type { Principal } from '../people/principal'
import { enclosureBytes, enclosuresHung, standingEnclosures } from './queries'

/*
 * Files that go along with documents: standing ones of the house, and those that hang on a customer, an item, an order
 * or one sending. Called from Settings by a supervisor, from a customer, an item, an order and To check by a clerk. A
 * change holds for every email that has not left; what was sent keeps what it took along. Refuses what is dangerous to
 * open.
 */

/** With what a file goes along, as it is written. */
export interface EnclosureChange {
  name: string
  kinds: DocumentKind[]
  brandId: number | null
  groupId: number | null
  language: Language | null
  from: Day | null
  until: Day | null
  goes: boolean
  mostDownloads: number | null
  goodDays: number | null
}

export interface EnclosureView extends EnclosureFacts {
  addedBy: string
  addedAt: Date
  version: number
}

/** What a file hangs on; nothing for a standing one. */
export interface HangsOn {
  customerId?: number
  sourceId?: number
  preparedId?: number
  itemId?: number
}

export const enclosures = (who: Principal): Promise<EnclosureView[]> => standingEnclosures(who)

/** Files that hang on a customer, an order or an item. */
export const hungOn = (on: Pick<HangsOn, 'customerId' | 'sourceId' | 'itemId'>): Promise<EnclosureView[]> =>
  enclosuresHung(on)

/** @throws Refusal "no-such-enclosure" */
export async function enclosureFile(id: number) {
  const found = await enclosureBytes(id)
  if (!found) throw new Refusal('no-such-enclosure', { status: 404 })
  return found
}

/** Whether it belongs to the house and hangs on nothing. @throws Refusal "no-such-enclosure" */
export async function isStanding(id: number): Promise<boolean> {
  const { customerId, sourceId, preparedId, itemId } = await found(id)
  return (customerId ?? sourceId ?? preparedId ?? itemId) === null
}

async function found(id: number, lock = false): Promise<Enclosure> {
  const enclosure = await Enclosure.findByPk(id, { lock })
  if (!enclosure) throw new Refusal('no-such-enclosure', { status: 404 })
  return enclosure
}

/**
 * Keeps a file that goes along from now on. @throws Refusal "bad-file", "wrong-days", "no-such-brand",
 * "no-such-group", "no-such-order", "no-such-customer", "no-such-paper", "no-such-item", "same-file", "no-links"
 */
export async function addEnclosure(
  on: HangsOn,
  bytes: Uint8Array,
  change: EnclosureChange,
  who: Principal,
): Promise<{ id: number; name: string; size: number }> {
  await checkRule(change)
  const kind = await checkFile(bytes, change.name)
  const name = nameWithEnding(change.name, kind)
  return inTransaction(async () => {
    await checkHangs(on)
    const sha256 = await keepFile(bytes, kind.mediaType)
    // one content may go along by several rules, and rides once; the same by the same rule is a double
    const { from: fromDay, until: untilDay, kinds, name: _, ...alike } = change
    const twins = await Enclosure.findAll({
      where: { ...nothing, ...on, ...alike, fromDay, untilDay, sha256 },
    })
    const twin = twins.find((one) => isDeepStrictEqual(one.kinds, kinds))
    // chosen once more for the same email: it is there already
    if (twin && on.preparedId) return { id: twin.id, name: twin.name, size: bytes.byteLength }
    if (twin) throw badInput('same-file', 'file', { name: twin.name })
    const made = await Enclosure.create({
      ...alike,
      ...on,
      kinds,
      name,
      sha256,
      fromDay,
      untilDay,
      addedBy: who.name,
      addedAt: clock.now(),
    })
    await tell(on, who, told(change.goes ? 'file/hung' : 'file/hung-elsewhere', { file: name }))
    return { id: made.id, name, size: bytes.byteLength }
  })
}

const nothing = { customerId: null, sourceId: null, preparedId: null, itemId: null }

/** @throws Refusal "changed-meanwhile" and as `addEnclosure` */
export async function changeEnclosure(
  id: number,
  { version, ...change }: EnclosureChange & { version: number },
  bytes: Uint8Array | undefined,
  who: Principal,
): Promise<void> {
  await checkRule(change)
  const kind = bytes && (await checkFile(bytes, change.name))
  await inTransaction(async () => {
    const before = await found(id, true)
    if (before.version !== version)
      throw new Refusal('changed-meanwhile/enclosure', { values: { name: before.name } })
    const { from, until, ...rule } = change
    const name = nameWithEnding(change.name, kind ?? { mediaType: '', ending: endingOf(before.name) })
    await before.update({
      ...rule,
      name,
      fromDay: from,
      untilDay: until,
      version: version + 1,
      ...(bytes && kind ? { sha256: await keepFile(bytes, kind.mediaType) } : {}),
    })
    await tell(before, who, told(change.goes ? 'file/changed' : 'file/stays', { file: name }))
  })
}

const endingOf = (name: string) => name.slice(name.lastIndexOf('.') + 1)

/** Takes a file away: emails that have left keep it. */
export async function dropEnclosure(id: number, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const enclosure = await found(id, true)
    await enclosure.destroy()
    await tell(enclosure, who, told('file/gone', { file: enclosure.name }))
  })
}

async function checkRule(change: EnclosureChange): Promise<void> {
  const { from, until, brandId, groupId, mostDownloads, goodDays } = change
  if ((mostDownloads ?? goodDays) !== null && !(await company()).publicAddress)
    throw badInput('no-links', mostDownloads === null ? 'goodDays' : 'mostDownloads')
  if (from && until && until < from) throw badInput('wrong-days', 'until')
  if (brandId !== null && !(await Brand.findByPk(brandId)))
    throw badInput('no-such-brand/any-more', 'brandId')
  if (groupId !== null && !(await CustomerGroup.findByPk(groupId))) throw badInput('no-such-group', 'groupId')
}

async function checkFile(bytes: Uint8Array, name: string) {
  if (bytes.byteLength === 0) throw badInput('bad-file/empty', 'file', { name })
  if (bytes.byteLength > mostFileBytes)
    throw badInput('bad-file/heavy', 'file', {
      name,
      size: sizeWords(bytes.byteLength),
      most: sizeWords(mostFileBytes),
    })
  const kind = await fileKindOf(bytes, name)
  if (!kind) throw badInput('bad-file/kind', 'file', { name })
  return kind
}

async function checkHangs({ customerId, sourceId, preparedId, itemId }: HangsOn): Promise<void> {
  if (itemId !== undefined && !(await Item.findByPk(itemId)))
    throw new Refusal('no-such-item', { status: 404 })
  if (customerId !== undefined && !(await Customer.findByPk(customerId)))
    throw new Refusal('no-such-customer', { status: 404 })
  if (sourceId !== undefined && !(await Source.findByPk(sourceId)))
    throw new Refusal('no-such-order', { status: 404 })
  if (preparedId === undefined) return
  const prepared = await PreparedDocument.findByPk(preparedId)
  // issued, too: its email may still be written, or a copy of it
  if (prepared?.state !== 'prepared' && prepared?.state !== 'issued')
    throw new Refusal('no-such-paper/any-more', { status: 404 })
}

/** The history of what it hangs on, what is too large now or no more, and every screen that shows an email. */
async function tell(
  on: {
    sourceId?: number | null
    preparedId?: number | null
    customerId?: number | null
    itemId?: number | null
  },
  who: Principal,
  what: Told,
): Promise<void> {
  if (on.sourceId) await note({ sourceId: on.sourceId }, who.name, what)
  if (on.sourceId) publish('order', [on.sourceId])
  if (on.customerId) publish('customer', [on.customerId])
  const item = on.itemId ? await Item.findByPk(on.itemId) : null
  if (item) publish('item', [item.id])
  await lookAtSizes({ ...on, item: item?.code })
  publish('house')
  publish('line')
}
