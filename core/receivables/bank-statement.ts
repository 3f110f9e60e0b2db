import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { isDay, type Day } from '../documents/days'
import { isCreditorReference } from '../documents/payment-code'
import { Refusal } from '../errors'
import { Decimal, type Currency, type DecimalText } from '../money/decimal'

/** One movement on a bank account. */
export interface BankEntry {
  /** The same movement always has the same key within its account, whichever file it comes in. */
  key: string
  bookedOn: Day
  /** Below zero when the money went out. */
  amount: DecimalText
  currency: Currency
  /** The other side: who paid, or was paid. */
  name: string
  iban: string
  /** What was written, unstructured. */
  text: string
  /** A creditor reference (ISO 11649) or other structured reference; may be empty. */
  reference: string
}

export interface BankStatement { account: string, entries: BankEntry[] }

type Node = { [name: string]: unknown } | string | undefined

/** Elements that may come several times: always an array. */
const several = new Set(['Stmt', 'Ntry', 'NtryDtls', 'TxDtls', 'Ustrd', 'Strd'])
const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@', removeNSPrefix: true, parseTagValue: false, parseAttributeValue: false, trimValues: true, isArray: name => several.has(name) })

const at = (node: Node, path: string): Node => path.split('/').reduce<Node>((found, name) => (found && typeof found === 'object' ? found[name] as Node : undefined), node)
const text = (node: Node, ...paths: string[]): string => {
  for (const path of paths) {
    const found = at(node, path)
    const words = typeof found === 'string' ? found : found && typeof found === 'object' ? String(found['#text'] ?? '') : ''
    if (words) return words
  }
  return ''
}
const list = (node: Node, name: string): Node[] => (at(node, name) as unknown as Node[] | undefined) ?? []

/**
 * Reads a bank statement (ISO 20022 camt.053, any version). Only booked entries are taken; a batch gives one entry a transaction.
 * @throws Refusal "not-xml", "not-a-statement", "bad-statement" in words
 */
export function readCamt053(xml: string): BankStatement[] {
  if (/<!DOCTYPE|<!ENTITY/i.test(xml.slice(0, 4000)) || /<!DOCTYPE/i.test(xml)) throw new Refusal('not-a-statement', 'This XML declares a document type, which no bank statement does. It was not read.', { status: 400 })
  const valid = XMLValidator.validate(xml)
  if (valid !== true) throw new Refusal('not-xml', `This is no well-formed XML: line ${valid.err.line}, ${valid.err.msg}`, { status: 400 })
  let document: Node
  try {
    document = at(parser.parse(xml) as Node, 'Document/BkToCstmrStmt')
  } catch (error) {
    throw new Refusal('not-xml', `This XML could not be read: ${(error as Error).message}`, { status: 400 })
  }
  if (!document) throw new Refusal('not-a-statement', 'This is no bank statement: an ISO 20022 camt.053 file has a “BkToCstmrStmt”. Ask the bank for that format, or use its CSV.', { status: 400 })
  const alike = new Map<string, Map<string, number>>()
  return list(document, 'Stmt').map((statement) => {
    const account = text(statement, 'Acct/Id/IBAN', 'Acct/Id/Othr/Id')
    if (!alike.has(account)) alike.set(account, new Map())
    return { account, entries: keyed(list(statement, 'Ntry').filter(isBooked).flatMap((entry, index) => entriesOf(entry, index + 1)), alike.get(account)!) }
  })
}

const isBooked = (entry: Node) => ['BOOK', ''].includes(text(entry, 'Sts/Cd', 'Sts'))

/** A movement as it is read, with the bank's own reference where there is one. */
export interface Unkeyed extends Omit<BankEntry, 'key'> { bankReference: string }

function entriesOf(entry: Node, place: number): Unkeyed[] {
  const bookedOn = text(entry, 'BookgDt/Dt', 'BookgDt/DtTm', 'ValDt/Dt', 'ValDt/DtTm').slice(0, 10)
  if (!isDay(bookedOn)) throw new Refusal('bad-statement', `Entry ${place} has no booking date. Nothing was read.`, { status: 400 })
  const reversed = text(entry, 'RvslInd') === 'true'
  const sign = (of: Node) => ((text(of, 'CdtDbtInd') || text(entry, 'CdtDbtInd')) === 'DBIT') !== reversed
  const own = text(entry, 'AcctSvcrRef') || text(entry, 'NtryRef')
  const details = list(entry, 'NtryDtls').flatMap(part => list(part, 'TxDtls'))
  const whole = { amount: text(entry, 'Amt'), currency: text(entry, 'Amt/@Ccy') }
  const make = (of: Node, amount: string, currency: string, bankReference: string): Unkeyed => {
    if (!/^\d{1,15}(\.\d{1,5})?$/.test(amount) || !/^[A-Z]{3}$/.test(currency)) throw new Refusal('bad-statement', `Entry ${place} has no amount with a currency. Nothing was read.`, { status: 400 })
    const out = sign(of)
    const other = out ? 'Cdtr' : 'Dbtr'
    const structured = list(at(of, 'RmtInf'), 'Strd').map(one => text(one, 'CdtrRefInf/Ref')).filter(Boolean)
    return {
      bookedOn, amount: `${out ? '-' : ''}${amount}`, currency, name: text(of, `RltdPties/${other}/Nm`, `RltdPties/${other}/Pty/Nm`, `RltdPties/Ultmt${other}/Nm`), iban: text(of, `RltdPties/${other}Acct/Id/IBAN`, `RltdPties/${other}Acct/Id/Othr/Id`),
      text: list(at(of, 'RmtInf'), 'Ustrd').map(one => text({ it: one }, 'it')).join(' ') || text(entry, 'AddtlNtryInf'), reference: structured.find(isCreditorReference) ?? structured[0] ?? '', bankReference,
    }
  }
  if (details.length <= 1) return [make(details[0], whole.amount, whole.currency, own)]
  return details.map((detail, index) => make(detail, text(detail, 'Amt', 'AmtDtls/TxAmt/Amt'), text(detail, 'Amt/@Ccy', 'AmtDtls/TxAmt/Amt/@Ccy') || whole.currency, [text(detail, 'Refs/AcctSvcrRef', 'Refs/TxId') || (own && `${own}/${index + 1}`)].join('')))
}

/** All that is said of a movement: the bank's own reference stands for its names and texts. */
export const saidOf = ({ bankReference, ...entry }: Unkeyed): string =>
  [entry.bookedOn, new Decimal(entry.amount).toString(), entry.currency, bankReference ? `ref ${bankReference}` : [entry.name, entry.iban, entry.text, entry.reference].join('|')].join('|')

/** One more that says the same. @returns how many it makes */
export function countAlike(seen: Map<string, number>, said: string): number {
  const count = (seen.get(said) ?? 0) + 1
  seen.set(said, count)
  return count
}

/**
 * Keys by what is said and how many alike came before. A movement with the bank's reference that comes in a further statement of the file is the same;
 * one without is another, as the bank says nothing else: it is looked at rather than lost.
 */
function keyed(entries: readonly Unkeyed[], alike: Map<string, number>): BankEntry[] {
  const named = new Map<string, number>()
  return entries.map(({ bankReference, ...entry }) => {
    const said = saidOf({ ...entry, bankReference })
    return { ...entry, key: `${said}|${countAlike(bankReference ? named : alike, said)}` }
  })
}
