import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { creditorReference } from '../../core/documents/payment-code'
import { Decimal } from '../../core/money/decimal'
import { statementCsv, statementXml } from '../../demo/bank'
import { one, rows, run } from '../../server/db/connection'
import { sweep } from '../../server/services/dispatch/sweep'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { recordPayment } from '../../server/services/receivables/payments'
import { undoPayment } from '../../server/services/receivables/undo-payment'
import { bankFiles, takeBankFile, type EntryView } from '../../server/services/receivables/bank'
import {
  bookEntry,
  bookSure,
  bookWaiting,
  matchAgain,
  setAside,
} from '../../server/services/receivables/bank-booking'
import { bankEntries } from '../../server/services/receivables/bank-queries'
import {
  checkImport,
  goOnImporting,
  importRecords,
  importView,
  takeImport,
  writeImport,
} from '../../server/services/imports/imports'
import { importRows } from '../../server/services/imports/imports-queries'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* Bank files: read, matched, looked at and booked; never twice. */
const house = useHouse({ reports: false })
const day = '2026-11-20'
let place = 0

async function invoice(
  customer = '10417',
  quantity = '12',
): Promise<{ id: number; number: string; open: string; name: string }> {
  const { id, name } = house.customer(customer)
  const order = await house.newOrder({
    customerId: id,
    customerName: name,
    lines: [
      {
        item: 'HB',
        description: 'Brood box',
        detail: null,
        unit: '',
        quantity,
        unitPrice: '41.50',
        discountPercent: '0',
        taxCode: 'standard',
      },
    ],
  })
  await house.ship([order])
  const [paper] = await papersOf([order])
  const [result] = await issueInOneTransaction(
    [{ preparedId: paper!.id, revision: null }],
    inTheNameOf('Test'),
    undefined,
    {
      postOnly: true,
    },
  )
  return {
    id: result!.documentId!,
    number: result!.number!,
    name,
    ...(await one<{ open: string }>('select open::text open from open_item where document_id = $1', [
      result!.documentId,
    ]))!,
  }
}
const open = async (id: number) =>
  (await one<{ open: string }>('select open::text open from open_item where document_id = $1', [id]))!.open
type Movement = Parameters<typeof statementXml>[2][number]
async function read(movements: Movement[], name = `statement-${++place}.xml`): Promise<number> {
  const id = await takeBankFile(
    name,
    Buffer.from(statementXml(`IE35DEMO${place}`, day, movements)),
    inTheNameOf('Col Varley'),
  )
  await house.settle()
  return id
}
const entries = async (fileId: number) =>
  (await bankEntries({ fileId, limit: 100 })).rows.sort((a, b) => a.id - b.id)
const told = (all: EntryView[]) => all.map(({ state, reason }) => `${state}: ${reason.words}`)

/** One step of a document type that would grow tenfold with each. */
const entity = (n: number) => `<!ENTITY l${n + 1} "${`&l${n};`.repeat(10)}">`

