import { Refusal } from '../errors'
import { Decimal, moneyText, sum, type Currency, type DecimalText } from '../money/decimal'
import { formatMoney, type Language } from '../money/format'
import { daysLate } from '../receivables/ageing'
import { askedWith, type ReminderCharges } from '../receivables/reminders'
import {
  statementOf,
  type EntryKind,
  type LedgerEntry,
  type OpenEntry,
  type StatementFacts,
} from '../receivables/statement'
import { accountFor, accountWords, type BankAccount } from './bank'
import { formatDay, type Day } from './days'
import { exactStatement } from './exact'
import { type PaperInput } from './from-order'
import { kindFacts, type DocumentKind } from './kinds'
import type { Paper, PaperFact, PaperLine, PaperPayment } from './paper'
import { creditorReference, formatReference } from './payment-code'
import { addressLines, codeToPay, collectedBy, printedBrand, textsOf, fixedWords } from './printed'
import { statementWords, type StatementWordList } from './statement-words'
import { paperWords } from './words'

/**
 * The Paper of a statement of account: what is open on a day, or all that was booked with the balance after each;
 * below it what is owed by age, and how it is paid.
 * A reminder is one of what is past due, with the heading and the words of its level.
 * @throws Refusal "no-address", "statement-off"
 */
export function statementPaper(input: PaperInput, facts: StatementFacts): Paper {
  const { kind, customer, brand, language, number, date, reminder } = input
  if (!customer.billing)
    throw new Refusal('no-address', {
      values: { customer: customer.name, kinds: kindFacts[kind].many },
      about: { record: { kind: 'customer', id: customer.number, label: customer.name } },
    })
  const statement = statementOf(facts)
  const words = paperWords[language]
  const own = statementWords[language]
  const { period, currency } = facts
  const money = (amount: DecimalText) => formatMoney(amount, currency, language)
  const say = sayer(language, facts)
  const charges = reminder?.charges
  const balance = new Decimal(askedWith(statement.closing, charges))
  const charged = moneyText(balance, currency)
  const account = accountFor(brand.banks, currency)
  const due = Decimal.min(charges ? charged : statement.overdue, charged)
  const isActivity = period.form === 'activity'
  const printed: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(date, language) },
    {
      key: 'period',
      label: isActivity ? own.period : own.until,
      value: isActivity ? own.fromTo(say.short(period.from), say.short(period.until)) : say.day(period.until),
    },
    { key: 'customer', label: words.customer, value: customer.number },
    { key: 'taxNumber', label: words.taxNumber, value: customer.taxNumber ?? '' },
  ]
  const label = balance.gt(0) ? own.owed : balance.isZero() ? own.nothingOpen : own.favour
  const some = (name: string, amount: DecimalText) =>
    new Decimal(amount).isZero() ? [] : [{ label: name, amount: money(amount), strong: false }]
  return {
    schema: 1,
    kind,
    language,
    currency,
    heading: reminder?.heading ?? kindFacts[kind].heading[language],
    number,
    issued: input.issued,
    date,
    dueDate: null,
    brand: printedBrand(brand, account, language),
    recipient: { lines: addressLines(customer, words.attention, brand) },
    facts: printed.filter((fact) => fact.value !== ''),
    ...(reminder ? { intro: reminder.words } : {}),
    columns: {
      item: isActivity ? own.day : own.document,
      description: own.what,
      quantity: isActivity ? '' : own.due,
      price: own.amount,
      rate: '',
      amount: isActivity ? own.balance : own.open,
    },
    lines: isActivity ? statement.rows.map(say.entry) : openLines(facts.open, say.open, money),
    adjustments: [],
    taxes: [],
    sums: isActivity
      ? [
          { label: own.opening, amount: money(facts.opening), strong: false },
          { label: own.debits, amount: money(statement.debits), strong: false },
          { label: own.credits, amount: money(statement.credits), strong: false },
        ]
      : [
          ...some(own.unused, statement.favour),
          ...(reminder ? [] : some(own.overdue, statement.overdue)),
          ...(charges ? chargeSums(charges, statement.closing, money, say.day, own) : []),
        ],
    toPay: { label: `${label}, ${currency}`, amount: money(balance.abs().toString()) },
    payment: balance.gt(0) && account ? paymentOf(input, account, { due, charged, currency }) : null,
    ageing: [
      ...statement.ageing.map(({ step, sum }) => ({ label: own.ageing[step], amount: money(sum) })),
      ...(new Decimal(statement.favour).isZero()
        ? []
        : [{ label: own.unused, amount: money(statement.favour) }]),
    ],
    ...(balance.gt(0) && !isCollected(input)
      ? { slip: slipOf(input, { due, label: `${label}, ${currency}`, charged }, money) }
      : {}),
    customerNote: null,
    ...textsOf(input),
    legal: [],
    words: { ...fixedWords(language), carried: own.carried, broughtForward: own.broughtForward },
    amounts: {
      net: charged,
      tax: '0',
      total: charged,
      toPay: balance.gt(0) ? charged : '0',
    },
    exact: exactStatement(input, facts, charged),
  }
}

