import MailComposer from 'nodemailer/lib/mail-composer'
import type { HandOver } from '../../../core/dispatch/outcome'
import { clock } from '../../clock'
import { newMessageId, senderOf } from '../../outside/mail/return-path'
import type { MailServer } from '../../outside/mail/connection'
import { handOver, tryServer, type TriedStep } from '../../outside/mail/smtp'
import { mailServer } from './mail-accounts'
import { houseSender } from './mail-accounts-queries'

/*
 * Mail that the house writes for itself: notices, invitations, trials. Plain text, in the name of its first brand.
 */

export interface HouseMail {
  to: string
  subject: string
  text: string
}

/** Writes one, and has it handed over. @returns undefined where there is no brand to write in the name of */
export async function sendHouseMail(mail: HouseMail): Promise<HandOver | undefined> {
  const written = await write(mail)
  if (!written) return undefined
  return handOver(written.envelope, written.message, async () => {}, await mailServer(null))
}

/** Has one handed to a server that is being tried. @returns what it said, step by step */
export async function tryWithMail(server: MailServer, mail: HouseMail): Promise<TriedStep[]> {
  const { envelope, message } = (await write(mail))!
  return tryServer(server, envelope, message)
}

async function write(mail: HouseMail) {
  const brand = await houseSender()
  if (!brand) return undefined
  const message = await new Promise<Buffer>((resolve, reject) =>
    new MailComposer({
      ...mail,
      from: { name: brand.senderName, address: brand.senderAddress },
      messageId: newMessageId(brand.senderAddress),
      date: clock.now(),
      headers: { 'Auto-Submitted': 'auto-generated' },
    })
      .compile()
      .build((error, built) => (error ? reject(error) : resolve(built))),
  )
  return {
    message,
    envelope: { from: senderOf('notices', brand.senderAddress), to: [mail.to], id: 'notice' },
  }
}
