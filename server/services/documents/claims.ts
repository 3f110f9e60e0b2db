import { told, toldKind, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { releaseSettledClaim, retakeClaim } from './queries'
import { json } from '../../db/connection'
import { holdersOfClaims } from './prepare-queries'

/*
 * "Once": a claim stands while a document of a source, kind and occasion is prepared or issued.
 * Called by preparing, voiding and crediting, in their transactions.
 */

/** Voiding or wholly crediting a document sets its source free for another one. */
export async function releaseClaim(documentId: number): Promise<void> {
  await releaseSettledClaim(documentId)
}

/** A document that stands again takes its claim again, where no other took it meanwhile. */
export async function claimAgain(documentId: number): Promise<void> {
  await retakeClaim(documentId, clock.now())
}

/** A document of its source is made once: by source, kind and occasion. */
export const claimKey = (sourceId: number, kind: string, occasion: string) => json([sourceId, kind, occasion])

/** Who has the claims that are taken, by claim. */
export async function holdersOf(
  claims: Parameters<typeof holdersOfClaims>[0],
): Promise<Map<string, { preparedId: number; why: Told }>> {
  const held = await holdersOfClaims(claims)
  return new Map(
    held.map(({ preparedId, number, automatic, sourceId, sourceKind, kind, occasion }) => [
      claimKey(sourceId, kind, occasion),
      {
        preparedId,
        why: toldHolder({ number, automatic, kind: toldKind(kind), source: told(`source/${sourceKind}`) }),
      },
    ]),
  )
}

function toldHolder(of: { number: string | null; automatic: boolean; kind: Told; source: Told }): Told {
  const { number, automatic, kind, source } = of
  if (number) return told('claim/issued', { kind, number, source })
  return told(automatic ? 'claim/goes' : 'claim/waits', { kind, source })
}
