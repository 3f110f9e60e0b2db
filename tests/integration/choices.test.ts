import { describe, expect, test } from 'vitest'
import { bodyOf } from '../../core/emailtexts/nodes'
import { one, rows, run } from '../../server/db/connection'
import { hold } from '../../server/services/dispatch/by-hand'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { newInvoice } from '../../server/services/drafts/drafts'
import { addBrand } from '../../server/services/house/add-brand'
import { kindViews, switchKind } from '../../server/services/house/kinds'
import { houseState } from '../../server/services/house/health'
import { keepMailAccount, mailAccounts } from '../../server/services/house/mail-accounts'
import { brandUses, retireBrand } from '../../server/services/house/retire-brand'
import { writeOrder } from '../../server/services/orders/new-order'
import { tryOut } from '../../server/services/routines/trial'
import { inTheNameOf } from '../../server/services/people/principal'
import { historyWords, papersOf, until, useHouse } from './house'
import { inWords } from '../../core/testing/in-words'

/* What a house chooses not to use, and how fast its mail account takes emails. */
const house = useHouse({ trust: 'automatic', reports: false })
const who = inTheNameOf('Maeve Tarrant')
const code = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )

describe('a kind that is switched off', () => {
  test('says before what rests on it; what waits of it stays', async () => {
    const invoices = (await kindViews()).find((one) => one.kind === 'invoice')!
    expect(invoices).toMatchObject({ on: true, routines: ['Invoice when shipped'] })
  })

  test('is made neither by a routine, which says why, nor by hand', async () => {
    await switchKind('invoice', false)
    const order = await house.newOrder()
    await house.ship([order])
    expect(await papersOf([order])).toEqual([])
    expect(inWords(await one('select outcome, reason from evaluation order by id desc limit 1'))).toEqual({
      outcome: 'not wanted',
      reason: 'Invoices are switched off in Settings, Documents.',
    })
    expect(await code(prepareByHand('invoice', [order], who))).toBe('kind-off')
    expect(await code(newInvoice(house.customers[0]!.id, house.brands[0]!.id, who))).toBe('kind-off')
    const trial = await tryOut(
      { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
      2,
      null,
    )
    expect(trial.stuck.reasons).toMatchObject([
      { words: 'Invoices are switched off in Settings, Documents.', count: trial.papers },
    ])
    await switchKind('invoice', true)
    expect((await prepareByHand('invoice', [order], who))[0]!.result.outcome).toBe('prepared')
  })
})

describe('a brand', () => {
  const base = {
    legalName: 'Little Bee Ltd',
    addressLines: ['Lane 1'],
    country: 'IE',
    taxNumber: 'IE 0000000T',
    banks: [],
    senderName: 'Little Bee',
    senderAddress: 'hello@littlebee.example',
    pricesIncludeTax: false,
  }

  test('is copied with its designs and email texts; its numbers begin anew', async () => {
    const [first] = house.brands
    await run(
      `insert into email_text (brand_id, kind, language, version, subject, text, made_at, made_by)
      select brand_id, kind, language, 99, $2::jsonb, text, now(), 'Test'
      from email_text
      where brand_id = $1 and kind = 'invoice' and purpose = 'first' and language = 'en'
      order by version desc
      limit 1`,
      [first!.id, JSON.stringify(bodyOf('Ours alone'))],
    )
    const id = await addBrand({ ...base, code: 'CP', name: 'Little Bee', copyOf: first!.id }, who)
    const newest = (brandId: number) =>
      one(
        `select
          (select design from design where brand_id = $1 and kind = 'invoice' order by version desc limit 1) design,
          (
            select subject from email_text
            where brand_id = $1 and kind = 'invoice' and purpose = 'first' and language = 'en'
            order by version desc
            limit 1
          ) subject`,
        [brandId],
      )
    expect(await newest(id)).toEqual(await newest(first!.id))
    expect(await rows('select start from number_series where brand_id = $1', [id])).toContainEqual({
      start: 1,
    })
  })

  test('that is retired begins nothing new, brings to its end what was begun, and can be used again', async () => {
    const id = await addBrand({ ...base, code: 'RT', name: 'Old Bee' }, who)
    const begun = await house.newOrder({ brandId: id })
    expect(await brandUses(id)).toMatchObject({ openOrders: 1, waiting: 0, routines: [], people: [] })
    await retireBrand(id, 1, true)
    const order = {
      number: 'X-1',
      brandId: id,
      customerId: house.customers[0]!.id,
      reference: null,
      customerNote: null,
      fields: {},
      lines: [
        {
          item: '',
          description: 'Honey',
          detail: null,
          unit: '',
          quantity: '1',
          unitPrice: '5',
          discountPercent: '0',
          taxCode: 'standard',
        },
      ],
    }
    expect(await code(writeOrder(order, who))).toBe('brand-retired')
    expect(await code(newInvoice(house.customers[0]!.id, id, who))).toBe('brand-retired')
    await house.ship([begun])
    expect(await one(`select kind from document where source_id = $1`, [begun])).toEqual({ kind: 'invoice' })
    await retireBrand(id, 1, false)
    expect(await code(writeOrder(order, who))).toBe('done')
  })

  test('that is the last in use stays', async () => {
    const others = (await rows<{ id: number }>('select id from brand order by id')).map((brand) => brand.id)
    for (const id of others.slice(1)) await retireBrand(id, 1, true)
    const { version } = (await one<{ version: number }>('select version from brand where id = $1', [
      others[0],
    ]))!
    expect(await code(retireBrand(others[0]!, version, true))).toBe('last-brand')
    for (const id of others.slice(1)) await retireBrand(id, 1, false)
  })
})

describe('a mail account with limits', () => {
  test('takes so many a minute; the others wait their turn and say so, none is refused or lost', async () => {
    const url = new URL(process.env.CLOTHESPIN_SMTP_URL!)
    await keepMailAccount(null, {
      name: 'Main',
      security: 'none',
      host: url.hostname,
      port: Number(url.port),
      userName: '',
      brandIds: [],
      version: 1,
      perMinute: 2,
      perHour: null,
      perDay: null,
    })
    const orders: number[] = []
    for (let n = 0; n < 5; n++) orders.push(await house.newOrder())
    await house.ship(orders)
    const states = () =>
      rows<{ id: number; state: string; minute: number | null }>(
        `select s.id, s.state, (extract(epoch from s.slot_at - date_trunc('minute', now())) / 60)::int "minute"
        from dispatch s
        join dispatch_document dd on dd.dispatch_id = s.id
        join document d on d.id = dd.document_id
        where d.source_id = any($1::int[])
        order by s.id`,
        [orders],
      )
    await until('five are there', async () => (await states()).length === 5)
    await until('two have gone', async () => {
      await house.settle()
      return (await states()).filter((one) => one.state !== 'waiting').length >= 2
    })
    const waiting = (await states()).filter((one) => one.state === 'waiting')
    // the minute may have turned meanwhile, and taken two more
    expect([1, 3]).toContain(waiting.length)
    expect(waiting.every((one) => one.minute !== null && one.minute > -1)).toBe(true)
    expect((await Promise.all(orders.map(historyWords))).flat()).not.toContain('refused')
    expect(await rows(`select words from history where words like 'Waits its turn%' limit 1`)).toEqual([
      { words: 'Waits its turn: the mail account “Main” takes 2 a minute.' },
    ])

    // asked to go at once it keeps its turn
    const early = waiting.at(-1)!
    await hold([early.id], true, who)
    await hold([early.id], false, who)
    await house.settle()
    expect((await states()).find((one) => one.id === early.id)).toMatchObject({ state: 'waiting' })

    // a limit that is taken away lets them all go
    const [account] = await mailAccounts()
    await keepMailAccount(account!.id, { ...account!, perMinute: null })
    await until('all have gone', async () => {
      await house.settle()
      return (await states()).every((one) => one.state !== 'waiting')
    })
    expect((await states()).length).toBe(5)
  })

  test('says on every screen when the certificate of its server ends', async () => {
    const [account] = await mailAccounts()
    await keepMailAccount(account!.id, { ...account!, security: 'starttls' })
    await house.ship([await house.newOrder()])
    // that of the stand-in has ended long ago
    await until('the certificate to be seen', async () =>
      (await houseState()).troubles.some(({ words }) =>
        words.startsWith('The certificate of the mail server of “Main” ended on 9 Feb 2025.'),
      ),
    )
    const [now] = await mailAccounts()
    await keepMailAccount(now!.id, { ...now!, security: 'none' })
    expect((await houseState()).troubles.filter(({ words }) => /certificate/.test(words))).toEqual([])
  })
})
