import type { ImportSubject } from '../../../core/imports/subjects'
import type { ImportRecord } from '../../../core/imports/row'
import { Refusal } from '../../../core/errors'
import { totals } from '../../../core/money/totals'
import { Decimal } from '../../../core/money/decimal'
import { behindSavepoint, json, one, rows, run } from '../../db/connection'
import { company } from '../house/house'
import { keepRates } from '../house/rates'
import { addOrders, editOrder, setStatus, type LineEdit, type NewOrder } from '../orders/orders'
import { markStale } from '../outbox/stale'
import type { MovementSource } from '../receivables/bank'
import { recordPayment } from '../receivables/payments'
import { writeMovements } from './movements'
import type { Known } from './references'

/*
 * Writes checked records, in the caller's transaction. What is there already and the same is left as it is,
 * so the same file twice changes nothing.
 * One that cannot be written stops only itself.
 */

/** Records that belong together, with the lines they stand on. */
export interface Group {
  key: string
  lines: number[]
  records: ImportRecord[]
}
export interface Written {
  outcome: 'written' | 'unchanged' | 'wrong'
  note: string
}

/**
 * @param source what was read, where records are kept with it
 * @param tellRoutines whether routines act on the statuses that orders come in with: not unless somebody asked
 */
export async function writeGroups(
  subject: ImportSubject,
  groups: readonly Group[],
  known: Known,
  source: MovementSource,
  actor: string,
  tellRoutines = false,
): Promise<Written[]> {
  switch (subject) {
    case 'customers':
      return each(groups, (group) => writeCustomer(group.records[0]!))
    case 'items':
      return each(groups, (group) => writeItem(group.records[0]!))
    case 'rates':
      return writeRates(groups)
    case 'payments':
      return writePayments(groups, known, actor)
    case 'orders':
      return writeOrders(groups, known, actor, tellRoutines)
    case 'bank movements':
      return writeMovements(groups, known, source, actor)
  }
}

async function each(groups: readonly Group[], write: (group: Group) => Promise<Written>): Promise<Written[]> {
  const done: Written[] = []
  for (const group of groups) {
    try {
      done.push(await behindSavepoint(() => write(group)))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done.push({ outcome: 'wrong', note: error.message })
    }
  }
  return done
}

const unchanged: Written = { outcome: 'unchanged', note: 'There already, and the same.' }

async function writeCustomer(record: ImportRecord): Promise<Written> {
  const lines = [record.street, record.town, record.region].filter((line): line is string => !!line)
  const billing = lines.length
    ? { name: record.name!, attention: record.attention ?? '', lines, country: record.country! }
    : null
  const terms =
    record.termsDays === undefined
      ? null
      : { kind: 'days', days: Math.max(0, Math.min(365, Math.round(Number(record.termsDays)))) }
  const before = await one<{ id: number; state: string }>(
    `select id,
      md5(
        concat_ws('|', name, group_name, language, currency, country, terms, tax_number, salesperson, billing)
      ) state
    from customer
    where number = $1
    for update`,
    [record.number],
  )
  const { currency: home, language } = await company()
  const row = (await one<{ id: number; state: string }>(
    `insert into customer (
      number, name, group_name, language, currency, country, terms, tax_number, salesperson, billing
    )
    values (
      $1, $2, coalesce($3, ''), coalesce($4, $11), coalesce($5, $12), $6,
      coalesce($7::jsonb, '{"kind": "days", "days": 30}'), $8, coalesce($9, ''), $10::jsonb
    )
    on conflict (number) do update
    set name = excluded.name, group_name = coalesce($3, customer.group_name),
      language = coalesce($4, customer.language), currency = coalesce($5, customer.currency),
      country = excluded.country, terms = coalesce($7::jsonb, customer.terms),
      tax_number = coalesce($8, customer.tax_number), salesperson = coalesce($9, customer.salesperson),
      billing = coalesce($10::jsonb, customer.billing)
    returning id,
      md5(
        concat_ws('|', name, group_name, language, currency, country, terms, tax_number, salesperson, billing)
      ) state`,
    [
      record.number,
      record.name,
      record.group ?? null,
      record.language ?? null,
      record.currency ?? null,
      record.country,
      terms ? json(terms) : null,
      record.taxNumber ?? null,
      record.salesperson ?? null,
      billing ? json(billing) : null,
      language,
      home,
    ],
  ))!
  const contact = record.email
    ? await run(
        `insert into contact (customer_id, name, email, role)
        select $1, $2, $3, 'billing'
        where not exists (select from contact where customer_id = $1 and lower(email) = lower($3))`,
        [row.id, record.contact ?? '', record.email],
      )
    : 0
  if (before && before.state === row.state && contact === 0) return unchanged
  if (before) {
    await run('update customer set version = version + 1 where id = $1', [row.id])
    await markStale('customer', row.id)
  }
  return { outcome: 'written', note: before ? 'Changed.' : 'New.' }
}

