import { dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import type { Adjustment } from '../../../core/money/totals'
import { nextAfter } from '../../../core/numbering/next-after'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Customer, SalesOrder } from '../../db/models'
import { checkFields } from '../fields/own-fields'
import { refuseOtherBranch } from '../house/branches'
import { company } from '../house/house'
import { brandInUse } from '../house/retire-brand'
import type { Principal } from '../people/principal'
import { addOrder, checkLines, refuseForeignAddress, type LineEdit } from './orders'
import { setStatus } from './status'
import { lastOrderNumber, lockOrderNumbers } from './new-order-queries'

/*
 * An order that a clerk writes. Called from the Orders page and by other programs. What is left out is as the customer
 * or the company has it. Refuses a number that is taken, and an order that nobody could invoice.
 */

export interface WrittenOrder {
  /** Left out: the one after the newest. */
  number?: string
  brandId: number
  customerId: number
  /** Left out: today. */
  date?: Day
  /** Left out: the first of the company's statuses. Routines hear of any other. */
  status?: string
  reference: string | null
  customerNote: string | null
  salesperson?: string
  fields?: Record<string, string>
  lines: LineEdit[]
  adjustments?: Adjustment[]
  billToId?: number | null
  delivery?: Address | null
  internalNote?: string
  branchId?: number | null
}

/** The number of the first order of a house. */
const firstNumber = '1001'

/**
 * @throws Refusal "no-such-customer", "no-such-brand", "same-number", "unknown-status", "unknown-field",
 * "wrong-value", or of `totals`
 */
export async function writeOrder(
  order: WrittenOrder,
  who: Principal,
): Promise<{ id: number; number: string }> {
  const { orderStatuses, timeZone } = await company()
  const fields = await checkFields('order', order.fields ?? {})
  await checkLines(order.lines)
  return inTransaction(async () => {
    await lockOrderNumbers()
    const customer = await Customer.findByPk(order.customerId)
    if (!customer) throw new Refusal('no-such-customer', { status: 404 })
    const brand = await brandInUse(order.brandId)
    const last = await lastOrderNumber()
    const number = order.number || (last ? nextAfter(last) : firstNumber)
    if (await SalesOrder.findOne({ where: { number } }))
      throw badInput('same-number/order', 'number', { number })
    await refuseForeignAddress(customer.id, order.billToId ?? null)
    await refuseOtherBranch(brand.id, order.branchId ?? null)
    const id = await addOrder(
      {
        number,
        brandId: brand.id,
        customerId: customer.id,
        customerName: customer.name,
        date: order.date ?? dayInZone(clock.now(), timeZone),
        status: orderStatuses[0]!,
        currency: customer.currency,
        pricesIncludeTax: customer.pricesIncludeTax ?? brand.pricesIncludeTax,
        reference: order.reference,
        salesperson: order.salesperson ?? customer.salesperson,
        customerNote: order.customerNote,
        prepaid: '0',
        adjustments: order.adjustments ?? [],
        billToId: order.billToId ?? null,
        delivery: order.delivery ?? null,
        internalNote: order.internalNote ?? '',
        branchId: order.branchId ?? null,
        fields,
        lines: order.lines,
      },
      who,
    )
    if (order.status && order.status !== orderStatuses[0])
      await setStatus([id], order.status, who, { anyStep: true })
    return { id, number }
  })
}
