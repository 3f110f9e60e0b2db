import MailComposer from 'nodemailer/lib/mail-composer'
import { fillEmailText, type EmailText, type FilledNote } from '../../../core/emailtexts/email-text'
import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { EmailFacts } from '../../../core/emailtexts/fields'
import { pictureId, picturesIn } from '../../../core/emailtexts/pictures'
import { escapeHtml } from '../../../core/emailtexts/escape'
import { bodyOf, hasTable, namesDocuments } from '../../../core/emailtexts/nodes'
import { partWords } from '../../../core/emailtexts/part-words'
import type { EmailPart } from '../../../core/enclosures/parts'
import type { OpenItem } from '../../../core/documents/open-table'
import { letterFacts, type LetterLink } from '../../../core/emailtexts/letter-fields'
import type { DecimalText } from '../../../core/money/decimal'
import type { Paper } from '../../../core/documents/paper'
import { readPictures } from '../pictures/pictures'
import { openItemsNow, type AccountOf } from './compose-queries'
import { lookNow } from './email-look'
import type { Recipient } from '../../../core/preferences/recipients'
import { joined, told } from '../../../core/said/told'

/** What an email is made of. */
export interface Letter {
  note: EmailText
  paper: Paper
  customerName: string
  brand: {
    name: string
    colours: { brand: string; accent: string }
    emailLook: EmailLook
    senderName: string
    senderAddress: string
    replyTo: string
  }
  recipients: Recipient[]
  /** Further papers gathered in the same email. */
  others?: Paper[]
  /** Files that are had by a link, the documents first. */
  links?: LetterLink[]
  /** The documents stand in its text, and no file has them. */
  inText?: boolean
  /** What of its invoice is still open, where it reminds of that. */
  unpaid?: DecimalText | null
  /** Which one it is of several over which its files were spread. */
  part?: EmailPart | null
  /** Whose open items it can list, where its text wants them. */
  account?: AccountOf
  /** Those, as they are while it is written. */
  open?: OpenItem[]
  /** In a rehearsal: the one address it goes to, with those it would have gone to named on top. */
  insteadTo?: string
}

/** What an email's text can say. */
export const factsOf = ({
  paper,
  others = [],
  brand,
  customerName,
  recipients,
  links,
  inText,
  unpaid,
  open,
}: Letter): EmailFacts =>
  letterFacts(
    [paper, ...others],
    {
      customer: customerName,
      contact: recipients[0]?.name ?? '',
      brand: brand.name,
      sender: brand.senderName,
      unpaid,
      open,
    },
    links,
    inText,
  )

/**
 * Subject, text and HTML of an email, merge fields filled from the paper. @throws Refusal for a field that
 * does not exist
 */
export function fillLetter(letter: Letter): FilledNote {
  const { paper, brand, note } = letter
  const part = letter.part && partWords[paper.language](letter.part)
  // a text that was written for one document names the others all the same; parcels are told with their tracking
  const more = [
    ...(letter.others?.length && !namesDocuments(note.text) ? [documentsTable] : []),
    ...((letter.inText || (paper.labels && !paper.labels.follow)) && !hasTable(note.text, 'lines')
      ? [linesTable]
      : []),
    ...(paper.parcels?.length && !hasTable(note.text, 'parcels') ? [parcelsTable] : []),
    ...(part ? bodyOf(part.text).content : []),
  ]
  const text = { ...note.text, content: [...note.text.content, ...more] }
  const filled = fillEmailText({ ...note, text }, factsOf(letter), {
    brandName: brand.name,
    colours: brand.colours,
    look: brand.emailLook,
    footLines: paper.brand.foot.flat(),
    language: paper.language,
  })
  const named = part ? { ...filled, subject: `${filled.subject} ${part.subject}` } : filled
  return letter.insteadTo ? marked(named, letter.recipients) : named
}

/** The same with what is of today: a banner stands only in its season, open items are those of now. */
export async function fillToday(letter: Letter): Promise<FilledNote> {
  const emailLook = await lookNow(letter.brand.emailLook)
  return fillLetter({ ...letter, open: await openIn(letter), brand: { ...letter.brand, emailLook } })
}

