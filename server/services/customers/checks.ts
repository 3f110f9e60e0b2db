import { anyone, isAddress } from '../../../core/preferences/recipients'
import { badInput } from '../../../core/errors'
import { Company, Customer } from '../../db/models'

/* What every act on customers refuses. */

/** @throws Refusal "bad-address" at the field */
export function checkAddress(email: string, field: string): void {
  if (!isAddress(email)) throw badInput('bad-address', field, { address: email })
}

export const checkAddresses = (emails: readonly string[], field: string): void =>
  emails.forEach((email) => checkAddress(email, field))

/** @throws Refusal "unknown-role" at the field */
export async function checkRole(role: string, field: string): Promise<void> {
  const { contactRoles } = (await Company.findByPk(1, { attributes: ['contactRoles'] }))!
  if (role !== anyone && !contactRoles.includes(role))
    throw badInput('unknown-role', field, { role, roles: [...contactRoles, anyone].join(', ') })
}

/** @throws Refusal "same-number" where another customer has it */
export async function refuseTakenNumber(number: string, id: number | null): Promise<void> {
  const twin = await Customer.findOne({ where: { number } })
  if (twin && twin.id !== id) throw badInput('same-number', 'number', { name: twin.name, number })
}
