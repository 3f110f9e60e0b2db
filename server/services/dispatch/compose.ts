import MailComposer from 'nodemailer/lib/mail-composer'
import { fillCoverNote, type FilledNote } from '../../../core/covernotes/cover-note'
import type { MergeFields } from '../../../core/covernotes/fields'
import { formatDay } from '../../../core/documents/days'
import type { Paper } from '../../../core/documents/paper'
import { formatMoney } from '../../../core/money/format'
import type { Recipient } from '../../../core/wishes/recipients'

/** What an email is made of. */
export interface Letter {
  note: { subject: string, text: string }
  paper: Paper
  customerName: string
  brand: { name: string, colour: string, senderName: string, senderAddress: string, replyTo: string }
  recipients: Recipient[]
}

/** Subject, text and HTML of an email, merge fields filled from the paper. @throws Refusal for a field that does not exist */
export function fillLetter(letter: Letter): FilledNote {
  const { paper, brand } = letter
  const fact = (key: string) => paper.facts.find(one => one.key === key)?.value ?? ''
  const fields: MergeFields = {
    number: paper.number, order: fact('order'), reference: fact('reference'), date: formatDay(paper.date, paper.language), due: formatDay(paper.dueDate, paper.language),
    total: `${formatMoney(paper.amounts.toPay, paper.currency, paper.language)}\u00A0${paper.currency}`,
    customer: letter.customerName, contact: letter.recipients[0]?.name ?? '', brand: brand.name, sender: brand.senderName,
  }
  return fillCoverNote(letter.note, fields, { brandName: brand.name, colour: brand.colour, footLines: paper.brand.foot.flat(), language: paper.language })
}

export interface Message { filled: FilledNote, bytes: Buffer }

/** The complete MIME message (RFC 5322, RFC 2045 ff.): text and HTML parts, the PDF with its name, a fixed Message-ID. */
export async function composeMessage(letter: Letter, files: { name: string, bytes: Uint8Array }[], fixed: { messageId: string, date: Date }): Promise<Message> {
  const filled = fillLetter(letter)
  const placed = (as: Recipient['as']) => letter.recipients.filter(recipient => recipient.as === as).map(({ name, address }) => ({ name, address }))
  const composer = new MailComposer({
    from: { name: letter.brand.senderName, address: letter.brand.senderAddress }, replyTo: letter.brand.replyTo,
    to: placed('To'), cc: placed('CC'), subject: filled.subject, text: filled.text, html: filled.html,
    messageId: fixed.messageId, date: fixed.date, headers: { 'Auto-Submitted': 'auto-generated' },
    attachments: files.map(file => ({ filename: file.name, content: Buffer.from(file.bytes), contentType: 'application/pdf' })),
  })
  const bytes = await new Promise<Buffer>((resolve, reject) => composer.compile().build((error, message) => (error ? reject(error) : resolve(message))))
  return { filled, bytes }
}
