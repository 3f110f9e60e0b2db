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
    subject: `Your sign-in at ${house}`,
    text:
      `You have been invited to Clothespin at ${house}. Choose your password within seven days:\n\n` +
      `${link || 'Open Clothespin and enter this code under “I have a code”.'}\n\nYour code: ${code}\n`,
  }),
  'new password': (house, link, code) => ({
    subject: `A new password for ${house}`,
    text:
      'Somebody, most likely you, asked for a new password for Clothespin. Choose it within a day:\n\n' +
      `${link || 'Open Clothespin and enter this code under “I have a code”.'}\n\nYour code: ${code}\n\n` +
      'If it was not you, leave this mail alone: your password stays as it is.\n',
  }),
}
