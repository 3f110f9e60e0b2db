import { strToU8, zipSync } from 'fflate'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, test } from 'vitest'
import { formatNumber, type NumberSeries } from '../../core/numbering/series'
import { one, rows } from '../../server/db/connection'
import { sendCopy } from '../../server/services/line/copy'
import { sendDocumentToMe } from '../../server/services/documents/rehearse'
import { madeAgain } from '../../server/services/register/again'
import { creditDocument } from '../../server/services/drafts/credit'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { voidDocument } from '../../server/services/documents/void'
import { checkImport, importView, takeImport, writeImport } from '../../server/services/imports/imports'
import { importRows } from '../../server/services/imports/imports-queries'
import { theHouse, inTheNameOf } from '../../server/services/people/principal'
import { changeSeries } from '../../server/services/house/series'
import { recordPayment } from '../../server/services/receivables/payments'
import { keepTrialBalance, takenOverView } from '../../server/services/receivables/take-over'
import { takePdfs } from '../../server/services/receivables/taken-over-pdfs'
import { numberPeriods } from '../../server/services/register/numbers-queries'
import { documentBytes } from '../../server/services/register/register'
import { balances } from './books'
import { papersOf, useHouse } from './house'

/* What was open in the program before: it is owed, paid and credited here, and never takes one of our numbers. */
const house = useHouse({ trust: 'automatic', reports: false })
const who = inTheNameOf('Col Varley')

async function imported(text: string): Promise<string[]> {
  const id = await takeImport('open items', 'open.csv', new TextEncoder().encode(text), who)
  const { mapping, decimalSign, dayOrder } = await importView(id)
  await checkImport(id, { mapping, decimalSign, dayOrder })
  await house.settle()
  if ((await importView(id)).counts.right) await writeImport(id)
  await house.settle()
  return (await importRows({ importId: id, limit: 50 })).rows.map(
    (row) => `${row.state}: ${row.note?.words ?? ''}`,
  )
}
const file = `Invoice no;Customer no;Document date;Due date;Outstanding;Gross amount;Type
R-4711;10417;2026-05-03;2026-06-02;123,00;246,00;
R-4712;10417;2026-09-14;2026-10-14;61,50;;
G-101;10418;2026-08-01;;-20,50;;
Z-7;10418;2026-08-20;;-50,00;;payment
`
const old = (number: string) =>
  one<{ id: number; sourceId: number }>('select id, source_id "sourceId" from document where number = $1', [
    number,
  ])
const openOf = async (number: string) =>
  (await one<{ open: string }>(
    'select i.open::text open from open_item i join document d on d.id = i.document_id where d.number = $1',
    [number],
  ))!.open

