import { told } from '../../../core/said/told'
import { Company, Staff } from '../../db/models'
import { sendHouseMail } from '../house/house-mail'
import { makeCode } from '../people/one-time-codes'
import { codeHours, type Chosen } from '../people/new-password'

/*
 * Writes an invitation or a code for a new password. Called by write-to-staff; the code is made here, so that it
 * stands nowhere but in the mail. A mail that cannot be handed over is tried again by the queue, with a new code.
 */

/** @throws Error when no mail server took it */
export async function writeToStaff(staffId: number, purpose: Chosen['purpose']): Promise<void> {
  const [person, company] = [await Staff.findByPk(staffId), await Company.findByPk(1)]
  if (!person || person.leftAt || !company) return
  const code = await makeCode(purpose, staffId, codeHours[purpose])
  const parameter = purpose === 'invitation' ? 'invitation' : 'password'
  const link = company.publicAddress ? `${company.publicAddress}/?${parameter}=${code}` : ''
  const letter = letters[purpose](company.name, link, code)
  const result = await sendHouseMail({ to: person.email, ...letter })
  if (result?.result !== 'accepted')
    throw new Error(`the mail to a member of staff was not taken: ${result?.reply.text ?? 'no brand'}`)
}

const letters: Record<
  Chosen['purpose'],
  (house: string, link: string, code: string) => { subject: string; text: string }
> = {
  invitation: (house, link, code) => ({
    subject: told('staff/invitation-subject', { house }).words,
    text: paragraphs(told('staff/invitation', { house }).words, ...wayIn(link, code)),
  }),
  'new password': (house, link, code) => ({
    subject: told('staff/password-subject', { house }).words,
    text: paragraphs(told('staff/password').words, ...wayIn(link, code), told('staff/not-you').words),
  }),
}

const paragraphs = (...all: string[]) => `${all.join('\n\n')}\n`

const wayIn = (link: string, code: string) => [
  link || told('staff/open').words,
  told('staff/code', { code }).words,
]
