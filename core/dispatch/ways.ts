import type { Address } from '../documents/facts'
import { documentKinds, kindFacts, type DocumentKind } from '../documents/kinds'
import { toldPreference, type Channel, type ContactFacts, type Preferences } from '../preferences/recipients'
import { told, type Told } from '../said/told'
import { deliveryOf } from './delivery'

/** How a kind of paper goes to a customer, or what stops it. */
export interface Way {
  kind: DocumentKind
  wish: Told
  to: string
  problem: Told | null
}

/** How each kind goes to this customer by the house's usual addressing, said before anyone tries. */
export function waysOf(customer: {
  name: string
  billing: Address | null
  /** With what the group and the house wish. */
  wished: Preferences
  contacts: readonly ContactFacts[]
}): Way[] {
  return documentKinds.map((kind) => {
    const preference = customer.wished[kind]
    const { channel, recipients, lacks } = deliveryOf({
      contacts: customer.contacts,
      role: kindFacts[kind].to,
      preference,
    })
    return {
      kind,
      wish: toldPreference({ channel: 'email', ...preference })!,
      to: recipients.map((one) => one.address).join(', '),
      problem: problemOf(channel, customer.billing, lacks),
    }
  })
}

function problemOf(channel: Channel, billing: Address | null, lacks: string | null): Told | null {
  if (channel === 'nothing') return null
  if (!billing) return told('way/no-postal-address')
  return lacks === null ? null : told('way/no-contact', { role: lacks })
}
