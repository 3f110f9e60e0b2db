import { toldSender, type AnswersTo } from '../../../core/dispatch/sender'
import type { DocumentKind } from '../../../core/documents/kinds'
import { badInput, Refusal } from '../../../core/errors'
import { isAddress } from '../../../core/preferences/recipients'
import { told, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Brand, MailAccount, Routine, Sender } from '../../db/models'
import { publish } from '../live/publish'
import { senderRows } from './senders-queries'

/*
 * Who emails come from, by kind of document and by routine. Called from Settings by a supervisor; what is sent asks
 * `sender_for` in the database at that moment. Refuses a second sender of the same, an address that cannot be one and
 * a place for answers that is not written.
 */

export interface SenderChange {
  brandId: number
  /** One of kind and routine is named. */
  kind: DocumentKind | null
  routineId: number | null
  /** Empty for the brand's. */
  name: string
  namesPerson: boolean
  address: string
  answersTo: AnswersTo
  replyTo: string
  mailAccountId: number | null
}

export interface SenderView extends SenderChange {
  id: number
  version: number
  routineName: string | null
  mailAccountName: string | null
}

export const senders = (): Promise<SenderView[]> => senderRows()

/** Whom an email of a brand can come from. */
export interface SenderChoice {
  /** 0 for the brand itself. */
  id: number
  shown: Told
}

/** The brand itself, then its senders. */
export async function senderChoices(brandId: number): Promise<SenderChoice[]> {
  const brand = await Brand.findByPk(brandId, { rejectOnEmpty: true })
  const all = (await senderRows()).filter((one) => one.brandId === brandId)
  return [
    {
      id: 0,
      shown: told('sender/shown', { who: brand.senderName, address: brand.senderAddress }),
    },
    ...all.map((one) => ({ id: one.id, shown: toldSender(one, brand.senderName) })),
  ]
}

/**
 * Adds a sender (`id` null) or changes one. @throws Refusal "bad-address", "no-emails-named", "no-such-brand",
 * "no-such-routine", "no-such-account", "sender-there", "changed-meanwhile"
 */
export async function keepSender(id: number | null, change: SenderChange, version = 0): Promise<number> {
  const kept = { ...change, replyTo: change.answersTo === 'address' ? change.replyTo : '' }
  for (const field of ['address', 'replyTo'] as const)
    if (kept[field] && !isAddress(kept[field])) throw badInput('bad-address', field, { address: kept[field] })
  if (kept.answersTo === 'address' && !kept.replyTo) throw badInput('bad-address/answers', 'replyTo')
  if ((kept.kind === null) === (kept.routineId === null)) throw badInput('no-emails-named', 'kind')
  return inTransaction(async () => {
    await checkNamed(kept)
    const twin = await Sender.findOne({
      where: { brandId: kept.brandId, kind: kept.kind, routineId: kept.routineId },
    })
    if (twin && twin.id !== id) throw badInput('sender-there', 'kind')
    const sender = id === null ? await Sender.create(kept) : await changed(id, kept, version)
    publish('house')
    publish('line')
    return sender.id
  })
}

async function checkNamed({ brandId, routineId, mailAccountId }: SenderChange): Promise<void> {
  if (!(await Brand.findByPk(brandId))) throw badInput('no-such-brand/any-more', 'brandId')
  if (routineId !== null && !(await Routine.findByPk(routineId)))
    throw badInput('no-such-routine/any-more', 'kind')
  if (mailAccountId !== null && !(await MailAccount.findByPk(mailAccountId)))
    throw badInput('no-such-account/sender', 'mailAccountId')
}

async function changed(id: number, change: SenderChange, version: number): Promise<Sender> {
  const sender = await Sender.findByPk(id, { lock: true })
  if (!sender) throw new Refusal('no-such-sender', { status: 404 })
  if (sender.version !== version) throw new Refusal('changed-meanwhile/sender')
  return sender.update({ ...change, version: version + 1 })
}

/** Takes a sender away: its emails come from the brand again. */
export async function dropSender(id: number): Promise<void> {
  await inTransaction(async () => {
    await Sender.destroy({ where: { id } })
    publish('house')
    publish('line')
  })
}
