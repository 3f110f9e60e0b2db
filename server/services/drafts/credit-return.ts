import { creditable } from '../../../core/documents/credit'
import { creditsOf, type InvoiceToCredit } from '../../../core/documents/credit-return'
import { Refusal } from '../../../core/errors'
import { joined, told, toldRefusal, type Told } from '../../../core/said/told'
import { behindSavepoint, inTransaction } from '../../db/connection'
import { ReturnCredit } from '../../db/models'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { takeReturnIn, type CameBack } from '../shipping/return-changes'
import { returnView, type ReturnView } from '../shipping/returns'
import { basisOf, creditedInvoices } from './context'
import { creditDocument } from './credit'
import { invoicesOfOrder, orderPositions } from './credit-return-queries'

/*
 * Crediting what came back: drafts of credit notes for exactly that, on the invoices that bill it. Called by a
 * return's screen, as the goods are taken in or later. Refuses what is credited already.
 */

/** What came of it, as it was written. */
export interface ReturnCredited {
  credits: { draftId: number; invoice: string }[]
  /** What is not credited, with why, in a person's words. */
  not: Told[]
}

/**
 * Takes in what came back and, where that is wanted, drafts the credit notes for it, in one transaction.
 * @throws Refusal those of takeReturnIn
 */
export async function takeInAndCredit(
  id: number,
  { credit, ...came }: CameBack & { credit: boolean },
  who: Principal,
): Promise<ReturnCredited> {
  return inTransaction(async () => {
    await takeReturnIn(id, came, who)
    return credit ? creditReturn(id, who) : { credits: [], not: [] }
  })
}

/**
 * Drafts the credit notes for what came back of a return and is not credited for it yet.
 * @throws Refusal "no-such-return", "return-not-back"
 */
export async function creditReturn(id: number, who: Principal): Promise<ReturnCredited> {
  return inTransaction(async () => {
    const goods = await returnView(id)
    if (goods.state !== 'back') throw new Refusal('return-not-back', { values: { goodsReturn: goods.label } })
    const invoices = await invoicesToCredit(goods.orderId)
    const { credits, uncredited } = creditsOf(goods.toCredit, invoices)
    const not = uncredited.map(({ position, quantity }) => {
      const { description } = goods.lines.find((line) => line.position === position)!
      return told('money/not-creditable', { quantity, description })
    })
    const drafted: ReturnCredited['credits'] = []
    for (const { id: invoiceId, lines, contents } of credits) {
      const { number } = invoices.find((one) => one.id === invoiceId)!
      try {
        const wanted = { ask: { kind: 'lines' as const, lines }, reason: reasonOf(goods), anew: false }
        const { credit } = await behindSavepoint(() => creditDocument(invoiceId, wanted, who))
        await ReturnCredit.create({ draftId: credit, returnId: id, contents })
        drafted.push({ draftId: credit, invoice: number })
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        not.push(toldRefusal(error))
      }
    }
    if (drafted.length > 0)
      await noteAll([
        {
          sourceId: id,
          actor: who.name,
          ...told('money/drafted', {
            invoices: joined(
              drafted.map(({ invoice }) => invoice),
              'list/comma',
            ),
          }),
        },
      ])
    publish('order', [goods.orderId])
    return { credits: drafted, not }
  })
}

const reasonOf = ({ label, lines }: ReturnView): string => {
  const reasons = [...new Set(lines.flatMap(({ reason }) => reason || []))]
  return [`Return ${label}`, ...(reasons.length > 0 ? [reasons.join(', ')] : [])].join(': ')
}

/** Invoices of an order that stand, the first one first, with what of each line is left to credit. */
async function invoicesToCredit(orderId: number): Promise<(InvoiceToCredit & { number: string })[]> {
  const found = await invoicesOfOrder(orderId)
  const facts = await creditedInvoices(found.map(({ id }) => id))
  const positions = await orderPositions(orderId)
  return found.map(({ id, number, draft }) => {
    const invoice = facts.get(id)!
    const { quantities } = creditable(basisOf(invoice), invoice.before)
    const own = draft
      ? draft.lines.map(({ orderLine }) => orderLine ?? null)
      : positionsOf(invoice.source.order.lines, positions)
    return { id, number, lines: quantities.map((left, line) => ({ position: own[line] ?? null, left })) }
  })
}

interface Called {
  item: string
  description: string
}

/** The lines of the order that an invoice of the whole bills: in their order, each once, whatever was changed since. */
function positionsOf(
  billed: readonly Called[],
  ordered: readonly (Called & { position: number })[],
): (number | null)[] {
  const open = [...ordered]
  return billed.map(({ item, description }) => {
    const at = open.findIndex((line) => line.item === item && line.description === description)
    return at < 0 ? null : open.splice(at, 1)[0]!.position
  })
}
