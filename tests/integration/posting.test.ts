import { beforeEach, describe, expect, test } from 'vitest'
import type { DraftFacts } from '../../core/documents/draft'
import { Decimal, sum } from '../../core/money/decimal'
import { one, rows, run } from '../../server/db/connection'
import { draftFromOrder, draftView, changeDraft, newInvoice } from '../../server/services/drafts/drafts'
import { creditDocument, creditOffer } from '../../server/services/drafts/credit'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import type { IssueResult } from '../../server/services/documents/ready-to-issue'
import { prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { voidDocument } from '../../server/services/documents/void'
import { confirmedOf } from '../../server/services/orders/confirmed'
import { orderView } from '../../server/services/orders/list'
import { editOrder } from '../../server/services/orders/orders'
import { closePeriods, periods } from '../../server/services/house/periods'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* Writing, issuing, voiding and crediting; what an auditor looks at. */
const house = useHouse({ reports: false })
const line = (description: string, quantity: string, unitPrice: string, taxCode = 'standard') => ({
  item: '',
  description,
  detail: null,
  unit: '',
  quantity,
  unitPrice,
  discountPercent: '0',
  taxCode,
})
const today = () => new Date().toISOString().slice(0, 10)
const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)

async function written(change: Partial<DraftFacts> = {}, customer = '10417'): Promise<number> {
  const draftId = await newInvoice(house.customer(customer).id, house.brands[0]!.id, inTheNameOf('Test'))
  await change_(draftId, {
    lines: [line('Repair of an extractor', '1', '100.00'), line('Bee meadow seed', '2', '10.00', 'reduced')],
    suppliedOn: daysAgo(1),
    ...change,
  })
  return draftId
}
async function change_(
  draftId: number,
  facts: Partial<DraftFacts>,
  rest: { earlierDateOk?: boolean } = {},
): Promise<void> {
  const draft = await draftView(draftId)
  await changeDraft(
    draftId,
    {
      version: draft.version,
      brandId: draft.brandId,
      customerId: draft.customerId,
      earlierDateOk: rest.earlierDateOk ?? false,
      facts: { ...draft.facts, ...facts },
    },
    inTheNameOf('Test'),
  )
  await house.settle()
}
/** Issues what waits in To check of these drafts, as a Send does after one has looked. */
async function issue(...draftIds: number[]): Promise<IssueResult[]> {
  await house.settle()
  const papers = await rows<{ preparedId: number; revision: number }>(
    `update prepared_document
    set changes = null
    where source_id = any($1::int[]) and state = 'prepared'
    returning id "preparedId", revision`,
    [draftIds],
  )
  return issueInOneTransaction(papers, inTheNameOf('Col Varley'), undefined, { withoutAddress: true })
}
async function issued(draftId: number): Promise<{ id: number; number: string; total: string }> {
  const results = await issue(draftId)
  expect(results).toMatchObject([{ outcome: 'issued' }])
  return (await one<{ id: number; number: string; total: string }>(
    'select id, number, total::text total from document where source_id = $1',
    [draftId],
  ))!
}
/** An order's own invoice. */
async function shippedAndIssued(order: number): Promise<number> {
  await house.ship([order])
  const [paper] = await papersOf([order])
  const [result] = await issueInOneTransaction(
    [{ preparedId: paper!.id, revision: null }],
    inTheNameOf('Test'),
    undefined,
    {
      withoutAddress: true,
    },
  )
  return result!.documentId!
}
const open = async (documentId: number) =>
  (await one<{ open: string }>('select open::text open from open_item where document_id = $1', [documentId]))!
    .open
const content = async (documentId: number) =>
  (await one<{
    paper: {
      legal: string[]
      sums: { label: string; amount: string }[]
      facts: { key: string; value: string }[]
      toPay: { label: string; amount: string }
      lines: object[]
    }
  }>('select paper from document where id = $1', [documentId]))!.paper

beforeEach(async () => {
  await run('update company set closed_until = null')
})

