import { badInput } from '../errors'
import { emailHtml, emailText, type EmailFrame } from './email-look'
import type { EmailFacts } from './fields'
import { bodyHtml, bodyText, tableHtml, tableText } from './forms'
import { leadsToDocument, paragraphsOf, type Body, type Line } from './nodes'
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
 * Fills an email text, and lays it in the brand's frame. Files that are had by a link and that no words lead to are
 * named below it.
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
  const links = tables.links
  const settled = settle(note.text, values, 'text', [], links.rows.length > 0)
  const text = bodyText(settled, tables)
  if (!text) throw badInput('empty-text', 'text')
  const html = bodyHtml(settled, tables)
  if (links.rows.length <= (leads(settled) ? 1 : 0))
    return { subject, text: emailText(text, frame), html: emailHtml(html, frame) }
  return {
    subject,
    text: emailText(`${text}\n\n${tableText(links)}`, frame),
    html: emailHtml(`${html}\n${tableHtml(links)}`, frame),
  }
}

/** Whether words of a body lead to the document. */
const leads = (body: Body) => paragraphsOf(body).some(({ content = [] }) => content.some(leadsToDocument))
