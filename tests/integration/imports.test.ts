import { describe, expect, test } from 'vitest'
import type { ImportSubject } from '../../core/imports/subjects'
import type { Mapping } from '../../core/imports/mapping'
import { one, rows, run } from '../../server/db/connection'
import {
  checkImport,
  importRecords,
  imports,
  importView,
  mendRow,
  takeImport,
  writeImport,
} from '../../server/services/imports/imports'
import { importRows } from '../../server/services/imports/imports-queries'
import { addOwnField } from '../../server/services/fields/own-fields'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* Files of records: read whatever program made them, checked before anything is written, mended, written once. */
const house = useHouse({ reports: false })
const bytes = (text: string) => new TextEncoder().encode(text)

async function checked(
  subject: ImportSubject,
  text: string | Uint8Array,
  change: Mapping = {},
): Promise<number> {
  const id = await takeImport(
    subject,
    `${subject}.csv`,
    typeof text === 'string' ? bytes(text) : text,
    inTheNameOf('Col Varley'),
  )
  const view = await importView(id)
  await checkImport(id, {
    mapping: { ...view.mapping, ...change },
    decimalSign: view.decimalSign,
    dayOrder: view.dayOrder,
  })
  await house.settle()
  return id
}
async function written(id: number): Promise<Record<string, number>> {
  await writeImport(id)
  await house.settle()
  return (await importView(id)).counts as Record<string, number>
}
const notes = async (id: number) =>
  (await importRows({ importId: id, limit: 200 })).rows.map(
    (row) => `${row.line} ${row.state}: ${row.note?.words ?? ''}`,
  )

describe('customers', () => {
  const file =
    'Kundennummer;Firma;Land;Strasse;Ort;E-Mail;Zahlungsziel\r\n20001;Imkerei Grünau;Germany;Am Bach ' +
    '1;"01234 Grünau";buero@gruenau.example;21\r\n20002;"Bee ""&"" Co; Ltd";Ireland;;;not an ' +
    'address;x\r\n20001;Twice;Ireland;;;;\r\n;Nameless;Ireland;;;;\r\n'

  test('as an old program writes them: the wrong rows said, the right one written with its contact', async () => {
    const old = Uint8Array.from(file, (character) => character.charCodeAt(0))
    const id = await checked('customers', old)
    expect(await importView(id)).toMatchObject({
      encoding: 'Windows-1252',
      delimiter: ';',
      state: 'checked',
      counts: { right: 1, wrong: 3 },
    })
    expect(await notes(id)).toEqual([
      '2 right: ',
      '3 wrong: Pays within days: “x” is no number like 1,234.50. Email of the billing contact: “not ' +
        'an address” is no email address like name@house.example.',
      '4 wrong: It stands in this file already, on line 2.',
      '5 wrong: Number is missing.',
    ])
    expect(await one(`select id from customer where number = '20001'`)).toBeUndefined()
    expect(await written(id)).toEqual({ written: 1, wrong: 3 })
    expect(
      await one(
        `select name, country, language, terms, billing -> 'lines' lines from customer where number = '20001'`,
      ),
    ).toEqual({
      name: 'Imkerei Grünau',
      country: 'DE',
      language: 'en',
      terms: { kind: 'days', days: 21 },
      lines: ['Am Bach 1', '01234 Grünau'],
    })
    expect(
      await rows(
        `select k.email, k.role from contact k join customer c on c.id = k.customer_id where c.number = '20001'`,
      ),
    ).toEqual([{ email: 'buero@gruenau.example', role: 'billing' }])
  })

  test('days to pay from a file leave the discount and the direct debit; a mandate makes one', async () => {
    const line = (rest: string) => `number,name,country,terms,mandate\n20050,Collected,Ireland,${rest}\n`
    const terms = async () =>
      (await one<{ terms: unknown }>(`select terms from customer where number = '20050'`))!.terms
    await written(await checked('customers', line('14,M-4711')))
    expect(await terms()).toEqual({ kind: 'days', days: 14, collected: { mandate: 'M-4711' } })
    await run(
      `update customer set terms = terms || '{"discount": {"percent": "2", "days": 7}}' where number = '20050'`,
    )
    await written(await checked('customers', line('21,')))
    expect(await terms()).toEqual({
      kind: 'days',
      days: 21,
      discount: { percent: '2', days: 7 },
      collected: { mandate: 'M-4711' },
    })
  })

  test('a wrong row is mended on the spot and written; the same file twice changes nothing', async () => {
    const id = await checked('customers', 'number,name,country,email\n20010,Mended,Ireland,nobody\n')
    expect(await mendRow(id, 2, ['20010', 'Mended Ltd', 'Ireland', 'office@mended.example'])).toMatchObject({
      state: 'right',
      note: null,
    })
    expect(await written(id)).toEqual({ written: 1 })
    await expect(mendRow(id, 2, ['x', 'y', 'z', ''])).rejects.toThrow('written already')
    const before = await one(`select version from customer where number = '20010'`)
    const again = await checked(
      'customers',
      'number,name,country,email\n20010,Mended Ltd,Ireland,office@mended.example\n',
    )
    expect(await written(again)).toEqual({ unchanged: 1 })
    expect(await one(`select version from customer where number = '20010'`)).toEqual(before)
  })

  test('one value for all rows stands where no column is', async () => {
    const id = await checked('customers', 'number,name\n20020,A\n20021,B\n', {
      country: { fixed: 'France' },
      language: { fixed: 'fr' },
    })
    await written(id)
    expect(await rows(`select country, language from customer where number in ('20020', '20021')`)).toEqual([
      { country: 'FR', language: 'fr' },
      { country: 'FR', language: 'fr' },
    ])
  })
})

