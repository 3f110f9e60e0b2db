import { randomBytes, scrypt as scryptCallback, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'

const scrypt = promisify(scryptCallback) as (
  password: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number; maxmem: number },
) => Promise<Buffer>

/** RFC 7914 parameters: 16 MiB of memory a try. */
const cost = { N: 16384, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }

/** "scrypt$salt$hash", both in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const hash = await scrypt(password.normalize('NFKC'), salt, 32, cost)
  return `scrypt$${salt.toString('base64')}$${hash.toString('base64')}`
}

export async function passwordFits(password: string, kept: string): Promise<boolean> {
  const [kind, salt, hash] = kept.split('$')
  if (kind !== 'scrypt' || !salt || !hash) return false
  const given = await scrypt(password.normalize('NFKC'), Buffer.from(salt, 'base64'), 32, cost)
  return timingSafeEqual(given, Buffer.from(hash, 'base64'))
}
