import type { Day } from '../documents/days'
import { escapeHtml } from './escape'
import type { EmailLook } from './email-look'
import type { Body } from './nodes'

/*
 * Pictures of an email travel in it (RFC 2392): nothing is loaded from anywhere when it is read. What a mail program
 * does not show says its words instead.
 */

/** A picture that the house has kept. */
export interface EmailPicture {
  sha256: string
  /** Read to who does not see it. */
  alt: string
  /** In pixels; on a narrow screen it is as wide as the text. */
  width: number
}

/** As wide as the text, in pixels, and as narrow as a sign may be. */
export const pictureWidths = { most: 544, least: 24 } as const

/** A picture above the text of all emails of a brand, for a season. */
export interface EmailBanner extends EmailPicture {
  /** '' where it leads nowhere. */
  href: string
  from: Day | null
  until: Day | null
  /** Whether it is counted that somebody follows it; off where nothing is said. */
  counted?: boolean
}

const domain = 'clothespin'

/** How an email's HTML names a picture in it, and by which header its part is found. */
export const pictureId = (sha256: string): string => `${sha256}@${domain}`
const pictureUrl = new RegExp(`cid:([0-9a-f]{64})@${domain}`, 'g')

/** The pictures that an email's HTML names, each once. */
export const picturesIn = (html: string): string[] => [
  ...new Set([...html.matchAll(pictureUrl)].map(([, sha256]) => sha256!)),
]

/** The same with other addresses of its pictures, to be looked at outside of an email. */
export const withPictureUrls = (html: string, urlOf: (sha256: string) => string): string =>
  html.replace(pictureUrl, (_, sha256: string) => urlOf(sha256))

export const pictureHtml = ({ sha256, alt, width }: EmailPicture): string =>
  `<img src="cid:${pictureId(sha256)}" alt="${escapeHtml(alt)}" width="${width}" ` +
  'style="display:block;max-width:100%;height:auto;border:0">'

/** What plain text says of it. */
export const pictureText = ({ alt }: EmailPicture): string => `[${alt}]`

/** The look on a day: a banner stands only in its season. */
export const lookOn = ({ banner, ...look }: EmailLook, day: Day): EmailLook => {
  const stands = banner && (banner.from ?? day) <= day && day <= (banner.until ?? day)
  return stands ? { ...look, banner } : look
}

/** The pictures of a text as they were put in. */
export const picturesOf = (body: Body): EmailPicture[] =>
  body.content.flatMap((block) => (block.type === 'picture' ? [block.attrs] : []))
