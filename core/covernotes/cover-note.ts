import { Liquid } from 'liquidjs'
import { Refusal } from '../errors'
import { mergeFieldNames, type MergeFields } from './fields'

/** The email's subject and text, with merge fields in double braces, per kind, brand and language. */
export interface CoverNote {
  subject: string
  /** Plain text; an empty line separates paragraphs. Merge fields and only-if passages; no HTML. */
  text: string
}

export const exampleFields: MergeFields = {
  number: 'INV-2026-00042', order: 'SO-20931', reference: 'OM/118', date: '24 November 2026', due: '24 December 2026',
  total: '1,284.46 EUR', customer: 'Ottermill Honey Co-op', contact: 'Nuala Fennimore', brand: 'Tansy Hollow', sender: 'Maeve Tarrant',
}

/** Templates never run code: own properties only, unknown fields and filters are errors, no files. */
const engine = new Liquid({ strictVariables: true, strictFilters: true, ownPropertyOnly: true, lenientIf: true })

export interface FilledNote { subject: string, text: string, html: string }

/** What the email looks like around its text. */
export interface EmailLook { brandName: string, colour: string, footLines: string[], language: string }

/**
 * Fills a cover note.
 * @throws Refusal "unknown-merge-field" for a field that does not exist, "empty-subject" when nothing is left of the subject
 */
export function fillCoverNote(note: CoverNote, fields: MergeFields, look: EmailLook): FilledNote {
  const fill = (template: string, where: string) => {
    try {
      return engine.parseAndRenderSync(template, { ...fields })
    } catch (error) {
      throw new Refusal('unknown-merge-field', `The cover note's ${where} cannot be filled: ${(error as Error).message.split('\n')[0]}. Fields are ${mergeFieldNames.join(', ')}.`,
        { status: 400, about: { field: where } })
    }
  }
  const subject = fill(note.subject, 'subject').replace(/[\p{Cc}\s]+/gu, ' ').trim()
  if (!subject) throw new Refusal('empty-subject', 'The cover note has no subject. Write one.', { status: 400, about: { field: 'subject' } })
  const text = fill(note.text, 'text').replace(/[^\S\n]+$/gm, '').replace(/\n{3,}/g, '\n\n').trim()
  if (!text) throw new Refusal('empty-text', 'The cover note has no text. Write one.', { status: 400, about: { field: 'text' } })
  return { subject, text, html: html(text, look) }
}

/** Escapes text for HTML content and quoted attributes. */
export function escapeHtml(text: string): string {
  return text.replace(/[&<>"']/g, character => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', '\'': '&#39;' })[character]!)
}

/** A plain, brand-coloured frame with inline styles, as mail programs need it. No pictures: nothing to block or to load. */
function html(text: string, look: EmailLook): string {
  const paragraphs = text.split(/\n{2,}/).map(paragraph =>
    `<p style="margin:0 0 14px;line-height:1.5">${escapeHtml(paragraph).replace(/\n/g, '<br>')}</p>`).join('\n')
  const colour = /^#[0-9a-f]{6}$/i.test(look.colour) ? look.colour : '#333333'
  return `<!doctype html>
<html lang="${escapeHtml(look.language)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"></head>
<body style="margin:0;background:#f4f4f2;font-family:Helvetica,Arial,sans-serif;color:#1a1a1a;font-size:15px">
<div style="max-width:600px;margin:0 auto;background:#ffffff">
<div style="border-top:5px solid ${colour};padding:22px 28px 6px;font-size:18px;font-weight:bold;color:${colour}">${escapeHtml(look.brandName)}</div>
<div style="padding:14px 28px 10px">
${paragraphs}
</div>
<div style="padding:14px 28px 24px;border-top:1px solid #dddddd;font-size:12px;line-height:1.5;color:#5c6166">${look.footLines.map(escapeHtml).join('<br>')}</div>
</div></body></html>
`
}
