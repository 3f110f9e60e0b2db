import { execFileSync } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { exampleInvoice, plain } from '../../core/testing/examples'
import { one, rows } from '../../server/db/connection'
import { renderPaper } from '../../server/render/pool'
import { prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { markSeen } from '../../server/services/documents/refresh'
import { startRun } from '../../server/services/documents/send-run'
import { runReport } from '../../server/services/runs/runs'
import { sendCopy } from '../../server/services/line/copy'
import { orderView } from '../../server/services/orders/list'
import { editOrder } from '../../server/services/orders/orders'
import { setStatus } from '../../server/services/orders/status'
import { documentBytes } from '../../server/services/register/register'
import { register, registerSums } from '../../server/services/register/register-queries'
import { changeRoutine, listRoutines } from '../../server/services/routines/routines'
import { papersOf, historyWords, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

const house = useHouse()
const user = { id: 1, name: 'Col Varley' }

async function send(papers: { id: number; revision: number }[], key = randomUUID()) {
  const id = await startRun(
    papers.map(({ id, revision }) => ({ id, revision })),
    key,
    user,
  )
  await until('the run', async () => (await runReport(id)).endedAt !== null)
  await house.settle()
  return runReport(id)
}

async function setTrust(trust: 'by hand' | 'after a check' | 'automatic') {
  const [routine] = await listRoutines()
  await changeRoutine(routine!.id, { version: routine!.version, trust }, inTheNameOf('Maeve Tarrant'))
}

const pdfText = (bytes: Uint8Array) =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: bytes, encoding: 'utf8' })

describe('an order is shipped, its invoice arrives', () => {
  test('with the same number wherever it stands, and the very bytes in the register', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const [paper] = await papersOf([order])
    expect(paper).toMatchObject({ state: 'prepared', problem: null })
    const report = await send([paper!])
    expect(report).toMatchObject({ chosen: 1, issued: 1, open: 0 })
    const { number } = (await one<{ number: string }>('select number from document where source_id = $1', [
      order,
    ]))!
    expect(number).toMatch(/^INV-\d{4}-00001$/)

    await until('the mail', async () => house.mailboxes.of('accounts@ottermill.example').length === 1)
    const [mail] = await house.mails('accounts@ottermill.example')
    expect(mail!.subject).toBe(`Invoice ${number} for your order ${(await orderView(order)).number}`)
    expect(mail!.from!.text).toBe('"Tansy Hollow Accounts" <accounts@tansyhollow.example>')
    expect(mail!.replyTo!.text).toBe('accounts@tansyhollow.example')
    expect(mail!.text).toContain(`Dear Nuala Fennimore,`)
    expect(mail!.html).toContain(number)
    expect(mail!.attachments).toHaveLength(1)
    const [file] = mail!.attachments
    expect(file).toMatchObject({ filename: `Invoice-${number}.pdf`, contentType: 'application/pdf' })
    expect(pdfText(file!.content)).toContain(`Invoice ${number}`)
    expect(pdfText(file!.content)).toContain('612.54') // 12 × 41.50 + 23 %

    const found = await register({ search: number, sort: 'issued', descending: true, limit: 10 })
    expect(found.rows.map((row) => row.number)).toEqual([number])
    const stored = await documentBytes(found.rows[0]!.id)
    expect(Buffer.compare(Buffer.from(stored.bytes), file!.content)).toBe(0)
    expect(createHash('sha256').update(file!.content).digest('hex')).toBe(stored.sha256)
    expect((await historyWords(order)).join('\n')).toContain(`Invoice ${number} was issued over 612.54 EUR.`)

    const kept = await one<{ messageId: string; state: string }>(
      'select message_id "messageId", state from dispatch where number = $1',
      [number],
    )
    expect(mail!.messageId).toBe(kept!.messageId)
    await until(
      'the delivery report',
      async () =>
        (await one<{ state: string }>('select state from dispatch where number = $1', [number]))!.state ===
        'arrived',
    )
  })

  test('found by customer, order number, reference and exact amount too', async () => {
    for (const search of ['ottermill', 'om/118', '612.54', '612,54'])
      expect((await registerSums({ search })).matching, search).toBeGreaterThan(0)
    expect(await registerSums({ search: '612.55' })).toEqual({ matching: 0, sums: [] })
  })

  test('German customers get German paper and mail', async () => {
    const customer = house.customer('10420')
    const order = await house.newOrder({
      customerId: customer.id,
      customerName: customer.name,
      brandId: house.brands[1]!.id,
    })
    await house.ship([order])
    await send(await papersOf([order]))
    await until('the mail', async () => house.mailboxes.of('buchhaltung@waldsaum.example').length === 1)
    const [mail] = await house.mails('buchhaltung@waldsaum.example')
    expect(mail!.subject).toMatch(/^Rechnung LS\d\d-00001 zu Ihrem Auftrag/)
    expect(mail!.text).toContain('Mit freundlichen Grüßen')
    expect(pdfText(mail!.attachments[0]!.content)).toContain('612,54')
  })
})

