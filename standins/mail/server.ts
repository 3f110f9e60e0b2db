import { SMTPServer, type SMTPServerDataStream, type SMTPServerSession } from 'smtp-server'
import type { Mailboxes } from './mailboxes'
import type { Answer, Reporter } from './reports'
import type { Rule, Rules } from './rules'

const refuse = (code: number, words: string) => Object.assign(new Error(words), { responseCode: code })

/** An SMTP server that takes mail for everybody and plays the rules. */
export function mailServer(
  rules: Rules,
  mailboxes: Mailboxes,
  reporter: Reporter,
  options = { reportDelivery: true },
): SMTPServer {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH'],
    hideDSN: false,
    size: 25_000_000,
    banner: 'post.example',
    // by this name Clothespin knows that no mail leaves the computer
    name: 'stand-in.clothespin.example',
    disableReverseLookup: true,
    logger: false,
    onRcptTo(address, _session, done) {
      const rule = rules.of(address.address)
      if (rule?.does === 'bounce at once') return done(refuse(550, '5.1.1 There is no mailbox of this name'))
      if (rule?.does === 'mailbox full') return done(refuse(552, '5.2.2 The mailbox is full'))
      if (rule?.does === 'refuse for minutes' && new Date(rule.until ?? 0) > new Date())
        return done(refuse(450, '4.2.1 Come again a little later'))
      done()
    },
    onData(stream, session, done) {
      const recipients = session.envelope.rcptTo.map((to) => to.address.toLowerCase())
      const found = recipients.map((address) => rules.of(address))
      const asked = session.envelope.rcptTo.map(wantsReport) // read now: the envelope is gone once we have answered
      if (found.some((rule) => rule?.does === 'drop during data')) return drop(server, stream, session)
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => chunks.push(chunk))
      stream.on('end', () => {
        const from = session.envelope.mailFrom ? session.envelope.mailFrom.address : ''
        const accept = () => {
          mailboxes.keep(
            recipients.filter((address) => rules.of(address)?.does !== 'bounce later'),
            from,
            Buffer.concat(chunks),
          )
          done(null, '2.0.0 Taken')
          recipients.forEach((address, index) =>
            report(address, found[index], from, asked[index]!, Buffer.concat(chunks)),
          )
        }
        const slow = found.find((rule) => rule?.does === 'accept slowly')
        if (slow) setTimeout(accept, (slow.seconds ?? 5) * 1000)
        else accept()
      })
    },
  })
  server.on('error', () => {
    /* a torn client connection is its own affair */
  })
  return server

  function report(
    recipient: string,
    rule: Rule | undefined,
    from: string,
    asked: boolean,
    raw: Buffer,
  ): void {
    const subject = /^subject:\s*(.*)$/im.exec(raw.subarray(0, 20_000).toString('utf8'))?.[1]?.trim() ?? ''
    if (rule?.does === 'bounce later') {
      reporter.later(
        {
          returnPath: from,
          recipient,
          action: 'failed',
          status: '5.1.1',
          diagnostic: '550 5.1.1 There is no mailbox of this name any more',
          subject,
        },
        rule.seconds ?? 3,
      )
      return
    }
    const says = rule && answersOf[rule.does]
    if (says) reporter.later({ returnPath: from, recipient, says, subject }, 2)
    if (options.reportDelivery && asked && rule?.does !== 'no report') {
      reporter.later(
        {
          returnPath: from,
          recipient,
          action: 'delivered',
          status: '2.0.0',
          diagnostic: '250 2.0.0 Put into the mailbox',
          subject,
        },
        1,
      )
    }
  }
}

const answersOf: Partial<Record<Rule['does'], Answer['says']>> = {
  'is away': 'away',
  'is there no more': 'left',
  complains: 'complaint',
}

/** Whether the sender asked for word of the delivery (RFC 3461, NOTIFY=SUCCESS). */
function wantsReport(to: object): boolean {
  const { dsn } = to as { dsn?: { notify?: string[] } }
  return (dsn?.notify ?? []).includes('SUCCESS')
}

/** Breaks the connection in the middle of the content, as a crashing server or a torn line would. */
function drop(server: SMTPServer, stream: SMTPServerDataStream, session: SMTPServerSession): void {
  // smtp-server's list of connections, which its types leave out
  const connections = (
    server as unknown as { connections: Set<{ session: SMTPServerSession; _socket: { destroy(): void } }> }
  ).connections
  const tear = () => [...connections].find((connection) => connection.session === session)?._socket.destroy()
  stream.once('data', tear)
  stream.resume()
}
