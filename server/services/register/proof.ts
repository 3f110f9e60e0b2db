import { type ChannelName } from '../../../core/dispatch/channels'
import { dayWords } from '../../../core/documents/days'
import { capital } from '../../../core/documents/kinds'
import { sizeWords } from '../../../core/enclosures/mail-size'
import { Refusal } from '../../../core/errors'
import type { Fact, ProofFacts } from '../../../core/proof/proof'
import { raised, told } from '../../../core/said/told'
import { clock } from '../../clock'
import { renderProof } from '../../render/pool'
import type { FileKept } from '../dispatch/channels/email-queries'
import { historyOf } from '../history/history'
import { company } from '../house/house'
import type { Principal } from '../people/principal'
import { documentToProve, sendingsOf, type Sending } from './proof-queries'

/*
 * The proof of a document's sending, for whoever says that they never received it: what it is, how it went and to whom,
 * what the servers said, its history, and the document itself with its checksum. Called from the register by anybody
 * who may see the document; it reads and changes nothing.
 */

/** @throws Refusal "no-such-document" */
export async function proofOf(
  documentId: number,
  who: Principal,
): Promise<{ name: string; bytes: Uint8Array }> {
  const document = await documentToProve(documentId)
  if (!document) throw new Refusal('no-such-document', { status: 404 })
  const { name: house, timeZone } = await company()
  const now = clock.now()
  const moment = momentIn(timeZone)
  const title = `${capital(document.kind)} ${document.number}`
  const facts: ProofFacts = {
    title,
    made:
      `Made on ${moment(now)} by ${who.name}, ${house}. Times are those of ${timeZone}. ` +
      (document.bytes
        ? 'The document follows as it was sent; its file is attached to this PDF unchanged.'
        : 'There is no PDF of the document.'),
    document: [
      ['Number', document.number],
      ['Issued', `${moment(document.issuedAt)} by ${document.issuedBy}`],
      ['Customer', document.customerName],
      ['Total', `${document.total} ${document.currency}`],
      ...(document.voided ? ([['Void', document.voided]] satisfies Fact[]) : []),
      ...(document.fileName && document.sha256
        ? ([
            ['File', `${document.fileName}, ${sizeWords(document.size ?? 0)}`],
            ['SHA-256', document.sha256],
          ] satisfies Fact[])
        : []),
    ],
    sendings: (await sendingsOf(documentId)).map((sending) => inWords(sending, moment)),
    history: (await historyOf({ documentId })).map(({ at, actor, words }) => ({
      at: moment(at),
      words: `${words} (${actor})`,
    })),
  }
  const bytes = await renderProof({
    facts,
    document: document.bytes && document.fileName ? { name: document.fileName, bytes: document.bytes } : null,
    author: house,
    madeAt: now.toISOString(),
  })
  return { name: `Proof ${document.number}.pdf`.replaceAll(/[/\\:]/g, '-'), bytes }
}

type Moment = (at: Date | string) => string

function inWords(sending: Sending, moment: Moment): ProofFacts['sendings'][number] {
  const { copy, recipients, channel, links } = sending
  const way = raised(told(`channel/${channel as ChannelName}`)).words
  const facts: (Fact | null)[] = [
    ['Begun', `${moment(sending.createdAt)} by ${sending.createdBy}`],
    copy && ['Handed over', moment(copy.sentAt)],
    ['State', stateWords(sending, moment)],
    copy && ['From', copy.sender],
    copy && ['Subject', copy.subject],
    copy && ['Message-ID', copy.messageId],
    copy && ['Enclosed', copy.files.map(enclosedWords).join('; ')],
    ...recipients.map(({ placed, address, outcome, reply, at }): Fact => [
      placed,
      `${address}: ${outcome}, ${moment(at)}.${reply ? ` The server said: ${reply}` : ''}`,
    ]),
    ...links.map((link): Fact => ['Link', linkWords(link, moment)]),
    recipients.length === 0 && sending.reply ? ['Last answer', sending.reply] : null,
  ]
  return {
    title: `${way} ${sending.id}${sending.isCopy ? ', a copy' : ''}`,
    facts: facts.filter((fact) => fact !== null),
  }
}

const howWords = { link: ', by a link', both: ', attached and by a link', body: ', in the text' }
const enclosedWords = ({ name, size, by, of }: FileKept) =>
  `${name}, ${sizeWords(size)}${by ? howWords[by] : ''}${
    of ? `: ${of.map(({ number }) => number).join(', ')}` : ''
  }`

function linkWords({ name, until, opened, first, last }: Sending['links'][number], moment: Moment): string {
  const how =
    first === null
      ? 'not opened'
      : opened === 1
        ? `opened ${moment(first)}`
        : `opened ${opened} times, first ${moment(first)}, last ${moment(last!)}`
  return `${name}: ${how}; good until ${dayWords(until)}`
}

function stateWords({ state, how, since, cause, attempts }: Sending, moment: Moment): string {
  const tries = attempts > 1 ? `, after ${attempts} tries` : ''
  const words = state === 'stuck' && cause ? `stuck: ${told(`cause/${cause}`).words}` : state
  return `${words}${how ? `, ${how}` : ''} since ${moment(since)}${tries}`
}

/** Times to the second with their distance from UTC: "28 Nov 2026, 14:03:22 GMT". */
function momentIn(timeZone: string): Moment {
  const format = new Intl.DateTimeFormat('en-IE', {
    timeZone,
    dateStyle: 'medium',
    timeStyle: 'long',
  })
  return (at) => format.format(new Date(at))
}
