import { dayInZone } from '../../../core/documents/days'
import {
  billedBy,
  remaining,
  shippedUnbilled,
  type DraftFacts,
  type DraftLine,
} from '../../../core/documents/draft'
import type { OrderLineFacts } from '../../../core/documents/facts'
import { sumsOf } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import { paperWords } from '../../../core/documents/words'
import { badInput, Refusal } from '../../../core/errors'
import { Decimal, moneyText } from '../../../core/money/decimal'
import { formatPercent, type Language } from '../../../core/money/format'
import { totals } from '../../../core/money/totals'
import type { Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Draft } from '../../db/models'
import type { Addressing } from '../documents/paper-context'
import { keepDraft } from '../documents/prepare'
import { makeAll, type MadeDocument } from '../documents/make-papers'
import { markStale } from '../outbox/stale'
import { checkFields } from '../fields/own-fields'
import { company } from '../house/house'
import { refuseOtherBranch } from '../house/branches'
import { brandInUse } from '../house/retire-brand'
import { publish } from '../live/publish'
import { shippedOfOrders } from '../shipping/parts'
import { partsOfOrders } from './parts'
import {
  draftRow,
  customerTerms,
  orderHead,
  invoiceOfOrder,
  linesToInvoice,
  type OrderHead,
  lockDraft,
  updateDraft,
  markOwnChange,
} from './drafts-queries'
import type { Principal } from '../people/principal'

/*
 * Drafts: invoices and credit notes that a person writes, without an order, for a part of one, or against an invoice.
 * Called from the Register, an order and a document. A draft that is kept is a prepared paper in To check;
 * sending it issues and books it.
 * Refuses: a draft that is issued already or was changed by somebody else, billing an order twice, crediting
 * more than is left.
 */

export interface DraftView {
  id: number
  kind: 'invoice' | 'credit note'
  brandId: number
  customerId: number
  customerName: string
  /** The customer's: items of a new line come in it. */
  language: Language
  orderId: number | null
  orderNumber: string
  version: number
  state: 'open' | 'issued' | 'dropped'
  facts: DraftFacts
  /** The invoice that a credit note answers, or that an invoice is issued anew for. */
  credits: { id: number; number: string } | null
  replaces: { id: number; number: string } | null
  paper: { id: number; state: string; problem: Told | null; earlierDateOk: boolean; total: string } | null
  document: { id: number; number: string } | null
}

/** @throws Refusal "no-such-draft" */
export async function draftView(id: number): Promise<DraftView> {
  const found = await draftRow(id)
  if (!found) throw new Refusal('no-such-draft', { status: 404 })
  return found
}

export interface NewDraft {
  kind: 'invoice' | 'credit note'
  brandId: number
  customerId: number
  orderId?: number
  creditsId?: number
  replacesId?: number
  facts: DraftFacts
}

/**
 * Keeps new drafts and prepares their papers, in one transaction: a credit and its new invoice come together
 * or not at all, and no draft is without its paper.
 */
export async function keepNew(wanted: readonly NewDraft[], who: Principal): Promise<number[]> {
  for (const draft of wanted) await checkFacts(draft.facts)
  return inTransaction(async () => {
    const ids: number[] = []
    for (const draft of wanted) {
      const { id } = await Draft.create({
        kind: draft.kind,
        brandId: draft.brandId,
        customerId: draft.customerId,
        orderId: draft.orderId ?? null,
        creditsId: draft.creditsId ?? null,
        replacesId: draft.replacesId ?? null,
        facts: draft.facts,
        madeAt: clock.now(),
        madeBy: who.name,
      })
      ids.push(id)
    }
    const laidOut = await makeAll('invoice', ids, noAddressing)
    for (const [, made] of [...laidOut].sort(([a], [b]) => a - b)) await keepPaper(made, who)
    return ids
  })
}

/** A draft says itself what it is, and its kind whom it goes to. */
const noAddressing: Addressing = { role: 'billing', copyTo: [] }

const keepPaper = (made: MadeDocument, who: Principal) =>
  keepDraft(
    {
      kind: made.context.source.kind,
      addressing: { role: kindFacts[made.context.source.kind].to, copyTo: [] },
      trust: 'after a check',
      delayMinutes: 0,
      hours: null,
      routine: null,
      who,
    },
    made,
  )

/** @throws Refusal with the field, for sums that cannot be worked out and own fields that are not right */
async function checkFacts(facts: DraftFacts): Promise<void> {
  const { taxRates } = await company()
  facts.lines.forEach((line, index) => {
    if (taxRates[line.taxCode] === undefined)
      throw badInput('unknown-tax-code/draft', `lines.${index}.taxCode`, {
        line: index + 1,
        taxCode: line.taxCode,
      })
  })
  for (const { fields } of facts.lines)
    if (Object.keys(fields ?? {}).length > 0) await checkFields('line', fields!)
}

/** An empty invoice for a customer, supplied today. @throws Refusal "no-such-customer", "no-such-brand" */
export async function newInvoice(customerId: number, brandId: number, who: Principal): Promise<number> {
  const customer = await customerTerms(customerId, brandId)
  if (!customer) throw new Refusal('no-such-customer', { status: 404, about: { field: 'customerId' } })
  await brandInUse(brandId)
  const { timeZone } = await company()
  const facts: DraftFacts = {
    ...customer,
    reference: null,
    customerNote: null,
    suppliedOn: dayInZone(clock.now(), timeZone),
    date: null,
    lines: [],
    adjustments: [],
  }
  return (await keepNew([{ kind: 'invoice', brandId, customerId, facts }], who))[0]!
}

