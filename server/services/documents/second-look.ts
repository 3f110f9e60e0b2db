import { deliveryOf } from '../../../core/dispatch/delivery'
import {
  ruleFor,
  secondLookWhy,
  wantsSecondLooks,
  type Asked,
  type SecondLookRule,
} from '../../../core/documents/second-look'
import { Refusal } from '../../../core/errors'
import { inHomeCurrency } from '../../../core/money/exchange'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import {
  addressesReached,
  confirmBanksRow,
  documentsLookedAt,
  keepAsked,
  keepSecondLooks,
  lockBanksChanged,
  preparedIn,
  secondLookRule,
  type LookedAt,
} from './second-look-queries'

/*
 * What a second person has to send: found whenever a document is prepared or something that decides is changed, and
 * kept with it, so that counts, lists, the check before a Send and the Send itself read the same.
 * Called by what prepares and refreshes, by To check and by Settings.
 * Refuses: confirming one's own change of bank accounts.
 */

/**
 * Looks at prepared documents once more. In the caller's transaction, which has locked what of them it locks.
 * @returns why, for those of which a second person is needed
 */
export async function lookForSecond(ids: readonly number[]): Promise<Map<number, Told>> {
  if (ids.length === 0) return new Map()
  const { rule, home } = (await secondLookRule())!
  const found = wantsSecondLooks(rule)
    ? await reasonsOf(await documentsLookedAt(ids), rule, home)
    : ids.map((id) => ({ id, why: null }))
  const changed = await keepSecondLooks(found)
  if (changed.length > 0)
    publish(
      'line',
      changed.map(({ id }) => id),
    )
  return new Map(found.flatMap(({ id, why }) => (why === null ? [] : [[id, why] as const])))
}

/** Everything prepared, or what is of one brand, once more. */
export async function lookForSecondIn(brandId: number | null): Promise<void> {
  await lookForSecond((await preparedIn(brandId)).map(({ id }) => id))
}

const keyOf = (customerId: number, address: string) => `${customerId} ${address.toLowerCase()}`

const addressesOf = (one: LookedAt): string[] => {
  const { channels, recipients } = deliveryOf({ ...one, preference: one.preferences[one.kind] })
  return channels.includes('email') ? recipients.map(({ address }) => address.toLowerCase()) : []
}

/** Addresses at which their customer has had an email, by customer and address. */
async function reachedBy(documents: readonly LookedAt[]): Promise<Set<string>> {
  const wanted = documents.flatMap((one) =>
    addressesOf(one).map((address) => ({ customerId: one.customerId, address })),
  )
  const reached = await addressesReached(wanted)
  return new Set(reached.map((one) => keyOf(one.customerId, one.address)))
}

async function reasonsOf(documents: readonly LookedAt[], rule: SecondLookRule, home: string) {
  const reached = rule.newAddress ? await reachedBy(documents) : new Set<string>()
  return documents.map((one) => ({
    id: one.id,
    why: secondLookWhy(ruleFor(one.kind, rule), {
      home,
      inHome:
        one.currency === home
          ? one.total
          : one.rate &&
            inHomeCurrency(one.total, { home, currency: one.currency, rate: one.rate, day: '', source: '' }),
      newAddresses: rule.newAddress
        ? addressesOf(one).filter((address) => !reached.has(keyOf(one.customerId, address)))
        : [],
      banksChangedBy: one.banksChangedBy,
    }),
  }))
}

/**
 * Asks for a second person for documents as they were looked at, or takes that back. @returns how many
 */
export async function askSecond(
  documents: readonly { id: number; revision: number }[],
  who: Principal & { id: number },
  back = false,
): Promise<number> {
  return inTransaction(async () => {
    const asked: Asked | null = back ? null : { id: who.id, name: who.name, at: clock.now().toISOString() }
    const kept = await keepAsked({ documents, asked })
    await noteAll(
      kept.map((one) => ({
        sourceId: one.sourceId,
        preparedId: one.id,
        actor: who.name,
        ...toldAsked(back, one.secondLook),
      })),
    )
    publish(
      'line',
      kept.map(({ id }) => id),
    )
    return kept.length
  })
}

function toldAsked(back: boolean, why: Told | null): Told {
  if (back) return told('prepared/second-withdrawn')
  return why ? told('prepared/second-asked-why', { why }) : told('prepared/second-asked')
}

/** Says that a brand's changed bank accounts are right. @throws Refusal "own-change", "no-such-brand" */
export async function confirmBanks(brandId: number, who: Principal & { id: number }): Promise<void> {
  await inTransaction(async () => {
    const found = await lockBanksChanged(brandId)
    if (!found) throw new Refusal('no-such-brand', { status: 404 })
    if (!found.changed) return
    if (found.changed.id === who.id) throw new Refusal('own-change', { values: { name: who.name } })
    await confirmBanksRow(brandId)
    await lookForSecondIn(brandId)
    publish('house')
  })
}
