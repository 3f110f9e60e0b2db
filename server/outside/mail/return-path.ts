import { createHmac, timingSafeEqual } from 'node:crypto'
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

export function returnPath(dispatchId: number): string {
  return `d${dispatchId}-${signature(dispatchId)}@${config.returnDomain}`
}

/** The dispatch that a return path names; undefined when it is not one of ours or its signature does not hold. */
export function dispatchOfReturnPath(address: string): number | undefined {
  const match = /^d(\d{1,10})-([0-9a-f]{20})@(.+)$/i.exec(address)
  if (!match || match[3]!.toLowerCase() !== config.returnDomain.toLowerCase()) return undefined
  const id = Number(match[1])
  const wanted = Buffer.from(signature(id))
  const given = Buffer.from(match[2]!.toLowerCase())
  return timingSafeEqual(wanted, given) ? id : undefined
}
