import type { HandOver } from '../../../core/dispatch/outcome'
import { config } from '../../config'
import { Connection, replyOf, type Envelope, type MailServer, type SmtpError } from './connection'

/*
 * Messages are handed to a mail server over connections that stay open for a moment, or a server is tried step by step.
 */

/** The server that was named at the start; undefined for none. */
function namedServer(): MailServer | undefined {
  if (!config.smtpUrl) return undefined
  const url = new URL(config.smtpUrl)
  return {
    key: config.smtpUrl,
    host: url.hostname,
    port: Number(url.port || 25),
    security: url.protocol === 'smtps:' ? 'tls' : 'offered',
    user: decodeURIComponent(url.username),
    password: decodeURIComponent(url.password),
  }
}

/** What is said, also to whoever waits for an email, as long as there is nowhere to hand it over. */
export const noMailAccount = 'There is no mail account yet. Add one in Settings, Mail accounts.'

const idle: Connection[] = []

const idleMilliseconds = 10_000

/** A connection to this server that is open and idle, if there is one. */
function takeIdle(server: MailServer): Connection | undefined {
  for (let at = idle.length - 1; at >= 0; at--) {
    const one = idle[at]!
    if (one.server.key !== server.key) continue
    idle.splice(at, 1)
    if (one.usable && Date.now() - one.lastUsed <= idleMilliseconds) return one
    one.close()
  }
  return undefined
}

/**
 * Hands a message over on an idle connection, or a new one. Errors of `beforeContent` are thrown; everything
 * else is an answer.
 * @param server without one, the server that was named at the start
 */
export async function handOver(
  envelope: Envelope,
  message: Buffer,
  beforeContent: () => Promise<void>,
  server: MailServer | undefined = namedServer(),
): Promise<HandOver> {
  if (!server || server.problem)
    return { result: 'away', reply: { code: 0, enhanced: null, text: server?.problem ?? noMailAccount } }
  let connection = takeIdle(server)
  if (!connection) {
    connection = new Connection(server)
    try {
      await connection.connect()
      await server.certificateSeen?.(connection.certificateUntil)
      await connection.signIn()
    } catch (error) {
      connection.close()
      return { result: 'away', reply: replyOf(error as SmtpError) }
    }
  }
  const result = await connection.handOver(envelope, message, beforeContent)
  if (connection.usable) idle.push(connection)
  return result
}

/** One step of trying a mail server, with what it said. */
export interface TriedStep {
  step: 'connect' | 'sign in' | 'send'
  worked: boolean
  /** In the server's words, or those of the network. */
  said: string
}

/** Connects, signs in and sends one message, on a connection of its own; ends with the first step that fails. */
export async function tryServer(
  server: MailServer,
  envelope: Envelope,
  message: Buffer,
): Promise<TriedStep[]> {
  const connection = new Connection(server)
  const steps: TriedStep[] = []
  const tried = async (step: TriedStep['step'], act: () => Promise<string>): Promise<boolean> => {
    try {
      steps.push({ step, worked: true, said: await act() })
      return true
    } catch (error) {
      steps.push({ step, worked: false, said: replyOf(error as SmtpError).text })
      return false
    }
  }
  try {
    const connected = await tried('connect', () => connection.connect().then(() => connection.lastAnswer))
    if (!connected) return steps
    if (server.user && !(await tried('sign in', () => connection.signIn().then(() => connection.lastAnswer))))
      return steps
    const { result, reply } = await connection.handOver(envelope, message, async () => {})
    steps.push({ step: 'send', worked: result === 'accepted', said: reply.text })
    return steps
  } finally {
    connection.close()
  }
}

export function closeMailConnections(): void {
  for (const connection of idle.splice(0)) connection.close()
}