describe('orders', () => {
  const head = 'order,date,customer,status,item,description,qty,price,tax\n'
  const file = [
    'order,date,customer,status,item,description,qty,price,tax',
    'X-1,24.11.2026,10417,Packed,HB-10N,,2,,',
    'X-1,24.11.2026,10417,Packed,,Setting up,1,"1,200.50",standard',
    'X-2,2026-11-24,10418,Shipped,,Repair,1,40,standard',
    'X-3,2026-11-24,99999,,,Repair,1,40,standard',
    'X-4,2026-11-24,10417,,,Good,1,40,standard',
    'X-4,2026-11-24,10417,,,Bad,one,40,standard',
    'X-5,2026-11-24,10417,Lost,,Repair,1,40,standard',
    '',
  ].join('\n')

  test(
    "line by line become orders with their items' texts and prices; an order with one wrong line " +
      'waits whole; nobody is written to unless somebody asks',
    async () => {
      const id = await checked('orders', file)
      expect(await notes(id)).toEqual([
        '2 right: ',
        '3 right: ',
        '4 right: ',
        '5 wrong: Customer 99999 is not known. Import the customers first.',
        '6 wrong: Another line of this order is wrong.',
        '7 wrong: Line: quantity: “one” is no number like 1,234.50.',
        expect.stringContaining('“Lost” is none of Draft'),
      ])
      expect(await written(id)).toEqual({ written: 3, wrong: 4 })
      const item = (await one<{ price: string; names: { en: string } }>(
        `select price::text price, names from item where code = 'HB-10N'`,
      ))!
      expect(
        await one(
          `select o.status, o.total > 1200 large,
          (
            select jsonb_agg(
              jsonb_build_array(l.description, l.unit_price = $1::numeric, l.tax_code) order by l.position
            )
            from order_line l
            where l.order_id = o.id
          ) lines
        from sales_order o
        where number = 'X-1'`,
          [item.price],
        ),
      ).toEqual({
        status: 'Packed',
        large: true,
        lines: [
          [item.names.en, true, 'standard'],
          ['Setting up', false, 'standard'],
        ],
      })
      const [shipped] = await rows<{ id: number }>(`select id from sales_order where number = 'X-2'`)
      expect(await papersOf([shipped!.id])).toEqual([])
      const asked = await checked('orders', `${head}X-9,2026-11-24,10418,Shipped,,Repair,1,40,standard\n`)
      await writeImport(asked, true)
      await house.settle()
      const [told] = await rows<{ id: number }>(`select id from sales_order where number = 'X-9'`)
      expect(await papersOf([told!.id])).toMatchObject([{ state: 'prepared', problem: null }])
    },
  )

  test(
    'mending the wrong line frees the others; the same again changes nothing; another quantity ' +
      'changes the order; another status moves it',
    async () => {
      const id = await checked(
        'orders',
        `${head}Y-1,2026-11-24,10417,Packed,,Good,1,40,standard\nY-1,2026-11-24,10417,Packed,,Bad,one,40,standard\n`,
      )
      await mendRow(id, 3, ['Y-1', '2026-11-24', '10417', 'Packed', '', 'Bad', '2', '40', 'standard'])
      expect(await written(id)).toEqual({ written: 2 })
      const line = (quantity: string, status: string) =>
        `${head}Y-1,2026-11-24,10417,${status},,Good,1,40,standard\n` +
        `Y-1,2026-11-24,10417,${status},,Bad,${quantity},40,standard\n`
      expect(await written(await checked('orders', line('2', 'Packed')))).toEqual({ unchanged: 2 })
      expect(await written(await checked('orders', line('3', 'Packed')))).toEqual({ written: 2 })
      expect(await written(await checked('orders', line('3', 'Shipped')))).toEqual({ written: 2 })
      const other = await checked('orders', line('3', 'Shipped').replaceAll('10417', '10418'))
      expect(await written(other)).toEqual({ wrong: 2 })
      expect((await notes(other))[0]).toContain('This order is there with the customer 10417, not 10418.')
      expect(await one(`select status, total::text total from sales_order where number = 'Y-1'`)).toEqual({
        status: 'Shipped',
        total: '196.80',
      })
    },
  )
})

