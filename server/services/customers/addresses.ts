import type { Address } from '../../../core/documents/facts'
import { addressesIn, type AddressMail } from '../../../core/preferences/recipients'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { Customer, CustomerAddress, SalesOrder } from '../../db/models'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import { checkAddresses } from './checks'

/*
 * Further addresses of a customer: others to bill, with recipients of their own, and where goods go. Called from the
 * Customers page. Orders name the one they are billed to; a delivery address is copied into the order as it was agreed.
 * Refuses to take away one that an order is billed to.
 */

export interface AddressEdit {
  /** Null for a new one. */
  id: number | null
  purpose: 'billing' | 'delivery'
  label: string
  /** Without a name, it is the customer's. */
  address: Omit<Address, 'name'> & { name?: string }
  mail: AddressMail
}

/** Keeps the list. @throws Refusal "bad-address", "in-use", "same-label", "changed-meanwhile" */
export async function keepAddresses(
  customerId: number,
  version: number,
  addresses: readonly AddressEdit[],
): Promise<void> {
  addresses.forEach(({ mail, label }, index) => {
    checkAddresses(addressesIn(mail), `addresses.${index}.mail`)
    if (addresses.findIndex((one) => one.label.toLowerCase() === label.toLowerCase()) !== index)
      throw badInput('same-label', `addresses.${index}.label`, { label })
  })
  await inTransaction(async () => {
    const customer = await Customer.findByPk(customerId, { lock: true })
    if (!customer) throw new Refusal('no-such-customer', { status: 404 })
    if (customer.version !== version)
      throw new Refusal('changed-meanwhile/customer', { values: { customer: customer.name } })
    const before = await CustomerAddress.findAll({ where: { customerId } })
    for (const gone of before.filter((one) => !addresses.some((kept) => kept.id === one.id))) {
      const order = await SalesOrder.findOne({ where: { billToId: gone.id }, order: [['id', 'desc']] })
      if (order) throw badInput('in-use/address', 'addresses', { order: order.number, label: gone.label })
      await gone.destroy()
    }
    for (const [position, { id, purpose, label, address, mail }] of addresses.entries()) {
      const facts = {
        purpose,
        label,
        mail,
        position,
        address: { ...address, name: address.name || customer.name },
      }
      const old = id === null ? undefined : before.find((one) => one.id === id)
      if (old) await old.update(facts)
      else await CustomerAddress.create({ customerId, ...facts })
    }
    await customer.update({ version: version + 1 })
    await markStale('customer', customerId)
    publish('line')
    publish('customer', [customerId])
  })
}
