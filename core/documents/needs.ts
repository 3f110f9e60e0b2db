import type { FieldValues } from '../fields/own-fields'
import { toldRole, type ContactFacts } from '../preferences/recipients'
import { joined, told, type Told } from '../said/told'

/** What an order has to say before a customer takes an invoice of it. */
export interface Needs {
  /** The customer's own number of the order. */
  reference: boolean
  /** The house's own fields of orders, by name. */
  fields: string[]
}

export const noNeeds: Needs = { reference: false, fields: [] }

/** What an order lacks of what its customer needs; a date or a word that is only blanks is nothing. */
export function missingOf(
  needs: Needs,
  order: { reference: string | null; fields: FieldValues },
): { reference: boolean; fields: string[] } {
  return {
    reference: needs.reference && !order.reference?.trim(),
    fields: needs.fields.filter((name) => !order.fields[name]?.trim()),
  }
}

/** Whom to ask for it: who orders, else anybody who can be written to. */
export const whomToAsk = (contacts: readonly ContactFacts[]): ContactFacts | undefined =>
  contacts.find((one) => one.role === 'buying') ?? contacts.find((one) => one.email !== '') ?? contacts[0]

/** Why an invoice is held until its order is complete, and whom to ask; null where nothing is missing. */
export function heldWhy(of: {
  needs: Needs
  order: { reference: string | null; fields: FieldValues }
  /** "order SO-7", "the draft" */
  enterAt: Told
  customerName: string
  contacts: readonly ContactFacts[]
}): Told | null {
  const missing = missingOf(of.needs, of.order)
  const names = [...(missing.reference ? [told('needs/reference')] : []), ...missing.fields]
  if (names.length === 0) return null
  const what = joined(
    names.map((name) => told('needs/quoted', { name })),
    'list/and',
  )
  const lacks = { customer: of.customerName, what, place: of.enterAt }
  const ask = whomToAsk(of.contacts)
  if (!ask) return told('needs/incomplete', lacks)
  const whom = joined([ask.name || toldRole(ask.role), ...(ask.email ? [ask.email] : [])], 'list/comma')
  return told('needs/incomplete-ask', { ...lacks, whom })
}
