import type { BankAccount } from '../../../core/documents/bank'
import { checkIban } from '../../../core/documents/payment-code'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Branch, Brand } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { bankChange } from './bank-change'

/*
 * Places that a brand sells from. Documents of an order that is sold from one show its address, and its bank accounts
 * where it has own ones; a number series may be kept for it. Called from Settings by a supervisor, and by orders and
 * documents. A closed one takes no new order; what was begun there is brought to its end. Refuses a name that is
 * taken, and a branch of another brand.
 */

export interface BranchChange {
  brandId: number
  name: string
  addressLines: string[]
  /** Its two letters (ISO 3166-1). */
  country: string
  /** Empty for the brand's. */
  phone: string
  email: string
  /** None for the brand's. */
  banks: BankAccount[]
  closed: boolean
}

export interface BranchView extends BranchChange {
  id: number
  version: number
}

export async function branches(): Promise<BranchView[]> {
  const found = await Branch.findAll({ order: ['brandId', 'name'] })
  return found.map((branch) => ({
    id: branch.id,
    brandId: branch.brandId,
    name: branch.name,
    addressLines: branch.addressLines,
    country: branch.country,
    phone: branch.phone,
    email: branch.email,
    banks: branch.banks,
    closed: branch.closedAt !== null,
    version: branch.version,
  }))
}

/**
 * Adds a branch (`id` null) or changes one. @throws Refusal "same-name", "bad-iban", "no-such-brand",
 * "changed-meanwhile"
 */
export async function keepBranch(
  id: number | null,
  change: BranchChange,
  who: Principal & { id: number },
  version = 0,
): Promise<number> {
  const { closed, ...written } = change
  const banks = written.banks.map((bank) => ({ ...bank, iban: bank.iban.replace(/\s/g, '').toUpperCase() }))
  banks.forEach((bank, index) => checkIban(bank.iban, `banks.${index}.iban`))
  return inTransaction(async () => {
    const brand = await Brand.findByPk(change.brandId, { lock: true })
    if (!brand) throw badInput('no-such-brand/any-more', 'brandId')
    const twin = await Branch.findOne({ where: { brandId: brand.id, name: change.name } })
    if (twin && twin.id !== id)
      throw badInput('same-name/branch', 'name', { brand: brand.name, name: change.name })
    const before = id === null ? null : await lockBranch(id, brand.id, version)
    const facts = { ...written, banks, closedAt: closed ? (before?.closedAt ?? clock.now()) : null }
    const earlier = before?.banks ?? []
    const kept = before ? await before.update({ ...facts, version: version + 1 }) : await Branch.create(facts)
    // what is prepared shows it, and is built anew
    const changed = await bankChange(earlier, banks, who)
    await brand.update({ version: brand.version + 1, ...changed })
    await markAllStale()
    publish('house')
    publish('line')
    return kept.id
  })
}

async function lockBranch(id: number, brandId: number, version: number): Promise<Branch> {
  const branch = await Branch.findOne({ where: { id, brandId }, lock: true })
  if (!branch) throw new Refusal('no-such-branch', { status: 404 })
  if (branch.version !== version)
    throw new Refusal('changed-meanwhile/branch', { values: { branch: branch.name } })
  return branch
}

/** @throws Refusal "no-such-branch" where it is of another brand; "branch-closed" where nothing new begins there */
export async function refuseOtherBranch(brandId: number, branchId: number | null): Promise<void> {
  if (branchId === null) return
  const branch = await Branch.findOne({ where: { id: branchId, brandId } })
  if (!branch) throw badInput('no-such-branch/of-brand', 'branchId')
  if (branch.closedAt) throw badInput('branch-closed', 'branchId', { branch: branch.name })
}