describe('once', () => {
  test('Shipped → Packed → Shipped makes no second invoice, and the trail says why', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    await send(await papersOf([order]))
    await setStatus([order], 'Packed', inTheNameOf('Test'))
    await house.ship([order])
    expect(await rows('select id from document where source_id = $1', [order])).toHaveLength(1)
    expect((await papersOf([order])).filter((paper) => paper.state === 'prepared')).toEqual([])
    expect((await historyWords(order)).join('\n')).toMatch(
      /Nothing was made: invoice INV-\d{4}-\d{5} was already issued for this order/,
    )
    expect((await orderView(order)).evaluations[0]).toMatchObject({ outcome: 'already' })
  })

  test('the same key of a Send never starts a second run, even pressed twice at once', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const papers = (await papersOf([order])).map(({ id, revision }) => ({ id, revision }))
    const key = randomUUID()
    const [first, second] = await Promise.all([startRun(papers, key, user), startRun(papers, key, user)])
    expect(first).toBe(second)
    await house.settle()
    expect(await rows('select id from document where source_id = $1', [order])).toHaveLength(1)
  })

  test('a person and a routine at the same moment prepare one paper', async () => {
    const order = await house.newOrder()
    await setStatus([order], 'Shipped', inTheNameOf('Test'))
    await Promise.allSettled([
      prepareByHand('invoice', [order], inTheNameOf('Test')),
      prepareByHand('invoice', [order], inTheNameOf('Test')),
      house.settle(),
    ])
    await house.settle()
    expect((await papersOf([order])).filter((paper) => paper.state === 'prepared')).toHaveLength(1)
  })

  test('a copy to somebody who has it goes only when a person says "again"', async () => {
    const document = (await one<{ id: number }>(`select id from document where order_number = 'SO-1'`))!
    await expect(
      sendCopy(document.id, { address: 'accounts@ottermill.example' }, inTheNameOf('Test')),
    ).rejects.toThrow(/already went to .* Send it again\?/)
    await sendCopy(document.id, { address: 'somebody@else.example' }, inTheNameOf('Test'))
    await until('the copy', async () => house.mailboxes.of('somebody@else.example').length === 1)
    const [copy] = await house.mails('somebody@else.example')
    const [original] = (await house.mails('accounts@ottermill.example')).slice(-1)
    expect(copy!.attachments[0]!.content.equals(original!.attachments[0]!.content)).toBe(true)
  })
})

