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
export interface Wish {
  channel?: Channel
  /** Role of the contact it goes to, instead of the routine's. */
  to?: Exclude<ContactRole, 'anyone'>
  /** Further addresses, beside those the routine adds. */
  cc?: string[]
  bcc?: string[]
  /** Several documents of one Send in one email. */
  gathered?: boolean
}

/** A change of a wish: what is left out stays, null takes it away. */
export type WishChange = { [Part in keyof Wish]: Wish[Part] | null }

/** The wish after a change; undefined when nothing is left of it. */
export function changedWish(wish: Wish | undefined, change: WishChange): Wish | undefined {
  const left = Object.entries({ ...wish, ...change }).filter(
    ([, value]) =>
      value !== null &&
      value !== undefined &&
      value !== false &&
      !(Array.isArray(value) && value.length === 0),
  )
  return left.length > 0 ? (Object.fromEntries(left) as Wish) : undefined
}
export type Wishes = Partial<Record<DocumentKind, Wish>>

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
  wish?: Wish
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
export function recipientsFor({ contacts, role, wish, copyTo = [] }: RecipientQuestion): Recipient[] {
  const asked = wish?.to ?? role
  const usable = contacts.filter((contact) => isAddress(contact.email))
  const exact = usable.filter((contact) => contact.role === asked)
  const chosen = exact.length > 0 ? exact : usable.filter((contact) => contact.role === 'anyone')
  if (chosen.length === 0) return []
  const source =
    exact.length > 0
      ? `the customer's ${asked} contact${wish?.to && wish.to !== role ? ', as the customer wishes' : ''}`
      : "the customer's contact for anything"
  const copies = (addresses: readonly string[], as: 'CC' | 'BCC', from: string) =>
    addresses.filter(isAddress).map((address): Recipient => ({ name: '', address, as, source: from }))
  const all: Recipient[] = [
    ...chosen.map((contact): Recipient => ({ name: contact.name, address: contact.email, as: 'To', source })),
    ...copies(copyTo, 'CC', 'a copy from the routine'),
    ...copies(wish?.cc ?? [], 'CC', 'a copy the customer wishes'),
    ...copies(wish?.bcc ?? [], 'BCC', 'a blind copy at the customer'),
  ]
  const seen = new Set<string>()
  return all.filter(({ address }) => !seen.has(address.toLowerCase()) && seen.add(address.toLowerCase()))
}

/**
 * A customer's wish for a kind as a sentence: "by email to the buying contact, with a copy to …". Empty when
 * nothing is wished.
 */
export function wishWords(wish: Wish | undefined): string {
  if (!wish) return ''
  const way =
    wish.channel &&
    { email: 'by email', paper: 'on paper', both: 'by email and on paper', nothing: 'not at all' }[
      wish.channel
    ]
  if (wish.channel === 'nothing') return way!
  const parts = [
    way,
    wish.to && `to the ${wish.to} contact`,
    wish.cc?.length && `with a copy to ${wish.cc.join(', ')}`,
    wish.bcc?.length && `with a blind copy to ${wish.bcc.join(', ')}`,
    wish.gathered && 'gathered into one email',
  ]
  return parts.filter(Boolean).join(', ')
}
