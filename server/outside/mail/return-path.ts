import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto'
import { config } from '../../config'

/**
 * The return path names the dispatch and is signed, so that nobody can report on a dispatch who did not get
 * its mail.
 */
function signature(dispatchId: number): string {
  return createHmac('sha256', config.secret)
    .update(`return path of dispatch ${dispatchId}`)
    .digest('hex')
    .slice(0, 20)
}

/**
 * Where reports and bounces of a dispatch go: its own signed address, or, where no domain for them is set up, the
 * sender's mailbox, where a person reads them.
 */
export function returnPath(dispatchId: number, sender: string): string {
  return senderOf(`d${dispatchId}-${signature(dispatchId)}`, sender)
}

/** The envelope's sender of other mail: this name at the domain of return paths, or the sender itself. */
export const senderOf = (name: string, sender: string): string =>
  config.returnDomain ? `${name}@${config.returnDomain}` : sender

/** A Message-ID (RFC 5322, 3.6.4) at the domain of return paths, or at the sender's. */
export const newMessageId = (sender: string): string =>
  `<${randomUUID()}@${config.returnDomain || sender.slice(sender.lastIndexOf('@') + 1)}>`

/** The dispatch that a return path names; undefined when it is not one of ours or its signature does not hold. */
export function dispatchOfReturnPath(address: string): number | undefined {
  const match = /^d(\d{1,10})-([0-9a-f]{20})@(.+)$/i.exec(address)
  if (!match || match[3]!.toLowerCase() !== config.returnDomain.toLowerCase()) return undefined
  const id = Number(match[1])
  const wanted = Buffer.from(signature(id))
  const given = Buffer.from(match[2]!.toLowerCase())
  return timingSafeEqual(wanted, given) ? id : undefined
}
