import { Refusal } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'
import type { SaidKey } from '../../../core/said/sentences'
import { told, type Told } from '../../../core/said/told'
import type { TriedStep } from '../../outside/mail/smtp'
import { tryWithMail } from './house-mail'
import { serverToTry, type MailAccountChange } from './mail-accounts'

/* Trying a mail account before it is saved. Called from Settings and the first visit. */

export interface Tried {
  steps: TriedStep[]
  /** What to do about the step that failed; null where all worked. */
  remedy: Told | null
}

const remedies = {
  connect: 'mail/connect',
  'sign in': 'mail/sign-in',
  send: 'mail/send',
} as const satisfies Record<TriedStep['step'], SaidKey>

const remedyOf = ({ step, said }: TriedStep): Told =>
  told(/certificate/i.test(said) ? 'mail/certificate' : remedies[step])

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
    subject: told('try/subject').words,
    text: `${told('try/text', { account: change.name }).words}\n`,
  })
  const failed = steps.find((one) => !one.worked)
  return { steps, remedy: failed ? remedyOf(failed) : null }
}
