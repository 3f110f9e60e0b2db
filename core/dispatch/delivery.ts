import {
  recipientsFor,
  type Channel,
  type Recipient,
  type RecipientQuestion,
} from '../preferences/recipients'

/** What decides by which channels a document goes and to whom. */
export interface DeliveryQuestion extends RecipientQuestion {
  /** Whom a person chose for this one sending; null for the customer's own recipients. */
  toAddresses?: readonly string[] | null
}

export interface Delivery {
  /** What the customer wants of this kind. */
  channel: Channel
  email: boolean
  print: boolean
  /** Nobody where no email goes. */
  recipients: Recipient[]
  /** The role of which no contact is there, where an email has nobody to go to; null otherwise. */
  lacks: string | null
}

/**
 * The one answer to by which channels a document goes and to whom, from what the customer wants and who is there
 * now. Preparing, sending, the trial, the customer's screen and "why" ask here.
 */
export function deliveryOf(of: DeliveryQuestion): Delivery {
  const channel = of.preference?.channel ?? 'email'
  const chosen = of.toAddresses ?? null
  const email = chosen !== null || channel === 'email' || channel === 'both'
  const recipients = !email ? [] : chosen === null ? recipientsFor(of) : chosenRecipients(of, chosen)
  return {
    channel,
    email,
    print: channel === 'paper' || channel === 'both',
    recipients,
    lacks: email && recipients.length === 0 ? (of.preference?.to ?? of.role) : null,
  }
}

const chosenRecipients = (of: DeliveryQuestion, addresses: readonly string[]): Recipient[] =>
  addresses.map((address) => ({
    name: of.contacts.find((contact) => contact.email === address)?.name ?? '',
    address,
    as: 'To',
    source: 'for this sending only',
  }))
