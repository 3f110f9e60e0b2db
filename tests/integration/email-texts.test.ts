import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { Body, Line, Mark } from '../../core/emailtexts/nodes'
import { rows, run } from '../../server/db/connection'
import { startRun } from '../../server/services/documents/send-run'
import { addOwnField, dropOwnField } from '../../server/services/fields/own-fields'
import { brandViews, changeEmail } from '../../server/services/house/change'
import { preparedView } from '../../server/services/line/in-hand'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* What the house's email texts can say, from the text as it is saved to the email that leaves. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const mailbox = 'accounts@ottermill.example'

const words = (text: string, ...marks: Mark[]) => ({ type: 'text' as const, text, marks })
const field = (name: string, instead = '') => ({ type: 'field' as const, attrs: { name, instead } })
const body = (...content: NonNullable<Line['content'][number]['content']>): Line => ({
  type: 'doc',
  content: [{ type: 'paragraph', content }],
})
const filled = (name: string): Mark => ({ type: 'passage', attrs: { field: name, is: 'there', not: false } })

async function keepText(text: Body, subject: Line = body(field('document'))) {
  const [brand] = await brandViews('invoice')
  const { version, emailLook: look } = brand!
  const change = { kind: 'invoice', purpose: 'first', language: 'en', version, look, subject, text } as const
  await changeEmail(brand!.id, change, who)
}

async function shipped(change: Parameters<typeof house.newOrder>[0] = {}) {
  const order = await house.newOrder(change)
  await house.ship([order])
  const [paper] = await papersOf([order])
  return paper!.id
}
async function sent(id: number) {
  const before = (await house.mails(mailbox)).length
  await startRun([{ id, revision: (await preparedView(id, who)).revision }], randomUUID(), who)
  await until('the email', async () => (await house.mails(mailbox)).length > before)
  return (await house.mails(mailbox))[0]!
}
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )

describe('an email text with what the house keeps of orders and customers', () => {
  test('says it, asks whether it is filled, and says what stands instead', async () => {
    const own = { kind: 'date' as const, choices: [], labels: {}, printed: false }
    await addOwnField({ ...own, of: 'order', name: 'Crane day' })
    await addOwnField({ ...own, of: 'customer', name: 'Gate code', kind: 'text' })
    await run(`update customer set fields = '{"Gate code": "7711 <b>"}' where id = $1`, [
      house.customers[0]!.id,
    ])
    await keepText(
      body(
        words('Ordered '),
        field('ordered'),
        words(', sold by '),
        field('salesperson'),
        words(', gate '),
        field('customer.Gate code', 'open'),
        words('.'),
        words(' The crane comes on ', filled('order.Crane day')),
        { ...field('order.Crane day'), marks: [filled('order.Crane day')] },
      ),
    )
    const withCrane = await sent(await shipped({ fields: { 'Crane day': '2026-12-01' } }))
    expect(withCrane.text).toContain(
      'Ordered 20 November 2026, sold by Maeve Tarrant, gate 7711 <b>. The crane comes on 1 December 2026',
    )
    expect(withCrane.html).toContain('gate 7711 &lt;b&gt;.')
    await run(`update customer set fields = '{}', version = version + 1`)
    const without = await sent(await shipped())
    expect(without.text).toContain('sold by Maeve Tarrant, gate open.')
    expect(without.text).not.toContain('crane')
  })

  test('stops an email that lacks one with nothing in its stead', async () => {
    await keepText(body(words('On '), field('order.Crane day')))
    const id = await shipped()
    const { revision, problem } = await preparedView(id, who)
    expect(problem).toContain('Crane day')
    expect(revision).toBeGreaterThan(0)
  })

  test('names no field that the house does not have; one that is named stays', async () => {
    expect(await refused(keepText(body(field('order.Crane dya'))))).toBe('unknown-merge-field')
    await keepText(body(words('On '), field('order.Crane day', 'no day')))
    await run(`update sales_order set fields = '{}'`)
    const [{ id }] = (await rows<{ id: number }>(`select id from own_field where name = 'Crane day'`)) as [
      { id: number },
    ]
    await expect(dropOwnField(id)).rejects.toThrow('email text of Tansy Hollow Apiary Supply, invoice names')
    await keepText(body(words('Hello')))
    expect(await refused(dropOwnField(id))).toBe('done')
  })
})
