import { fillWords, type EmailText } from './email-text'
import type { MergeFields } from './fields'

/** What a person wrote for one email. Its text may have fields: the number is drawn when the document is issued. */
export interface OwnEmail extends EmailText {
  /** Further copies, seen by all and by nobody. */
  cc: string[]
  bcc: string[]
}

/** What is drawn when a document is issued, or may change until then. */
const stillOpen = ['number', 'date', 'due', 'total'] as const

/**
 * An email text as a person goes on writing it for one document: passages and fields are filled, but for what is not
 * settled before the document is issued. @throws Refusal as `fillWords`
 */
export function textToEdit(note: EmailText, fields: MergeFields): EmailText {
  const open = stillOpen.filter((name) => fields[name] !== '').map((name) => [name, `{{ ${name} }}`])
  return fillWords(note, { ...fields, ...Object.fromEntries(open) })
}
