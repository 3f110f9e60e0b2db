import { createHmac, timingSafeEqual } from 'node:crypto'
import { config } from '../../config'

/** 128 bits: nobody finds a link by trying. */
const signature = (id: number) =>
  createHmac('sha256', config.secret).update(`link ${id}`).digest('base64url').slice(0, 22)

/** What the address of a link ends in: the same for the same link, so that a retried email says the same. */
export const tokenOf = (id: number): string => `${id.toString(36)}.${signature(id)}`

/** The link of an address; undefined where it was not made here. */
export function linkOfToken(token: string): number | undefined {
  const match = /^([0-9a-z]{1,7})\.([\w-]{22})$/.exec(token)
  const id = match ? Number.parseInt(match[1]!, 36) : NaN
  if (!match || !Number.isSafeInteger(id) || id > 2_147_483_647) return undefined
  return timingSafeEqual(Buffer.from(match[2]!), Buffer.from(signature(id))) ? id : undefined
}
