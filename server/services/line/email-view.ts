import { fitText, hasFile, type Carriage } from '../../../core/enclosures/carriage'
import type { GoingAlong } from '../../../core/enclosures/enclosures'
import { documentAsARule, mailSize } from '../../../core/enclosures/mail-size'
import type { EmailPart } from '../../../core/enclosures/parts'
import type { FilledNote } from '../../../core/emailtexts/email-text'
import type { Paper } from '../../../core/documents/paper'
import { Refusal } from '../../../core/errors'
import { type Recipient } from '../../../core/preferences/recipients'
import { toldRefusal, type Told } from '../../../core/said/told'
import { fillToday, type Letter } from '../dispatch/compose'
import { shownHtml } from '../dispatch/email-look'
import {
  carriedOf,
  emailsFor,
  filesOfDispatches,
  sizeOf,
  type EmailFiles,
  type FileGoing,
} from '../enclosures/going'
import { linksToCome } from '../links/links'
import { letterOf } from './own-email'
import { fileSentWith, letterToCome, mailCopyOf, recipientsOfDispatch } from './queries'

/* An email as it was sent, or as it would be now. Called by what shows a document. */

export interface EmailView {
  /** Whether these are the words as sent, or as they would be now. */
  sent: boolean
  from: string
  replyTo: string
  to: {
    as: Recipient['as']
    address: string
    name: string
    source: Told | null
    outcome: string
    reply: string
  }[]
  subject: string
  html: string
  text: string
  files: FileView[]
  /** Its size as it travels, and the largest that its mail account takes, in bytes; null where it was sent. */
  size: number | null
  most: number | null
  /** Bytes of the pictures in its text, of that size. */
  pictures: number
  /** In how many emails it goes, and whether one that is too large goes in several. */
  emails: number
  splits: boolean
  sentAt: Date | null
  /** How often it was opened, by people and by programs, as far as it says so; null where nothing is known. */
  opened: { times: number; byMachine: number; first: string | null } | null
  /** How often its offer was followed, by people and by programs; null where that is not counted. */
  followed: { times: number; byMachine: number; first: string | null } | null
  /** Why its text cannot be written; null where it can. */
  problem: Told | null
}

export interface FileView {
  name: string
  /** Bytes; null for a document that is not drawn yet. */
  size: number | null
  /** Of an enclosure: its id, why it goes along, whether somebody left it out, and what its link is limited to. */
  enclosure: Pick<GoingAlong, 'id' | 'source' | 'leftOut' | 'mostDownloads' | 'goodDays'> | null
  /** Of an enclosure that was sent: where it can be had. */
  url: string | null
  /** How it travels. */
  by: Carriage
  /** Of copies: the numbers of the documents in it, and of those that were sent earlier and are in none. */
  of: string[]
  without: string[]
}

/** An email that is to come. @param files what goes along with its documents */
export async function preview(letter: Letter, files: EmailFiles | undefined): Promise<EmailView> {
  const { paper, brand, recipients, others = [] } = letter
  const documents = [paper, ...others]
  const listed = filesToCome(documents, files)
  const { problem, ...filled } = await written({
    ...letter,
    paper: paper.issued ? paper : { ...paper, number: '…' },
    links: await linksToCome(
      listed
        .filter(({ by }) => by === 'link' || by === 'both')
        .map(({ name, enclosure }) => ({ name, goodDays: enclosure?.goodDays })),
    ),
    inText: listed.some(({ by }) => by === 'body'),
  })
  const asARule = documents.map(() => documentAsARule)
  const { part } = letter
  return {
    sent: false,
    from: `${brand.senderName} <${brand.senderAddress}>`,
    replyTo: brand.replyTo,
    subject: filled.subject,
    html: filled.html,
    text: filled.text,
    to: recipients.map((recipient) => ({
      as: recipient.as,
      address: recipient.address,
      name: recipient.name,
      source: recipient.source,
      outcome: '',
      reply: '',
    })),
    files: part ? listed.filter((file) => isInPart(file, part)) : listed,
    size: part ? sizeOfPart(part) : files ? sizeOf(files, asARule) : null,
    most: files ? files.most * 1_000_000 : null,
    pictures: files?.rule.pictures ?? 0,
    emails: files && !part ? emailsFor(files, asARule) : 1,
    splits: files?.rule.tooLarge === 'split',
    sentAt: null,
    opened: null,
    followed: null,
    problem,
  }
}