test('payments are booked on the document they name, once, with what is too much on account', async () => {
  const order = await house.newOrder()
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
  const number = result!.number!
  const file = [
    'invoice,paid on,amount,method',
    `${number},25.11.2026,700.00,card`,
    `${number},25.11.2026,5.00,cash`,
    'INV-none,25.11.2026,5,',
    `${number},2099-01-01,5,`,
    '',
  ].join('\n')
  const id = await checked('payments', file)
  expect((await importView(id)).counts).toEqual({ right: 3, wrong: 1 })
  expect(await written(id)).toEqual({ written: 2, wrong: 2 })
  expect((await notes(id)).at(-1)).toContain('is in the future')
  expect(
    await one('select open::text open from open_item where document_id = $1', [result!.documentId]),
  ).toEqual({ open: '0.00' })
  const count = await one('select count(*)::int count from payment')
  expect(await written(await checked('payments', file.split('\n').slice(0, 3).join('\n')))).toEqual({
    unchanged: 2,
  })
  expect(await one('select count(*)::int count from payment')).toEqual(count)
})

test('rates and items: new, changed and unchanged are told apart', async () => {
  expect(await written(await checked('rates', 'currency;day;rate\nUSD;24.11.2026;1,0812\n'))).toEqual({
    written: 1,
  })
  expect(
    await one(`select rate::text rate from exchange_rate where currency = 'USD' and day = '2026-11-24'`),
  ).toEqual({ rate: '1.0812' })
  expect(await written(await checked('rates', 'currency;day;rate\nUSD;24.11.2026;1,0812\n'))).toEqual({
    unchanged: 1,
  })
  const bad = await checked(
    'rates',
    [
      '\uFEFFCurrency;Day;Rate;Source',
      'TND;2026-11-20;3,35210001;Glenhaven Bank',
      'JPY;2026-02-30;160,5;x',
      'TND;2026-11-21;-1;x',
      'EURO;2026-11-21;1;x',
      'EUR;2026-11-21;1;x',
      '',
    ].join('\n'),
  )
  expect((await notes(bad)).map((note) => note.replace(/^\d+ /, ''))).toEqual([
    'right: ',
    expect.stringContaining('“2026-02-30” is no day'),
    'wrong: The rate is not over zero.',
    expect.stringContaining('“EURO” is no currency'),
    'wrong: EUR is the house’s own currency.',
  ])
  await written(bad)
  expect(
    await one(
      `select rate::text rate, source from exchange_rate where currency = 'TND' and day = '2026-11-20'`,
    ),
  ).toEqual({ rate: '3.35210001', source: 'Glenhaven Bank' })
  const items = 'code,name,price,tax\nNEW-1,=SUM(A1),4.50,standard\nNEW-2,Odd,4.50,luxury\n'
  const id = await checked('items', items)
  expect((await notes(id))[1]).toContain('“luxury” is none of')
  expect(await written(id)).toEqual({ written: 1, wrong: 1 })
  expect(await one(`select names ->> 'en' name from item where code = 'NEW-1'`)).toEqual({ name: '=SUM(A1)' })
})

