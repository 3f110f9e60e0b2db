import { inTransaction } from '../../db/connection'
import { sendHouseMail } from './house-mail'
import { holdAlone } from './once-a-day-queries'
import { gate } from './queries'

/*
 * Emails that the house writes itself once a day. One worker at a time writes one, and keeps in the same transaction
 * that it went, once a mail server has it: where that does not take it, or the process dies before, the next sweep
 * tries again. One that dies between the two writes it twice: of one's own people, rather twice than never.
 */

export interface DailyMail {
  subject: string
  text: string
  to: readonly string[]
  /** Keeps that it went. */
  wentOut: () => Promise<unknown>
}

/**
 * @param name what it is, so that two kinds of it do not wait for each other
 * @param write nothing where none is due
 */
export async function onceADay(name: string, write: () => Promise<DailyMail | undefined>): Promise<void> {
  await inTransaction(async () => {
    if (!(await holdAlone(name))!.held) return
    const { rehearsalSince, rehearsalAddress, confirmNeeded } = await gate()
    // a copied or restored database says nothing to anybody
    if (confirmNeeded) return
    const mail = await write()
    if (!mail) return
    const { text, wentOut } = mail
    const subject = rehearsalSince ? `[Rehearsal] ${mail.subject}` : mail.subject
    const results = await Promise.all(
      (rehearsalSince ? [rehearsalAddress] : mail.to).map((to) =>
        sendHouseMail({ to, subject, text }).catch(() => undefined),
      ),
    )
    // where somebody has it, nobody gets it twice
    if (results.some((one) => one?.result === 'accepted')) await wentOut()
  })
}