async function writeItem(record: ImportRecord): Promise<Written> {
  const names = {
    en: record.name!,
    ...(record.nameDe ? { de: record.nameDe } : {}),
    ...(record.nameFr ? { fr: record.nameFr } : {}),
  }
  const before = await one<{ state: string }>(
    `select concat_ws('|', names, unit, trim_scale(price), tax_code) state from item where code = $1 for update`,
    [record.code],
  )
  const row = (await one<{ state: string }>(
    `insert into item (code, names, unit, price, tax_code)
    values ($1, $2::jsonb, coalesce($3, ''), $4, $5)
    on conflict (code) do update
    set names = item.names || excluded.names, unit = coalesce($3, item.unit), price = excluded.price,
      tax_code = excluded.tax_code
    returning concat_ws('|', names, unit, trim_scale(price), tax_code) state`,
    [record.code, json(names), record.unit ?? null, record.price, record.taxCode],
  ))!
  return before?.state === row.state ? unchanged : { outcome: 'written', note: before ? 'Changed.' : 'New.' }
}

async function writeRates(groups: readonly Group[]): Promise<Written[]> {
  const given = groups.map(({ records: [record] }) => ({
    currency: record!.currency!,
    day: record!.day!,
    rate: record!.rate!,
    source: record!.source ?? 'import',
  }))
  const known = new Map(
    (
      await rows<{ key: string; rate: string; source: string }>(
        `select r.currency || ' ' || r.day key, r.rate::text rate, r.source
        from exchange_rate r
        join jsonb_to_recordset($1::jsonb) as g (currency text, day date)
          on g.currency = r.currency
          and g.day = r.day`,
        [json(given)],
      )
    ).map((row) => [row.key, row]),
  )
  await keepRates(given)
  return given.map(({ currency, day, rate, source }) => {
    const before = known.get(`${currency} ${day}`)
    return before && new Decimal(before.rate).eq(rate) && before.source === source
      ? unchanged
      : { outcome: 'written', note: before ? 'Changed.' : 'New.' }
  })
}

/**
 * A payment has a key of its own: its program's id, else all that is said of it and how many alike stand
 * before it in the file.
 */
async function writePayments(groups: readonly Group[], known: Known, actor: string): Promise<Written[]> {
  return each(groups, async ({ records: [record], key }) => {
    if (await one('select id from payment where external_key = $1', [key])) return unchanged
    const document =
      record!.document === undefined
        ? undefined
        : await one<{ id: number; customerId: number; open: string; currency: string }>(
            `select d.id, d.customer_id "customerId", i.open::text open, i.currency
            from document d
            join open_item i on i.document_id = d.id
            where d.number = $1
            order by d.kind <> 'invoice', d.id
            limit 1`,
            [record!.document],
          )
    const customer = record!.customer === undefined ? undefined : known.customers.get(record!.customer)
    const amount = new Decimal(record!.amount!)
    const settles = document ? Decimal.min(amount, Decimal.max(0, document.open)) : new Decimal(0)
    const id = await recordPayment(
      {
        direction: 'in',
        customerId: document?.customerId ?? customer!.id,
        date: record!.date!,
        method: (record!.method ?? 'bank transfer') as 'bank transfer',
        amount: record!.amount!,
        currency: record!.currency ?? document?.currency ?? customer!.currency,
        reference: record!.reference ?? record!.document ?? '',
        settle:
          document && settles.gt(0)
            ? [{ documentId: document.id, amount: settles.toString(), discount: '0', writeOff: '0' }]
            : [],
        another: true,
      },
      actor,
    )
    await run('update payment set external_key = $2 where id = $1', [id, key])
    return {
      outcome: 'written',
      note:
        document && settles.lt(amount) ? `${amount.minus(settles).toString()} stays on account.` : 'Booked.',
    }
  })
}

