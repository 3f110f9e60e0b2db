import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto'
import { Refusal } from '../../core/errors'
import { config } from '../config'

/*
 * Secrets of others that have to be used again, like the password of a mail account: sealed with AES-256-GCM (NIST
 * SP 800-38D) under a key that is derived from the installation's secret (HKDF, RFC 5869) and so lies outside of the
 * database. A copy of the database alone opens none.
 */

const keyFor = (purpose: string) =>
  Buffer.from(hkdfSync('sha256', config.secret, 'clothespin', `seal ${purpose}`, 32))

/** @returns "nonce.tag.text" in base64url; empty for empty */
export function seal(text: string, purpose: string): string {
  if (text === '') return ''
  const nonce = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', keyFor(purpose), nonce)
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
  return [nonce, cipher.getAuthTag(), sealed].map((part) => part.toString('base64url')).join('.')
}

/** @throws Refusal "other-secret" where it was sealed under another secret, or was changed since */
export function unseal(sealed: string, purpose: string): string {
  if (sealed === '') return ''
  try {
    const [nonce, tag, text] = sealed.split('.').map((part) => Buffer.from(part, 'base64url'))
    const decipher = createDecipheriv('aes-256-gcm', keyFor(purpose), nonce!)
    decipher.setAuthTag(tag!)
    return Buffer.concat([decipher.update(text!), decipher.final()]).toString('utf8')
  } catch {
    throw new Refusal('other-secret')
  }
}
