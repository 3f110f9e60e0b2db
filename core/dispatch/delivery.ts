import { channelFacts, channelsFor, type ChannelName } from './channels'
import {
  namedOnly,
  recipientsFor,
  united,
  type Channel,
  type Recipient,
  type RecipientQuestion,
} from '../preferences/recipients'
import { told } from '../said/told'

/** What decides by which channels a document goes and to whom. */
export interface DeliveryQuestion extends RecipientQuestion {
  /** Whom a person chose for this one sending; null for the customer's own recipients. */
  toAddresses?: readonly string[] | null
  /** Further copies of this one sending. */
  alsoTo?: { cc: readonly string[]; bcc: readonly string[] } | null
}

export interface Delivery {
  /** What the customer wants of this kind, or gets instead. */
  channel: Channel
  /** The ways it goes. */
  channels: ChannelName[]
  /** Nobody where nothing goes to an address. */
  recipients: Recipient[]
  /** The role of which no contact is there, where an email has nobody to go to; null otherwise. */
  lacks: string | null
  /** It is printed because an email has nobody to go to. */
  printedInstead: boolean
}

/**
 * The one answer to by which channels a document goes and to whom, from what the customer wants and who is there
 * now. Preparing, sending, the trial, the customer's screen and "why" ask here.
 */
export function deliveryOf(of: DeliveryQuestion): Delivery {
  // what goes to others than the customer is not the customer's to wish
  const channel = of.role === namedOnly ? 'email' : (of.preference?.channel ?? 'email')
  const chosen = of.toAddresses ?? null
  const channels = channelsFor(channel)
  if (chosen !== null && !channels.includes('email')) channels.unshift('email')
  const addressed = channels.some((one) => channelFacts[one].addressed)
  const own = !addressed ? [] : chosen === null ? recipientsFor(of) : chosenRecipients(of, chosen)
  const recipients = own.length === 0 ? [] : united([...own, ...furtherCopies(of)])
  const nobody = addressed && recipients.length === 0
  // who wished for both has the paper already
  if (nobody && of.role !== namedOnly && of.preference?.unreachable === 'print')
    return { channel: 'paper', channels: channelsFor('paper'), recipients, lacks: null, printedInstead: true }
  return {
    channel,
    channels,
    recipients,
    lacks: nobody ? (of.role === namedOnly ? of.role : (of.preference?.to ?? of.role)) : null,
    printedInstead: false,
  }
}

const furtherCopies = ({ alsoTo }: DeliveryQuestion): Recipient[] =>
  (['CC', 'BCC'] as const).flatMap((as) =>
    ((as === 'CC' ? alsoTo?.cc : alsoTo?.bcc) ?? []).map((address) => ({
      name: '',
      address,
      as,
      source: told('reached/this-sending'),
    })),
  )

const chosenRecipients = (of: DeliveryQuestion, addresses: readonly string[]): Recipient[] =>
  addresses.map((address) => ({
    name: of.contacts.find((contact) => contact.email === address)?.name ?? '',
    address,
    as: 'To',
    source: told('reached/this-sending'),
  }))
