import type { FieldValues } from '../fields/own-fields'
import { roleWords, type ContactFacts } from '../preferences/recipients'

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
export function heldWords(of: {
  needs: Needs
  order: { reference: string | null; fields: FieldValues }
  /** "order SO-7", "the draft" */
  enterAt: string
  customerName: string
  contacts: readonly ContactFacts[]
}): string | null {
  const missing = missingOf(of.needs, of.order)
  const what = [...(missing.reference ? ['Your reference'] : []), ...missing.fields].map((one) => `“${one}”`)
  if (what.length === 0) return null
  const ask = whomToAsk(of.contacts)
  return (
    `${of.customerName} takes no invoice without ${new Intl.ListFormat('en').format(what)}. ` +
    (ask
      ? `Ask ${[ask.name || roleWords(ask.role), ask.email].filter(Boolean).join(', ')}, and enter it `
      : 'Enter it ') +
    `at ${of.enterAt}.`
  )
}