/** What a reminder asks for beside its items: interest and a fee, below the sum of the items. */
const chargeSums = (
  { interest, fee, until }: ReminderCharges,
  closing: DecimalText,
  money: (amount: DecimalText) => string,
  day: (of: Day) => string,
  own: StatementWordList,
): Paper['sums'] =>
  [
    { label: own.overdueItems, amount: closing },
    { label: own.interestUntil(day(until)), amount: sum(interest.map((one) => one.amount)).toString() },
    { label: own.fee, amount: fee },
  ]
    .filter(({ amount }) => !new Decimal(amount).isZero())
    .map(({ label, amount }) => ({ label, amount: money(amount), strong: false }))

/** Whether nothing is to be done: the house collects it. A reminder asks for what could not be collected. */
const isCollected = ({ kind, customer }: PaperInput): boolean =>
  kind === 'statement of account' && customer.terms.collected !== undefined

/**
 * How it is paid: what is past due is asked for at once, with a code over just that; what is not, as it falls due.
 * The reference is the letter's own number, by which a payment of several items is known.
 */
function paymentOf(
  input: PaperInput,
  account: BankAccount,
  { due, charged, currency }: { due: Decimal; charged: DecimalText; currency: Currency },
): PaperPayment {
  const { brand, customer, language, number } = input
  const words = paperWords[language]
  const own = statementWords[language]
  const money = (amount: DecimalText) => `${formatMoney(amount, currency, language)}\u00A0${currency}`
  const reference = creditorReference(number)
  if (isCollected(input))
    return collectedBy(customer.terms.collected!, own.collected, { language, reference })
  const asked = { currency, amount: due.toString(), reference }
  const code = due.gt(0) ? codeToPay(brand, account, asked) : undefined
  return {
    title: due.gt(0) ? own.payOverdue(money(due.toString())) : own.payAsDue(money(charged)),
    lines: [
      `${words.payTo(brand.legalName)}, ${accountWords(account)}`,
      words.payReference(formatReference(reference)),
      own.nameUs(customer.number),
    ],
    reference,
    code: code ?? null,
    codeCaption: code ? words.scan : '',
  }
}

/** What is sent back with a payment: whose it is, for which letter, what is past due and what is owed in all. */
function slipOf(
  { kind, customer, language, number, reminder }: PaperInput,
  { due, label, charged }: { due: Decimal; label: string; charged: DecimalText },
  money: (amount: DecimalText) => string,
): Paper['slip'] {
  const words = paperWords[language]
  const own = statementWords[language]
  return {
    title: own.slip.title,
    rows: [
      { label: words.customer, value: customer.number },
      { label: reminder?.heading ?? kindFacts[kind].heading[language], value: number },
      { label, value: money(charged) },
      ...(due.gt(0) && !due.eq(charged) ? [{ label: own.overdue, value: money(due.toString()) }] : []),
    ],
    fields: [own.slip.paid, own.slip.paidOn, own.slip.how],
  }
}

/** How bookings are said in the statement's language. */
function sayer(language: Language, { period, currency }: StatementFacts) {
  const own = statementWords[language]
  const money = (amount: DecimalText) => formatMoney(amount, currency, language)
  const day = (of: Day) => formatDay(of, language)
  const short = (of: Day) => formatDay(of, language, 'short')
  const what = (kind: EntryKind) =>
    kind === 'payment reminder'
      ? own.charges
      : kind in own.entries
        ? own.entries[kind as keyof typeof own.entries]
        : kindFacts[kind as DocumentKind].heading[language]
  const late = (dueDate: Day) => {
    const days = daysLate(dueDate, period.until)
    return days > 0 ? own.late(days) : ''
  }
  const parts = (of: readonly string[]) => of.filter(Boolean).join(' · ') || null
  return {
    day,
    short,
    entry: (one: LedgerEntry & { balance: DecimalText }): PaperLine => ({
      item: short(one.day),
      description: [what(one.kind), isMoney(one.kind) ? '' : one.number].filter(Boolean).join(' '),
      detail: parts([
        one.dueDate ? own.dueOn(day(one.dueDate)) : '',
        isMoney(one.kind) && one.number ? own.reference(one.number) : '',
        one.brand ?? '',
      ]),
      quantity: '',
      price: money(one.amount),
      rate: '',
      amount: money(one.balance),
      carry: money(one.balance),
    }),
    open: (one: OpenEntry): PaperLine => ({
      item: isMoney(one.kind) ? '' : one.number,
      description: paperWords[language].ofDay(what(one.kind), day(one.day)),
      detail: parts([
        isMoney(one.kind) && one.number ? own.reference(one.number) : '',
        isMoney(one.kind) ? own.onAccount : '',
        new Decimal(one.open).gt(0) && one.dueDate ? late(one.dueDate) : '',
        one.disputed ? own.disputed : '',
        one.brand ?? '',
        one.promisedOn ? own.promised(day(one.promisedOn)) : '',
      ]),
      quantity: one.dueDate && new Decimal(one.open).gt(0) ? short(one.dueDate) : '',
      price: money(one.amount),
      rate: '',
      amount: money(one.open),
    }),
  }
}

/** Money has no number, but what the payer wrote. */
const isMoney = (kind: EntryKind) => kind === 'payment' || kind === 'refund'

/** Open items with the sum of what is open up to each. */
function openLines(
  open: readonly OpenEntry[],
  line: (one: OpenEntry) => PaperLine,
  money: (amount: DecimalText) => string,
): PaperLine[] {
  let running = new Decimal(0)
  return open.map((one) => {
    running = running.plus(one.open)
    return { ...line(one), carry: money(running.toString()) }
  })
}
