import { simpleParser, type ParsedMail } from 'mailparser'
import type { AnswerMail } from '../../../core/dispatch/answer'

/** Reads an email that came back and is no delivery report (RFC 5322, RFC 2045 ff.). */
export async function readAnswer(message: string): Promise<AnswerMail> {
  const mail = await simpleParser(message, { skipImageLinks: true, skipTextToHtml: true })
  return {
    from: (mail.from?.value[0]?.address ?? '').toLowerCase(),
    subject: mail.subject ?? '',
    text: mail.text ?? '',
    isAutomatic: isAutomatic(mail),
    complaint: complaintIn(mail),
  }
}

function isAutomatic({ headers }: ParsedMail): boolean {
  const header = (name: string) => String(headers.get(name) ?? '').toLowerCase()
  const submitted = header('auto-submitted')
  return (
    (submitted !== '' && !submitted.startsWith('no')) ||
    headers.has('x-autoreply') ||
    headers.has('x-autorespond') ||
    ['auto_reply', 'bulk', 'junk'].includes(header('precedence'))
  )
}

/** The part of type message/feedback-report (RFC 5965, section 3). */
function complaintIn({ attachments }: ParsedMail): AnswerMail['complaint'] {
  const part = attachments.find((one) => one.contentType === 'message/feedback-report')
  if (!part) return null
  const text = part.content.toString('utf8').replace(/\r?\n[ \t]+/g, ' ')
  const field = (name: string) =>
    new RegExp(`^${name}:[ \\t]*(.+)$`, 'im').exec(text)?.[1]?.trim().replace(/[<>]/g, '') ?? ''
  return {
    about: field('Original-Rcpt-To').toLowerCase(),
    feedbackType: field('Feedback-Type').toLowerCase(),
  }
}
