import { randomUUID } from 'node:crypto'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createApp, createRouter, toNodeListener } from 'h3'
import { describe, expect, onTestFinished, test } from 'vitest'
import { rows } from '../../server/db/connection'
import { Company, Customer } from '../../server/db/models'
import updatesGet from '../../server/routes/u/[token].get'
import updatesPost from '../../server/routes/u/[token].post'
import { noMoreUpdates } from '../../server/services/customers/no-more-updates'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { startRun } from '../../server/services/documents/send-run'
import { updatesPage } from '../../server/services/links/updates-page'
import { preparedView } from '../../server/services/line/in-hand'
import { changeHouseLists, houseLists } from '../../server/services/orders/house-lists'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { addRoutine } from '../../server/services/routines/routines'
import { tryOut } from '../../server/services/routines/trial'
import { whyOf } from '../../server/services/routines/why'
import { papersOf, until, useHouse } from './house'

/* Emails that tell how an order stands, with no document. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mails = async (to = 'stores@ottermill.example') => house.mails(to)
const sentence = {
  statuses: ['In picking', 'Packed'],
  conditions: [],
  issue: 'order update' as const,
  to: 'buying',
  delayMinutes: 0,
}
const goTo = (order: number, status: string) => setStatus([order], status, who)
const updatesOf = (order: number) =>
  rows<{ number: string; state: string; occasion: string }>(
    `select d.number, p.state, p.occasion
    from prepared_document p
    left join document d on d.prepared_id = p.id
    where p.source_id = $1 and p.kind = 'order update'
    order by p.id`,
    [order],
  )

describe('an order update', () => {
  test('tells each status once, in the customer’s words, with no file', async () => {
    const lists = await houseLists()
    await changeHouseLists(lists, {
      ...lists,
      words: { Packed: { en: 'packed and waiting', de: 'gepackt' } },
    })
    await addRoutine(
      { name: 'Tell how it stands', description: '', trust: 'automatic', isOn: true, sentence },
      inTheNameOf('Test'),
    )
    const order = await house.newOrder({ status: 'Confirmed' })
    await goTo(order, 'Packed')
    await until('the email', async () => (await mails()).length === 1)
    const [mail] = await mails()
    expect(mail!.subject).toMatch(/^Your order SO-\S+: packed and waiting$/)
    expect(mail!.text).toContain('is now: packed and waiting.')
    expect(mail!.attachments).toEqual([])
    await goTo(order, 'In picking')
    await until('the next email', async () => (await mails()).length === 2)
    expect((await mails())[0]!.subject).toMatch(/: In picking$/)
    // back again: told before
    await goTo(order, 'Packed')
    await house.settle()
    expect((await updatesOf(order)).map(({ occasion }) => occasion)).toEqual([
      'status Packed',
      'status In picking',
    ])
    expect(await mails()).toHaveLength(2)
    const why = (await whyOf(order)).find((one) => one.kind === 'order update')!
    expect(why.conclusion.words).toMatch(/is issued: no second order update is made/)
  })

  test('is counted by its trial for each status that it would have told', async () => {
    const order = await house.newOrder({ status: 'Confirmed' })
    const before = await tryOut(sentence, 7, null)
    await goTo(order, 'In picking')
    await goTo(order, 'Packed')
    const now = await tryOut(sentence, 7, null)
    expect(now.papers - before.papers).toBe(2)
    await house.settle()
  })

  test('of a status that is past does not go any more, and says so', async () => {
    const order = await house.newOrder({ status: 'Confirmed' })
    await prepareByHand('order update', [order], who)
    const [paper] = await papersOf([order])
    const view = () => preparedView(paper!.id, who)
    expect((await view()).email!.subject).toMatch(/: Confirmed$/)
    expect((await view()).email!.files).toEqual([])
    await goTo(order, 'In picking')
    await until('it to be said', async () =>
      /The order is In picking by now/.test((await view()).problem?.words ?? ''),
    )
    await startRun([{ id: paper!.id, revision: (await view()).revision }], randomUUID(), who)
    await house.settle()
    const told = (await updatesOf(order)).find(({ occasion }) => occasion === 'status Confirmed')
    expect(told).toMatchObject({ number: null, state: 'prepared' })
  })
})

/** The routes for people outside the house, listening. @returns the address of a page */
async function atTheDoor(): Promise<(token: string) => string> {
  const router = createRouter().get('/u/:token', updatesGet).post('/u/:token', updatesPost)
  const server = createServer(toNodeListener(createApp().use(router)))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  onTestFinished(() => void server.close())
  const { port } = server.address() as AddressInfo
  return (token) => `http://127.0.0.1:${port}/u/${token}`
}

describe('no more order updates', () => {
  test('can be asked for from the email, where links lead here, and from no other email', async () => {
    await Company.update({ publicAddress: 'https://tansyhollow.example' }, { where: {} })
    const order = await house.newOrder({ status: 'Confirmed' })
    await goTo(order, 'Packed')
    const [{ number }] = (await rows<{ number: string }>('select number from sales_order where id = $1', [
      order,
    ])) as [{ number: string }]
    const found = async () => (await mails()).find((one) => one.subject?.includes(number))
    await until('the email', async () => (await found()) !== undefined)
    const headers = (await found())!.headerLines.map(({ line }) => line).join('\n')
    expect(headers).toContain('List-Unsubscribe-Post: List-Unsubscribe=One-Click')
    const token = /List-Unsubscribe: <https:\/\/tansyhollow\.example\/u\/([\w.-]+)>/.exec(headers)![1]!

    const page = await atTheDoor()
    const looked = await fetch(page(token))
    expect([looked.status, await looked.text()]).toEqual([
      200,
      expect.stringContaining('No more order updates'),
    ])
    expect((await fetch(page(`${token}x`))).status).toBe(404)
    expect(await updatesPage(token)).toMatchObject({ stopped: false, language: 'en' })
    expect(await updatesPage(`${token}x`)).toBeUndefined()
    const customer = async () => (await Customer.findOne({ where: { number: '10417' } }))!
    expect((await customer()).preferences['order update']).toBeUndefined()
    // as mail programs do it: in either form (RFC 8058, section 3.1)
    const form = new FormData()
    form.set('List-Unsubscribe', 'One-Click')
    const asked = await fetch(page(token), { method: 'POST', body: form })
    expect([asked.status, await asked.text()]).toEqual([
      200,
      expect.stringContaining('sends you no more order updates'),
    ])
    expect((await customer()).preferences['order update']).toEqual({ channel: 'nothing' })
    const { version } = await customer()
    const body = new URLSearchParams({ 'List-Unsubscribe': 'One-Click' })
    expect((await fetch(page(token), { method: 'POST', body })).status).toBe(200)
    expect((await customer()).version).toBe(version)
    expect(await noMoreUpdates('abc.0123456789012345678901')).toBeUndefined()

    const before = (await mails()).length
    const next = await house.newOrder({ status: 'Confirmed' })
    await goTo(next, 'Packed')
    await house.settle()
    expect(await updatesOf(next)).toEqual([])
    expect(await mails()).toHaveLength(before)
    // an invoice still comes, and is nothing that could be ended
    await house.ship([next])
    const [paper] = await papersOf([next])
    await startRun([{ id: paper!.id, revision: paper!.revision }], randomUUID(), who)
    const mailbox = 'accounts@ottermill.example'
    await until('the invoice', async () => (await mails(mailbox)).length > 0)
    const invoice = (await mails(mailbox))[0]!
    expect(invoice.headerLines.map(({ key }) => key)).not.toContain('list-unsubscribe')
    expect(invoice.attachments).toHaveLength(1)
  })
})
