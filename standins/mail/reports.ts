import { randomUUID } from 'node:crypto'
import SMTPConnection from 'nodemailer/lib/smtp-connection'

export interface Report {
  /** The return path the mail came from; the report goes there. */
  returnPath: string
  recipient: string
  action: 'failed' | 'delivered'
  status: string
  diagnostic: string
  subject: string
}

/** What a mailbox, or its reader, answers by itself. */
export interface Answer {
  returnPath: string
  recipient: string
  says: 'away' | 'left' | 'complaint'
  subject: string
}

/** A delivery report as RFC 3462 and RFC 3464 have it: words for people, the status for programs. */
export function reportMessage(report: Report): string {
  const boundary = `report-${randomUUID()}`
  const words =
    report.action === 'failed'
      ? `Your mail "${report.subject}" could not be delivered to ${report.recipient}:\r\n${report.diagnostic}`
      : `Your mail "${report.subject}" was delivered to ${report.recipient}.`
  return [
    'From: Mail post <postmaster@post.example>',
    `To: <${report.returnPath}>`,
    `Date: ${new Date().toUTCString().replace('GMT', '+0000')}`,
    `Message-ID: <${randomUUID()}@post.example>`,
    `Subject: ${report.action === 'failed' ? 'Undelivered' : 'Delivered'}: ${report.recipient}`,
    'MIME-Version: 1.0',
    'Auto-Submitted: auto-replied',
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    words,
    '',
    `--${boundary}`,
    'Content-Type: message/delivery-status',
    '',
    'Reporting-MTA: dns; post.example',
    `Arrival-Date: ${new Date().toUTCString().replace('GMT', '+0000')}`,
    '',
    `Original-Recipient: rfc822;${report.recipient}`,
    `Final-Recipient: rfc822;${report.recipient}`,
    `Action: ${report.action}`,
    `Status: ${report.status}`,
    `Diagnostic-Code: smtp; ${report.diagnostic}`,
    '',
    `--${boundary}--`,
    '',
  ].join('\r\n')
}

const answers = {
  away: ['Automatic reply', 'Thank you for your message. I am out of the office and back on Monday.'],
  left: [
    'Automatic reply',
    'The person you write to no longer works here. Please write to our office instead.',
  ],
} as const

/** An absence as RFC 3834 has it, or a complaint as RFC 5965 has it. */
export function answerMessage({ returnPath, recipient, says, subject }: Answer): string {
  const head = [
    `From: <${says === 'complaint' ? 'feedback@post.example' : recipient}>`,
    `To: <${returnPath}>`,
    `Date: ${new Date().toUTCString().replace('GMT', '+0000')}`,
    `Message-ID: <${randomUUID()}@post.example>`,
    'MIME-Version: 1.0',
  ]
  if (says !== 'complaint')
    return [
      ...head,
      `Subject: ${answers[says][0]}: ${subject}`,
      'Auto-Submitted: auto-replied',
      'Content-Type: text/plain; charset=utf-8',
      '',
      answers[says][1],
      '',
    ].join('\r\n')
  const boundary = `feedback-${randomUUID()}`
  return [
    ...head,
    `Subject: FW: ${subject}`,
    `Content-Type: multipart/report; report-type=feedback-report; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    'A reader has called this email unwanted.',
    '',
    `--${boundary}`,
    'Content-Type: message/feedback-report',
    '',
    'Feedback-Type: abuse',
    'User-Agent: Post/1.0',
    'Version: 1',
    `Original-Rcpt-To: <${recipient}>`,
    '',
    `--${boundary}--`,
    '',
  ].join('\r\n')
}

/**
 * Sends reports and answers to the sender's own listener, one connection at a time, trying again while it answers 4xx
 * or is away.
 */
export class Reporter {
  private readonly queue: { report: Report | Answer; dueAt: number; tries: number }[] = []
  private timer: NodeJS.Timeout | undefined
  private busy = false

  constructor(private readonly port: number) {}

  later(report: Report | Answer, seconds: number): void {
    if (!this.port || !report.returnPath) return
    this.queue.push({ report, dueAt: Date.now() + seconds * 1000, tries: 0 })
    this.arm()
  }

  private arm(): void {
    clearTimeout(this.timer)
    if (this.busy || this.queue.length === 0) return
    const next = Math.min(...this.queue.map((one) => one.dueAt))
    this.timer = setTimeout(() => void this.run(), Math.max(0, next - Date.now()))
  }

  private async run(): Promise<void> {
    this.busy = true
    const now = Date.now()
    const due = this.queue.filter((one) => one.dueAt <= now)
    let connection: SMTPConnection | undefined
    for (const one of due) {
      this.queue.splice(this.queue.indexOf(one), 1)
      try {
        connection ??= await connect(this.port)
        await send(connection, one.report)
      } catch (error) {
        const code = (error as { responseCode?: number }).responseCode ?? 0
        if (code < 500 && one.tries < 40)
          this.queue.push({ ...one, dueAt: Date.now() + 1500, tries: one.tries + 1 })
        connection?.close()
        connection = undefined
      }
    }
    connection?.quit()
    this.busy = false
    this.arm()
  }
}

function connect(port: number): Promise<SMTPConnection> {
  return new Promise((resolve, reject) => {
    const connection = new SMTPConnection({
      host: '127.0.0.1',
      port,
      ignoreTLS: true,
      connectionTimeout: 3000,
      greetingTimeout: 3000,
      socketTimeout: 5000,
    })
    connection.once('error', reject)
    connection.on('error', () => {
      /* a broken line is seen by whoever sends next */
    })
    connection.connect((error) => (error ? reject(error) : resolve(connection)))
  })
}

function send(connection: SMTPConnection, report: Report | Answer): Promise<void> {
  const message = 'says' in report ? answerMessage(report) : reportMessage(report)
  return new Promise((resolve, reject) => {
    connection.once('error', reject)
    connection.send({ from: '', to: [report.returnPath] }, message, (error) => {
      connection.removeListener('error', reject)
      if (error) reject(error)
      else resolve()
    })
  })
}