describe('open items of the earlier program', () => {
  test('come in with their numbers, dates and what is open of them; nothing is mailed or painted', async () => {
    expect(await imported(file)).toEqual([
      'written: Owed.',
      'written: Owed.',
      'written: Credited.',
      'written: On account.',
    ])
    expect(
      await rows(
        `select d.kind, d.number, d.date::text date, i.due_date::text due, i.amount::text owed, d.total::text total,
          d.series_id series
        from document d
        join open_item i on i.document_id = d.id
        order by d.number`,
      ),
    ).toEqual([
      {
        kind: 'credit note',
        number: 'G-101',
        date: '2026-08-01',
        due: '2026-08-01',
        owed: '-20.50',
        total: '20.50',
        series: null,
      },
      {
        kind: 'invoice',
        number: 'R-4711',
        date: '2026-05-03',
        due: '2026-06-02',
        owed: '123.00',
        total: '246.00',
        series: null,
      },
      {
        kind: 'invoice',
        number: 'R-4712',
        date: '2026-09-14',
        due: '2026-10-14',
        owed: '61.50',
        total: '61.50',
        series: null,
      },
    ])
    expect(await rows('select id from dispatch')).toEqual([])
    expect(await rows(`select id from prepared_document where kind = 'payment receipt'`)).toEqual([])
    expect(await rows('select document_id from document_file')).toEqual([])
    expect(await rows('select document_id from undelivered')).toEqual([])
    await balances()
  })

  test('twice change nothing; a number of ours, or of another amount, is refused in words', async () => {
    expect(new Set(await imported(file))).toEqual(new Set(['unchanged: There already, and the same.']))
    expect(
      await imported(
        'Invoice no;Customer no;Document date;Outstanding\nR-4712;10417;2026-09-14;99,00\n' +
          'R-1;99999;2026-09-14;99,00\nR-2;10417;2026-09-14;0,00\n',
      ),
    ).toEqual([
      'wrong: R-4712 came over before with another customer or amount.',
      'wrong: Customer 99999 is not known. Import the customers first.',
      'wrong: Nothing of it is open. Leave it out.',
    ])
  })

  test('stand in no number register, and our own numbers begin where they should', async () => {
    expect(await rows('select last from series_counter')).toEqual([])
    const order = await house.newOrder()
    await house.ship([order])
    const [ours] = await rows<{ number: string; counter: number }>(
      'select number, counter from document where series_id is not null',
    )
    expect(ours!.counter).toBe(1)
    const periods = await numberPeriods()
    expect(periods.map((period) => [period.kind, period.first, period.count])).toEqual([
      ['invoice', ours!.number, 1],
    ])
  })

  test('are paid, and credited as far as they came to', async () => {
    const { id } = (await old('R-4711'))!
    await recordPayment(
      {
        direction: 'in',
        customerId: house.customer('10417').id,
        date: '2026-11-20',
        method: 'bank transfer',
        amount: '100.00',
        currency: 'EUR',
        reference: 'R-4711',
        settle: [{ documentId: id, amount: '100.00', discount: '0', writeOff: '0' }],
      },
      who,
    )
    expect(await openOf('R-4711')).toBe('23.00')
    const { credit } = await creditDocument(
      (await old('R-4712'))!.id,
      { ask: { kind: 'whole' }, reason: 'Returned', anew: false },
      who,
    )
    await house.settle()
    const [paper] = await papersOf([credit])
    expect(paper!.problem).toBeNull()
    await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, {
      postOnly: true,
    })
    expect(await openOf('R-4712')).toBe('0.00')
    await expect(voidDocument(id, 'Wrong', who)).rejects.toThrow('Payments are booked on R-4711')
    await balances()
  })

  test('taken over by mistake are voided, and their number is not taken again', async () => {
    const row = 'Invoice no;Customer no;Document date;Outstanding\nR-5;10419;2026-09-14;10,00\n'
    expect(await imported(row)).toEqual(['written: Owed.'])
    await voidDocument((await old('R-5'))!.id, 'Paid long ago', who)
    expect(await openOf('R-5')).toBe('0')
    expect(await imported(row)).toEqual([
      'wrong: R-5 is there and void. A number stands once: give this one another, like R-5-2.',
    ])
    await balances()
  })

  test('are compared with the trial balance as they came over, whatever was paid since', async () => {
    await keepTrialBalance({ EUR: { count: 5, sum: '114.00' }, GBP: { count: 1, sum: '9.00' } })
    const { comparison, customers } = await takenOverView(theHouse)
    expect(comparison).toEqual([
      {
        currency: 'EUR',
        invoices: { count: 2, sum: '184.50' },
        credits: { count: 1, sum: '-20.50' },
        onAccount: { count: 1, sum: '-50.00' },
        count: 4,
        sum: '114',
        earlier: { count: 5, sum: '114.00' },
        difference: { count: 1, sum: '0' },
      },
      expect.objectContaining({ currency: 'GBP', count: 0, difference: { count: 1, sum: '9' } }),
    ])
    expect(customers.map((row) => [row.number, row.count, row.sum])).toEqual([
      ['10417', 2, '184.50'],
      ['10418', 2, '-70.50'],
    ])
  })

  test('bring their PDFs by number; what is none, or of nobody, is named; else there is none to send', async () => {
    const { id } = (await old('R-4711'))!
    await expect(documentBytes(id)).rejects.toThrow('came without a PDF')
    await expect(madeAgain([id])).rejects.toThrow('it is not drawn here')
    await expect(sendDocumentToMe(id, { ...who, email: 'col@tansyhollow.example' })).rejects.toThrow(
      'it is not drawn here',
    )
    await expect(sendCopy(id, { address: 'anna@ottermill.example' }, who)).rejects.toThrow(
      'came without a PDF',
    )
    const pdf = await PDFDocument.create()
    pdf.addPage()
    const bytes = await pdf.save()
    const zip = zipSync({
      'old/R-4711.pdf': bytes,
      'old/R 4712.pdf': strToU8('no pdf'),
      'old/R-9999.pdf': bytes,
      'old/list.txt': strToU8('x'),
    })
    expect(await takePdfs(zip, who)).toEqual({ added: 1, before: 0, unknown: ['R 4712.pdf', 'R-9999.pdf'] })
    expect(await takePdfs(zip, who)).toMatchObject({ added: 0, before: 1 })
    expect((await documentBytes(id)).fileName).toBe('R-4711.pdf')
    await expect(takePdfs(strToU8('nothing'), who)).rejects.toThrow('no ZIP file')
  })

  test('cannot have a number that a series of ours has yet to come to; once it goes on above, they can', async () => {
    const { id, brand, ...series } = (await one<
      NumberSeries & { id: number; version: number; brand: string }
    >(
      `select s.id, s.version, s.prefix, s.suffix, s.length, s.start, s.restart, b.code brand,
        s.business_year_start "businessYearStart"
      from number_series s
      join brand b on b.id = s.brand_id
      where b.id = $1 and s.kind = 'credit note' and s.country = '' and s.currency = ''`,
      [house.brands[0]!.id],
    ))!
    const today = new Date().toISOString().slice(0, 10)
    const number = formatNumber(series, 9, { date: today, brand, order: '' })
    const row = `Invoice no;Customer no;Document date;Outstanding\n${number};10417;2026-09-14;-9,00\n`
    expect(await imported(row)).toEqual([
      expect.stringMatching(
        /^wrong: \S+ would be drawn by our own credit notes of .* start above 9 first\.$/,
      ),
    ])
    await changeSeries(id, { ...series, start: 10 }, { reason: 'Taken over', who })
    expect(await imported(row)).toEqual(['written: Credited.'])
  })
})
