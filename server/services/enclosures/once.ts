import type { OwnEnclosures } from '../../../core/enclosures/enclosures'
import { badInput } from '../../../core/errors'
import type { Told } from '../../../core/said/told'
import type { Principal } from '../people/principal'
import { filesOfDispatches, filesOfPrepared, whyNotWithFiles } from './going'
import { lookAtSizes } from './sizes'
import { addedTo, dropUnwanted } from './queries'

/**
 * Keeps which files go along with one email: what was added for once and is not wanted any more is taken away. In the
 * transaction that keeps the email. @throws Refusal "no-such-enclosure", "too-large-email"
 */
export async function keepOwnEnclosures(
  preparedId: number,
  own: OwnEnclosures | null,
  who: Principal,
): Promise<void> {
  const wanted = own?.added ?? []
  const there = new Set((await addedTo([preparedId])).map(({ id }) => id))
  if (wanted.some((id) => !there.has(id))) throw badInput('no-such-enclosure', 'files')
  await dropUnwanted(preparedId, wanted)
  if (own) {
    const files = (await filesOfPrepared([preparedId], who.name)).get(preparedId)
    const words = files && whyNotWithFiles(files)
    if (words) throw badInput('too-large-email', 'files', { words })
  }
  await lookAtSizes({ preparedId })
}

/** Whether each of these files was added for once to one of these documents. */
export async function addedToAny(preparedIds: readonly number[], ids: readonly number[]): Promise<boolean> {
  const there = new Set((await addedTo(preparedIds)).map(({ id }) => id))
  return ids.every((id) => there.has(id))
}

/** Why an email cannot go that would be larger than its mail account takes; undefined where it can. */
export async function tooLargeAmong(dispatchId: number): Promise<Told | undefined> {
  const files = (await filesOfDispatches([dispatchId])).get(dispatchId)
  return (files && whyNotWithFiles(files)) || undefined
}
