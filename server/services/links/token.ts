import { createHmac, timingSafeEqual } from 'node:crypto'
import { config } from '../../config'

/** What an address is for: one made for one thing is none for another. */
type Purpose = 'link' | 'open' | 'offer' | 'updates'

/** 128 bits: nobody finds an address by trying. */
const signature = (purpose: Purpose, id: number) =>
  createHmac('sha256', config.secret).update(`${purpose} ${id}`).digest('base64url').slice(0, 22)

const made = (purpose: Purpose, id: number): string => `${id.toString(36)}.${signature(purpose, id)}`

function found(purpose: Purpose, token: string): number | undefined {
  const match = /^([0-9a-z]{1,7})\.([\w-]{22})$/.exec(token)
  const id = match ? Number.parseInt(match[1]!, 36) : NaN
  if (!match || !Number.isSafeInteger(id) || id > 2_147_483_647) return undefined
  return timingSafeEqual(Buffer.from(match[2]!), Buffer.from(signature(purpose, id))) ? id : undefined
}

/** What the address of a link ends in: the same for the same link, so that a retried email says the same. */
export const tokenOf = (id: number): string => made('link', id)

/** The link of an address; undefined where it was not made here. */
export const linkOfToken = (token: string): number | undefined => found('link', token)

/** What the address ends in that says that an email was opened. */
export const openToken = (dispatchId: number): string => made('open', dispatchId)

/** The email of such an address; undefined where it was not made here. */
export const emailOfToken = (token: string): number | undefined => found('open', token)

/** What the address of a followed offer ends in. */
export const offerToken = (id: number): string => made('offer', id)

/** The offer of such an address; undefined where it was not made here. */
export const offerOfToken = (token: string): number | undefined => found('offer', token)

/** What the address ends in at which somebody asks for no more order updates. */
export const updatesToken = (dispatchId: number): string => made('updates', dispatchId)

/** The email of such an address; undefined where it was not made here. */
export const emailOfUpdatesToken = (token: string): number | undefined => found('updates', token)
