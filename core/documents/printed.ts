import { countryName } from '../countries'
import { Decimal, type Currency, type DecimalText } from '../money/decimal'
import { inHomeCurrency } from '../money/exchange'
import { formatMoney, formatRate, localeOf, formatPercent, type Language } from '../money/format'
import type { Totals } from '../money/totals'
import { accountFor, accountWords, type BankAccount } from './bank'
import { formatDay, type Day } from './days'
import type { Address, BrandFacts, CustomerFacts } from './facts'
import { type PaperInput, reasonsOf } from './from-order'
import { kindFacts } from './kinds'
import type { Paper, PaperFact, PaperPayment, PaperBrand, PaperWords } from './paper'
import { creditorReference, paymentCode, formatReference, formatIban } from './payment-code'
import { standingTextsOn } from './standing-texts'
import { earlyPayment } from './terms'
import { type TaxTreatment, treatmentWords } from './treatment'
import { paperWords } from './words'

/*
 * What is printed of the facts: those beside the address, the payment, what the law wants said, the brand.
 */

/** What the law wants said on it. */
export function legal(input: PaperInput, { tax, groups }: Totals, treatment: TaxTreatment): string[] {
  const { language, exchange, order, credit, kind, brand } = input
  const words = paperWords[language]
  const home =
    exchange && exchange.currency === order.currency && !new Decimal(tax).isZero()
      ? [
          words.taxAtHome(
            formatMoney(inHomeCurrency(tax, exchange), exchange.home, language),
            exchange.home,
            `1 ${exchange.home} = ${formatRate(exchange.rate, language)} ${exchange.currency}`,
            exchange.source,
            formatDay(exchange.day, language),
          ),
        ]
      : []
  return [
    ...(credit
      ? [
          `${words.ofInvoice} ${words.ofDay(credit.number, formatDay(credit.date, language))}. ` +
            `${words.reason}: ${credit.reason}`,
        ]
      : []),
    ...(treatment === 'domestic' ? reasonsOf(groups, input) : [treatmentWords[treatment][language]]),
    ...(order.pricesIncludeTax && kindFacts[kind].books !== null ? [words.pricesInclude] : []),
    ...(brand.taxNumber || !brand.withoutTaxNumber?.[language] ? [] : [brand.withoutTaxNumber[language]]),
    ...home,
  ]
}

export function facts(input: PaperInput, due: Day | null): PaperFact[] {
  const { order, customer, language } = input
  const words = paperWords[language]
  const rows: PaperFact[] = [
    { key: 'date', label: words.date, value: formatDay(input.date, language) },
    {
      key: 'supplied',
      label: words.supplied,
      value:
        order.suppliedOn && kindFacts[input.kind].needsSupply ? formatDay(order.suppliedOn, language) : '',
    },
    { key: 'due', label: words.due, value: due ? formatDay(due, language) : '' },
    { key: 'invoice', label: words.ofInvoice, value: input.credit?.number ?? '' },
    { key: 'replaces', label: words.replaces, value: input.replaces?.number ?? '' },
    { key: 'order', label: words.order, value: order.number },
    { key: 'reference', label: words.reference, value: order.reference ?? '' },
    { key: 'customer', label: words.customer, value: customer.number },
    { key: 'taxNumber', label: words.taxNumber, value: customer.taxNumber ?? '' },
  ]
  return rows.filter((row) => row.value !== '')
}

/** What is said of the order in words of its own: where the goods go. */
export function paragraphs({ order, language, kind, brand }: PaperInput): string[] {
  const words = paperWords[language]
  const { delivery, own } = order
  return [
    ...(own ? [own] : []),
    ...(delivery && kindFacts[kind].books !== 'credit'
      ? [words.deliveredTo(addressLines({ billing: delivery }, words.attention, brand).join(', '))]
      : []),
  ]
}

/** Words that every paper may want, in its language. */
export function fixedWords(language: Language): PaperWords {
  const { page, tax, base, taxAmount, continued, rehearsal, copy } = paperWords[language]
  return { page, tax, base, taxAmount, continued, rehearsal, copy }
}

/** The texts that stand on it, with paragraphs of its own before them; what there is none of is left out. */
export function textsOf(
  { standing, kind, brand, language, customer, date }: PaperInput,
  own: readonly string[] = [],
): Pick<Paper, 'paragraphs' | 'foot' | 'pages'> {
  const { paragraphs, foot, pages } = standingTextsOn(standing ?? [], {
    kind,
    brandId: brand.id,
    language,
    homeLanguage: brand.homeLanguage,
    business: Boolean(customer.taxNumber),
    date,
  })
  const all = [...own, ...paragraphs]
  return {
    ...(all.length > 0 ? { paragraphs: all } : {}),
    ...(foot.length > 0 ? { foot } : {}),
    ...(pages.length > 0 ? { pages } : {}),
  }
}