describe('a bank file', () => {
  test(
    'is matched by reference, by number and amount, by amount and name; the sure ones are booked ' +
      'after a look',
    async () => {
      const [a, b, c, d] = [
        await invoice(),
        await invoice('10418', '7'),
        await invoice('10419', '5'),
        await invoice('10420', '3'),
      ]
      const file = await read([
        { amount: a.open, name: 'Somebody else', reference: creditorReference(a.number) },
        { amount: b.open, name: 'x', text: `Re: ${b.number.toLowerCase().replaceAll('-', ' ')}, merci` },
        { amount: new Decimal(c.open).minus(10).toFixed(2), name: c.name, text: c.number },
        { amount: d.open, name: d.name, text: 'hives' },
        { amount: '3.33', name: 'Nobody' },
        { amount: '7.90', name: 'Bank', text: 'Fee', out: true },
      ])
      expect(told(await entries(file))).toEqual([
        `sure: The reference names ${a.number}, and the amount fits.`,
        `sure: It names ${b.number}, and the amount fits.`,
        `unsure: It names ${c.number}; 10.00 would stay open.`,
        `unsure: ${d.number} of ${d.name} has just this amount open; no number is named.`,
        'strange: No open invoice has its number, or its amount and name.',
        'strange: Money that went out, and no credit note is named.',
      ])
      expect(await open(a.id)).toBe(a.open)
      expect(await bookSure(file, null, inTheNameOf('Maeve Tarrant'))).toBe(2)
      await house.settle()
      expect([await open(a.id), await open(b.id), await open(c.id)]).toEqual(['0.00', '0.00', c.open])
      expect(
        await rows('select made_by, date::text date, method, reference from payment order by id'),
      ).toMatchObject([{ made_by: 'Maeve Tarrant', date: day, method: 'bank transfer' }, {}])
      const [, , unsure, , strange, fee] = await entries(file)
      await bookEntry(
        unsure!.id,
        { customerId: unsure!.proposal.customerId!, settle: unsure!.proposal.settlements },
        inTheNameOf('Col Varley'),
      )
      expect(await open(c.id)).toBe('10.00')
      await expect(
        bookEntry(
          unsure!.id,
          { customerId: unsure!.proposal.customerId!, settle: [] },
          inTheNameOf('Maeve Tarrant'),
        ),
      ).rejects.toThrow('It is booked already, by Col Varley')
      expect(await setAside([fee!.id, unsure!.id], 'Bank fee', inTheNameOf('Col Varley'))).toEqual([fee!.id])
      await bookEntry(
        strange!.id,
        { customerId: house.customer('10417').id, settle: [] },
        inTheNameOf('Col Varley'),
      )
      expect(
        (await one<{ open: string }>('select open::text open from payment where amount = 3.33'))!.open,
      ).toBe('3.33')
      expect((await bankFiles()).find((one) => one.id === file)!.counts).toEqual({
        booked: 4,
        unsure: 1,
        'set aside': 1,
      })
    },
  )

  test('the same file twice is refused, a movement known from another left out: nothing twice', async () => {
    const a = await invoice()
    const movement = { amount: a.open, name: 'x', text: a.number }
    const bytes = Buffer.from(statementXml('IE35SAME', day, [movement]))
    const first = await takeBankFile('monday.xml', bytes, inTheNameOf('Col Varley'))
    await expect(takeBankFile('again.xml', bytes, inTheNameOf('Maeve Tarrant'))).rejects.toThrow(
      /was read on \d+ \w+ \d{4} by Col Varley, as monday\.xml/,
    )
    await house.settle()
    const later = await takeBankFile(
      'tuesday.xml',
      Buffer.from(statementXml('IE35SAME', day, [movement, { amount: '1.00', name: 'y' }])),
      inTheNameOf('Col Varley'),
    )
    await house.settle()
    expect((await bankFiles()).find((one) => one.id === later)).toMatchObject({ entries: 2, known: 1 })
    expect(await entries(later)).toHaveLength(1)
    await bookSure(first, null, inTheNameOf('Col Varley'))
    await Promise.all([bookWaiting(first), bookWaiting(first), house.settle()])
    expect(await rows('select id from allocation where to_document_id = $1', [a.id])).toHaveLength(1)
  })

  test('two payments of one invoice in one file: the second is not sure', async () => {
    const a = await invoice()
    const file = await read([
      { amount: a.open, name: a.name, text: a.number },
      { amount: a.open, name: a.name, text: a.number },
    ])
    expect(told(await entries(file))).toEqual([
      `sure: It names ${a.number}, and the amount fits.`,
      `strange: It names ${a.number}, on which nothing is open.`,
    ])
  })

  test('what was paid by hand meanwhile is unsure again; matched once that was taken back', async () => {
    const a = await invoice()
    const file = await read([{ amount: a.open, name: a.name, text: a.number }])
    const paid = await recordPayment(
      {
        direction: 'in',
        customerId: house.customer('10417').id,
        date: day,
        method: 'cash',
        amount: a.open,
        currency: 'EUR',
        reference: '',
        settle: [{ documentId: a.id, amount: a.open, discount: '0', writeOff: '0' }],
      },
      inTheNameOf('Test'),
    )
    await bookSure(file, null, inTheNameOf('Col Varley'))
    await house.settle()
    expect(told(await entries(file))[0]).toMatch(/^unsure: Nothing is open on .* any more/)
    await undoPayment(paid, 'Mistake', inTheNameOf('Test'))
    expect(await matchAgain(file)).toBe(1)
    expect((await entries(file))[0]!.state).toBe('sure')
  })

  test('a movement whose text no index could hold is kept, and known when it comes again', async () => {
    const text = Array.from({ length: 700 }, (_, n) =>
      createHash('md5').update(String(n)).digest('hex'),
    ).join(' ')
    const file = await read([{ amount: '9.99', name: 'x', text }])
    expect(await entries(file)).toHaveLength(1)
    const again = await takeBankFile(
      'again.xml',
      Buffer.from(
        statementXml(`IE35DEMO${place}`, day, [
          { amount: '9.99', name: 'x', text },
          { amount: '2.00', name: 'y' },
        ]),
      ),
      inTheNameOf('Col Varley'),
    )
    await house.settle()
    expect((await bankFiles()).find((one) => one.id === again)).toMatchObject({ entries: 2, known: 1 })
  })

  test(
    "two statements in one file: the bank's reference tells the same movement from another that only " +
      'looks alike',
    async () => {
      const entry = (reference: string) =>
        `<Ntry><Amt Ccy="EUR">5.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts>BOOK</Sts>
<BookgDt><Dt>${day}</Dt></BookgDt>${reference && `<AcctSvcrRef>${reference}</AcctSvcrRef>`}</Ntry>`
      const statement = `<Stmt><Acct><Id><IBAN>IE35TWICE</IBAN></Id></Acct>${entry('R1')}${entry('')}</Stmt>`
      const id = await takeBankFile(
        'both.xml',
        Buffer.from(`<Document><BkToCstmrStmt>${statement}${statement}</BkToCstmrStmt></Document>`),
        inTheNameOf('Col Varley'),
      )
      await house.settle()
      expect((await bankFiles()).find((one) => one.id === id)).toMatchObject({
        state: 'ready',
        entries: 4,
        known: 1,
      })
      expect(await entries(id)).toHaveLength(3)
    },
  )

  test('what waits to be booked in one file is not sure in another', async () => {
    const a = await invoice()
    await read([{ amount: a.open, name: a.name, text: a.number }])
    expect(told(await entries(await read([{ amount: a.open, name: a.name, text: a.number }])))).toEqual([
      `strange: It names ${a.number}, on which nothing is open.`,
    ])
  })

  test.each<[string, Uint8Array | string, string]>([
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]), 'This file is not text'],
    ['another XML', '<a/>', 'This is no bank statement'],
    [
      'an entity bomb',
      `<!DOCTYPE lolz [${[...Array(9).keys()].map(entity).join('')}]><a>&l9;</a>`,
      'declares a document type',
    ],
    [
      'an empty statement',
      '<Document><BkToCstmrStmt><Stmt/></BkToCstmrStmt></Document>',
      'No booked movement',
    ],
    ['a CSV', 'date,amount\n2026-11-01,5\n', 'no well-formed XML'],
  ])('%s is refused in words, and nothing is kept of it', async (_, content, words) => {
    const id = await takeBankFile('strange', Buffer.from(content), inTheNameOf('Test'))
    await house.settle()
    expect(inWords((await bankFiles()).find((one) => one.id === id))).toMatchObject({
      state: 'refused',
      reason: expect.stringContaining(words),
    })
    expect(await entries(id)).toEqual([])
  })

  test('an empty file is refused at once, and a worker that dies while it reads leaves it to be read', async () => {
    await expect(takeBankFile('nothing.xml', new Uint8Array(), inTheNameOf('Test'))).rejects.toThrow('empty')
    const xml = statementXml('IE35DIES', day, [{ amount: '5.00', name: 'x' }])
    await run(`insert into file (sha256, media_type, size, bytes, kept_at) values ($1, 'x', 1, $2, now())`, [
      createHash('sha256').update(xml).digest('hex'),
      Buffer.from(xml),
    ])
    await run(
      `insert into bank_file (sha256, name, made_at, made_by)
      values ($1, 'died.xml', now() - interval '2 minutes', 'Test')`,
      [createHash('sha256').update(xml).digest('hex')],
    )
    await sweep()
    await house.settle()
    expect((await bankFiles())[0]).toMatchObject({ name: 'died.xml', state: 'ready', entries: 1 })
  })
})