describe('an invoice without an order', () => {
  test('is written, waits in To check, and is numbered and booked in one act', async () => {
    const draftId = await written()
    const { paper } = await draftView(draftId)
    expect(paper).toMatchObject({ state: 'prepared', problem: null, total: '145.70' })
    const document = await issued(draftId)
    expect(document.number).toMatch(/^INV-\d{4}-00001$/)
    expect(await open(document.id)).toBe('145.70')
    expect(
      await one(`select kind, facts ->> 'number' number from event where document_id = $1`, [document.id]),
    ).toEqual({ kind: 'document issued', number: document.number })
    await until('its email', async () =>
      (await house.mails('accounts@ottermill.example')).some((mail) =>
        mail.subject!.includes(document.number),
      ),
    )
  })

  test('without lines, or without a date of supply, says what is missing and cannot be issued', async () => {
    const draftId = await newInvoice(house.customer('10417').id, house.brands[0]!.id, inTheNameOf('Test'))
    expect((await draftView(draftId)).facts.suppliedOn).toBe(today())
    expect((await draftView(draftId)).paper!.problem?.words).toMatch(/no line yet/)
    await change_(draftId, { suppliedOn: null })
    expect((await draftView(draftId)).paper!.problem?.words).toMatch(/no date of supply/)
    expect(await issue(draftId)).toMatchObject([{ outcome: 'failed' }])
  })

  test('put back and prepared again keeps its content; two at once do not overwrite each other', async () => {
    const draftId = await written()
    const { paper, version, ...draft } = await draftView(draftId)
    await putBack([paper!.id], inTheNameOf('Test'))
    await prepareByHand('invoice', [draftId], inTheNameOf('Test'))
    expect((await draftView(draftId)).paper).toMatchObject({ id: paper!.id, state: 'prepared' })
    await change_(draftId, { reference: 'B/1' })
    await expect(
      changeDraft(
        draftId,
        {
          version,
          brandId: draft.brandId,
          customerId: draft.customerId,
          earlierDateOk: false,
          facts: draft.facts,
        },
        inTheNameOf('B'),
      ),
    ).rejects.toThrow('Somebody changed this draft')
    await issued(draftId)
    await expect(change_(draftId, { reference: 'B/2' })).rejects.toThrow('It is issued')
  })
})

describe('an order billed in parts', () => {
  const twelve = () =>
    house.newOrder({ adjustments: [{ kind: 'charge', label: 'Carriage', amount: '12.00' }] })

  test('each part takes its quantity, the rest bills what remains, and the order is never billed twice', async () => {
    const order = await twelve()
    const part = await draftFromOrder(order, { kind: 'part' }, inTheNameOf('Test'))
    const { facts } = await draftView(part)
    await change_(part, { suppliedOn: today(), lines: [{ ...facts.lines[0]!, quantity: '5' }] })
    const first = await issued(part)
    expect(first.total).toBe(new Decimal('41.50').times(5).plus(12).times('1.23').toFixed(2))
    await house.ship([order])
    const rest = (await papersOf([order])).find((paper) => paper.state === 'prepared')!
    expect(
      (await one<{ total: string }>('select total::text total from prepared_document where id = $1', [
        rest.id,
      ]))!.total,
    ).toBe(new Decimal('41.50').times(7).times('1.23').toFixed(2))
    expect(
      await issueInOneTransaction([{ preparedId: rest.id, revision: null }], inTheNameOf('Test')),
    ).toMatchObject([{ outcome: 'issued' }])
    await expect(draftFromOrder(order, { kind: 'part' }, inTheNameOf('Test'))).rejects.toThrow(
      'bills the whole of order',
    )
  })

  test(
    'two parts that together are more than was ordered: the second is refused when it is issued, ' +
      'with what is left',
    async () => {
      const order = await twelve()
      const [a, b] = [
        await draftFromOrder(order, { kind: 'part' }, inTheNameOf('A')),
        await draftFromOrder(order, { kind: 'part' }, inTheNameOf('B')),
      ]
      for (const draftId of [a, b])
        await change_(draftId, {
          suppliedOn: today(),
          lines: [{ ...(await draftView(draftId)).facts.lines[0]!, quantity: '8' }],
        })
      const results = await issue(a, b)
      expect(results.map((result) => result.outcome).sort()).toEqual(['failed', 'issued'])
      expect(results.find((result) => result.outcome === 'failed')!.reason?.words).toMatch(
        /only 4 are left to be billed/,
      )
    },
  )

  test(
    'a whole invoice that was prepared before a part was billed is built anew, marked, and not ' +
      'issued as it was',
    async () => {
      const order = await twelve()
      await house.ship([order])
      const whole = (await papersOf([order]))[0]!
      const part = await draftFromOrder(order, { kind: 'part' }, inTheNameOf('Test'))
      await change_(part, {
        suppliedOn: today(),
        lines: [{ ...(await draftView(part)).facts.lines[0]!, quantity: '2' }],
      })
      await issued(part)
      await house.settle()
      expect(
        await issueInOneTransaction(
          [{ preparedId: whole.id, revision: whole.revision }],
          inTheNameOf('Test'),
        ),
      ).toMatchObject([{ outcome: 'changed' }])
      expect((await papersOf([order]))[0]!.changes!.map((change) => change.what.words)).toContain('Line 1')
    },
  )

  test('a deposit is asked for first; the final invoice lists it by rate and deducts it', async () => {
    const order = await house.newOrder({
      lines: [
        { ...line('Brood box', '10', '40.00'), item: 'HB' },
        { ...line('Seed', '10', '5.00', 'reduced'), item: 'SD' },
      ],
    })
    const deposit = await issued(
      await draftFromOrder(order, { kind: 'deposit', percent: '30' }, inTheNameOf('Test')),
    )
    expect(deposit.total).toBe(
      new Decimal('120').times('1.23').plus(new Decimal('15').times('1.135')).toFixed(2),
    )
    await house.ship([order])
    const [paper] = (await papersOf([order])).filter((one) => one.state === 'prepared')
    const [result] = await issueInOneTransaction(
      [{ preparedId: paper!.id, revision: null }],
      inTheNameOf('Test'),
    )
    const final = await content(result!.documentId!)
    expect(final.sums.map((row) => row.label)).toEqual(
      expect.arrayContaining([
        expect.stringContaining(`Deposit invoice ${deposit.number}`),
        'net 120.00, VAT 23\u00A0% 27.60',
        'net 15.00, VAT 13.5\u00A0% 2.03',
      ]),
    )
    const whole = new Decimal('400').times('1.23').plus(new Decimal('50').times('1.135'))
    expect(await open(result!.documentId!)).toBe(whole.minus(deposit.total).toFixed(2))
  })
})