/** The documents are in the first of several; what goes along in the one that names it. */
const isInPart = ({ name, size }: FileView, part: EmailPart): boolean =>
  size === null ? part.place === 1 : part.files.some((file) => file.name === name)

const sizeOfPart = ({ files }: EmailPart): number => mailSize(files.map(({ size }) => size))

/** The files of an email that is to come, each with how it travels. */
function filesToCome(documents: readonly Paper[], files: EmailFiles | undefined): FileView[] {
  const { attached, linked, inText } = files
    ? carriedOf(
        files,
        documents.map(() => documentAsARule),
        fitText(documents),
      )
    : { attached: [], linked: [], inText: [] }
  const within = (list: readonly FileGoing[], key: FileGoing['key']) => list.some((file) => file.key === key)
  const by = (key: FileGoing['key']): Carriage => {
    if (within(inText, key)) return 'body'
    if (!within(linked, key)) return 'attached'
    return within(attached, key) ? 'both' : 'link'
  }
  return [
    ...documents
      .filter(({ kind }) => hasFile(kind))
      .map((one): FileView => ({
        name: `${one.heading}${one.issued ? `-${one.number}` : ''}.${files?.form ?? 'pdf'}`,
        size: null,
        enclosure: null,
        url: null,
        by: by('document'),
        of: [],
        without: [],
      })),
    ...(files?.enclosures ?? []).map(({ id, name, size, source, leftOut, ...limits }): FileView => ({
      name,
      size,
      enclosure: {
        id,
        source,
        leftOut,
        mostDownloads: limits.mostDownloads,
        goodDays: limits.goodDays,
      },
      url: `/api/enclosures/${id}/file`,
      by: leftOut ? 'attached' : by(`enclosure ${id}`),
      of: [],
      without: [],
    })),
    ...(files?.copies ?? []).map(({ name, size, of }, place): FileView => ({
      name,
      size,
      enclosure: null,
      url: null,
      by: by(`copy ${place}`),
      of: of.map((one) => one.number),
      without: place === 0 ? files!.sentEarlier : [],
    })),
  ]
}

/** What an email says; empty, with why, where its text cannot be filled: what it carries is seen all the same. */
async function written(letter: Letter): Promise<FilledNote & { problem: Told | null }> {
  try {
    const filled = await fillToday(letter)
    return { ...filled, html: await shownHtml(filled.html), problem: null }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { subject: '', html: '', text: '', problem: toldRefusal(error) }
  }
}

/** A file as it went along in an email. @throws Refusal "no-such-file" */
export async function sentFile(dispatchId: number, sha256: string) {
  const found = await fileSentWith(dispatchId, sha256)
  if (!found) throw new Refusal('no-such-file', { status: 404 })
  return found
}

/** The email of a dispatch: as sent, or as it would be now. */
export async function emailOf(dispatchId: number): Promise<EmailView | null> {
  const copy = await mailCopyOf(dispatchId)
  const outcomes = await recipientsOfDispatch(dispatchId)
  if (copy)
    return {
      ...copy,
      html: await shownHtml(copy.html),
      sent: true,
      to: outcomes,
      size: null,
      most: null,
      pictures: 0,
      emails: 1,
      splits: false,
      problem: null,
      files: copy.files.map(({ name, size, sha256, by, of }): FileView => ({
        name,
        by: by ?? 'attached',
        size,
        enclosure: null,
        of: (of ?? []).map((one) => one.number),
        without: [],
        url: sha256 ? `/api/dispatches/${dispatchId}/files/${sha256}` : null,
      })),
    }
  const gathered = await letterToCome(dispatchId)
  const row = gathered[0]
  if (!row) return null
  const letter = letterOf(row)!
  const files = await filesOfDispatches([dispatchId])
  const view = await preview(
    { ...letter, others: gathered.slice(1).map((other) => other.content) },
    files.get(dispatchId),
  )
  const outcome = new Map(outcomes.map((one) => [one.address, one]))
  return {
    ...view,
    to: view.to.map((to) => ({
      ...to,
      outcome: outcome.get(to.address.toLowerCase())?.outcome ?? '',
      reply: outcome.get(to.address.toLowerCase())?.reply ?? '',
    })),
  }
}
