import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import iconv from 'iconv-lite'
import { creditorReference } from '../core/documents/payment-code'
import type { Day } from '../core/documents/days'
import { Decimal } from '../core/money/decimal'
import { rows } from '../server/db/connection'

interface Movement {
  amount: string
  name: string
  text?: string
  reference?: string
  out?: boolean
}

/** A statement as the simulated bank gives it (ISO 20022 camt.053.001.08). */
export function statementXml(account: string, day: Day, movements: readonly Movement[]): string {
  const escape = (text: string) =>
    text.replace(/[&<>]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[sign]!)
  const entry = ({ amount, name, text = '', reference, out }: Movement, index: number) => {
    const side = out ? 'Cdtr' : 'Dbtr'
    const structured = reference ? `<Strd><CdtrRefInf><Ref>${reference}</Ref></CdtrRefInf></Strd>` : ''
    const free = text ? `<Ustrd>${escape(text)}</Ustrd>` : ''
    return `<Ntry>
<NtryRef>${index + 1}</NtryRef>
<Amt Ccy="EUR">${amount}</Amt>
<CdtDbtInd>${out ? 'DBIT' : 'CRDT'}</CdtDbtInd>
<Sts><Cd>BOOK</Cd></Sts>
<BookgDt><Dt>${day}</Dt></BookgDt>
<ValDt><Dt>${day}</Dt></ValDt>
<AcctSvcrRef>${day.replaceAll('-', '')}-${String(index + 1).padStart(4, '0')}</AcctSvcrRef>
<NtryDtls><TxDtls>
<RltdPties><${side}><Pty><Nm>${escape(name)}</Nm></Pty></${side}></RltdPties>
<RmtInf>${structured}${free}</RmtInf>
</TxDtls></NtryDtls>
</Ntry>`
  }
  return `<?xml version="1.0" encoding="UTF-8"?>
<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt>
<GrpHdr><MsgId>DEMO-${day}</MsgId><CreDtTm>${day}T06:00:00Z</CreDtTm></GrpHdr>
<Stmt>
<Id>${day}</Id>
<Acct><Id><IBAN>${account}</IBAN></Id><Ccy>EUR</Ccy></Acct>
${movements.map(entry).join('\n')}
</Stmt></BkToCstmrStmt></Document>
`
}

/**
 * A statement as an older bank gives it: CSV in Windows-1252, with what it is of above the names of the
 * columns, and decimal commas.
 */
export function statementCsv(account: string, day: Day, movements: readonly Movement[]): Buffer {
  const local = day.split('-').reverse().join('.')
  const cell = (text: string) => `"${text.replaceAll('"', '""')}"`
  const row = ({ amount, name, text = '', reference = '', out }: Movement, index: number) =>
    [
      local,
      local,
      cell(name),
      cell(text),
      cell(reference),
      new Decimal(amount).toNumber().toLocaleString('de', { minimumFractionDigits: 2 }),
      out ? 'S' : 'H',
      'EUR',
      `U${day.replaceAll('-', '')}${index}`,
    ].join(';')
  const lines = [
    `Umsätze;Konto ${account}`,
    `Zeitraum;${local} bis ${local}`,
    '',
    'Buchungstag;Valuta;Auftraggeber;Verwendungszweck;Referenz;Betrag;Soll/Haben;Währung;Umsatz-ID',
    ...movements.map(row),
  ]
  return iconv.encode(lines.join('\r\n') + '\r\n', 'win1252')
}

/**
 * Today's statements of the simulated bank, one as XML and one of another account as CSV: payments that name
 * what they pay in every way, some in part, over or unnamed, and what is none of ours.
 */
export async function writeStatement(folder: string, day: Day): Promise<void> {
  const open = await rows<{
    number: string
    customer: string
    open: string
  }>(`
    select d.number, c.name customer, i.open::text open
    from open_item i
    join document d on d.id = i.document_id
    join customer c on c.id = i.customer_id
    where i.currency = 'EUR' and i.open = i.amount and i.open > 20 and i.dispute = '' and d.kind = 'invoice'
    order by i.due_date, d.id
    limit 24`)
  const [a, b, c, d, e, f, g, h, i, j, k, l, m] = open
  if (!m) return
  const movements: Movement[] = [
    { amount: a!.open, name: a!.customer, reference: creditorReference(a!.number) },
    { amount: b!.open, name: b!.customer.toUpperCase(), text: `${b!.number} thank you` },
    { amount: c!.open, name: c!.customer, text: `Invoice ${c!.number.replaceAll('-', ' ')}` },
    {
      amount: d!.open,
      name: `${d!.customer} Ltd`,
      text: creditorReference(d!.number)
        .replace(/(.{4})/g, '$1 ')
        .trim(),
    },
    { amount: new Decimal(e!.open).minus('0.03').toFixed(2), name: e!.customer, text: `Re ${e!.number}` },
    { amount: f!.open, name: f!.customer, reference: creditorReference(f!.number) },
    {
      amount: new Decimal(g!.open).times('0.5').toFixed(2),
      name: g!.customer,
      text: `${g!.number}, first half`,
    },
    { amount: new Decimal(h!.open).plus(25).toFixed(2), name: h!.customer, text: h!.number },
    { amount: i!.open, name: i!.customer, text: 'hives' },
    { amount: j!.open, name: 'R. Halloran', text: 'paid for the club' },
    { amount: '48.20', name: 'Unknown Orchards', text: 'deposit for boxes' },
    { amount: '7.90', name: 'Demo Bank', text: 'Account fee for the month', out: true },
  ]
  mkdirSync(join(folder, 'bank'), { recursive: true })
  writeFileSync(
    join(folder, 'bank', `statement-${day}.xml`),
    statementXml('IE35DEMO00000012345678', day, movements),
  )
  writeFileSync(
    join(folder, 'bank', `umsaetze-${day}.csv`),
    statementCsv('DE47DEMO0000004711', day, [
      { amount: k!.open, name: k!.customer, text: `Rechnung ${k!.number}` },
      { amount: l!.open, name: l!.customer, reference: creditorReference(l!.number) },
      {
        amount: new Decimal(m.open).minus('1.50').toFixed(2),
        name: m.customer,
        text: `${m.number}; Gebühr abgezogen`,
      },
      { amount: '12.00', name: 'Müller & Söhne', text: 'Leergut' },
      { amount: '4.90', name: 'Demo Bank', text: 'Kontoführung', out: true },
    ]),
  )
}