describe('crediting', () => {
  test(
    'the whole: a credit note that mirrors its invoice, the open amounts of both at zero, the order ' +
      'free again',
    async () => {
      const order = await house.newOrder()
      const documentId = await shippedAndIssued(order)
      const { credit } = await creditDocument(
        documentId,
        { ask: { kind: 'whole' }, reason: 'Wrong customer', anew: false },
        inTheNameOf('Test'),
      )
      const note = await issued(credit)
      expect(note.number).toMatch(/^CN-/)
      expect([await open(documentId), await open(note.id)].map(Number)).toEqual([0, 0])
      const printed = await content(note.id)
      expect(printed.legal[0]).toMatch(/^To invoice INV-\S+ of \d+ \w+ \d+\. Reason: Wrong customer$/)
      expect(printed.toPay.label).toBe('Credited, EUR')
      await expect(
        creditDocument(
          documentId,
          { ask: { kind: 'whole' }, reason: 'again', anew: false },
          inTheNameOf('Test'),
        ),
      ).rejects.toThrow('credited already')
      expect((await prepareByHand('invoice', [order], inTheNameOf('Test')))[0]!.result.outcome).toBe(
        'prepared',
      )
      expect(await historyWords(order)).toContainEqual(expect.stringMatching(/^Credit note CN-.* was issued/))
    },
  )

  test('by line, by amount, then the rest: never more than is left, together the invoice', async () => {
    const invoice = await issued(
      await written({ adjustments: [{ kind: 'discount', label: 'Schools 5 %', percent: '5' }] }),
    )
    const notes = []
    for (const ask of [
      { kind: 'lines', lines: [{ line: 1, quantity: '1' }] },
      { kind: 'amount', amount: '20.00' },
      { kind: 'whole' },
    ] as const) {
      const { credit } = await creditDocument(
        invoice.id,
        { ask: ask as never, reason: 'Returned', anew: false },
        inTheNameOf('Test'),
      )
      await expect(
        creditDocument(invoice.id, { ask: { kind: 'whole' }, reason: 'x', anew: false }, inTheNameOf('Test')),
      ).rejects.toThrow('already waits in To check')
      notes.push(await issued(credit))
    }
    expect(sum(notes.map((note) => note.total)).toFixed(2)).toBe(invoice.total)
    expect(await creditOffer(invoice.id)).toMatchObject({
      left: '0.00',
      credits: notes.map(({ number }) => expect.objectContaining({ number })),
    })
    await expect(
      creditDocument(
        invoice.id,
        { ask: { kind: 'amount', amount: '0.01' }, reason: 'x', anew: false },
        inTheNameOf('Test'),
      ),
    ).rejects.toThrow('credited already')
  })

  test('and issuing anew is one act: both wait and are issued together, each names the other', async () => {
    const order = await house.newOrder()
    const documentId = await shippedAndIssued(order)
    const { credit, anew } = await creditDocument(
      documentId,
      { ask: { kind: 'whole' }, reason: 'Price was wrong', anew: true },
      inTheNameOf('Test'),
    )
    await change_(anew!, { lines: [{ ...(await draftView(anew!)).facts.lines[0]!, unitPrice: '40.00' }] })
    const results = await issue(credit, anew!)
    expect(results.map((result) => result.outcome)).toEqual(['issued', 'issued'])
    expect(
      await rows(
        `select kind, credits_id "creditsId", replaces_id "replacesId"
        from document
        where source_id = any($1::int[])
        order by kind`,
        [[credit, anew]],
      ),
    ).toEqual([
      { kind: 'credit note', creditsId: documentId, replacesId: null },
      { kind: 'invoice', creditsId: null, replacesId: documentId },
    ])
  })

  test('asked for four times at one instant, one draft stays and the others are told that it waits', async () => {
    const invoice = await issued(await written())
    const asked = await Promise.allSettled(
      [1, 2, 3, 4].map((turn) =>
        creditDocument(
          invoice.id,
          { ask: { kind: 'whole' }, reason: `${turn}`, anew: false },
          inTheNameOf('Test'),
        ),
      ),
    )
    expect(asked.map((one) => one.status).sort()).toEqual(['fulfilled', 'rejected', 'rejected', 'rejected'])
    for (const one of asked)
      if (one.status === 'rejected') expect(String(one.reason)).toContain('already waits in To check')
    expect(await rows('select id from draft where credits_id = $1', [invoice.id])).toHaveLength(1)
  })

  test('one that was credited by somebody else meanwhile is not credited for more', async () => {
    const invoice = await issued(await written())
    const { credit } = await creditDocument(
      invoice.id,
      { ask: { kind: 'amount', amount: '145.70' }, reason: 'A', anew: false },
      inTheNameOf('A'),
    )
    await putBack([(await draftView(credit)).paper!.id], inTheNameOf('A'))
    const other = await creditDocument(
      invoice.id,
      { ask: { kind: 'amount', amount: '100.00' }, reason: 'B', anew: false },
      inTheNameOf('B'),
    )
    await prepareByHand('invoice', [credit], inTheNameOf('A'))
    const results = await issue(other.credit, credit)
    expect(results.map((result) => result.outcome).sort()).toEqual(['failed', 'issued'])
    expect(Number((await creditOffer(invoice.id)).left)).toBeGreaterThanOrEqual(0)
  })
})

