import { isAddress } from '../../../core/preferences/recipients'
import type { Principal } from '../people/principal'
import { addressesToCheck, customersWithoutAddress, oddAddresses } from './address-quality-queries'

/*
 * Addresses that somebody should look at: missing, malformed, bounced, shared by several customers, or our own
 * people's. Called from the Customers page.
 */

export type AddressProblem = 'missing' | 'malformed' | 'bounced' | 'shared' | 'our own'

export interface AddressToCheck {
  problem: AddressProblem
  /** Empty where it is missing. */
  address: string
  /** The server's words of the bounce, or whose it is of our own. */
  words: string
  customers: { id: number; number: string; name: string }[]
}

/** At most so many of each problem; mend these and the next come up. */
const most = 200

export async function addressesToLookAt(who: Principal): Promise<AddressToCheck[]> {
  const malformed = (await oddAddresses(who, most)).filter(({ address }) => !isAddress(address))
  const found = await addressesToCheck(who, most)
  const missing = await customersWithoutAddress(who, most)
  return [
    ...missing.map((customers): AddressToCheck => ({
      problem: 'missing',
      address: '',
      words: '',
      customers: [customers],
    })),
    ...malformed.map((one): AddressToCheck => ({ problem: 'malformed', words: '', ...one })),
    ...found,
  ]
}
