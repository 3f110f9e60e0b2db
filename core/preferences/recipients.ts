import type { Carriage } from '../enclosures/carriage'
import type { Copies } from '../enclosures/copies'
import type { FileForm } from '../documents/editable'
import type { DocumentKind } from '../documents/kinds'
import { joined, told, type Told } from '../said/told'

/** What a contact is for: one of the house's own roles, or `anyone`, who takes what has nobody else. */
export type ContactRole = string
export const anyone = 'anyone' as const
/** Nobody of the customer's: only whom the routine itself names. */
export const namedOnly = 'named only' as const
/** "the billing contact", "the contact for anything". */
export const toldRole = (role: ContactRole): Told =>
  role === anyone || role === namedOnly ? told(`role/${role}`) : told('role/of', { role })

/** Roles that kinds of document ask for; a house adds its own beside them. */
export const suppliedRoles: readonly ContactRole[] = ['buying', 'billing', 'goods-in']
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
  to?: ContactRole
  /** Addresses it goes to, instead of a contact. */
  addresses?: string[]
  /** Further addresses, beside those the routine adds. */
  cc?: string[]
  bcc?: string[]
  /** Several documents of one Send in one email. */
  gathered?: boolean
  /** What becomes of an email that has nobody to go to: it waits, or is printed. */
  unreachable?: 'wait' | 'print'
  /** How its files travel in an email. */
  attach?: Carriage
  /** Of a statement: whether copies of what it lists go along, and how. */
  copies?: Copies
  /** The variants whose email text and whose design they get; 0 is the brand's own. */
  text?: number
  design?: number
  /** In which form its file goes, where the house allows another than the PDF. */
  form?: FileForm
}

/** The recipients that are kept at a billing address, for whatever is billed to it. */
export interface AddressMail {
  to?: string[]
  cc?: string[]
  bcc?: string[]
}

/** A change of a preference: what is left out stays, null takes it away. */
export type PreferenceChange = { [Part in keyof Preference]: Preference[Part] | null }

/** The preference after a change; undefined when nothing is left of it. */
export function changedPreference(
  preference: Preference | undefined,
  change: PreferenceChange,
): Preference | undefined {
  const left = Object.entries({ ...preference, ...change }).filter(
    ([, value]) => value !== null && value !== undefined && !(Array.isArray(value) && value.length === 0),
  )
  return left.length > 0 ? (Object.fromEntries(left) as Preference) : undefined
}
export type Preferences = Partial<Record<DocumentKind, Preference>>

/** What a house begins with: what goes with the box is printed. */
export const usualPreferences: Preferences = {
  'packing slip': { channel: 'paper' },
  'shipping label': { channel: 'paper' },
  'customs invoice': { channel: 'paper' },
}

export interface Recipient {
  name: string
  address: string
  as: 'To' | 'CC' | 'BCC'
  /** Why they are written to. */
  source: Told
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
  if (role === namedOnly)
    return united(
      copyTo
        .filter(isAddress)
        .map((address): Recipient => ({ name: '', address, as: 'To', source: told('reached/routine') })),
    )
  const { people, source } = addressees({ contacts, role, preference })
  if (people.length === 0) return []
  const copies = (addresses: readonly string[], as: 'CC' | 'BCC', from: Told) =>
    addresses.filter(isAddress).map((address): Recipient => ({ name: '', address, as, source: from }))
  const all: Recipient[] = [
    ...people.map(({ name, email }): Recipient => ({ name, address: email, as: 'To', source })),
    ...copies(copyTo, 'CC', told('reached/routine-copy')),
    ...copies(preference?.cc ?? [], 'CC', told('reached/copy')),
    ...copies(preference?.bcc ?? [], 'BCC', told('reached/blind-copy')),
  ]
  return united(all)
}

/** Each address once, as it is named first. */
export function united(all: readonly Recipient[]): Recipient[] {
  const seen = new Set<string>()
  return all.filter(({ address }) => !seen.has(address.toLowerCase()) && seen.add(address.toLowerCase()))
}

/** Whom a document is written to, before copies: wished addresses, else the contacts of a role. */
function addressees({ contacts, role, preference }: RecipientQuestion) {
  const usable = contacts.filter((contact) => isAddress(contact.email))
  const named = (preference?.addresses ?? []).filter(isAddress)
  if (named.length > 0)
    return {
      people: named.map((email) => ({
        name: usable.find((contact) => contact.email.toLowerCase() === email.toLowerCase())?.name ?? '',
        email,
      })),
      source: told('reached/address'),
    }
  const asked = preference?.to ?? role
  const exact = usable.filter((contact) => contact.role === asked)
  if (exact.length > 0)
    return {
      people: exact,
      source: told(preference?.to && preference.to !== role ? 'reached/wished-role' : 'reached/role', {
        role: asked,
      }),
    }
  const forAnything = usable.filter((contact) => contact.role === anyone)
  const other = forAnything.length > 0 ? undefined : standIn[asked]
  const instead = usable.filter((contact) => contact.role === other)
  if (instead.length > 0)
    return { people: instead, source: told('reached/instead', { other: other!, role: asked }) }
  return { people: forAnything, source: told('reached/anything') }
}

/** Whose contact is written to where a role has none: who ordered the goods knows where they come in. */
export const standIn: Partial<Record<ContactRole, ContactRole>> = { 'goods-in': 'buying' }

/**
 * A customer's wish for a kind: "by email, to the buying contact, with a copy to …". Null where nothing is wished.
 */
export function toldPreference(preference: Preference | undefined): Told | null {
  if (!preference) return null
  const { channel, addresses, to, cc, bcc, attach, copies } = preference
  if (channel === 'nothing') return told('wish/nothing')
  const parts = [
    channel && told(`wish/${channel}`),
    addresses?.length ? named('wish/to', addresses) : to && told('wish/to', { whom: toldRole(to) }),
    cc?.length && named('wish/cc', cc),
    bcc?.length && named('wish/bcc', bcc),
    preference.gathered && told('wish/gathered'),
    attach && attach !== 'attached' && told(`wish/attach/${attach}`),
    copies && copies !== 'none' && told('wish/copies'),
    preference.unreachable === 'print' && told('wish/unreachable'),
    preference.text && told('wish/text'),
    preference.design && told('wish/design'),
    preference.form === 'odt' && told('wish/odt'),
  ].filter((part): part is Told => typeof part === 'object')
  return parts.length === 0 ? null : joined(parts, 'list/comma')
}

const named = (says: 'wish/to' | 'wish/cc' | 'wish/bcc', addresses: readonly string[]): Told =>
  told(says, { whom: joined(addresses, 'list/comma') })

/** Anything that holds addresses in lists, with one of them replaced wherever it stands. */
export function withAddressReplaced<Kept>(kept: Kept, from: string, to: string): Kept {
  const replaced = (value: unknown): unknown => {
    if (typeof value === 'string') return value.toLowerCase() === from.toLowerCase() ? to : value
    if (Array.isArray(value)) return value.map(replaced)
    if (value === null || typeof value !== 'object') return value
    return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, replaced(part)]))
  }
  return replaced(kept) as Kept
}

/** Every address that a wish, or an address's recipients, name. */
export const addressesIn = (wish: Preference | AddressMail): string[] => [
  ...('addresses' in wish ? (wish.addresses ?? []) : []),
  ...(Array.isArray(wish.to) ? wish.to : []),
  ...(wish.cc ?? []),
  ...(wish.bcc ?? []),
]