describe('voiding', () => {
  test(
    'while nothing was handed over: the number stays, nothing is owed, nothing goes, and the order ' +
      'may get a new one',
    async () => {
      const order = await house.newOrder({
        customerId: house.customer('10424').id,
        customerName: 'Gorsefield Estate',
      })
      const documentId = await shippedAndIssued(order)
      await until(
        'it to be stuck',
        async () =>
          (
            await one<{ state: string }>(
              `select s.state
            from dispatch s
            join dispatch_document dd on dd.dispatch_id = s.id
            where dd.document_id = $1`,
              [documentId],
            )
          )?.state === 'stuck',
      )
      await voidDocument(documentId, 'Nobody ordered it', inTheNameOf('Maeve Tarrant'))
      expect(await open(documentId)).toBe('0')
      expect(
        await one(
          `select s.state
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        where dd.document_id = $1`,
          [documentId],
        ),
      ).toEqual({ state: 'closed' })
      await expect(voidDocument(documentId, 'again', inTheNameOf('Test'))).rejects.toThrow('void already')
      await expect(
        creditDocument(documentId, { ask: { kind: 'whole' }, reason: 'x', anew: false }, inTheNameOf('Test')),
      ).rejects.toThrow('was voided')
      expect((await prepareByHand('invoice', [order], inTheNameOf('Test')))[0]!.result.outcome).toBe(
        'prepared',
      )
    },
  )

  test(
    'what was handed over, was credited, or lies in a closed period is not voided; each says what to ' +
      'do instead',
    async () => {
      const gone = await issued(await written())
      await until('it to be gone', async () =>
        ['on the way', 'arrived'].includes(
          (await one<{ state: string }>(
            `select s.state
          from dispatch s
          join dispatch_document dd on dd.dispatch_id = s.id
          where dd.document_id = $1`,
            [gone.id],
          ))!.state,
        ),
      )
      await expect(voidDocument(gone.id, 'x', inTheNameOf('Test'))).rejects.toThrow(
        'was handed over already, so it may not be voided. Credit it instead',
      )
      const silent = await issued(await written({}, '10424'))
      await issued(
        (
          await creditDocument(
            silent.id,
            { ask: { kind: 'amount', amount: '1.00' }, reason: 'x', anew: false },
            inTheNameOf('Test'),
          )
        ).credit,
      )
      await expect(voidDocument(silent.id, 'x', inTheNameOf('Test'))).rejects.toThrow('is credited already')
    },
  )
})