/**
 * An invoice of what remains of an order, to be cut down to a part, of just what was shipped of that, or of a deposit
 * in percent. @throws Refusal "no-such-order", "billed-already", "nothing-shipped"
 */
export async function draftFromOrder(
  orderId: number,
  what: { kind: 'part' } | { kind: 'shipped' } | { kind: 'deposit'; percent: string },
  who: Principal,
): Promise<number> {
  const order = await orderHead(orderId)
  if (!order) throw new Refusal('no-such-order', { status: 404 })
  const whole = await invoiceOfOrder(orderId)
  if (whole)
    throw new Refusal('billed-already/whole', { values: { whole: whole.number!, order: order.number } })
  const lines = await linesToInvoice(orderId)
  const drafts = (await partsOfOrders([orderId])).get(orderId) ?? []
  const billed = billedBy(drafts.map((draft) => draft.facts))
  const left = remaining(lines, order.adjustments, billed)
  if (left.lines.length === 0) throw new Refusal('billed-already/parts', { values: { order: order.number } })
  const going =
    what.kind === 'shipped' ? shippedUnbilled(lines, await shippedOfOrder(orderId), billed) : left.lines
  if (going.length === 0) throw new Refusal('nothing-shipped', { values: { order: order.number } })
  const common = {
    currency: order.currency,
    pricesIncludeTax: order.pricesIncludeTax,
    reference: order.reference,
    customerNote: order.customerNote,
    date: null,
  }
  const facts: DraftFacts =
    what.kind === 'deposit'
      ? {
          ...common,
          suppliedOn: null,
          deposit: true,
          adjustments: [],
          lines: await depositLines(order, lines, what.percent),
        }
      : {
          ...common,
          suppliedOn: order.suppliedOn ?? (what.kind === 'shipped' ? await today() : null),
          adjustments: left.adjustments,
          lines: going.map(({ position, ...line }): DraftLine => ({ ...line, orderLine: position })),
        }
  return (
    await keepNew(
      [{ kind: 'invoice', brandId: order.brandId, customerId: order.customerId, orderId, facts }],
      who,
    )
  )[0]!
}

const shippedOfOrder = async (orderId: number) => (await shippedOfOrders([orderId])).get(orderId) ?? []

const today = async () => dayInZone(clock.now(), (await company()).timeZone)

/** One line a rate: the percentage of what the order comes to at that rate. */
async function depositLines(
  order: OrderHead,
  lines: readonly OrderLineFacts[],
  percent: string,
): Promise<DraftLine[]> {
  const share = new Decimal(percent)
  if (share.lte(0) || share.gt(100)) throw badInput('bad-percent', 'percent')
  const { taxRates } = await company()
  const { groups } = totals({ ...order, rates: taxRates, lines, prepaid: '0' })
  return groups.map((group) => ({
    item: '',
    description: paperWords[order.language].depositLine(formatPercent(percent, order.language)),
    detail: null,
    unit: '',
    quantity: '1',
    discountPercent: '0',
    taxCode: group.taxCode,
    unitPrice: moneyText(
      (order.pricesIncludeTax ? new Decimal(group.base).plus(group.tax) : new Decimal(group.base))
        .times(share)
        .div(100),
      order.currency,
    ),
  }))
}

/**
 * Changes an open draft; its paper is built anew.
 * @throws Refusal "changed-meanwhile", "not-open", "no-such-branch", "branch-closed"
 */
export async function changeDraft(
  id: number,
  change: { version: number; facts: DraftFacts; brandId: number; customerId: number; earlierDateOk: boolean },
  who: Principal,
): Promise<void> {
  await checkFacts(change.facts)
  const { paper, facts: before } = await draftView(id)
  const { branchId = null } = change.facts
  if (branchId !== (before.branchId ?? null)) await refuseOtherBranch(change.brandId, branchId)
  await inTransaction(async () => {
    const draft = await lockDraft(id)
    if (!draft) throw new Refusal('no-such-draft', { status: 404 })
    if (draft.state !== 'open') throw new Refusal(draft.state === 'issued' ? 'not-open/issued' : 'not-open')
    if (draft.version !== change.version) throw new Refusal('changed-meanwhile/draft')
    await updateDraft({ id, facts: change.facts, brandId: change.brandId, customerId: change.customerId })
    await markOwnChange(id, change.earlierDateOk)
    await markStale('source', id)
    publish('line', paper ? [paper.id] : [])
    if (paper && paper.state !== 'dropped') return
    const made = (await makeAll('invoice', [id], noAddressing)).get(id)!
    await keepPaper(made, who)
  })
}

export interface CreditSums {
  net: string
  tax: string
  total: string
  currency: string
}

/** What an open draft comes to, as it stands on the screen. @throws Refusal */
export async function draftSums(facts: DraftFacts): Promise<ReturnType<typeof sumsOf>> {
  await checkFacts(facts)
  return totals({ ...facts, rates: (await company()).taxRates, prepaid: '0' })
}