/** What is open on the account, where the text lists it and no statement says it. */
async function openIn({ note, paper, account }: Letter): Promise<OpenItem[]> {
  const asked = account && !paper.exact.statement && hasTable(note.text, 'open')
  return asked ? openItemsNow({ ...account, currency: paper.currency }) : []
}

const documentsTable = { type: 'factTable', attrs: { of: 'documents' } } as const
const linesTable = { type: 'factTable', attrs: { of: 'lines' } } as const
const parcelsTable = { type: 'factTable', attrs: { of: 'parcels' } } as const

/** A rehearsal's mail, with those named on top whom it would have reached. */
function marked(filled: FilledNote, recipients: readonly Recipient[]): FilledNote {
  const people = recipients.map(({ as, address }) => told('letter/person', { as, address }))
  const { words } =
    people.length > 0
      ? told('letter/would-go-to', { people: joined(people, 'list/comma') })
      : told('letter/only-you')
  return {
    subject: told('letter/rehearsal', { subject: filled.subject }).words,
    text: `${words}\n\n${filled.text}`,
    html: filled.html.replace(
      /(<body[^>]*>)/,
      `$1\n<div style="background:#f8e1de;color:#7a1f18;padding:10px 28px;font-size:13px">${escapeHtml(words)}</div>`,
    ),
  }
}

/** The same with another address of its banner. */
const leadingTo = (letter: Letter, href: string): Letter => {
  const { emailLook } = letter.brand
  const banner = emailLook.banner && { ...emailLook.banner, href }
  return { ...letter, brand: { ...letter.brand, emailLook: { ...emailLook, banner } } }
}

export interface Message {
  filled: FilledNote
  bytes: Buffer
}

/**
 * The complete MIME message (RFC 5322, RFC 2045 ff.): text and HTML parts, the PDFs and what is enclosed with their
 * names, a fixed Message-ID. @param fixed `mark` stands at the end of what leaves, and in no copy of ours; `offer` is
 * where the banner of what leaves leads; `unsubscribe` is where its receiver ends such emails (RFC 8058)
 */
export async function composeMessage(
  letter: Letter,
  files: { name: string; bytes: Uint8Array; mediaType?: string }[],
  fixed: { messageId: string; date: Date; mark?: string; offer?: string; unsubscribe?: string },
): Promise<Message> {
  const filled = await fillToday(letter)
  const leaving = fixed.offer ? await fillToday(leadingTo(letter, fixed.offer)) : filled
  const pictures = await readPictures(picturesIn(filled.html))
  const placed = (as: Recipient['as']) =>
    letter.recipients
      .filter((recipient) => recipient.as === as)
      .map(({ name, address }) => ({ name, address }))
  const composer = new MailComposer({
    from: { name: letter.brand.senderName, address: letter.brand.senderAddress },
    replyTo: letter.brand.replyTo,
    ...(letter.insteadTo ? { to: letter.insteadTo } : { to: placed('To'), cc: placed('CC') }),
    subject: filled.subject,
    text: leaving.text,
    html: fixed.mark ? leaving.html.replace('</body>', `${fixed.mark}\n</body>`) : leaving.html,
    messageId: fixed.messageId,
    date: fixed.date,
    headers: {
      'Auto-Submitted': 'auto-generated',
      ...(fixed.unsubscribe
        ? {
            'List-Unsubscribe': `<${fixed.unsubscribe}>`,
            'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
          }
        : {}),
    },
    attachments: [
      ...pictures.map(({ sha256, mediaType, bytes }) => ({
        cid: pictureId(sha256),
        filename: `${sha256.slice(0, 8)}.${mediaType === 'image/jpeg' ? 'jpg' : 'png'}`,
        content: bytes,
        contentType: mediaType,
        contentDisposition: 'inline' as const,
      })),
      ...files.map((file) => ({
        filename: file.name,
        content: Buffer.from(file.bytes),
        contentType: file.mediaType ?? 'application/pdf',
      })),
    ],
  })
  const bytes = await new Promise<Buffer>((resolve, reject) =>
    composer.compile().build((error, message) => (error ? reject(error) : resolve(message))),
  )
  return { filled, bytes }
}