describe('periods', () => {
  test(
    "nothing is dated, issued or voided into a closed one; only a supervisor's reason opens it " +
      'again, and all of it is kept',
    async () => {
      const old = await written({ date: daysAgo(40), suppliedOn: daysAgo(40) }, '10424')
      await run(`update prepared_document set earlier_date_ok = true where source_id = $1`, [old])
      const before = await issued(old)
      await closePeriods(daysAgo(30), '', inTheNameOf('Maeve Tarrant'))
      const late = await written({ date: daysAgo(31) })
      expect(inWords(await issue(late))).toMatchObject([
        { outcome: 'failed', reason: expect.stringContaining('closed period') },
      ])
      expect((await periods()).waiting).toHaveLength(1)
      await expect(voidDocument(before.id, 'x', inTheNameOf('Test'))).rejects.toThrow('closed period')
      await expect(closePeriods(today(), '', inTheNameOf('Maeve Tarrant'))).rejects.toThrow(
        'Only days that are over',
      )
      await expect(closePeriods(null, ' ', inTheNameOf('Maeve Tarrant'))).rejects.toThrow('needs a reason')
      await closePeriods(null, 'A late invoice of the wholesaler', inTheNameOf('Maeve Tarrant'))
      expect((await periods()).history[0]).toMatchObject({
        closedUntil: null,
        wasUntil: daysAgo(30),
        by: 'Maeve Tarrant',
        reason: 'A late invoice of the wholesaler',
      })
    },
  )

  test('within a series dates do not run backwards unless a person says that the earlier date is meant', async () => {
    await issued(await written())
    const earlier = await written({ date: daysAgo(3) })
    expect(inWords(await issue(earlier))).toMatchObject([
      { outcome: 'failed', reason: expect.stringContaining('dates would run backwards') },
    ])
    await change_(earlier, {}, { earlierDateOk: true })
    expect(inWords(await issue(earlier))).toMatchObject([{ outcome: 'issued' }])
    const future = await written({ date: new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10) })
    expect(inWords(await issue(future))).toMatchObject([
      { outcome: 'failed', reason: expect.stringContaining('in the future') },
    ])
  })
})

describe('what the law wants said', () => {
  test('no tax on an intra-Community supply, and why, in its language; not without a VAT number', async () => {
    const document = await issued(await written({}, '10428'))
    expect(document.total).toBe('120.00')
    expect((await content(document.id)).legal).toEqual([
      expect.stringContaining('Steuerfreie innergemeinschaftliche Lieferung'),
    ])
    await run(`update customer set tax_number = null where number = '10458'`)
    expect((await draftView(await written({}, '10458'))).paper!.problem?.words).toContain('has no VAT number')
  })

  test('the tax of an invoice in sterling in euro too, with rate, source and date', async () => {
    const document = await issued(await written({}, '10425'))
    expect((await content(document.id)).legal).toEqual([
      expect.stringMatching(
        /^VAT in EUR: 30\.03, at 1 EUR = 0\.8559 GBP \(Glenhaven Bank, \d+ \w+ 2026\)\.$/,
      ),
    ])
  })

  test('a currency without a known rate is refused in words before anything is numbered', async () => {
    await run(`update customer set currency = 'TND' where number = '10426'`)
    const draftId = await written({}, '10426')
    expect((await draftView(draftId)).paper!.problem?.words).toContain('no exchange rate for TND')
  })

  test('a credit note mirrors an untaxed invoice without tax, whatever the customer is now', async () => {
    const invoice = await issued(await written({}, '10428'))
    await run(`update customer set tax_treatment = 'domestic' where number = '10428'`)
    expect(
      await issued(
        (
          await creditDocument(
            invoice.id,
            { ask: { kind: 'whole' }, reason: 'x', anew: false },
            inTheNameOf('Test'),
          )
        ).credit,
      ),
    ).toMatchObject({ total: '120.00' })
  })
})

