import { kindFacts, type DocumentKind } from '../documents/kinds'

/**
 * What an email is for, and so which text it has: a document's first email, one that carries a document once more
 * because somebody asked for it, or an invoice once more because it is not paid.
 */
export const emailPurposes = ['first', 'again', 'reminder'] as const

export type EmailPurpose = (typeof emailPurposes)[number]

/** What emails with documents of a kind can be for. An update says once more what it said. */
export function purposesOf(kind: DocumentKind): readonly EmailPurpose[] {
  if (kindFacts[kind].isUpdate) return ['first']
  return kind === 'invoice' ? emailPurposes : ['first', 'again']
}
