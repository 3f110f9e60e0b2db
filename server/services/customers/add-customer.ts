import type { Address } from '../../../core/documents/facts'
import type { TaxTreatment } from '../../../core/documents/treatment'
import type { Terms } from '../../../core/documents/terms'
import type { Language } from '../../../core/money/format'
import { nextAfter } from '../../../core/numbering/next-after'
import type { ContactFacts } from '../../../core/preferences/recipients'
import { inTransaction } from '../../db/connection'
import { Company, Contact, Customer, CustomerGroup } from '../../db/models'
import { publish } from '../live/publish'
import { checkAddress, checkRole, refuseTakenNumber } from './checks'
import { lastCustomerNumber, lockCustomerNumbers } from './add-customer-queries'

/*
 * Writes a new customer. Called from the Customers page and from a new order by a clerk. What is left out is as the
 * group or the company has it. Refuses a number that is taken, and an address that cannot be written to.
 */

export interface NewCustomer {
  /** Left out: the one after the newest. */
  number?: string
  name: string
  groupName: string
  language?: Language
  currency?: string
  country: string
  /** Without the name, which is the customer's. */
  billing: Omit<Address, 'name'> | null
  taxNumber: string
  treatment?: TaxTreatment
  terms?: Terms
  salesperson: string
  contacts: ContactFacts[]
}

/** The number of the first customer of a house. */
const firstNumber = '10001'

/** @throws Refusal "bad-address", "same-number" */
export async function addCustomer(customer: NewCustomer): Promise<{ id: number; number: string }> {
  customer.contacts.forEach(({ email }, index) => checkAddress(email, `contacts.${index}.email`))
  for (const [index, { role }] of customer.contacts.entries()) await checkRole(role, `contacts.${index}.role`)
  return inTransaction(async () => {
    await lockCustomerNumbers()
    const company = (await Company.findByPk(1))!
    const last = await lastCustomerNumber()
    const number = customer.number || (last ? nextAfter(last) : firstNumber)
    await refuseTakenNumber(number, null)
    const group = customer.groupName
      ? await CustomerGroup.findOne({ where: { name: customer.groupName } })
      : null
    const { id } = await Customer.create({
      number,
      name: customer.name,
      groupName: customer.groupName,
      language: customer.language ?? group?.language ?? company.language,
      currency: customer.currency ?? group?.currency ?? company.currency,
      country: customer.country,
      terms: customer.terms ?? group?.terms ?? company.terms,
      taxNumber: customer.taxNumber || null,
      taxTreatment: customer.treatment ?? group?.taxTreatment ?? 'domestic',
      salesperson: customer.salesperson,
      billing: customer.billing && { name: customer.name, ...customer.billing },
      pricesIncludeTax: group?.pricesIncludeTax ?? null,
    })
    await Contact.bulkCreate(
      customer.contacts.map(({ name, email, role }) => ({ customerId: id, name, email, role })),
    )
    publish('customer', [id])
    return { id, number }
  })
}
