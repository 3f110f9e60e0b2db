import { Readable } from 'node:stream'
import SMTPConnection from 'nodemailer/lib/smtp-connection'
import { parseReply, type Reply } from '../../../core/dispatch/reply'
import { config } from '../../config'

/** Whom a message goes to on the wire. */
export interface Envelope {
  from: string
  to: string[]
  id: string
}

/** How handing over ended, per recipient where the server told them apart. */
export type HandOver =
  | { result: 'accepted'; reply: Reply; refused: { address: string; reply: Reply }[] }
  /** The server said no; nothing left. */
  | { result: 'refused'; reply: Reply; refused: { address: string; reply: Reply }[] }
  /** The server could not be reached, or the line broke before the content was complete; nothing left. */
  | { result: 'away'; reply: Reply }
  /** The line broke after the content was complete: nobody knows. */
  | { result: 'unclear'; reply: Reply }

interface SmtpError extends Error {
  response?: string
  recipient?: string
  rejectedErrors?: SmtpError[]
  code?: string
}

const replyOf = (error: SmtpError): Reply =>
  error.response ? parseReply(error.response) : { code: 0, enhanced: null, text: error.message }

/**
 * One SMTP connection (RFC 5321) that hands over one message after another. The content is held back until `beforeContent`
 * has resolved, which is after the recipients were accepted: what is written down there is written before anything can have left.
 */
class Connection {
  private readonly smtp: SMTPConnection
  private broken: Error | undefined
  private fail: (error: Error) => void = () => {}
  lastUsed = Date.now()

  constructor() {
    const url = new URL(config.smtpUrl)
    this.smtp = new SMTPConnection({
      host: url.hostname,
      port: Number(url.port || 25),
      secure: url.protocol === 'smtps:',
      connectionTimeout: config.socketTimeout,
      greetingTimeout: config.socketTimeout,
      socketTimeout: config.socketTimeout,
      tls: { rejectUnauthorized: process.env.CLOTHESPIN_SMTP_VERIFY !== 'no' },
    })
    this.smtp.on('error', (error: Error) => this.breakWith(error))
    this.smtp.on('end', () => this.breakWith(new Error('the mail server closed the connection')))
  }

  private breakWith(error: Error): void {
    this.broken ??= error
    this.fail(error)
  }

  get usable(): boolean {
    return !this.broken
  }

  async connect(): Promise<void> {
    await new Promise<void>((resolve, reject) => {
      this.fail = reject
      this.smtp.connect((error) => (error ? reject(error) : resolve()))
    })
    const url = new URL(config.smtpUrl)
    if (url.username) {
      await new Promise<void>((resolve, reject) =>
        this.smtp.login(
          {
            credentials: { user: decodeURIComponent(url.username), pass: decodeURIComponent(url.password) },
          } as never,
          (error) => (error ? reject(error) : resolve()),
        ),
      )
    }
  }

  async handOver(envelope: Envelope, message: Buffer, beforeContent: () => Promise<void>): Promise<HandOver> {
    this.lastUsed = Date.now()
    let complete = false
    let gateError: Error | undefined
    const content = new Readable({
      read() {
        beforeContent().then(
          () => {
            this.push(message)
            this.push(null)
          },
          (error: Error) => {
            gateError = error
            this.destroy(error)
          },
        )
      },
    })
    content.on('end', () => {
      complete = true
    })
    try {
      const answer = await new Promise<{ response: string; rejectedErrors?: SmtpError[] }>(
        (resolve, reject) => {
          this.fail = reject
          content.on('error', reject)
          const dsn = { ret: 'HDRS', envid: envelope.id, notify: ['SUCCESS', 'FAILURE', 'DELAY'] }
          this.smtp.send({ from: envelope.from, to: envelope.to, dsn } as never, content, (error, info) =>
            error
              ? reject(error)
              : resolve(info as unknown as { response: string; rejectedErrors?: SmtpError[] }),
          )
        },
      )
      return {
        result: 'accepted',
        reply: parseReply(answer.response),
        refused: refusals(answer.rejectedErrors),
      }
    } catch (caught) {
      const error = caught as SmtpError
      if (gateError) {
        this.close()
        throw gateError
      }
      const reply = replyOf(error)
      if (reply.code >= 400) {
        if (this.usable) await this.reset()
        return { result: 'refused', reply, refused: refusals(error.rejectedErrors) }
      }
      this.close()
      return complete ? { result: 'unclear', reply } : { result: 'away', reply }
    }
  }

  private async reset(): Promise<void> {
    await new Promise<void>((resolve) => {
      this.fail = () => resolve()
      this.smtp.reset((error) => {
        if (error) this.close()
        resolve()
      })
    })
  }

  close(): void {
    this.broken ??= new Error('closed')
    this.smtp.close()
  }
}

function refusals(errors: SmtpError[] | undefined): { address: string; reply: Reply }[] {
  return (errors ?? [])
    .filter((error) => error.recipient)
    .map((error) => ({ address: error.recipient!.toLowerCase(), reply: replyOf(error) }))
}

const idle: Connection[] = []
const idleMilliseconds = 10_000

/** Hands a message over on an idle connection, or a new one. Errors of `beforeContent` are thrown; everything else is an answer. */
export async function handOver(
  envelope: Envelope,
  message: Buffer,
  beforeContent: () => Promise<void>,
): Promise<HandOver> {
  let connection = idle.pop()
  while (connection && (!connection.usable || Date.now() - connection.lastUsed > idleMilliseconds)) {
    connection.close()
    connection = idle.pop()
  }
  if (!connection) {
    connection = new Connection()
    try {
      await connection.connect()
    } catch (error) {
      connection.close()
      return { result: 'away', reply: replyOf(error as SmtpError) }
    }
  }
  const result = await connection.handOver(envelope, message, beforeContent)
  if (connection.usable) idle.push(connection)
  return result
}

export function closeMailConnections(): void {
  for (const connection of idle.splice(0)) connection.close()
}
