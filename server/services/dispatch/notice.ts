import MailComposer from 'nodemailer/lib/mail-composer'
import { randomUUID } from 'node:crypto'
import { stuckWords, type StuckCause } from '../../../core/dispatch/states'
import { isAddress } from '../../../core/wishes/recipients'
import { clock } from '../../clock'
import { config } from '../../config'
import { one, rows, run } from '../../db/connection'
import { handOver } from '../../outside/mail/smtp'
import { company } from '../house/house'

/*
 * Tells a person by mail that something automatic failed: one mail for everything that got stuck since the last.
 * Called by the sweeper. A notice that cannot be sent is sent with the next sweep; it names what is stuck, not more.
 */
export async function sendFailureNotice(): Promise<void> {
  const { failureNoticeTo, name } = await company()
  if (!isAddress(failureNoticeTo)) return
  const stuck = await rows<{
    id: number
    number: string
    customerName: string
    cause: StuckCause
    reply: string | null
  }>(`
    select id, number, customer_name "customerName", stuck_cause cause, last_reply reply from dispatch where state = 'stuck' and not noticed order by id limit 200`)
  if (stuck.length === 0) return
  const brand = await one<{ senderName: string; senderAddress: string }>(
    'select sender_name "senderName", sender_address "senderAddress" from brand order by id limit 1',
  )
  const lines = stuck.map(
    (row) =>
      `${row.number}, ${row.customerName}: ${stuckWords[row.cause].label}${row.reply ? ` (${row.reply})` : ''}`,
  )
  const message = await new Promise<Buffer>((resolve, reject) =>
    new MailComposer({
      from: { name: brand!.senderName, address: brand!.senderAddress },
      to: failureNoticeTo,
      messageId: `<${randomUUID()}@${config.returnDomain}>`,
      date: clock.now(),
      subject:
        stuck.length === 1
          ? `Stuck: ${stuck[0]!.number} to ${stuck[0]!.customerName}`
          : `${stuck.length} papers are stuck at ${name}`,
      text: `These did not arrive and wait under Stuck on the Line, each with its remedy:\n\n${lines.join('\n')}\n`,
      headers: { 'Auto-Submitted': 'auto-generated' },
    })
      .compile()
      .build((error, built) => (error ? reject(error) : resolve(built))),
  )
  const result = await handOver(
    { from: `notices@${config.returnDomain}`, to: [failureNoticeTo], id: 'notice' },
    message,
    async () => {},
  )
  if (result.result === 'accepted')
    await run('update dispatch set noticed = true where id = any($1::int[])', [stuck.map((row) => row.id)])
}
