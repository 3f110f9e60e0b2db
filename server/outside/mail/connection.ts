import type { HandOver } from '../../../core/dispatch/outcome'
import type { Socket } from 'node:net'
import { TLSSocket } from 'node:tls'
import { Readable } from 'node:stream'
import { domainToASCII } from 'node:url'
import SMTPConnection from 'nodemailer/lib/smtp-connection'
import { parseReply, type Reply } from '../../../core/dispatch/reply'
import { config } from '../../config'

/** The name by which the stand-in that ships with Clothespin says hello. */
const standIn = 'stand-in.clothespin.example'

export const isLoopback = (host: string): boolean => ['127.0.0.1', 'localhost', '[::1]', '::1'].includes(host)

/**
 * Mail goes to our own stand-in, or to a server that somebody said is real; a real one on this computer is
 * one, too.
 */
function refuseUnnamedServer(hello: string | false): void {
  if (config.realMail || new RegExp(`^250[ -]${standIn} `).test(String(hello))) return
  throw new Error(
    'This is not the stand-in that ships with Clothespin. Set CLOTHESPIN_REAL_MAIL=yes when mail ' +
      'shall really go to your customers.',
  )
}

/**
 * Addresses as they go on the wire: domains in ASCII (RFC 5890); local parts with other letters only where
 * the server offers SMTPUTF8 (RFC 6531).
 */
function writable(
  addresses: readonly string[],
  utf8: boolean,
): { to: string[]; refused: { address: string; reply: Reply }[]; written: Map<string, string> } {
  const to: string[] = []
  const written = new Map<string, string>()
  const refused: { address: string; reply: Reply }[] = []
  for (const address of addresses) {
    const at = address.lastIndexOf('@')
    const local = address.slice(0, at)
    if (/^[\x21-\x7e]+$/.test(local) || utf8) {
      const onTheWire = `${local}@${domainToASCII(address.slice(at + 1)) || address.slice(at + 1)}`
      to.push(onTheWire)
      written.set(onTheWire.toLowerCase(), address.toLowerCase())
      continue
    }
    const text =
      '553 5.6.7 The mail server takes only plain letters before the @ of an address (it does not ' +
      `offer SMTPUTF8), so ${address} cannot be written to`
    refused.push({ address: address.toLowerCase(), reply: parseReply(text) })
  }
  return { to, refused, written }
}

/** A mail server and how it is spoken to. */
export interface MailServer {
  /** Two that have the same are the same, also for connections that are kept open. */
  key: string
  host: string
  port: number
  /** TLS from the start; after STARTTLS (RFC 3207), always or where it is offered; or none. */
  security: 'tls' | 'starttls' | 'offered' | 'none'
  user: string
  password: string
  /** Why it cannot be spoken to at all. */
  problem?: string
  /** Is told until when the server's certificate holds, at each new connection; null without TLS. */
  certificateSeen?: (until: Date | null) => Promise<void>
}

/** Whom a message goes to on the wire. */
export interface Envelope {
  from: string
  to: string[]
  id: string
}

export interface SmtpError extends Error {
  response?: string
  recipient?: string
  rejectedErrors?: SmtpError[]
  code?: string
}

export const replyOf = (error: SmtpError): Reply =>
  error.response ? parseReply(error.response) : { code: 0, enhanced: null, text: error.message }

/**
 * One SMTP connection (RFC 5321) that hands over one message after another. The content is held back until
 * `beforeContent`
 * has resolved, which is after the recipients were accepted: what is written down there is written before
 * anything can have left.
 */
export class Connection {
  private readonly smtp: SMTPConnection
  private broken: Error | undefined
  private fail: (error: Error) => void = () => {}
  lastUsed = Date.now()

  constructor(readonly server: MailServer) {
    const { host, port, security, user } = server
    const withoutTls = config.smtpPasswordWithoutTls === 'loopback' && isLoopback(host)
    this.smtp = new SMTPConnection({
      host,
      port,
      secure: security === 'tls',
      // a password is never sent where somebody could read it
      requireTLS: security === 'starttls' || (security === 'offered' && user !== '' && !withoutTls),
      ignoreTLS: security === 'none',
      connectionTimeout: config.socketTimeout,
      greetingTimeout: config.socketTimeout,
      socketTimeout: config.socketTimeout,
      tls: { rejectUnauthorized: process.env.CLOTHESPIN_SMTP_VERIFY !== 'no' },
    })
    this.smtp.on('error', (error: Error) => this.breakWith(error))
    this.smtp.on('end', () => this.breakWith(new Error('the mail server closed the connection')))
  }

  /** What the library keeps of the session and does not describe in its types. */
  private get inner(): {
    lastServerResponse: string | false
    _supportedExtensions: string[]
    _socket?: Socket
  } {
    return this.smtp as never
  }

  private breakWith(error: Error): void {
    this.broken ??= error
    this.fail(error)
  }

  /** What the server said last. */
  get lastAnswer(): string {
    return String(this.inner.lastServerResponse || '')
  }

  /** Until when the server's certificate holds; null without TLS. */
  get certificateUntil(): Date | null {
    const socket = this.inner._socket
    if (!(socket instanceof TLSSocket)) return null
    const { valid_to: until } = socket.getPeerCertificate()
    return until ? new Date(until) : null
  }

  get usable(): boolean {
    return !this.broken
  }

  async connect(): Promise<void> {
    await new Promise<void>((resolve, reject) => {
      this.fail = reject
      this.smtp.connect((error) => (error ? reject(error) : resolve()))
    })
    refuseUnnamedServer(this.inner.lastServerResponse)
  }

  async signIn(): Promise<void> {
    const { user, password } = this.server
    if (!user) return
    await new Promise<void>((resolve, reject) =>
      this.smtp.login(
        { credentials: { user, pass: password } } as never, // nodemailer's types ask for methods of OAuth, too
        (error) => (error ? reject(error) : resolve()),
      ),
    )
  }

  async handOver(envelope: Envelope, message: Buffer, beforeContent: () => Promise<void>): Promise<HandOver> {
    this.lastUsed = Date.now()
    const utf8 = this.inner._supportedExtensions.includes('SMTPUTF8')
    const { to, refused, written } = writable(envelope.to, utf8)
    if (to.length === 0) return { result: 'refused', reply: refused[0]!.reply, refused }
    const result = await this.handOverTo({ ...envelope, to }, message, beforeContent)
    if (!('refused' in result)) return result
    const asWritten = result.refused.map((one) => ({
      ...one,
      address: written.get(one.address) ?? one.address,
    }))
    return { ...result, refused: [...refused, ...asWritten] }
  }

  private async handOverTo(
    envelope: Envelope,
    message: Buffer,
    beforeContent: () => Promise<void>,
  ): Promise<HandOver> {
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
      this.inner._socket?.setTimeout(config.finalAnswerSeconds * 1000)
    })
    try {
      const answer = await new Promise<{ response: string; rejectedErrors?: SmtpError[] }>(
        (resolve, reject) => {
          this.fail = reject
          content.on('error', reject)
          const dsn = { ret: 'HDRS', envid: envelope.id, notify: ['SUCCESS', 'FAILURE', 'DELAY'] }
          // RFC 3461 per recipient is left out of its types, as is what it says of each refusal
          this.smtp.send({ from: envelope.from, to: envelope.to, dsn } as never, content, (error, info) =>
            error
              ? reject(error)
              : resolve(info as unknown as { response: string; rejectedErrors?: SmtpError[] }),
          )
        },
      )
      this.inner._socket?.setTimeout(config.socketTimeout)
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
    this.inner._socket?.setTimeout(config.socketTimeout)
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