async function writeOrders(
  groups: readonly Group[],
  known: Known,
  actor: string,
  tellRoutines: boolean,
): Promise<Written[]> {
  const { taxRates, orderStatuses } = await company()
  const found = new Map(
    (
      await rows<{
        number: string
        id: number
        version: number
        status: string
        customer: string
        date: string
        brand: string
        reference: string | null
        note: string | null
        lines: LineEdit[]
      }>(
        `select o.number, o.id, o.version, o.status, c.number customer, o.date::text "date", b.code brand,
          o.reference, o.customer_note note,
          (
            select coalesce(
              jsonb_agg(
                jsonb_build_object(
                  'item', l.item_code, 'description', l.description, 'detail', l.detail, 'unit', l.unit,
                  'quantity', trim_scale(l.quantity)::text, 'unitPrice', trim_scale(l.unit_price)::text,
                  'discountPercent', trim_scale(l.discount_percent)::text, 'taxCode', l.tax_code
                ) order by l.position
              ),
              '[]'
            )
            from order_line l
            where l.order_id = o.id
          ) lines
        from sales_order o
        join customer c on c.id = o.customer_id
        join brand b on b.id = o.brand_id
        where o.number = any($1::text[])`,
        [groups.map((group) => group.key)],
      )
    ).map((order) => [order.number, order]),
  )
  const fresh: { order: NewOrder; status: string; at: number }[] = []
  const done: Written[] = []
  for (const [at, group] of groups.entries()) {
    const [head] = group.records as [ImportRecord, ...ImportRecord[]]
    const customer = known.customers.get(head.customer!)!
    const lines = group.records.map((record) => lineOf(record, known, customer.language))
    const before = found.get(group.key)
    done[at] = { outcome: 'written', note: 'New.' }
    try {
      if (before) {
        done[at] = await changeOrder(before, head, lines, actor, tellRoutines)
        continue
      }
      const brand = known.brands.get(head.brand ?? [...known.brands.keys()][0]!)!
      const order: NewOrder = {
        number: group.key,
        brandId: brand.id,
        customerId: customer.id,
        customerName: customer.name,
        date: head.date!,
        status: orderStatuses[0]!,
        currency: head.currency ?? customer.currency,
        pricesIncludeTax: customer.pricesIncludeTax ?? brand.pricesIncludeTax,
        reference: head.reference ?? null,
        salesperson: head.salesperson ?? customer.salesperson,
        customerNote: head.note ?? null,
        prepaid: '0',
        adjustments: [],
        lines,
      }
      totals({ ...order, rates: taxRates })
      fresh.push({ order, status: head.status ?? orderStatuses[0]!, at })
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      done[at] = { outcome: 'wrong', note: error.message }
    }
  }
  const ids = await addOrders(
    fresh.map((one) => one.order),
    actor,
  )
  for (const status of new Set(fresh.map((one) => one.status))) {
    const own = fresh.flatMap((one, index) => (one.status === status ? ids[index]! : []))
    if (status !== orderStatuses[0]) await setStatus(own, status, actor, true, tellRoutines)
  }
  return done
}

function lineOf(record: ImportRecord, known: Known, language: string): LineEdit {
  const item = known.items.get(record.item ?? '')
  const plain = (value: string) => new Decimal(value).toString()
  return {
    item: record.item ?? '',
    description: record.description ?? item?.names[language] ?? item?.names.en ?? record.item!,
    detail: null,
    unit: record.unit ?? item?.unit ?? '',
    quantity: plain(record.quantity!),
    unitPrice: plain(record.price ?? item!.price),
    discountPercent: plain(record.discount ?? '0'),
    taxCode: record.taxCode ?? item!.taxCode,
  }
}

/**
 * Lines, texts and status follow the file. Whose order it is, of which day and brand, stands once papers may
 * rest on it. @throws Refusal "another-order"
 */
async function changeOrder(
  before: {
    id: number
    version: number
    status: string
    customer: string
    date: string
    brand: string
    reference: string | null
    note: string | null
    lines: LineEdit[]
  },
  head: ImportRecord,
  lines: LineEdit[],
  actor: string,
  tellRoutines: boolean,
): Promise<Written> {
  const differs = (
    [
      ['customer', head.customer],
      ['date', head.date],
      ['brand', head.brand],
    ] as const
  ).find(([key, given]) => given !== undefined && given !== before[key])
  if (differs)
    throw new Refusal(
      'another-order',
      `This order is there with the ${differs[0]} ${before[differs[0]]}, not ${differs[1]}. An import ` +
        'does not change that: withdraw it and give the new one its own number.',
    )
  const said = (list: readonly LineEdit[]) =>
    json(
      list.map(({ item, description, unit, quantity, unitPrice, discountPercent, taxCode }) => [
        item,
        description,
        unit,
        quantity,
        unitPrice,
        discountPercent,
        taxCode,
      ]),
    )
  const reference = head.reference ?? before.reference
  const note = head.note ?? before.note
  const sameLines =
    said(lines) === said(before.lines) && reference === before.reference && note === before.note
  const sameStatus = head.status === undefined || head.status === before.status
  if (sameLines && sameStatus) return unchanged
  if (!sameLines)
    await editOrder(before.id, { version: before.version, reference, customerNote: note, lines }, actor)
  if (!sameStatus) await setStatus([before.id], head.status!, actor, true, tellRoutines)
  return { outcome: 'written', note: sameLines ? `Now ${head.status}.` : 'Changed.' }
}
