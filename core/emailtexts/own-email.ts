import type { EmailText } from './email-text'
import type { FieldName, MergeFields } from './fields'
import type { Carriage } from '../enclosures/carriage'
import { settle } from './settle'

/** What a person wrote for one email. Its text may have fields: the number is drawn when the document is issued. */
export interface OwnEmail extends EmailText {
  /** Further copies, seen by all and by nobody. */
  cc: string[]
  bcc: string[]
  /** Enclosures that do not go this time, and those that were added for this once. */
  leftOut: number[]
  added: number[]
  /** Who it comes from: one of the house's senders, 0 for the brand itself; nothing for the usual. */
  senderId?: number | null
  /** Where answers go; '' for where they usually do. */
  replyTo?: string
  /** How its files travel; '' for how this customer has them. */
  attach?: Carriage | ''
}

/** What is drawn when a document is issued, or may change until then. */
const stillOpen = ['number', 'date', 'due', 'total'] as const

/**
 * An email text as a person goes on writing it for one document: passages and fields are settled, but for what is not
 * before the document is issued. @param alsoOpen fields that stay fields, too @throws Refusal as `settle`
 */
export function textToEdit(
  note: EmailText,
  values: MergeFields,
  alsoOpen: readonly FieldName[] = [],
): EmailText {
  const open = [...stillOpen, ...alsoOpen].filter((name) => values[name] !== '')
  return {
    subject: settle(note.subject, values, 'subject', open),
    text: settle(note.text, values, 'text', open),
  }
}
