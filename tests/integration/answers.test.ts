import { describe, expect, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import { sendAgain } from '../../server/services/dispatch/by-hand'
import { keepReport } from '../../server/services/dispatch/reports'
import { documentView } from '../../server/services/line/in-hand'
import { inTheNameOf } from '../../server/services/people/principal'
import { until, useHouse } from './house'

/* What comes back that is no delivery report: absences, people who are there no more, complaints. */
const house = useHouse({ trust: 'automatic', reports: false })
const who = inTheNameOf('Col Varley')
const mailbox = 'accounts@ottermill.example'

async function sent() {
  const before = (await house.mails(mailbox)).length
  const order = await house.newOrder()
  await house.ship([order])
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  const found = async () =>
    (await one<{ id: number; documentId: number; state: string; cause: string | null; how: string | null }>(
      `select s.id, d.id "documentId", s.state, s.stuck_cause "cause", s.arrived_how how
      from dispatch s
      join dispatch_document x on x.dispatch_id = s.id
      join document d on d.id = x.document_id
      where d.source_id = $1`,
      [order],
    ))!
  await until('that it is on the way', async () => (await found()).state === 'on the way')
  return { ...(await found()), now: found }
}
const answer = (from: string, headers: string[], body: string) =>
  [`From: Desk <${from}>`, ...headers, '', body].join('\r\n')
const historyOf = async (documentId: number) =>
  (await documentView(documentId)).history.map(({ words }) => words).join('\n')

describe('an answer by itself', () => {
  test('of somebody who is away says that it arrived, and stands in the history in its own words', async () => {
    const { id, documentId, now } = await sent()
    const german = Buffer.from('Ich bin bis 4. Dezember außer Haus.').toString('base64')
    const message = answer(
      mailbox,
      [
        'Subject: =?utf-8?Q?Abwesenheit?=',
        'Auto-Submitted: auto-replied',
        'Content-Type: text/plain; charset=utf-8',
        'Content-Transfer-Encoding: base64',
      ],
      german,
    )
    expect(await keepReport(id, message)).toBe(true)
    expect(await now()).toMatchObject({ state: 'arrived', how: 'delivery report' })
    expect(await historyOf(documentId)).toContain(
      'is away; it lies in the mailbox. “Abwesenheit: Ich bin bis 4.',
    )
  })

  test('of somebody who is there no more makes it stuck; sent again it goes to who is there now', async () => {
    const { id, documentId, now } = await sent()
    const left = answer(mailbox, ['Subject: Re: Invoice'], 'Nuala no longer works here.')
    expect(await keepReport(id, left)).toBe(true)
    expect(await now()).toMatchObject({ state: 'stuck', cause: 'left' })
    expect(await historyOf(documentId)).toContain('Give somebody else’s address')
    await run(`update contact set email = 'office@ottermill.example' where email = $1`, [mailbox])
    await sendAgain([id], who)
    await until('the email', async () => (await house.mails('office@ottermill.example')).length > 0)
    await run(`update contact set email = $1 where email = 'office@ottermill.example'`, [mailbox])
  })

  test('what is stuck because somebody is there no more stays so when its delivery is reported later', async () => {
    const { id, now } = await sent()
    await keepReport(id, answer(mailbox, ['Subject: Re: Invoice'], 'Nuala no longer works here.'))
    const report = [
      'Reporting-MTA: dns; post.example',
      '',
      `Final-Recipient: rfc822;${mailbox}`,
      'Action: delivered',
    ]
    await keepReport(id, [...report, 'Status: 2.0.0', ''].join('\r\n'))
    await keepReport(
      id,
      answer(mailbox, ['Subject: Away', 'Auto-Submitted: auto-replied'], 'Back on Monday.'),
    )
    expect(await now()).toMatchObject({ state: 'stuck', cause: 'left' })
  })

  test('of a colleague whom we did not write to is noted, and moves nothing', async () => {
    const { id, documentId, now } = await sent()
    await keepReport(
      id,
      answer('colleague@ottermill.example', ['Subject: Re'], 'Nuala no longer works here.'),
    )
    expect((await now()).state).toBe('on the way')
    expect(await historyOf(documentId)).toContain('colleague@ottermill.example is there no more')
  })

  test('a complaint makes it stuck, with what the clerk can do', async () => {
    const { id, documentId, now } = await sent()
    const report = answer(
      'feedback@mail.example',
      ['Subject: FW: Invoice', 'Content-Type: multipart/report; report-type=feedback-report; boundary="b"'],
      [
        '--b',
        'Content-Type: text/plain',
        '',
        'This is an email abuse report.',
        '--b',
        'Content-Type: message/feedback-report',
        '',
        'Feedback-Type: abuse',
        'User-Agent: Mail/1.0',
        'Version: 1',
        `Original-Rcpt-To: <${mailbox}>`,
        '',
        '--b--',
        '',
      ].join('\r\n'),
    )
    expect(await keepReport(id, report)).toBe(true)
    expect(await now()).toMatchObject({ state: 'stuck', cause: 'unwanted' })
    expect(await historyOf(documentId)).toContain(`${mailbox} called this email unwanted (abuse).`)
  })
})
