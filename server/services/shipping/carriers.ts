import { isDeepStrictEqual } from 'node:util'
import { badInput, Refusal } from '../../../core/errors'
import type { CarrierService } from '../../../core/shipping/carriers'
import { checkMapping, type CarrierMapping } from '../../../core/shipping/mapping'
import { joined, told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Carrier as CarrierRow } from '../../db/models'
import { CarrierFailure, type Carrier } from '../../outside/carrier/carrier'
import { mappedCarrier } from '../../outside/carrier/http'
import { simulatedCarrier } from '../../outside/carrier/simulated'
import { seal, unseal } from '../../outside/seal'
import { log } from '../../log'
import { publish } from '../live/publish'
import { carrierViews, isCarrierUsed } from './carriers-queries'

/*
 * Carriers that labels are bought of. Called from Settings by a supervisor, and by everything that asks a carrier. Keys
 * go in and never come out.
 */

export interface CarrierView {
  id: number
  name: string
  kind: 'simulated' | 'http'
  address: string
  /** Its address may lie inside the house's network. */
  inside: boolean
  mapping: CarrierMapping | null
  services: CarrierService[]
  servicesAt: Date | null
  hasKey: boolean
  /** Since when it does not answer; null while it does. */
  downSince: Date | null
  version: number
}

export interface CarrierChange {
  name: string
  kind: 'simulated' | 'http'
  address: string
  inside: boolean
  /** Left out, the one that is kept stays. */
  key?: string
  /** How a carrier of kind http is asked, and what it carries. */
  mapping?: CarrierMapping | null
  services?: CarrierService[]
}

const purpose = 'carrier'

export const carriers = (): Promise<CarrierView[]> => carrierViews()

/** A carrier as it is asked. @throws Refusal "no-such-carrier", "other-secret" */
export async function carrierToAsk(id: number): Promise<Carrier> {
  const kept = await CarrierRow.findByPk(id)
  if (!kept) throw new Refusal('no-such-carrier', { status: 404 })
  return asked(kept, unseal(kept.sealedKey, purpose))
}

/** The key that a carrier signs with what it tells; undefined where there is none. */
export async function newsKeyOf(id: number): Promise<string | undefined> {
  const kept = await CarrierRow.findByPk(id)
  return (kept && unseal(kept.sealedKey, purpose)) || undefined
}

const asked = (
  {
    kind,
    address,
    inside,
    mapping,
    services,
  }: Pick<CarrierRow, 'kind' | 'address' | 'inside'> & Pick<CarrierChange, 'mapping' | 'services'>,
  key: string,
): Carrier =>
  kind === 'simulated'
    ? simulatedCarrier(address, key, inside)
    : mappedCarrier({ address, key, inside }, mapping!, () => Promise.resolve(services ?? []))

/**
 * Adds a carrier (`id` null) or changes one; what it carries is asked of it first, where it can say so.
 * @throws Refusal "same-name", "changed-meanwhile", "no-such-carrier", "bad-mapping", "carrier-does-not-answer"
 */
export async function keepCarrier(
  id: number | null,
  { version, key, ...change }: CarrierChange & { version: number },
): Promise<number> {
  check(change)
  const services = await servicesOf(id, { ...change, ...(key === undefined ? {} : { key }) })
  return inTransaction(async () => {
    const twin = await CarrierRow.findOne({ where: { name: change.name } })
    if (twin && twin.id !== id) throw badInput('same-name/carrier', 'name', { name: change.name })
    const row = {
      ...change,
      mapping: change.mapping ?? null,
      services,
      servicesAt: clock.now(),
      askServicesAt: tomorrow(),
      downSince: null,
      ...(key === undefined ? {} : { sealedKey: seal(key, purpose) }),
    }
    const before = id === null ? null : await lockCarrier(id, version)
    const kept = before
      ? await before.update({ ...row, version: before.version + 1 })
      : await CarrierRow.create(row)
    publish('house')
    return kept.id
  })
}

/** What a carrier carries is asked again after a day, after an hour where it did not answer. */
const inHours = (hours: number) => new Date(clock.now().getTime() + hours * 3_600_000)
const tomorrow = () => inHours(24)

/**
 * Asks a carrier anew what it carries and for how much, so that nobody chooses by prices of last year. Called by
 * renew-carrier, daily. Settings that are open beside it may still be kept: only its services are written.
 */
export async function renewCarrier(id: number): Promise<void> {
  const before = await CarrierRow.findByPk(id)
  if (!before) return
  const found = await servicesAnew(before)
  await inTransaction(async () => {
    const kept = await CarrierRow.findByPk(id, { lock: true })
    // whoever wrote it down otherwise meanwhile asked it, too
    if (kept?.version !== before.version) return
    if (!found) {
      await kept.update({ askServicesAt: inHours(1) })
      return
    }
    const isNew = !isDeepStrictEqual(kept.services, found)
    await kept.update({ services: found, servicesAt: clock.now(), askServicesAt: tomorrow() })
    if (isNew) publish('house')
  })
}

/** Undefined where it did not say so now, whatever the reason: what it said before stands. */
async function servicesAnew(carrier: CarrierRow): Promise<CarrierService[] | undefined> {
  try {
    return await asked(carrier, unseal(carrier.sealedKey, purpose)).services()
  } catch (error) {
    log.warn({ carrier: carrier.id, error: String(error) }, 'a carrier did not say what it carries')
    return undefined
  }
}

function check({ address, kind, mapping, services }: CarrierChange): void {
  if (!/^https?:\/\/[^\s/]+/.test(address)) throw badInput('bad-web-address', 'address', { address })
  if (kind !== 'http') return
  if (!mapping) throw badInput('bad-mapping/none', 'mapping')
  checkMapping(mapping)
  if (!services?.length) throw badInput('no-services', 'services')
}

/** What a carrier carries, as it says itself, or as it was written down. */
async function servicesOf(id: number | null, change: CarrierChange): Promise<CarrierService[]> {
  if (change.kind === 'http') return change.services ?? []
  const kept = id === null ? null : await CarrierRow.findByPk(id)
  const key = change.key ?? (kept ? unseal(kept.sealedKey, purpose) : '')
  try {
    return await asked(change, key).services()
  } catch (error) {
    if (!(error instanceof CarrierFailure)) throw error
    throw badInput('carrier-does-not-answer', error.failure === 'sign-in' ? 'key' : 'address', {
      why: joined(
        [told(`failure/${error.failure}`), told(`label-remedy/${error.failure}`)],
        'list/sentences',
      ),
      said: error.message,
    })
  }
}

/** @throws Refusal "no-such-carrier", "changed-meanwhile" */
async function lockCarrier(id: number, version: number): Promise<CarrierRow> {
  const kept = await CarrierRow.findByPk(id, { lock: true })
  if (!kept) throw new Refusal('no-such-carrier', { status: 404 })
  if (kept.version !== version) throw new Refusal('changed-meanwhile/carrier')
  return kept
}

/** Takes a carrier away of which nothing was ever bought. @throws Refusal "carrier-used" */
export async function removeCarrier(id: number, version: number): Promise<void> {
  await inTransaction(async () => {
    const kept = await lockCarrier(id, version)
    const { count } = (await isCarrierUsed(id))!
    if (count > 0) throw new Refusal('carrier-used', { values: { name: kept.name } })
    await kept.destroy()
    publish('house')
  })
}
