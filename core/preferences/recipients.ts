import type { DocumentKind } from '../documents/kinds'

export type ContactRole = 'buying' | 'billing' | 'goods-in' | 'anyone'
export const contactRoles: readonly ContactRole[] = ['buying', 'billing', 'goods-in', 'anyone']
export interface ContactFacts {
  name: string
  email: string
  role: ContactRole
}
export type Channel = 'email' | 'paper' | 'both' | 'nothing'
export const channels: readonly Channel[] = ['email', 'paper', 'both', 'nothing']

/** What a customer wants for one kind of document; what is left out follows the routine and the house. */
export interface Preference {
  channel?: Channel
  /** Role of the contact it goes to, instead of the routine's. */
  to?: Exclude<ContactRole, 'anyone'>
  /** Further addresses, beside those the routine adds. */
  cc?: string[]
  bcc?: string[]
  /** Several documents of one Send in one email. */
  gathered?: boolean
}

/** A change of a preference: what is left out stays, null takes it away. */
export type PreferenceChange = { [Part in keyof Preference]: Preference[Part] | null }

/** The preference after a change; undefined when nothing is left of it. */
export function changedPreference(
  preference: Preference | undefined,
  change: PreferenceChange,
): Preference | undefined {
  const left = Object.entries({ ...preference, ...change }).filter(
    ([, value]) =>
      value !== null &&
      value !== undefined &&
      value !== false &&
      !(Array.isArray(value) && value.length === 0),
  )
  return left.length > 0 ? (Object.fromEntries(left) as Preference) : undefined
}
export type Preferences = Partial<Record<DocumentKind, Preference>>

export interface Recipient {
  name: string
  address: string
  as: 'To' | 'CC' | 'BCC'
  source: string
}

/**
 * A plain check that an address can be written to: one @, no spaces or line ends, a dot in the domain (RFC
 * 5321 without quoted local parts).
 * Whether the mailbox exists only its mail server can say.
 */
export function isAddress(text: string): boolean {
  return (
    /^[^\s@<>()[\],;:"\\]{1,64}@[^\s@<>()[\],;:"\\]{1,253}$/.test(text) &&
    /^[^@]+@([^.@]+\.)+[^.@]{2,}$/.test(text) &&
    !text.includes('..')
  )
}

/** What decides who gets a document. */
export interface RecipientQuestion {
  contacts: readonly ContactFacts[]
  /** The role that the routine, or the house for this kind, asks for. */
  role: ContactRole
  preference?: Preference
  /** Addresses the routine adds as CC. */
  copyTo?: readonly string[]
}

/**
 * Who gets a document: the customer's contacts in the wished or asked role, else those for anything; then the
 * copies of the routine
 * and of the customer. Each address once, To before CC before BCC. Looked up at the moment of sending. Empty
 * when there is nobody
 * to write to: copies alone are no letter.
 */
export function recipientsFor({ contacts, role, preference, copyTo = [] }: RecipientQuestion): Recipient[] {
  const asked = preference?.to ?? role
  const usable = contacts.filter((contact) => isAddress(contact.email))
  const exact = usable.filter((contact) => contact.role === asked)
  const chosen = exact.length > 0 ? exact : usable.filter((contact) => contact.role === 'anyone')
  if (chosen.length === 0) return []
  const source =
    exact.length > 0
      ? `the customer's ${asked} contact${preference?.to && preference.to !== role ? ', as the customer wishes' : ''}`
      : "the customer's contact for anything"
  const copies = (addresses: readonly string[], as: 'CC' | 'BCC', from: string) =>
    addresses.filter(isAddress).map((address): Recipient => ({ name: '', address, as, source: from }))
  const all: Recipient[] = [
    ...chosen.map((contact): Recipient => ({ name: contact.name, address: contact.email, as: 'To', source })),
    ...copies(copyTo, 'CC', 'a copy from the routine'),
    ...copies(preference?.cc ?? [], 'CC', 'a copy the customer wishes'),
    ...copies(preference?.bcc ?? [], 'BCC', 'a blind copy at the customer'),
  ]
  const seen = new Set<string>()
  return all.filter(({ address }) => !seen.has(address.toLowerCase()) && seen.add(address.toLowerCase()))
}

/**
 * A customer's wish for a kind as a sentence: "by email to the buying contact, with a copy to …". Empty when
 * nothing is wished.
 */
export function preferenceWords(preference: Preference | undefined): string {
  if (!preference) return ''
  const way =
    preference.channel &&
    { email: 'by email', paper: 'on paper', both: 'by email and on paper', nothing: 'not at all' }[
      preference.channel
    ]
  if (preference.channel === 'nothing') return way!
  const parts = [
    way,
    preference.to && `to the ${preference.to} contact`,
    preference.cc?.length && `with a copy to ${preference.cc.join(', ')}`,
    preference.bcc?.length && `with a blind copy to ${preference.bcc.join(', ')}`,
    preference.gathered && 'gathered into one email',
  ]
  return parts.filter(Boolean).join(', ')
}
