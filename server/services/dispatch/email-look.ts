import type { EmailLook } from '../../../core/emailtexts/email-look'
import { lookOn, picturesIn, withPictureUrls } from '../../../core/emailtexts/pictures'
import { dayInZone } from '../../../core/documents/days'
import { clock } from '../../clock'
import { company } from '../house/house'
import { readPictures } from '../pictures/pictures'

/*
 * A brand's emails as they look today, and as they are shown outside of an email.
 * Called by what composes an email and by what shows one.
 */

/** A brand's look today. */
export async function lookNow(look: EmailLook): Promise<EmailLook> {
  if (!look.banner) return look
  return lookOn(look, dayInZone(clock.now(), (await company()).timeZone))
}

/** An email's HTML with its pictures in it, to be looked at in a frame that may load nothing. */
export async function shownHtml(html: string): Promise<string> {
  const found = await readPictures(picturesIn(html))
  if (found.length === 0) return html
  const urls = new Map(
    found.map(({ sha256, mediaType, bytes }) => [
      sha256,
      `data:${mediaType};base64,${bytes.toString('base64')}`,
    ]),
  )
  return withPictureUrls(html, (sha256) => urls.get(sha256) ?? '')
}
