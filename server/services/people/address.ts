import { badInput } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'

/** @throws Refusal "bad-address" at the field `email` */
export function refuseBadAddress(email: string): void {
  if (isAddress(email)) return
  throw badInput('bad-address', 'email', { address: email })
}
