import { channelFacts, channelsFor } from '../../../core/dispatch/channels'
import { Refusal } from '../../../core/errors'
import type { OrderLineFacts } from '../../../core/documents/facts'
import { preparePaper } from '../../../core/documents/issue'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { heldWhy } from '../../../core/documents/needs'
import type { Paper } from '../../../core/documents/paper'
import { relatedFacts } from '../../../core/documents/related'
import { dayInZone, type Day } from '../../../core/documents/days'
import type { Language } from '../../../core/money/format'
import { ratesOn, togetherOn } from '../../../core/money/tax-codes'
import { numberStandIn, seriesFor } from '../../../core/numbering/series'
import { type ContactFacts } from '../../../core/preferences/recipients'
import { noAddress, wantsNothing } from '../../../core/dispatch/send-to'
import { statusIn } from '../../../core/orders/statuses'
import { ofVariant, textOfVariant } from '../../../core/preferences/variants'
import { findSetting } from '../../../core/preferences/settings'
import { clock } from '../../clock'
import { allSeries, brands, company, designsInForce, emailTextsInForce } from '../house/house'
import { printedFields, type FieldSubject, type FieldValues } from '../../../core/fields/own-fields'
import { ownFields } from '../fields/own-fields'
import { branches } from '../house/branches'
import { standingTextsOf } from '../house/standing-texts'
import { taxCodes } from '../house/tax'
import { deliveryOf } from '../../../core/dispatch/delivery'
import { told, toldRefusal, type Told } from '../../../core/said/told'
import { brandFacts } from './brand-facts'
import { lastCounters, rateTable } from './queries'
import type { HouseContext, SubjectRow, Addressing, PaperContext } from './paper-context'

/** Own fields of a line and of its item, where its source has them. */
type OwnOfLine = { position?: number; own?: FieldValues; ofItem?: FieldValues }

export async function houseContext(kind: DocumentKind): Promise<HouseContext> {
  // first of all, for its version: what is saved while the rest is read shows by it
  const house = await company()
  const counters = await lastCounters()
  return {
    exchange: await rateTable(house.currency, dayInZone(clock.now(), house.timeZone)),
    brands: await brands(),
    branches: await branches(),
    designs: await designsInForce(kind),
    notes: await emailTextsInForce(kind),
    series: await allSeries(),
    counters: new Map(counters.map((row) => [row.id, row.last])),
    company: house,
    taxCodes: await taxCodes(),
    standing: await standingTextsOf(kind),
    ownFields: await ownFields(),
    today: dayInZone(clock.now(), house.timeZone),
  }
}