describe('other programs', () => {
  test('give records as JSON, with what became of each; the same call twice changes nothing', async () => {
    const records = [
      {
        number: 'J-1',
        date: '2026-11-24',
        customer: '10417',
        description: 'Repair',
        quantity: '1',
        price: '10',
        taxCode: 'standard',
      },
      {
        number: 'J-2',
        date: 'soon',
        customer: '10417',
        description: 'Repair',
        quantity: '1',
        price: '10',
        taxCode: 'standard',
      },
    ]
    expect(inWords(await importRecords('orders', records, inTheNameOf('Shop')))).toEqual([
      { record: 1, outcome: 'written', note: 'New.' },
      { record: 2, outcome: 'wrong', note: expect.stringContaining('“soon” is no day') },
    ])
    expect((await importRecords('orders', records.slice(0, 1), inTheNameOf('Shop')))[0]).toMatchObject({
      outcome: 'unchanged',
    })
    const twice = await importRecords(
      'customers',
      [
        { number: '20500', name: 'A', country: 'Ireland' },
        { number: '20500', name: 'B', country: 'Ireland' },
      ],
      inTheNameOf('Shop'),
    )
    expect(inWords(twice)).toMatchObject([
      { outcome: 'wrong', note: 'It is given twice.' },
      { outcome: 'wrong' },
    ])
  })
})

describe('hostile and broken files', () => {
  test.each<[string, Uint8Array | string, string]>([
    ['a spreadsheet', Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0, 0, 0, 1, 2]), 'This file is not text'],
    ['nothing', '', 'needs a first line'],
    ['only names', 'number,name\n', 'needs a first line'],
    [
      'ten thousand columns',
      `${Array.from({ length: 10_000 }, (_, n) => `c${n}`).join(',')}\n1\n`,
      '10,000 columns; at most 200',
    ],
    ['an endless cell', `number,name\n"${'x'.repeat(300_000)}`, 'cannot be read as CSV'],
    ['a quote that never ends', 'number,name\n1,"never ends\n2,b\n', 'cannot be read as CSV'],
  ])('%s: refused in words, nothing kept', async (_, content, words) => {
    const before = (await imports()).length
    await expect(
      takeImport(
        'customers',
        'x.csv',
        typeof content === 'string' ? bytes(content) : content,
        inTheNameOf('Test'),
      ),
    ).rejects.toThrow(words)
    expect((await imports()).length).toBe(before)
  })

  test('a file that breaks off far down is refused when it is checked, and nothing is written', async () => {
    const id = await takeImport(
      'customers',
      'torn.csv',
      bytes(
        [
          'number,name,country',
          ...Array.from({ length: 30_000 }, (_, n) => `9${n},Customer ${n} of a long name,Ireland`),
          '99,"torn',
        ].join('\n'),
      ),
      inTheNameOf('Test'),
    )
    const view = await importView(id)
    await checkImport(id, view)
    await house.settle()
    expect(inWords(await importView(id))).toMatchObject({
      state: 'refused',
      reason: expect.stringContaining('cannot be read as CSV'),
    })
    await expect(writeImport(id)).rejects.toThrow('No row of this import waits')
  })

  test('a mapping without a needed field is refused with the field', async () => {
    const id = await takeImport('customers', 'x.csv', bytes('a,b\n1,2\n'), inTheNameOf('Test'))
    await expect(checkImport(id, { mapping: {}, decimalSign: '.', dayOrder: 'day first' })).rejects.toThrow(
      'Say which column is “Number”',
    )
    await expect(
      checkImport(id, {
        mapping: { number: { column: 0 }, name: { column: 7 }, country: { fixed: 'x' } },
        decimalSign: '.',
        dayOrder: 'day first',
      }),
    ).rejects.toThrow('mapped to nothing')
  })
})

