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

/** Who has the claims that are taken, in plain words, by claim. */
export async function holdersInWords(
  claims: Parameters<typeof holdersOfClaims>[0],
): Promise<Map<string, { preparedId: number; words: string }>> {
  const held = await holdersOfClaims(claims)
  return new Map(
    held.map(({ preparedId, number, automatic, sourceId, sourceKind, kind, occasion }) => [
      claimKey(sourceId, kind, occasion),
      {
        preparedId,
        words: number
          ? `Nothing was made: ${kind} ${number} was already issued for this ${sourceKind}.`
          : `Nothing was made: the ${kind} of this ${sourceKind} is already prepared and ` +
            `${automatic ? 'goes by itself' : 'waits in To check'}.`,
      },
    ]),
  )
}
