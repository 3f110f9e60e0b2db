import { Refusal } from '../../../core/errors'
import { brandExists, raiseBrandVersion } from './change-queries'

/** Locks the brand at the version that was on the screen and raises it, so that prepared papers know. */
export async function raiseVersion(brandId: number, version: number): Promise<void> {
  const raised = await raiseBrandVersion(brandId, version)
  if (raised === 1) return
  const there = await brandExists(brandId)
  throw there ? new Refusal('changed-meanwhile/brand') : new Refusal('no-such-brand', { status: 404 })
}
