import { expect, test } from 'vitest'
import { one } from '../../server/db/connection'
import type { Paper } from '../../core/documents/paper'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { samplePaper } from '../../server/services/documents/sample'
import { changeLook } from '../../server/services/house/change'
import { brands } from '../../server/services/house/house'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* What is open on the customer's account, listed on documents whose design wants it. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }

async function listed(of: { account: boolean }): Promise<void> {
  const { id, version } = (await brands())[0]!
  await changeLook(id, { version, kind: 'invoice', ...of }, who)
}
async function invoiceOf(change: Parameters<typeof house.newOrder>[0] = {}) {
  const order = await house.newOrder(change)
  await house.ship([order])
  await until('the invoice built', async () => {
    const found = await one<{ built: boolean }>(
      'select not stale and content is not null built from prepared_document where source_id = $1',
      [order],
    )
    return found?.built ?? false
  })
  const { id } = (await papersOf([order]))[0]!
  const { content } = (await one<{ content: Paper }>('select content from prepared_document where id = $1', [
    id,
  ]))!
  return { id, content }
}
async function issued(id: number): Promise<string> {
  await issueInOneTransaction([{ preparedId: id, revision: null }], who, undefined, { postOnly: true })
  await house.settle()
  return (await one<{ number: string }>('select number from document where prepared_id = $1', [id]))!.number
}

test('an invoice lists what else is open where its design wants it, of its brand and customer alone', async () => {
  const first = await invoiceOf()
  expect(first.content.account).toBeUndefined()
  const number = await issued(first.id)
  await issued((await invoiceOf({ customerId: house.customer('10427').id })).id)
  await listed({ account: true })
  const second = await invoiceOf()
  expect(second.content.account!.rows.map(([document]) => document)).toEqual([number])
  expect(second.content.account!.rows[0]![2]).toBe(first.content.toPay.amount.replace(/[^\d.,]/g, ''))
  expect(second.content.account!.title).toMatch(/^Open on your account on /)
  const third = await invoiceOf({ customerId: house.customer('10438').id })
  expect(third.content.account).toBeUndefined()
})

test('its sample shows an example of it, and no more once it is switched off', async () => {
  const { paper } = await samplePaper(house.brands[0]!.id, 'invoice')
  expect(paper.account!.rows.length).toBeGreaterThan(1)
  await listed({ account: false })
  const after = await invoiceOf()
  expect(after.content.account).toBeUndefined()
})
