import { SaxesParser, type SaxesTagPlain } from 'saxes'
import { isDay } from '../documents/days'
import { isCreditorReference } from '../documents/payment-code'
import { Refusal } from '../errors'
import { keyed, type BankStatement, type Unkeyed } from './bank-statement'

/** An element with its own text, the values of its attributes, and what stands in it, in order. */
interface Element {
  name: string
  text: string
  attributes: Record<string, string>
  inside: Element[]
}

/** More than any bank writes; what a file of 30 MB could hold otherwise would fill the memory. */
const limits = { depth: 40, attributes: 40, elementsOfAnEntry: 200_000 }
const root = 'Document/BkToCstmrStmt/Stmt'

/**
 * Reads a bank statement (ISO 20022 camt.053, any version) piece by piece, with no more than one entry's
 * elements in hand.
 * Only booked entries are taken; a batch gives one entry a transaction. Every call may throw.
 * @throws Refusal "not-xml", "not-a-statement", "bad-statement" in words
 */
export class Camt053Reader {
  private parser = new SaxesParser()
  /** Names of the open elements, without prefixes. */
  private path: string[] = []
  /** The open elements of the entry or account that is being read, outermost first. */
  private open: Element[] = []
  private elements = 0
  private attributes = 0
  private isStatement = false
  private place = 0
  private account = ''
  private entries: Unkeyed[] = []
  private alike = new Map<string, Map<string, number>>()
  private statements: BankStatement[] = []

  constructor() {
    this.parser.on('error', (error) => {
      throw new Refusal('not-xml', {
        values: { place: error.message.replace(/^(\d+):(\d+): /, '$1, ').slice(0, 160) },
        status: 400,
      })
    })
    this.parser.on('doctype', () => {
      throw new Refusal('not-a-statement/document-type', { status: 400 })
    })
    this.parser.on('attribute', () => {
      if (++this.attributes > limits.attributes) throw tooMuch('attributes')
    })
    this.parser.on('opentag', (tag) => this.opened(tag as SaxesTagPlain))
    this.parser.on('text', (words) => this.wrote(words))
    this.parser.on('cdata', (words) => this.wrote(words))
    this.parser.on('closetag', () => this.closed())
  }

  write(piece: string): void {
    this.parser.write(piece)
  }

  /** After the last piece. */
  close(): BankStatement[] {
    this.parser.close()
    if (!this.isStatement) throw new Refusal('not-a-statement/other', { status: 400 })
    return this.statements
  }

  private opened(tag: SaxesTagPlain): void {
    const name = tag.name.slice(tag.name.indexOf(':') + 1)
    this.attributes = 0
    this.path.push(name)
    if (this.path.length > limits.depth) throw tooMuch('elements in each other')
    if (this.path.length === 2 && this.path[0] === 'Document' && name === 'BkToCstmrStmt')
      this.isStatement = true
    const parent = this.open.at(-1)
    if (!parent && !((name === 'Ntry' || name === 'Acct') && this.path.slice(0, -1).join('/') === root))
      return
    const element: Element = { name, text: '', attributes: tag.attributes, inside: [] }
    if (++this.elements > limits.elementsOfAnEntry) throw tooMuch('elements in one entry')
    parent?.inside.push(element)
    this.open.push(element)
  }

  private wrote(words: string): void {
    const element = this.open.at(-1)
    if (element) element.text += words
  }

  private closed(): void {
    const isStatement = this.path.join('/') === root
    this.path.pop()
    const element = this.open.pop()
    if (element && this.open.length === 0) {
      this.elements = 0
      if (element.name === 'Acct') this.account = text(element, 'Id/IBAN', 'Id/Othr/Id')
      else {
        this.place++
        if (isBooked(element)) this.entries.push(...entriesOf(element, this.place))
      }
    }
    if (isStatement) this.endStatement()
  }

