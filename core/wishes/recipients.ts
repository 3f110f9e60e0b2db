import type { DocumentKind } from '../documents/paper'

export type ContactRole = 'buying' | 'billing' | 'goods-in' | 'anyone'
export interface ContactFacts { name: string, email: string, role: ContactRole }
export type Channel = 'email' | 'paper' | 'both' | 'nothing'
export type Wishes = Partial<Record<DocumentKind, Channel>>

export interface Recipient { name: string, address: string, as: 'To' | 'CC' | 'BCC', source: string }

/**
 * A plain check that an address can be written to: one @, no spaces or line ends, a dot in the domain (RFC 5321 without quoted local parts).
 * Whether the mailbox exists only its mail server can say.
 */
export function isAddress(text: string): boolean {
  return /^[^\s@<>()[\],;:"\\]{1,64}@[^\s@<>()[\],;:"\\]{1,253}$/.test(text) && /^[^@]+@([^.@]+\.)+[^.@]{2,}$/.test(text) && !text.includes('..')
}

/**
 * Who gets a document: the customer's contacts in the asked role, else those for anything. Looked up at the moment of sending.
 * Empty when there is nobody to write to.
 */
export function recipientsFor(contacts: readonly ContactFacts[], role: ContactRole): Recipient[] {
  const usable = contacts.filter(contact => isAddress(contact.email))
  const exact = usable.filter(contact => contact.role === role)
  const chosen = exact.length > 0 ? exact : usable.filter(contact => contact.role === 'anyone')
  const seen = new Set<string>()
  return chosen.filter((contact) => {
    const address = contact.email.toLowerCase()
    return !seen.has(address) && seen.add(address)
  }).map(contact => ({
    name: contact.name, address: contact.email, as: 'To' as const,
    source: exact.length > 0 ? `the customer's ${role} contact` : 'the customer\'s contact for anything',
  }))
}