describe('what a screen takes comes in from a file as well', () => {
  const facts = { kind: 'text' as const, choices: [], labels: {}, printed: false }

  test('items with their numbers, customs and own fields; what a file does not give stays', async () => {
    await addOwnField({ ...facts, of: 'item', name: 'Finish' })
    const head = 'code,name,price,tax code,EAN,kg,origin,Finish\n'
    expect(
      await written(await checked('items', `${head}IM-1,Hive,12.50,standard,4006381333931,1.25,DE,Cedar\n`)),
    ).toEqual({ written: 1 })
    const item = () =>
      one(
        `select gtin, trim_scale(weight)::text weight, origin, fields, price::text price from item where code = 'IM-1'`,
      )
    expect(await item()).toEqual({
      gtin: '4006381333931',
      weight: '1.25',
      origin: 'DE',
      fields: { Finish: 'Cedar' },
      price: '12.5000',
    })
    await written(await checked('items', 'code,name,price,tax code\nIM-1,Hive,13,standard\n'))
    expect(await item()).toMatchObject({
      gtin: '4006381333931',
      fields: { Finish: 'Cedar' },
      price: '13.0000',
    })
    expect(await notes(await checked('items', `${head}IM-2,Hive,12.50,standard,4006381333930,,,\n`))).toEqual(
      ['2 wrong: “4006381333930” is not a GTIN: its last digit does not fit the others.'],
    )
  })

  test('items with what a buyer chooses; who has one open is told that a file changed it', async () => {
    const head = 'code,name,price,tax code,choices\n'
    const version = async () =>
      (await one<{ version: number }>(`select version from item where code = 'IM-1'`))!.version
    const before = await version()
    await written(await checked('items', `${head}IM-1,Hive,13,standard,"Colour: green, blue; Size: S"\n`))
    expect(await one(`select options from item where code = 'IM-1'`)).toEqual({
      options: [
        { name: 'Colour', values: ['green', 'blue'] },
        { name: 'Size', values: ['S'] },
      ],
    })
    expect(await version()).toBe(before + 1)
    // the same again, and a file without that column, take nothing away
    expect(
      await written(await checked('items', 'code,name,price,tax code\nIM-1,Hive,13,standard\n')),
    ).toEqual({
      unchanged: 1,
    })
    expect(await version()).toBe(before + 1)
    expect(await notes(await checked('items', `${head}IM-3,Hive,13,standard,green\n`))).toEqual([
      '2 wrong: Choices: “green” is not written like “Colour: green, blue; Size: S, L”.',
    ])
  })

  test('orders with charge, delivery address, internal note, and own fields of order and lines', async () => {
    await addOwnField({ ...facts, of: 'order', name: 'Gate code' })
    await addOwnField({ ...facts, of: 'line', name: 'Engraving' })
    const head =
      'order,date,customer number,description,quantity,price,tax code,freight,internal,ship to,' +
      'lieferstrasse,lieferort,lieferland,Gate code,Engraving\n'
    const row = (charge: string) =>
      `IMP-1,2026-11-20,10417,Hive,2,10,standard,${charge},Ring first,Barn,Lane 1,Farrow,Ireland,7711,Ada\n`
    expect(await written(await checked('orders', head + row('5.00')))).toEqual({ written: 1 })
    const order = () =>
      one<{ adjustments: unknown[] }>(
        `select o.adjustments, o.internal_note note, o.delivery -> 'lines' lines, o.fields, l.fields "lineFields",
          o.total::text total
        from sales_order o
        join order_line l on l.order_id = o.id
        where o.number = 'IMP-1'`,
      )
    expect(await order()).toEqual({
      adjustments: [{ kind: 'charge', label: 'Shipping', amount: '5.00' }],
      note: 'Ring first',
      lines: ['Lane 1', 'Farrow'],
      fields: { 'Gate code': '7711' },
      lineFields: { Engraving: 'Ada' },
      total: '30.75',
    })
    expect(await written(await checked('orders', head + row('5.00')))).toEqual({ unchanged: 1 })
    expect(await written(await checked('orders', head + row('6.00')))).toEqual({ written: 1 })
    expect((await order())!.adjustments).toEqual([{ kind: 'charge', label: 'Shipping', amount: '6.00' }])
    await written(
      await checked(
        'orders',
        'order,date,customer number,description,quantity,price,tax code\nIMP-1,2026-11-20,10417,Hive,3,10,standard\n',
      ),
    )
    expect(await order()).toMatchObject({ note: 'Ring first', lineFields: { Engraving: 'Ada' } })
  })

  test('customers with their own fields', async () => {
    await addOwnField({ ...facts, of: 'customer', name: 'Queens', kind: 'number' })
    await written(await checked('customers', 'number,name,country,Queens\n20500,Hivers,Ireland,12\n'))
    expect(await one(`select fields from customer where number = '20500'`)).toEqual({
      fields: { Queens: '12' },
    })
  })
})
