import { one } from '../server/db/connection'
import { keepReport } from '../server/services/dispatch/reports'
import { answerMessage, type Answer } from '../standins/mail/reports'

/** What came back by itself: somebody is away, somebody is there no more, and somebody wanted no email. */
export async function whatCameBack(): Promise<void> {
  await answered('10447', 'away')
  await answered('10419', 'left')
  await answered('10446', 'complaint')
}

/** Answers the newest email that arrived at a customer. */
async function answered(number: string, says: Answer['says']): Promise<void> {
  const newest = await one<{ id: number; recipient: string; subject: string }>(
    `select s.id, r.address recipient, m.subject
    from dispatch s
    join customer c on c.id = s.customer_id
    join mail_copy m on m.dispatch_id = s.id
    join dispatch_recipient r on r.dispatch_id = s.id and r.placed = 'To'
    where c.number = $number and s.state = 'arrived' and s.channel = 'email'
    order by s.id desc
    limit 1`,
    { number },
  )
  if (!newest) return
  const { id, ...about } = newest
  await keepReport(id, answerMessage({ returnPath: `d${id}@returns.example`, says, ...about }))
}
