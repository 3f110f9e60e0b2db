import { Refusal } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'

/** @throws Refusal "bad-address" at the field `email` */
export function refuseBadAddress(email: string): void {
  if (isAddress(email)) return
  throw new Refusal('bad-address', `“${email}” is not an email address. Write one like name@house.example.`, {
    status: 400,
    about: { field: 'email' },
  })
}
