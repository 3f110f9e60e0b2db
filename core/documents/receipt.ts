import { Refusal } from '../errors'
import { Decimal } from '../money/decimal'
import { formatMoney } from '../money/format'
import { accountFor } from './bank'
import { formatDay } from './days'
import { exactReceipt } from './exact'
import type { PaymentFacts } from './facts'
import { type PaperInput } from './from-order'
import { addressLines, printedBrand, textsOf, fixedWords } from './printed'
import { kindFacts } from './kinds'
import type { Paper, PaperLine } from './paper'
import { paperWords } from './words'

/**
 * The Paper of a payment or a refund: what it settles, one row a document, with discount, what was waived and
 * what is still open.
 * @throws Refusal "no-address"
 */
export function receiptPaper(input: PaperInput, payment: PaymentFacts): Paper {
  const { kind, customer, brand, language, number, date } = input
  if (!customer.billing) {
    throw new Refusal('no-address', {
      values: { customer: customer.name, kinds: kindFacts[kind].many },
      about: { record: { kind: 'customer', id: customer.number, label: customer.name } },
    })
  }
  const words = paperWords[language]
  const own = words.receipt
  const money = (amount: string) => formatMoney(amount, payment.currency, language)
  const some = (amount: string, say: (amount: string) => string) =>
    new Decimal(amount).isZero() ? '' : say(money(amount))
  const row = (item: string, description: string, amount: string, detail = ''): PaperLine => ({
    item,
    description,
    detail: detail || null,
    quantity: '',
    price: '',
    rate: '',
    amount: money(amount),
  })
  const lines = payment.settles.map((one) =>
    row(
      one.number,
      words.ofDay(kindFacts[one.kind].heading[language], formatDay(one.date, language)),
      one.amount,
      [some(one.discount, own.discount), some(one.writtenOff, own.writtenOff), some(one.left, own.stillOpen)]
        .filter(Boolean)
        .join(' · '),
    ),
  )
  const label = payment.direction === 'in' ? own.received : own.refunded
  const facts: Paper['facts'] = [
    { key: 'date', label: words.date, value: formatDay(payment.date, language) },
    { key: 'method', label: own.method, value: own.methods[payment.method] },
    { key: 'reference', label: words.reference, value: payment.reference },
    { key: 'customer', label: words.customer, value: customer.number },
  ]
  return {
    schema: 1,
    kind,
    language,
    currency: payment.currency,
    heading: kindFacts[kind].heading[language],
    number,
    issued: input.issued,
    date,
    dueDate: null,
    brand: printedBrand(brand, accountFor(brand.banks, payment.currency), language),
    recipient: { lines: addressLines(customer, words.attention, brand) },
    facts: facts.filter((fact) => fact.value !== ''),
    columns: {
      item: own.document,
      description: own.what,
      quantity: '',
      price: '',
      rate: '',
      amount: own.amount,
    },
    lines: new Decimal(payment.onAccount).isZero()
      ? lines
      : [...lines, row('', own.onAccount, payment.onAccount)],
    adjustments: [],
    taxes: [],
    sums: [],
    toPay: { label: `${label}, ${payment.currency}`, amount: money(payment.amount) },
    payment: null,
    customerNote: null,
    ...textsOf(input),
    legal: [],
    words: fixedWords(language),
    amounts: { net: payment.amount, tax: '0', total: payment.amount, toPay: payment.amount },
    exact: exactReceipt(input, payment),
  }
}