test('a draft that cannot be prepared at all is refused, and leaves nothing behind', async () => {
  const brand = house.brands[1]!.id
  const drafts = async () => (await one<{ count: number }>('select count(*)::int count from draft'))!.count
  const before = await drafts()
  await run(`update number_series set country = 'Nowhere' where kind = 'invoice' and brand_id = $1`, [brand])
  await expect(newInvoice(house.customer('10417').id, brand, inTheNameOf('Test'))).rejects.toMatchObject({
    code: 'no-series',
  })
  await run(`update number_series set country = '' where kind = 'invoice' and brand_id = $1`, [brand])
  expect(await drafts()).toBe(before)
})

test('one bad draft among many stops only itself, and no number is lost', async () => {
  const drafts = [
    await written(),
    await newInvoice(house.customer('10417').id, house.brands[0]!.id, inTheNameOf('Test')),
    await written(),
  ]
  const results = await issue(...drafts)
  expect(results.map((result) => result.outcome).sort()).toEqual(['failed', 'issued', 'issued'])
  expect(
    await rows(
      `select d.number
      from document d
      join number_series s on s.id = d.series_id
      where s.kind = 'invoice' and s.brand_id = 1
      group by d.number
      having count(*) > 1`,
    ),
  ).toEqual([])
  const { last, count } = (await one<{ last: number; count: number }>(
    `select max(counter) last, count(*)::int count
    from document d
    join number_series s on s.id = d.series_id
    where s.kind = 'invoice' and s.brand_id = $1 and period = $2`,
    [house.brands[0]!.id, today().slice(0, 4)],
  ))!
  expect(count).toBe(last)
})

describe('a confirmation of an order that changed afterwards', () => {
  test('is shown beside what the order is now; its revision names what it replaces', async () => {
    const order = await house.newOrder()
    await prepareByHand('order confirmation', [order], inTheNameOf('Test'))
    const [first] = await papersOf([order])
    await issueInOneTransaction([{ preparedId: first!.id, revision: null }], inTheNameOf('Test'))
    const numbered = () =>
      rows<{
        id: number
        number: string
        replacesId: number | null
        facts: { key: string; value: string }[]
      }>(
        `select id, number, replaces_id "replacesId", paper -> 'facts' facts
        from document
        where source_id = $1
        order by id`,
        [order],
      )
    expect(await confirmedOf(order)).toBeNull()
    const view = await orderView(order)
    await editOrder(
      order,
      { ...view, lines: [{ ...view.lines[0]!, quantity: '7' }, ...view.lines.slice(1)] },
      inTheNameOf('Test'),
    )
    const [before] = await numbered()
    expect(inWords(await confirmedOf(order))).toMatchObject({
      number: before!.number,
      waits: false,
      changes: [{ what: 'Line 1', now: expect.stringMatching(/^7 · /) }, expect.objectContaining({})],
    })
    await prepareByHand('order confirmation', [order], inTheNameOf('Test'))
    expect(inWords(await confirmedOf(order))).toMatchObject({ waits: true })
    const revision = (await papersOf([order])).find((paper) => paper.state === 'prepared')!
    await issueInOneTransaction([{ preparedId: revision.id, revision: null }], inTheNameOf('Test'))
    const [, after] = await numbered()
    expect(after!.replacesId).toBe(before!.id)
    expect(after!.facts.find((fact) => fact.key === 'replaces')!.value).toBe(before!.number)
    expect(await confirmedOf(order)).toBeNull()
  })
})
