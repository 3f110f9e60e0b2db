import { anyone, isAddress } from '../../../core/preferences/recipients'
import { Refusal } from '../../../core/errors'
import { Company, Customer } from '../../db/models'

/* What every act on customers refuses. */

/** @throws Refusal "bad-address" at the field */
export function checkAddress(email: string, field: string): void {
  if (!isAddress(email))
    throw new Refusal(
      'bad-address',
      `“${email}” is not an email address. Write one like name@house.example.`,
      { status: 400, about: { field } },
    )
}

export const checkAddresses = (emails: readonly string[], field: string): void =>
  emails.forEach((email) => checkAddress(email, field))

/** @throws Refusal "unknown-role" at the field */
export async function checkRole(role: string, field: string): Promise<void> {
  const { contactRoles } = (await Company.findByPk(1, { attributes: ['contactRoles'] }))!
  if (role !== anyone && !contactRoles.includes(role))
    throw new Refusal(
      'unknown-role',
      `There is no contact role “${role}”. There are ${[...contactRoles, anyone].join(', ')}: ` +
        'Settings, Customers, has the list.',
      { status: 400, about: { field } },
    )
}

/** @throws Refusal "same-number" where another customer has it */
export async function refuseTakenNumber(number: string, id: number | null): Promise<void> {
  const twin = await Customer.findOne({ where: { number } })
  if (twin && twin.id !== id)
    throw new Refusal('same-number', `${twin.name} already has the number ${number}.`, {
      status: 400,
      about: { field: 'number' },
    })
}
