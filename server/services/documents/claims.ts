import { clock } from '../../clock'
import { releaseSettledClaim, retakeClaim } from './queries'

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
