import { PNG } from 'pngjs'
import { fromBraces } from '../../core/emailtexts/braces'
import { bodyOf } from '../../core/emailtexts/nodes'
import { describe, expect, test } from 'vitest'
import { lookOf } from '../../core/designs/supplied'
import type { NumberSeries } from '../../core/numbering/series'
import { one, rows, run } from '../../server/db/connection'
import { changeContacts } from '../../server/services/customers/contacts'
import { customerView } from '../../server/services/customers/customers'
import { brandViews, changeBrand, changeLook, type LookChange } from '../../server/services/house/change'
import { changeEmail } from '../../server/services/house/change-email'
import { sendSampleToMe } from '../../server/services/documents/rehearse'
import { emailVersions } from '../../server/services/house/email-versions'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { samplePaper } from '../../server/services/documents/sample'
import { changeRoutine, listRoutines, routineVersions } from '../../server/services/routines/routines'
import { houseSettings } from '../../server/services/house/settings'
import { changeSettings } from '../../server/services/orders/settings'
import { addSeries, changeSeries, removeSeries, type Skipping } from '../../server/services/house/series'
import { numberPeriods, numbers } from '../../server/services/register/numbers-queries'
import { papersOf, until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

const house = useHouse({ trust: 'automatic', reports: false })
const brand = async (index = 0) => (await brandViews('invoice'))[index]!

async function issued(): Promise<{ number: string; paper: { brand: { senderLine: string } } }> {
  const order = await house.newOrder()
  await house.ship([order])
  await until(
    'the invoice',
    async () => (await rows('select id from document where source_id = $1', [order])).length === 1,
  )
  return (await one<{ number: string; paper: { brand: { senderLine: string } } }>(
    'select number, paper from document where source_id = $1',
    [order],
  ))!
}

describe('the brand', () => {
  test('moves house: new papers carry the new address, issued ones keep the old', async () => {
    const before = await issued()
    await changeBrand(
      (await brand()).id,
      { ...(await brand()), addressLines: ['7 New Row', 'Dunmarrow'] },
      ida,
    )
    const after = await issued()
    expect(after.paper.brand.senderLine).toContain('7 New Row')
    expect(
      (await one<typeof before>('select paper from document where number = $1', [before.number]))!.paper.brand
        .senderLine,
    ).toContain('Quarry Lane')
  })

  test('an IBAN that cannot be right is refused with its field, and nothing changes', async () => {
    const current = await brand()
    await expect(
      changeBrand(
        current.id,
        {
          ...current,
          banks: [current.banks[0]!, { name: 'B', iban: 'IE36DEMO00000012345678', bic: '', currency: '' }],
        },
        ida,
      ),
    ).rejects.toMatchObject({ code: 'bad-iban', about: { field: 'banks.1.iban' } })
    expect((await brand()).version).toBe(current.version)
  })

  const change = async (look: Omit<LookChange, 'version'>) => {
    const { id, version } = await brand()
    await changeLook(id, { version, ...look }, inTheNameOf('Test'))
  }

  test('a new logo makes a new version of the stationery, and the sample is drawn with it', async () => {
    const current = await brand()
    const picture = new PNG({ width: 200, height: 100 })
    await change({ picture: PNG.sync.write(picture), width: 30 })
    const now = await brand()
    expect(now.design.version).toBe(current.design.version + 1)
    expect(now.design.design.pictures.logo).toMatchObject({ ratio: 2, width: 30 })
    expect((await samplePaper(now.id, 'invoice')).design.pictures.logo).toMatchObject({ width: 30 })
    await expect(change({ width: 200 })).rejects.toThrow('5 to 60 mm')
    await expect(change({ width: 60 })).rejects.toThrow(
      'this logo is 30 mm high, and the head of the document has place for 26 mm. Make it 52 mm wide at most.',
    )
    expect((await brand()).design.version).toBe(now.design.version)
  })

  test('a see-through logo is laid anew on the colour that is behind it now', async () => {
    const { design } = await brand()
    await change({ picture: PNG.sync.write(new PNG({ width: 200, height: 100 })) })
    await change({ supplied: 'bold', colours: { ...design.design.colours, brand: '#204060' } })
    const { picture } = (await brand()).design.design.pictures.logo!
    const file = (await one<{ bytes: Buffer }>('select bytes from file where sha256 = $1', [picture]))!
    expect([...PNG.sync.read(file.bytes).data.subarray(0, 3)]).toEqual([0x20, 0x40, 0x60])
  })
})

describe('the number series', () => {
  const seriesOf = async () => (await brand(1)).series!
  const set = async (change: Partial<NumberSeries>, skipping?: Skipping) => {
    const { id, ...series } = await seriesOf()
    await changeSeries(id, { ...series, ...change }, skipping)
  }
  const shopInvoice = async () => {
    const order = await house.newOrder({ brandId: house.brands[1]!.id })
    await house.ship([order])
    await until(
      'the invoice',
      async () => (await rows('select id from document where source_id = $1', [order])).length === 1,
    )
    return (await one<{ number: string }>('select number from document where source_id = $1', [order]))!
      .number
  }

  test("goes on from another program's last number while none is issued", async () => {
    await set({ start: 4711, prefix: 'LS{yy}-' })
    expect(await shopInvoice()).toMatch(/^LS\d\d-04711$/)
    expect(await shopInvoice()).toMatch(/-04712$/)
  })

  test('a changed look leaves no gap in a year that already has numbers; old numbers keep theirs', async () => {
    await set({ prefix: 'SKEP-{year}-' })
    expect(await shopInvoice()).toMatch(/^SKEP-\d{4}-04713$/)
    expect(await rows(`select number from document where number like 'LS%'`)).toHaveLength(2)
  })

  test(
    'a start at or below an issued number is refused with it; above, the numbers between are asked ' +
      'about, and the register keeps why',
    async () => {
      await expect(set({ prefix: 'SKEP-{year}-', start: 4713 })).rejects.toThrow(
        /SKEP-\d{4}-04713 is issued already.*Start above 4713/,
      )
      await expect(set({ prefix: 'SKEP-{year}-', start: 4720 })).rejects.toThrow(
        'Numbers 4714 to 4719 will not be used. Continue?',
      )
      await set(
        { prefix: 'SKEP-{year}-', start: 4720 },
        { reason: 'Used in the old program', who: inTheNameOf('Maeve') },
      )
      expect(await shopInvoice()).toMatch(/^SKEP-\d{4}-04720$/)
      const period = (await numberPeriods()).find((one) => one.last.endsWith('04720'))!
      expect(period.gaps).toBe(0)
      const page = await numbers({ seriesId: period.seriesId, period: period.period, limit: 50 })
      expect(page).toMatchObject({
        missing: [],
        skipped: [{ first: 4714, last: 4719, reason: 'Used in the old program', by: 'Maeve' }],
      })
    },
  )

  test('a closer series for a country numbers its papers, and goes only while it has numbered nothing', async () => {
    const scope = { country: 'DE', currency: '', branch: '' }
    const how = {
      prefix: 'LS-DE{yy}-',
      suffix: '',
      length: 4,
      start: 1,
      restart: 'year' as const,
      businessYearStart: 1,
    }
    const id = await addSeries(house.brands[1]!.id, 'invoice', scope, how)
    await expect(
      addSeries(house.brands[1]!.id, 'invoice', scope, { ...how, prefix: 'X{yy}-' }),
    ).rejects.toThrow('a series for that already')
    const order = await house.newOrder({
      brandId: house.brands[1]!.id,
      customerId: house.customer('10420').id,
      customerName: 'Imkerei Waldsaum',
    })
    await house.ship([order])
    await until(
      'the invoice',
      async () => (await rows('select id from document where source_id = $1', [order])).length === 1,
    )
    expect(
      (await one<{ number: string }>('select number from document where source_id = $1', [order]))!.number,
    ).toMatch(/^LS-DE\d\d-0001$/)
    await expect(removeSeries(id)).rejects.toThrow('has numbered documents already')
    const unused = await addSeries(
      house.brands[1]!.id,
      'invoice',
      { country: '', currency: 'GBP', branch: '' },
      { ...how, prefix: 'LS-GB{yy}-' },
    )
    await removeSeries(unused)
    await expect(removeSeries((await seriesOf()).id)).rejects.toThrow('The series for all stays')
  })

  test('a change after which a number could come twice is refused, with that number', async () => {
    const other = (await brand(0)).series!
    await expect(set({ prefix: other.prefix })).rejects.toMatchObject({
      code: 'double-numbers',
      about: { field: 'prefix' },
    })
    const last = (await one<{ number: string }>(
      `select number from document where series_id = $1 order by counter desc limit 1`,
      [other.id],
    ))!.number
    await expect(changeSeries(other.id, { ...other, restart: 'never' })).rejects.toThrow(
      `${last} is already issued`,
    )
  })

  test("confirmations may take the order's number; the second of an order ends in -2", async () => {
    const { series } = (await brandViews('order confirmation'))[0]!
    await changeSeries(series!.id, { ...series!, prefix: 'C-', source: 'order' })
    const order = await house.newOrder()
    const number = (await one<{ number: string }>('select number from sales_order where id = $1', [order]))!
      .number
    const confirm = async () => {
      const [made] = await prepareByHand('order confirmation', [order], inTheNameOf('Test'))
      return (
        await issueInOneTransaction(
          [{ preparedId: made!.result.preparedId!, revision: null }],
          inTheNameOf('Test'),
        )
      )[0]!.number
    }
    expect(await confirm()).toBe(`C-${number}`)
    await run('update sales_order set version = version + 1, revision = revision + 1 where id = $1', [order])
    expect(await confirm()).toBe(`C-${number}-2`)
  })

  test('a series that would repeat numbers is refused', async () => {
    await expect(set({ prefix: 'SKEP-' })).rejects.toMatchObject({ about: { field: 'prefix' } })
  })
})

const ida = { ...inTheNameOf('Ida Brandes'), id: 2 }
const invoiceText = { kind: 'invoice', purpose: 'first', language: 'en' } as const

test('an email text with an unknown field is refused; a good one goes with the next email', async () => {
  const { id, version, emailLook: look } = await brand()
  const change = (subject: string, text: string) =>
    changeEmail(
      id,
      {
        version,
        kind: 'invoice',
        purpose: 'first',
        language: 'en',
        look,
        subject: fromBraces(subject),
        text: fromBraces(text),
      },
      inTheNameOf('Test'),
    )
  await expect(change('{{ nubmer }}', 'x')).rejects.toThrow('Did you mean “number”?')
  await change('Your invoice {{ number }}, with thanks', 'Hello {{ contact }}')
  const { number } = await issued()
  await until('the mail', async () =>
    house.mailboxes
      .of('accounts@ottermill.example')
      .some((mail) => mail.subject === `Your invoice ${number}, with thanks`),
  )
})

describe('two supervisors at the same brand', () => {
  test('the later one is told, whichever part the first one changed, and nothing is overwritten', async () => {
    const onScreen = await brand()
    const who = inTheNameOf('Test')
    const { version, emailLook: look } = onScreen
    await changeLook(onScreen.id, { version, hiddenSums: ['net'] }, who)
    const text = { subject: bodyOf('From an old screen'), text: bodyOf('x') }
    for (const late of [
      () => changeLook(onScreen.id, { version, hiddenSums: [] }, who),
      () => changeEmail(onScreen.id, { version, ...invoiceText, look, ...text }, who),
      () => changeBrand(onScreen.id, onScreen, ida),
    ])
      await expect(late()).rejects.toThrow('Somebody changed this brand meanwhile')
    expect((await brand()).version).toBe(version + 1)
    expect(lookOf((await brand()).design.design).hiddenSums).toEqual(['net'])
    expect(await rows('select id from email_text where subject = $1', [text.subject])).toEqual([])
  })

  test('the look of emails alone makes no new version of their text', async () => {
    const { id, version, emailLook, notes } = await brand()
    const note = notes.find((one) => one.purpose === 'first' && one.language === 'en')!
    const look = { ...emailLook, closing: 'Otter Mill, since 1911' }
    await changeEmail(id, { ...note, version, ...invoiceText, look }, inTheNameOf('Test'))
    const now = await brand()
    expect(now.emailLook).toEqual(look)
    expect(now.notes.find((one) => one.purpose === 'first' && one.language === 'en')!.version).toBe(
      note.version,
    )
  })

  test('every version of an email text is there with who saved it, and says whether it was tried', async () => {
    const { id, version, emailLook } = await brand()
    const before = await emailVersions(id, 'invoice', 'first', 'en')
    const text = {
      subject: fromBraces('Invoice {{ number }}, as new'),
      text: fromBraces('Dear {{ contact }}'),
    }
    const change = { ...text, version, ...invoiceText, look: emailLook }
    await changeEmail(id, change, inTheNameOf('Ida Brandes'))
    const [newest, ...others] = await emailVersions(id, 'invoice', 'first', 'en')
    expect(newest).toMatchObject({ ...text, madeBy: 'Ida Brandes', tried: false })
    expect(others).toEqual(before)
    const me = { ...inTheNameOf('Ida Brandes'), email: 'ida@tansyhollow.example' }
    await sendSampleToMe(id, 'invoice', me, { ...text, language: 'en', look: emailLook })
    expect((await emailVersions(id, 'invoice', 'first', 'en'))[0]!.tried).toBe(true)
    expect((await emailVersions(id, 'invoice', 'first', 'de')).every((one) => one.tried === false)).toBe(true)
  })

  test('a series that changed meanwhile is not changed from an old screen', async () => {
    const { id, ...series } = (await brand(1)).series!
    await changeSeries(id, { ...series, length: 7 })
    await expect(changeSeries(id, { ...series, length: 4 })).rejects.toThrow('Somebody changed this series')
    expect((await brand(1)).series!.length).toBe(7)
  })
})

describe('a customer without a billing contact', () => {
  test('gets one in place: the waiting paper then has somebody to go to', async () => {
    const customer = house.customer('10424')
    const order = await house.newOrder({ customerId: customer.id, customerName: customer.name })
    await house.ship([order])
    const sendTo = async () =>
      (await one<{ sendTo: string }>('select send_to "sendTo" from prepared_document where source_id = $1', [
        order,
      ]))!.sendTo
    expect(await sendTo()).toBe('No address')
    const view = await customerView(customer.id)
    await expect(
      changeContacts(
        customer.id,
        view.version,
        [{ name: '', email: 'a b@c', role: 'billing' }],
        inTheNameOf('Test'),
      ),
    ).rejects.toThrow('is not an email address')
    await changeContacts(
      customer.id,
      view.version,
      [{ name: 'Estate Office', email: 'office@gorsefield.example', role: 'billing' }],
      inTheNameOf('Test'),
    )
    await house.settle()
    expect(await sendTo()).toBe('office@gorsefield.example')
    expect((await papersOf([order]))[0]!.changes!.map((change) => change.what.words)).toEqual(['Goes to'])
  })
})

describe('a routine', () => {
  test('switched off passes events by; on, it applies from then on; each change is a version', async () => {
    const change = async (change: object) => {
      const [routine] = await listRoutines()
      await changeRoutine(routine!.id, { version: routine!.version, ...change }, inTheNameOf('Maeve Tarrant'))
    }
    await change({ isOn: false })
    const passedBy = await house.newOrder()
    await house.ship([passedBy])
    await change({ isOn: true })
    await house.settle()
    expect(await papersOf([passedBy])).toEqual([])
    const later = await house.newOrder()
    await house.ship([later])
    expect(await papersOf([later])).toHaveLength(1)
    const [routine] = await listRoutines()
    expect((await routineVersions(routine!.id)).map((version) => version.isOn)).toEqual([true, false, true])
  })

  test('two routines of one name are refused, and a stale screen overwrites nothing', async () => {
    const [routine] = await listRoutines()
    await expect(
      changeRoutine(routine!.id, { version: routine!.version - 1, trust: 'by hand' }, inTheNameOf('B')),
    ).rejects.toThrow('Somebody changed')
  })
})

describe('settings that two people change', () => {
  test('are not written over what the other one just saved; another setting is no matter', async () => {
    const was = await houseSettings()
    const box = { name: 'Tube', length: 900, width: 100, height: 100, weight: '0.2', most: '4' }
    await changeSettings({ boxes: [...was.boxes, box] }, { boxes: was.boxes })
    await expect(changeSettings({ boxes: [] }, { boxes: was.boxes })).rejects.toMatchObject({
      code: 'changed-meanwhile',
    })
    expect((await houseSettings()).boxes).toEqual([...was.boxes, box])
    await changeSettings({ linkDays: 45 }, { linkDays: was.linkDays })
    expect((await houseSettings()).linkDays).toBe(45)
  })

  test('at one instant: one of both is kept, the other one is told', async () => {
    const { linkDays } = await houseSettings()
    const done = await Promise.allSettled([
      changeSettings({ linkDays: 10 }, { linkDays }),
      changeSettings({ linkDays: 20 }, { linkDays }),
    ])
    expect(done.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    expect([10, 20]).toContain((await houseSettings()).linkDays)
  })
})
