import { Decimal, type Currency, type DecimalText } from '../money/decimal'
import { joined, told, toldMoney, type Told } from '../said/told'
import { kindFacts, type DocumentKind } from './kinds'

/** What a house wants a second person to send, since a mistake there is dear. */
export interface SecondLookRule {
  /** Documents over so much, in the company's currency; null for none. */
  above: DecimalText | null
  /** The first email to an address that this customer never had one at. */
  newAddress: boolean
  /** Whatever names bank accounts that were changed, until somebody else confirms them. */
  newBank: boolean
  /** More documents than this in one Send; null for any number. */
  many: number | null
}

export const noSecondLook: SecondLookRule = { above: null, newAddress: false, newBank: false, many: null }

/** Whether a house asks for second looks at all. */
export const wantsSecondLooks = (rule: SecondLookRule): boolean =>
  rule.above !== null || rule.newAddress || rule.newBank || rule.many !== null

/** Who asked for a second person. */
export interface Asked {
  id: number
  name: string
  /** ISO time. */
  at: string
}

/** What is known of a prepared document. */
export interface SecondLookFacts {
  /** Its total in the company's currency; null where no rate is known. */
  inHome: DecimalText | null
  home: Currency
  /** Those it goes to that this customer never had an email at. */
  newAddresses: readonly string[]
  /** Who changed its brand's bank accounts, where nobody else has confirmed them. */
  banksChangedBy: string | null
}

/**
 * What of a rule holds for a kind: a statement asks for nothing that was not asked for before, and an order update
 * for nothing at all, however much it is.
 */
export const ruleFor = (kind: DocumentKind, rule: SecondLookRule): SecondLookRule =>
  kindFacts[kind].content === 'account' || kindFacts[kind].isUpdate ? { ...rule, above: null } : rule

/** Why a second person has to send a document; null where one is enough. How many go at once is known at the Send. */
export function secondLookWhy(rule: SecondLookRule, of: SecondLookFacts): Told | null {
  const found: Told[] = []
  if (rule.above !== null) {
    const limit = toldMoney(rule.above, of.home)
    if (of.inHome === null) found.push(told('second/no-rate', { limit }))
    else if (new Decimal(of.inHome).abs().gt(rule.above)) found.push(told('second/is-over', { limit }))
  }
  if (rule.newAddress && of.newAddresses.length > 0)
    found.push(told('second/new-address', { addresses: joined(of.newAddresses, 'list/comma') }))
  if (rule.newBank && of.banksChangedBy !== null)
    found.push(told('second/new-bank', { person: of.banksChangedBy }))
  return found.length === 0 ? null : told('second/why', { why: joined(found, 'list/semicolon') })
}

/** What the dialog of a Send says where too many would go at once. */
export const tooManyAtOnce = (many: number): Told => told('second/many', { many })

/** Whether this one may send what somebody asked a second person for. Nobody is their own second person. */
export const isSecond = (asked: Asked | null, senderId: number | null): boolean =>
  asked !== null && senderId !== null && asked.id !== senderId
