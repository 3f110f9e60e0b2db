import type { HandOver } from '../../../../core/dispatch/outcome'
import type { Carried } from '../../../../core/enclosures/carriage'
import type { Recipient } from '../../../../core/preferences/recipients'
import { clock } from '../../../clock'
import type { FileWithBytes } from '../../enclosures/going'
import type { Letter, Message } from '../compose'
import { keepMailCopy, keepRecipientOutcomes, type EmailToSend, type FileKept } from './email-queries'

/* What is kept of an email that was handed over. Called by the way by email, where the claim is still ours. */

/** A file of an email, as it is attached or had by a link. */
export type FileOfEmail = FileWithBytes & { size: number; isDocument: boolean; documentId: number | null }

/** One outcome a recipient; and what was sent, as it was sent, once somebody has it. */
export async function keepSent(
  email: EmailToSend,
  recipients: readonly Recipient[],
  letter: Letter,
  message: Message,
  result: HandOver,
  files: Carried<FileOfEmail>,
): Promise<void> {
  if (result.result !== 'accepted' && result.result !== 'refused') return
  const refused = new Map(result.refused.map((one) => [one.address, one.reply]))
  const outcomes = recipients.map((recipient) => {
    const own = refused.get(recipient.address.toLowerCase())
    return {
      ...recipient,
      outcome: own || result.result === 'refused' ? 'refused' : 'accepted',
      reply: (own ?? result.reply).text,
    }
  })
  await keepRecipientOutcomes({ id: email.id, outcomes, now: clock.now() })
  if (result.result === 'refused') return
  await keepMailCopy({
    dispatchId: email.id,
    messageId: email.messageId,
    sender: `${letter.brand.senderName} <${letter.brand.senderAddress}>`,
    replyTo: letter.brand.replyTo,
    recipients: recipients.map((one) => one.address).join(', '),
    subject: message.filled.subject,
    text: message.filled.text,
    html: message.filled.html,
    files: filesKept(files),
    now: clock.now(),
  })
}

/** Documents are shown as they were painted; what was made for this email where it was kept. */
const isShownBySum = ({ isDocument, isMade = false }: FileOfEmail, isLinked: boolean) =>
  isDocument ? isMade : !isMade || isLinked

/** By its SHA-256 what went along can be shown, whatever became of the enclosure. */
function filesKept({ attached, linked, inText }: Carried<FileOfEmail>): FileKept[] {
  const way = (file: FileOfEmail): FileKept['by'] => {
    if (inText.includes(file)) return 'body'
    if (!linked.includes(file)) return undefined
    return attached.includes(file) ? 'both' : 'link'
  }
  return [...new Set([...inText, ...attached, ...linked])]
    .sort((a, b) => Number(b.isDocument) - Number(a.isDocument))
    .map((file) => {
      const by = way(file)
      return {
        name: file.name,
        size: file.size,
        ...(isShownBySum(file, linked.includes(file)) ? { sha256: file.sha256 } : {}),
        ...(file.of ? { of: file.of } : {}),
        ...(by ? { by } : {}),
      }
    })
}