/** How it is paid: by whom and until when, or that the house collects it; null where nothing is to pay. */
export function payment(input: PaperInput, toPay: string, due: Day): PaperPayment | null {
  const { brand, order, customer, language, number } = input
  if (new Decimal(toPay).lte(0)) return null
  const words = paperWords[language]
  const money = (amount: string) => `${formatMoney(amount, order.currency, language)}\u00A0${order.currency}`
  const reference = creditorReference(number)
  const { collected } = customer.terms
  if (collected)
    return collectedBy(collected, words.collected(money(toPay), formatDay(due, language)), {
      language,
      reference,
    })
  const early = earlyPayment(input.date, toPay, order.currency, customer.terms)
  const account = accountFor(brand.banks, order.currency)
  const code = codeToPay(brand, account, { currency: order.currency, amount: toPay, reference })
  return {
    title: words.payTitle(money(toPay), formatDay(due, language)),
    lines: [
      ...(account ? [`${words.payTo(brand.legalName)}, ${accountWords(account)}`] : []),
      words.payReference(formatReference(reference)),
      ...(brand.methods?.length
        ? [
            words.accepted(
              new Intl.ListFormat(localeOf[language], { type: 'disjunction' }).format(
                brand.methods.map((method) => words.receipt.methods[method]),
              ),
            ),
          ]
        : []),
      ...(early
        ? [
            words.early(
              formatPercent(early.percent, language),
              formatDay(early.until, language),
              money(early.amount),
            ),
          ]
        : []),
    ],
    reference,
    code: code ?? null,
    codeCaption: code ? words.scan : '',
  }
}

/** What is said of a payment that the house collects: nothing to be done, and by which mandate. */
export const collectedBy = (
  { mandate }: { mandate: string },
  title: string,
  { language, reference }: { language: Language; reference: string },
): PaperPayment => ({
  title,
  lines: mandate ? [paperWords[language].mandate(mandate)] : [],
  reference,
  code: null,
  codeCaption: '',
})

/** The code by which a banking app fills a transfer; undefined where there is none for it. */
export const codeToPay = (
  brand: Pick<BrandFacts, 'legalName'>,
  account: BankAccount | null,
  asked: { currency: Currency; amount: DecimalText; reference: string },
): string | undefined =>
  account === null
    ? undefined
    : paymentCode({ beneficiary: brand.legalName, iban: account.iban, bic: account.bic, ...asked })

/** What goes with goods can go where these go, though nobody said yet where the customer is billed. */
export const addressedTo = (goods: Address, input: PaperInput): PaperInput =>
  input.customer.billing ? input : { ...input, customer: { ...input.customer, billing: goods } }

/**
 * The block behind the window: name, attention, lines, and the country where it is not the sender's, in
 * capitals and in the
 * language of the country that posts it, for whose post office it is (Universal Postal Union, addressing guidelines).
 */
export function addressLines(
  customer: Pick<CustomerFacts, 'billing'>,
  attention: string,
  from: Pick<BrandFacts, 'country' | 'homeLanguage'>,
): string[] {
  const { name, attention: person, lines, country } = customer.billing!
  return [
    name,
    person ? `${attention} ${person}` : '',
    ...lines,
    country === from.country ? '' : countryName(country, from.homeLanguage).toUpperCase(),
  ]
    .map((line) => line.trim())
    .filter((line) => line !== '')
}

export function printedBrand(brand: BrandFacts, account: BankAccount | null, language: Language): PaperBrand {
  const some = (lines: string[]) => lines.filter((line) => line.trim() !== '')
  return {
    code: brand.code,
    name: brand.name,
    legalName: brand.legalName,
    senderLine: [brand.name, ...brand.addressLines].join(' · '),
    addressLines: brand.addressLines,
    foot: [
      some([
        brand.legalName,
        brand.registration,
        brand.taxNumber ? `${paperWords[language].ownTaxNumber} ${brand.taxNumber}` : '',
      ]),
      some([brand.email, brand.phone, brand.website]),
      account ? some([account.name, formatIban(account.iban), account.bic ? `BIC ${account.bic}` : '']) : [],
    ].filter((column) => column.length > 0),
  }
}
