import { badInput } from '../errors'
import { emailHtml, emailText, type EmailFrame } from './email-look'
import type { EmailFacts } from './fields'
import { bodyHtml, bodyText } from './forms'
import type { Body, Line } from './nodes'
import { settle } from './settle'

/** The email's subject and text, per kind, brand and language. The subject is one paragraph without looks. */
export interface EmailText {
  subject: Line
  text: Body
}

export interface FilledNote {
  subject: string
  text: string
  html: string
}

/**
 * Fills an email text, and lays it in the brand's frame.
 * @throws Refusal "unknown-merge-field" for a field that does not exist, "empty-field" for one that this
 * document does not have, "empty-subject" and "empty-text" when nothing is left of them
 */
export function fillEmailText(
  note: EmailText,
  { values, tables }: EmailFacts,
  frame: EmailFrame,
): FilledNote {
  // a subject is a header line: one line, whatever the values hold (RFC 5322, 2.2)
  const subject = bodyText(settle(note.subject, values, 'subject'), tables)
    .replace(/[\p{Cc}\s]+/gu, ' ')
    .trim()
  if (!subject) throw badInput('empty-subject', 'subject')
  const settled = settle(note.text, values, 'text')
  const text = bodyText(settled, tables)
  if (!text) throw badInput('empty-text', 'text')
  return { subject, text: emailText(text, frame), html: emailHtml(bodyHtml(settled, tables), frame) }
}
