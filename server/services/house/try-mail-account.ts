import { Refusal } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'
import type { TriedStep } from '../../outside/mail/smtp'
import { tryWithMail } from './house-mail'
import { serverToTry, type MailAccountChange } from './mail-accounts'

/* Trying a mail account before it is saved. Called from Settings and the first visit. */

export interface Tried {
  steps: TriedStep[]
  /** What to do about the step that failed; empty where all worked. */
  remedy: string
}

const remedies: Readonly<Record<TriedStep['step'], string>> = {
  connect: 'Check server, port and encryption: 587 goes with STARTTLS, 465 with TLS.',
  'sign in': 'Check user and password. Some providers want a password made for programs.',
  send: 'The account may not send for this address. Check the sender address of the brand with your provider.',
}

function remedyOf({ step, said }: TriedStep): string {
  if (/certificate/i.test(said))
    return (
      'The server does not prove who it is: its certificate is expired or made for another name. Check the ' +
      'server’s name, or ask whoever runs it.'
    )
  return remedies[step]
}

/**
 * Connects, signs in and sends one email to `to`; nothing is kept of it.
 * @param id of the account whose password is used where none is given
 * @throws Refusal "bad-address", "password-in-plain"
 */
export async function tryMailAccount(
  id: number | null,
  change: MailAccountChange,
  to: string,
): Promise<Tried> {
  if (!isAddress(to)) throw new Refusal('bad-address', { values: { address: to }, status: 400 })
  const steps = await tryWithMail(await serverToTry(id, change), {
    to,
    subject: 'Clothespin can send email',
    text: `This is the trial of the mail account “${change.name}”. Nothing else was sent.\n`,
  })
  const failed = steps.find((one) => !one.worked)
  return { steps, remedy: failed ? remedyOf(failed) : '' }
}