  private endStatement(): void {
    const alike = this.alike.get(this.account) ?? new Map<string, number>()
    this.alike.set(this.account, alike)
    this.statements.push({ account: this.account, entries: keyed(this.entries, alike) })
    this.account = ''
    this.entries = []
    this.place = 0
  }
}

/** Reads a statement that is there as a whole. @throws Refusal as the reader does */
export function readCamt053(xml: string): BankStatement[] {
  const reader = new Camt053Reader()
  reader.write(xml)
  return reader.close()
}

const tooMuch = (what: string) => new Refusal('not-a-statement/too-large', { values: { what }, status: 400 })

const at = (element: Element | undefined, path: string): Element | undefined =>
  path.split('/').reduce((found, name) => found?.inside.find((one) => one.name === name), element)
const list = (element: Element | undefined, name: string): Element[] =>
  element?.inside.filter((one) => one.name === name) ?? []
/** The text of the first of these places that has one. */
const text = (element: Element | undefined, ...paths: string[]): string =>
  paths.map((path) => at(element, path)?.text.trim() ?? '').find(Boolean) ?? ''

const isBooked = (entry: Element) => ['BOOK', ''].includes(text(entry, 'Sts/Cd', 'Sts'))

function entriesOf(entry: Element, place: number): Unkeyed[] {
  const bookedOn = text(entry, 'BookgDt/Dt', 'BookgDt/DtTm', 'ValDt/Dt', 'ValDt/DtTm').slice(0, 10)
  if (!isDay(bookedOn)) throw new Refusal('bad-statement/day', { values: { place }, status: 400 })
  const reversed = text(entry, 'RvslInd') === 'true'
  const sign = (of: Element | undefined) =>
    ((text(of, 'CdtDbtInd') || text(entry, 'CdtDbtInd')) === 'DBIT') !== reversed
  const own = text(entry, 'AcctSvcrRef') || text(entry, 'NtryRef')
  const details = list(entry, 'NtryDtls').flatMap((part) => list(part, 'TxDtls'))
  const whole = { amount: text(entry, 'Amt'), currency: at(entry, 'Amt')?.attributes.Ccy ?? '' }
  const make = (
    of: Element | undefined,
    amount: string,
    currency: string,
    bankReference: string,
  ): Unkeyed => {
    if (!/^\d{1,15}(\.\d{1,5})?$/.test(amount) || !/^[A-Z]{3}$/.test(currency))
      throw new Refusal('bad-statement/amount', { values: { place }, status: 400 })
    const out = sign(of)
    const other = out ? 'Cdtr' : 'Dbtr'
    const structured = list(at(of, 'RmtInf'), 'Strd')
      .map((one) => text(one, 'CdtrRefInf/Ref'))
      .filter(Boolean)
    return {
      bookedOn,
      amount: `${out ? '-' : ''}${amount}`,
      currency,
      name: text(of, `RltdPties/${other}/Nm`, `RltdPties/${other}/Pty/Nm`, `RltdPties/Ultmt${other}/Nm`),
      iban: text(of, `RltdPties/${other}Acct/Id/IBAN`, `RltdPties/${other}Acct/Id/Othr/Id`),
      text:
        list(at(of, 'RmtInf'), 'Ustrd')
          .map((one) => one.text.trim())
          .join(' ') || text(entry, 'AddtlNtryInf'),
      reference: structured.find(isCreditorReference) ?? structured[0] ?? '',
      bankReference,
    }
  }
  if (details.length <= 1) return [make(details[0], whole.amount, whole.currency, own)]
  return details.map((detail, index) =>
    make(
      detail,
      text(detail, 'Amt', 'AmtDtls/TxAmt/Amt'),
      at(detail, 'Amt')?.attributes.Ccy || at(detail, 'AmtDtls/TxAmt/Amt')?.attributes.Ccy || whole.currency,
      [text(detail, 'Refs/AcctSvcrRef', 'Refs/TxId') || (own && `${own}/${index + 1}`)].join(''),
    ),
  )
}
