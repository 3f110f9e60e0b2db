import { Liquid } from 'liquidjs'
import { Refusal } from '../errors'
import { emailHtml, emailText, type EmailFrame } from './email-look'
import { mergeFieldNames, type MergeFields } from './fields'

/** The email's subject and text, with merge fields in double braces, per kind, brand and language. */
export interface CoverNote {
  subject: string
  /** Plain text; an empty line separates paragraphs. Merge fields and only-if passages; no HTML. */
  text: string
}

export const exampleFields: MergeFields = {
  number: 'INV-2026-00042',
  order: 'SO-20931',
  reference: 'OM/118',
  date: '24 November 2026',
  due: '24 December 2026',
  total: '1,284.46 EUR',
  customer: 'Ottermill Honey Co-op',
  contact: 'Nuala Fennimore',
  brand: 'Tansy Hollow',
  sender: 'Maeve Tarrant',
}

/** Templates never run code: own properties only, unknown fields and filters are errors, no files. */
const engine = new Liquid({
  strictVariables: true,
  strictFilters: true,
  ownPropertyOnly: true,
  lenientIf: true,
})

export interface FilledNote {
  subject: string
  text: string
  html: string
}

/**
 * Fills a cover note.
 * @throws Refusal "unknown-merge-field" for a field that does not exist, "empty-subject" when nothing is left of the subject
 */
export function fillCoverNote(note: CoverNote, fields: MergeFields, frame: EmailFrame): FilledNote {
  const fill = (template: string, where: string) => {
    try {
      return engine.parseAndRenderSync(template, { ...fields })
    } catch (error) {
      throw new Refusal(
        'unknown-merge-field',
        `The cover note's ${where} cannot be filled: ${(error as Error).message.split('\n')[0]}. Fields are ${mergeFieldNames.join(', ')}.`,
        { status: 400, about: { field: where } },
      )
    }
  }
  const subject = fill(note.subject, 'subject')
    .replace(/[\p{Cc}\s]+/gu, ' ')
    .trim()
  if (!subject)
    throw new Refusal('empty-subject', 'The cover note has no subject. Write one.', {
      status: 400,
      about: { field: 'subject' },
    })
  const text = fill(note.text, 'text')
    .replace(/[^\S\n]+$/gm, '')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
  if (!text)
    throw new Refusal('empty-text', 'The cover note has no text. Write one.', {
      status: 400,
      about: { field: 'text' },
    })
  return { subject, text: emailText(text, frame), html: emailHtml(text, frame) }
}
