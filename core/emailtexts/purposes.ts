import type { DocumentKind } from '../documents/kinds'

/**
 * What an email is for, and so which text it has: a document's first email, one that carries a document once more
 * because somebody asked for it, or an invoice once more because it is not paid.
 */
export const emailPurposes = ['first', 'again', 'reminder'] as const

export type EmailPurpose = (typeof emailPurposes)[number]

/** What emails with documents of a kind can be for. */
export const purposesOf = (kind: DocumentKind): readonly EmailPurpose[] =>
  kind === 'invoice' ? emailPurposes : ['first', 'again']