describe('what was checked is what leaves', () => {
  test('a changed line marks the paper; Send leaves it out until it was seen; put back burns no number', async () => {
    const orders = [await house.newOrder(), await house.newOrder(), await house.newOrder()]
    await house.ship(orders)
    const before = await papersOf(orders)
    const counter = async () =>
      (await one<{ last: number }>('select sum(last)::int last from series_counter'))!.last
    const start = await counter()

    const view = await orderView(orders[0]!)
    await editOrder(
      orders[0]!,
      {
        version: view.version,
        reference: view.reference,
        customerNote: null,
        lines: [{ ...view.lines[0]!, quantity: '13' }],
      },
      inTheNameOf('Test'),
    )
    await house.settle()
    const [changed] = await papersOf([orders[0]!])
    expect(changed!.changes!.map((change) => change.what.words)).toEqual(['Line 1', 'To pay, EUR'])
    expect(changed!.revision).toBe(before[0]!.revision + 1)

    expect(await putBack([before[1]!.id], inTheNameOf('Test'))).toEqual([before[1]!.id])
    const report = await send(before)
    expect(report).toMatchObject({ chosen: 3, issued: 1, changed: 1, skipped: 1, failed: 0 })
    expect(await counter()).toBe(start + 1)

    expect(await markSeen(changed!.id, changed!.revision, inTheNameOf('Test'))).toBe(true)
    const again = await send(await papersOf([orders[0]!]))
    expect(again.issued).toBe(1)
    expect(await counter()).toBe(start + 2)
    expect(await one('select total from document where source_id = $1', [orders[0]])).toMatchObject({
      total: '663.59',
    })
  })

  test('a change that comes between look and Send is caught at the moment of issuing', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const [looked] = await papersOf([order])
    const view = await orderView(order)
    await editOrder(
      order,
      { version: view.version, reference: 'another', customerNote: null, lines: view.lines },
      inTheNameOf('Test'),
    )
    const report = await send([looked!])
    expect(report).toMatchObject({ issued: 0, changed: 1 })
  })

  test('two people at one order: the second is told, and nothing is overwritten', async () => {
    const order = await house.newOrder()
    const view = await orderView(order)
    const edit = { version: view.version, reference: 'first', customerNote: null, lines: view.lines }
    await editOrder(order, edit, inTheNameOf('A'))
    await expect(editOrder(order, { ...edit, reference: 'second' }, inTheNameOf('B'))).rejects.toThrow(
      'Somebody changed order',
    )
    expect((await orderView(order)).reference).toBe('first')
  })
})

describe('trust', () => {
  test('by itself: shipped, issued and mailed with no further touch', async () => {
    await setTrust('automatic')
    const order = await house.newOrder()
    await house.ship([order])
    await until(
      'the invoice to leave',
      async () =>
        (
          await rows(
            `select d.id
            from dispatch s
            join dispatch_document dd on dd.dispatch_id = s.id
            join document d on d.id = dd.document_id
            where d.source_id = $1 and s.state in ('on the way', 'arrived')`,
            [order],
          )
        ).length === 1,
    )
  })

  test('by itself, but nobody to write to: it waits in To check', async () => {
    const customer = house.customer('10424')
    const order = await house.newOrder({ customerId: customer.id, customerName: customer.name })
    await house.ship([order])
    expect(await papersOf([order])).toMatchObject([{ state: 'prepared' }])
  })

  test('by hand: it is only listed as due, and preparing it twice is one paper', async () => {
    await setTrust('by hand')
    const order = await house.newOrder()
    await house.ship([order])
    expect(await papersOf([order])).toMatchObject([{ state: 'due' }])
    await prepareByHand('invoice', [order], inTheNameOf('Test'))
    expect(await papersOf([order])).toMatchObject([{ state: 'prepared' }])
    const again = await prepareByHand('invoice', [order], inTheNameOf('Test'))
    expect(again[0]!.result).toMatchObject({ outcome: 'already' })
    await setTrust('after a check')
  })

  test('an order that is not supplied is refused in words', async () => {
    await expect(prepareByHand('invoice', [await house.newOrder()], inTheNameOf('Test'))).rejects.toThrow(
      'has no date of supply yet',
    )
  })
})

test('the same Paper gives the same bytes', async () => {
  const made = await Promise.all(
    [1, 2, 3].map(() => renderPaper(exampleInvoice(), plain, new Date('2026-11-24T10:00:00Z'))),
  )
  expect(Buffer.compare(Buffer.from(made[0]!.bytes!), Buffer.from(made[1]!.bytes!))).toBe(0)
  expect(Buffer.compare(Buffer.from(made[0]!.bytes!), Buffer.from(made[2]!.bytes!))).toBe(0)
})

test('the PDF is sound, its fonts are embedded, and every amount can be read back', async () => {
  const { bytes } = await renderPaper(exampleInvoice(), plain, new Date('2026-11-24T10:00:00Z'))
  const text = pdfText(bytes!)
  for (const amount of ['498.00', '228.00', '172.80', '145.48', '1,044.28', '240.18', '1,284.46'])
    expect(text).toContain(amount)
  expect(
    execFileSync('pdffonts', ['-'], { input: bytes!, encoding: 'utf8' })
      .split('\n')
      .slice(2)
      .filter(Boolean)
      .every((line) => /\byes yes yes\b/.test(line)),
  ).toBe(true)
})