describe('a bank statement as CSV', () => {
  async function csv(movements: Movement[], account = `DE47CSV${++place}`): Promise<number> {
    const id = await takeImport(
      'bank movements',
      'umsaetze.csv',
      statementCsv(account, day, movements),
      inTheNameOf('Col Varley'),
    )
    const view = await importView(id)
    await checkImport(id, { ...view, mapping: { ...view.mapping, account: { fixed: account } } })
    await house.settle()
    return id
  }
  async function kept(id: number): Promise<number> {
    await writeImport(id)
    await house.settle()
    return (await importView(id)).bankFileId!
  }
  const words = async (id: number) =>
    (await importRows({ importId: id, limit: 100 })).rows.map(
      (row) => `${row.line} ${row.state}: ${row.note?.words ?? ''}`,
    )

  test(
    'is read past what stands above its columns, mapped, checked and matched as any statement; ' +
      'nothing is booked before the look',
    async () => {
      const [a, b] = [await invoice(), await invoice('10418', '7')]
      const id = await csv([
        { amount: a.open, name: 'Müller', text: `Rechnung ${a.number}` },
        { amount: b.open, name: 'x', reference: creditorReference(b.number) },
        { amount: '1234.56', name: 'y' },
        { amount: '4.90', name: 'Bank', out: true },
      ])
      expect(await importView(id)).toMatchObject({
        encoding: 'Windows-1252',
        heading: 2,
        decimalSign: ',',
        counts: { right: 4 },
        bankFileId: null,
        asBefore: false,
      })
      const file = await kept(id)
      expect(told(await entries(file))).toEqual([
        `sure: It names ${a.number}, and the amount fits.`,
        `sure: The reference names ${b.number}, and the amount fits.`,
        'strange: No open invoice has its number, or its amount and name.',
        'strange: Money that went out, and no credit note is named.',
      ])
      expect(
        (await entries(file)).map(({ amount, currency, name, bookedOn }) => [
          amount,
          currency,
          name,
          bookedOn,
        ]),
      ).toEqual([
        [a.open, 'EUR', 'Müller', day],
        [b.open, 'EUR', 'x', day],
        ['1234.56', 'EUR', 'y', day],
        ['-4.90', 'EUR', 'Bank', day],
      ])
      expect(await open(a.id)).toBe(a.open)
      await bookSure(file, null, inTheNameOf('Col Varley'))
      await house.settle()
      expect([await open(a.id), await open(b.id)]).toEqual(['0.00', '0.00'])
    },
  )

  test('the same movement comes in once, whichever file it comes in, as CSV, as XML or from a program', async () => {
    const movement = { amount: '61.00', name: 'Twice' }
    const first = await kept(await csv([movement, { amount: '3.00', name: 'z' }], 'DE47SAME'))
    const again = await csv([movement, { amount: '3.00', name: 'z' }], 'DE47SAME')
    expect(await importView(again)).toMatchObject({
      asBefore: true,
      mapping: { account: { fixed: 'DE47SAME' } },
    })
    const file = await kept(again)
    expect(await words(again)).toEqual([
      '5 unchanged: This movement is known already.',
      '6 unchanged: This movement is known already.',
    ])
    expect((await bankFiles()).filter((one) => [first, file].includes(one.id))).toMatchObject([
      { entries: 2, known: 2, account: '' },
      { entries: 2, known: 0, account: 'DE47SAME' },
    ])
    const record = {
      bookedOn: day,
      amount: '61',
      account: 'DE47SAME',
      name: 'whatever',
      bankReference: `U${day.replaceAll('-', '')}0`,
    }
    const given = await importRecords(
      'bank movements',
      [
        record,
        { ...record, bankReference: 'other' },
        { ...record, amount: '1.005' },
        { ...record, bookedOn: '2099-01-01' },
      ],
      inTheNameOf('Shop'),
    )
    expect(given.map((one) => `${one.outcome}: ${one.note.words}`)).toEqual([
      'unchanged: This movement is known already.',
      expect.stringContaining('written: Kept'),
      'wrong: 1.005 has more digits than EUR has.',
      expect.stringContaining('wrong: 2099-01-01 is in the future'),
    ])
    expect(
      (
        await importRecords(
          'bank movements',
          [record, { ...record, bankReference: 'other' }],
          inTheNameOf('Shop'),
        )
      ).map((one) => one.outcome),
    ).toEqual(['unchanged', 'unchanged'])
    const xml = `<Document><BkToCstmrStmt><Stmt><Acct><Id><IBAN>DE47SAME</IBAN></Id></Acct>
<Ntry><Amt Ccy="EUR">61.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts>BOOK</Sts><BookgDt><Dt>${day}</Dt></BookgDt>
<AcctSvcrRef>other</AcctSvcrRef></Ntry></Stmt></BkToCstmrStmt></Document>`
    const asXml = await takeBankFile('same.xml', Buffer.from(xml), inTheNameOf('Col Varley'))
    await house.settle()
    expect((await bankFiles()).find((one) => one.id === asXml)).toMatchObject({ entries: 1, known: 1 })
  })

  test('movements alike in one file are each kept; a worker that dies half-way goes on where it was', async () => {
    const alike = 'bookedOn,amount,name\n2026-11-20,5,Same\n2026-11-20,5,Same\n2026-11-20,zero,Same\n'
    const id = await takeImport('bank movements', 'alike.csv', Buffer.from(alike), inTheNameOf('Col Varley'))
    await checkImport(id, await importView(id))
    await house.settle()
    expect(await words(id)).toEqual([
      '2 right: ',
      '3 right: ',
      '4 wrong: Amount, with its sign: “zero” is no number like 1,234.50.',
    ])
    await run(`update import set state = 'writing' where id = $1`, [id])
    await Promise.all([goOnImporting(id), goOnImporting(id)])
    expect(await entries((await importView(id)).bankFileId!)).toHaveLength(2)
    expect((await importView(id)).counts).toEqual({ written: 2, wrong: 1 })
  })

  test('without a column for the amount says so, and nothing is checked', async () => {
    const id = await takeImport(
      'bank movements',
      'short.csv',
      Buffer.from('bookedOn,name\n2026-11-20,Same\n'),
      inTheNameOf('Col Varley'),
    )
    await expect(checkImport(id, await importView(id))).rejects.toThrow(
      'Say which column is “Amount, with its sign” or “Amount that came in” or “Amount that went out”.',
    )
  })
})