/** Finds what a paper of this subject is made with. @throws Refusal "no-design", "no-series", "no-cover-note" */
export function contextOf(
  kind: DocumentKind,
  order: SubjectRow,
  lines: (OrderLineFacts & OwnOfLine)[],
  contacts: ContactFacts[],
  addressing: Addressing,
  house: HouseContext,
): PaperContext {
  const brand = house.brands.find((candidate) => candidate.id === order.brandId)!
  const { role, copyTo, asOnce } = addressing
  const wish = order.preferences[kind]
  const design = ofVariant(house.designs, brand.id, asOnce?.design ?? wish?.design)
  const branch = house.branches.find((candidate) => candidate.id === order.branchId)
  const series = seriesFor(
    house.series.filter((candidate) => candidate.brandId === brand.id && candidate.kind === kind),
    { country: order.billing?.country ?? '', currency: order.currency, branch: branch?.name ?? '' },
  )
  if (!design)
    throw new Refusal('no-design', {
      values: { brand: brand.name },
      about: { record: { kind: 'brand', id: brand.id, label: brand.name } },
    })
  if (!series)
    throw new Refusal('no-series', {
      values: { brand: brand.name },
      about: { record: { kind: 'brand', id: brand.id, label: brand.name } },
    })
  const language = findSetting<Language>([
    { level: 'this sending', value: asOnce?.language },
    { level: 'customer', value: order.customerLanguage },
    { level: 'company', value: house.company.language },
    { level: 'built in', value: 'en' },
  ]).value
  const note = textOfVariant(house.notes, brand.id, asOnce?.text ?? wish?.text, [
    language,
    house.company.language,
  ])
  if (!note)
    throw new Refusal('no-email-text', {
      values: { brand: brand.name },
      about: { record: { kind: 'brand', id: brand.id, label: brand.name } },
    })
  // the rates of the day of supply, or else of the document; codes of one category and rate are taxed together
  const taxDay = order.suppliedOn ?? order.wantedDate ?? house.today
  const rates = ratesOn(house.taxCodes, taxDay)
  const together = togetherOn(house.taxCodes, taxDay)
  const untaxed = order.treatment === 'domestic' ? undefined : lines[0]?.taxCode
  const taxedAs = (code: string) => (order.credit ? code : (untaxed ?? together[code] ?? code))
  const printed = (of: FieldSubject, values: FieldValues = {}) =>
    printedFields(
      house.ownFields.filter((field) => field.of === of),
      values,
      language,
    )
  const ownWords = printed('order', order.fields)
  const standing = house.standing.filter(({ brandId }) => brandId === null || brandId === brand.id)
  const delivery = deliveryOf({ role, copyTo, contacts, preference: wish })
  return {
    sourceId: order.sourceId,
    creditsId: order.creditsId,
    replacesId: order.replacesId ?? order.replaces?.id ?? null,
    wantedDate: order.wantedDate,
    eventDay: (house.company.documentDates[kind] === 'event' && order.eventDay) || null,
    orderNumber: order.number,
    orderDate: order.date,
    customerId: order.customerId,
    customerName: order.customerName,
    brandId: brand.id,
    zeroTotals: house.company.zeroTotals,
    total: order.total,
    revision: order.revision,
    status: order.status ?? '',
    design: { id: design.id, design: design.design },
    emailTextId: note.id,
    email: {
      note: { subject: note.subject, text: note.text },
      brand: { ...brand, colours: design.design.colours },
    },
    held:
      order.needs && kindFacts[kind].books === 'debit'
        ? heldWhy({
            needs: order.needs,
            order,
            enterAt:
              order.enterAt === 'draft'
                ? told('of/draft-within')
                : told('of/order-within', { number: order.number }),
            customerName: order.customerName,
            contacts,
          })
        : null,
    channel: delivery.channel,
    recipients: delivery.recipients,
    builtFrom: {
      order: order.version,
      customer: order.customerVersion,
      brand: brand.version,
      design: design.id,
      emailText: note.id,
      house: house.company.papersVersion,
    },
    series,
    lastCounter: house.counters.get(series.id),
    source: {
      kind,
      language,
      rates,
      taxWords: Object.fromEntries(
        house.taxCodes.map(({ code, category, names, reasons }) => [
          code,
          {
            category,
            name: names[language] || names[house.company.language] || code,
            reason: reasons[language] || reasons[house.company.language] || '',
          },
        ]),
      ),
      brand: brandFacts(brand, branch),
      ...(standing.length ? { standing } : {}),
      order: {
        number: order.number,
        date: order.date,
        suppliedOn: order.suppliedOn,
        currency: order.currency,
        pricesIncludeTax: order.pricesIncludeTax,
        reference: order.reference,
        customerNote: order.customerNote,
        ...(ownWords ? { own: ownWords } : {}),
        ...(order.delivery ? { delivery: order.delivery } : {}),
        prepaid: order.prepaid,
        adjustments: order.adjustments.map((one) =>
          one.taxCode === undefined ? one : { ...one, taxCode: taxedAs(one.taxCode) },
        ),
        ...(order.deposits?.length ? { deposits: order.deposits } : {}),
        lines: lines.map(
          ({
            position,
            item,
            description,
            detail,
            unit,
            quantity,
            unitPrice,
            discountPercent,
            taxCode,
            own,
            ofItem,
          }) => ({
            ...(order.shipment || order.goodsReturn ? { position } : {}),
            item,
            description,
            detail:
              [detail, printed('line', own), printed('item', ofItem)].filter(Boolean).join(' · ') || null,
            unit,
            quantity,
            unitPrice,
            discountPercent,
            taxCode: taxedAs(taxCode),
          }),
        ),
      },
      customer: {
        number: order.customerNumber,
        name: order.customerName,
        billing: order.billing,
        taxNumber: order.taxNumber,
        terms: order.terms,
        language,
        ...(order.treatment === 'domestic' ? {} : { treatment: order.treatment }),
      },
      ...(order.credit ? { credit: order.credit } : {}),
      ...(order.replaces ? { replaces: order.replaces } : {}),
      ...(order.payment ? { payment: order.payment } : {}),
      ...(order.statement ? { statement: order.statement } : {}),
      ...(order.reminder ? { reminder: order.reminder } : {}),
      ...(order.shipment ? { shipment: order.shipment } : {}),
      ...(order.goodsReturn ? { goodsReturn: order.goodsReturn } : {}),
      related: relatedFacts(
        {
          ordered: order.number ? order.date : null,
          status: order.status ? statusIn(house.company.statusWords, order.status, language) : '',
          salesperson: order.salesperson,
          delivery: order.delivery,
          fields: { order: order.fields, customer: order.customerFields },
        },
        house.ownFields,
        language,
        branch ? { ...brand, country: branch.country } : brand,
      ),
      ...(order.currency === house.company.currency
        ? {}
        : {
            exchange:
              house.exchange.find(
                (one) => one.currency === order.currency && one.day <= (order.wantedDate ?? one.day),
              ) ?? null,
          }),
    },
  }
}

/** The paper as it will be, or the plain reason why there is none. */
export function paperOf(context: PaperContext, today: Day): { paper: Paper } | { problem: Told } {
  const none = context.problem ?? context.nothing
  if (none) return { problem: none }
  const standIn = numberStandIn(
    context.series,
    { date: today, brand: context.source.brand.code, order: context.orderNumber },
    context.lastCounter,
  )
  try {
    return { paper: preparePaper(context.source, today, standIn) }
  } catch (error) {
    if (error instanceof Refusal) return { problem: toldRefusal(error) }
    throw error
  }
}

/** Whom it goes to, as lists keep it. */
export function sendToOf(context: PaperContext): string {
  if (context.channel === 'nothing') return wantsNothing
  const channels = channelsFor(context.channel)
  if (!channels.some((one) => channelFacts[one].addressed)) return channelFacts[channels[0]!].sendTo
  const [first, ...others] = context.recipients
  if (!first) return noAddress
  return first.address + (others.length ? ` +${others.length}` : '')
}
