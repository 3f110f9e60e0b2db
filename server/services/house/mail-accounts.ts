import type { Pace } from '../../../core/dispatch/pace'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand, MailAccount } from '../../db/models'
import { addJobs } from '../../queue/add'
import { isLoopback, type MailServer } from '../../outside/mail/connection'
import { seal, unseal } from '../../outside/seal'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import {
  accountToUse,
  accountViews,
  bringAwayForward,
  emailsAway,
  emailsPaced,
  keepCertificateUntil,
  forgetTurns,
} from './mail-accounts-queries'

/*
 * Mail accounts: where email is handed over. Called from Settings and the first visit by a supervisor, and by
 * everything that sends. Passwords go in and never come out. Refuses a password on a line that others could read.
 */

export interface MailAccountView extends Pace {
  id: number
  name: string
  host: string
  port: number
  security: 'tls' | 'starttls' | 'none'
  userName: string
  hasPassword: boolean
  version: number
  /** The largest email that its server takes, in millions of bytes. */
  mostMegabytes: number
  /** Brands that name it; all others use the first account. */
  brandIds: number[]
}

export interface MailAccountChange extends Partial<Pace> {
  name: string
  host: string
  port: number
  security: 'tls' | 'starttls' | 'none'
  userName: string
  /** Left out, the one that is kept stays. */
  password?: string
  mostMegabytes?: number
  brandIds: number[]
}

const purpose = 'mail account'

export const mailAccounts = (): Promise<MailAccountView[]> => accountViews()

/**
 * The server that email is handed to; undefined where none is kept.
 * @param accountId as the sender has it; null for the first account, which sends for the house itself
 */
export async function mailServer(accountId: number | null): Promise<MailServer | undefined> {
  const found = await accountToUse(accountId)
  try {
    return found && { ...serverOf(found), certificateSeen: (until) => keepCertificateUntil(found.id, until) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { ...serverOf({ ...found!, password: '' }), problem: `${found!.name}: ${error.message}` }
  }
}

/** The server of an account; a password that is given goes before the one that is kept. */
const serverOf = (account: Omit<MailAccountChange, 'brandIds' | keyof Pace> & KeptPassword): MailServer => ({
  key: `account ${account.id} ${account.version}`,
  host: account.host,
  port: account.port,
  security: account.security,
  user: account.userName,
  password: account.password ?? unseal(account.sealedPassword, purpose),
})

interface KeptPassword {
  id: number
  version: number
  sealedPassword: string
}

/**
 * The server of an account that is being written.
 * @param id of the account whose password is used where none is given
 */
export async function serverToTry(id: number | null, change: MailAccountChange): Promise<MailServer> {
  check(change)
  const kept = id === null ? null : await MailAccount.findByPk(id)
  return serverOf({
    ...change,
    id: 0,
    version: 0,
    sealedPassword: kept?.sealedPassword ?? '',
    password: change.password ?? (kept ? undefined : ''),
  })
}

function check({ host, security, userName }: MailAccountChange): void {
  if (security === 'none' && userName && !isLoopback(host)) throw badInput('password-in-plain', 'security')
}

/** Adds an account (`id` null) or changes one. @throws Refusal "same-name", "changed-meanwhile", "password-in-plain" */
export async function keepMailAccount(
  id: number | null,
  { version, password, brandIds, ...change }: MailAccountChange & { version: number },
): Promise<number> {
  check({ ...change, brandIds })
  return inTransaction(async () => {
    const twin = await MailAccount.findOne({ where: { name: change.name } })
    if (twin && twin.id !== id) throw badInput('same-name/mail-account', 'name', { name: change.name })
    const before = id === null ? null : await lockAccount(id, version)
    const mostBefore = before?.mostMegabytes
    const kept = password === undefined ? {} : { sealedPassword: seal(password, purpose) }
    const account = before
      ? await before.update({ ...change, ...kept, certificateUntil: null, version: before.version + 1 })
      : await MailAccount.create({ ...change, ...kept })
    await Brand.update({ mailAccountId: null }, { where: { mailAccountId: account.id } })
    await Brand.update({ mailAccountId: account.id }, { where: { id: brandIds } })
    // what was too large for it may go now, or the other way round
    if (account.mostMegabytes !== mostBefore) await markAllStale()
    // what waited because nothing could be handed over need not wait for its next try
    await bringAwayForward(clock.now())
    // and who waits for a turn is given another, by the limits as they are now
    const paced = await emailsPaced()
    await forgetTurns(clock.now())
    await addJobs(
      'send-dispatches',
      [...new Set([...(await emailsAway()), ...paced].map((one) => one.id))],
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    publish('house')
    return account.id
  })
}

/** @throws Refusal "no-such-account", "changed-meanwhile" */
async function lockAccount(id: number, version: number): Promise<MailAccount> {
  const account = await MailAccount.findByPk(id, { lock: true })
  if (!account) throw new Refusal('no-such-account', { status: 404 })
  if (account.version !== version) throw new Refusal('changed-meanwhile/mail-account')
  return account
}

/** Takes an account away; brands that named it use the first one. */
export async function removeMailAccount(id: number, version: number): Promise<void> {
  await inTransaction(async () => {
    const account = await lockAccount(id, version)
    await Brand.update({ mailAccountId: null }, { where: { mailAccountId: id } })
    await account.destroy()
    publish('house')
  })
}
