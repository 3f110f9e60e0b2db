import { describe, expect, test } from 'vitest'
import { one } from '../../server/db/connection'
import { changeCustomer, customerView } from '../../server/services/customers/customers'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { putBack } from '../../server/services/documents/prepare-by-hand'
import { changeDraft, draftFromOrder, draftView } from '../../server/services/drafts/drafts'
import { addOwnField, dropOwnField } from '../../server/services/fields/own-fields'
import { houseSettings } from '../../server/services/house/settings'
import { lineCounts } from '../../server/services/line/counts-queries'
import { orderView } from '../../server/services/orders/list'
import { editOrder } from '../../server/services/orders/orders'
import { changeSettings } from '../../server/services/orders/settings'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { historyWords, papersOf, until, useHouse } from './house'
import { inWords } from '../../core/testing/in-words'

/* A customer who takes no invoice without an order number or a cost centre: it waits, says whom to ask, and goes on. */
const house = useHouse({ trust: 'automatic', reports: false })
const who = inTheNameOf('Col Varley')
const needsOf = async (needs: { reference: boolean; fields: string[] }) => {
  const { id } = house.customers[0]!
  await changeCustomer(id, { version: (await customerView(id)).version, needs }, who)
}
async function enter(order: number, change: { reference?: string; fields?: Record<string, string> }) {
  const { version, lines, reference, customerNote, fields } = await orderView(order)
  await editOrder(order, { version, lines, reference, customerNote, fields, ...change }, who)
}
const stateOf = async (order: number) =>
  one<{ state: string; problem: { words: string } | null; keptBack: boolean; onceComplete: string | null }>(
    `select state, problem, kept_back "keptBack", once_complete "onceComplete"
    from prepared_document where source_id = $1`,
    [order],
  )
const issued = (order: number) => until('the invoice', async () => (await stateOf(order))!.state === 'issued')
async function shipped(reference: string | null = null) {
  const order = await house.newOrder({ reference })
  await house.ship([order])
  return order
}

describe('an invoice that its customer does not take yet', () => {
  test('is held, by name and remedy, and goes automatically once its order has what was missing', async () => {
    await needsOf({ reference: true, fields: [] })
    const order = await shipped()
    const held = (await stateOf(order))!
    expect(held).toMatchObject({ state: 'prepared', keptBack: false, onceComplete: 'go' })
    expect(held.problem?.words).toMatch(
      /takes no invoice without “Your reference”\. Ask .+@ottermill\.example/,
    )
    const check = (await lineCounts()).find((one) => one.stage === 'to check')!
    expect(inWords(check.facts).join()).toContain('1 not complete')
    const [paper] = await papersOf([order])
    const ask = [{ preparedId: paper!.id, revision: paper!.revision }]
    expect((await issueInOneTransaction(ask, who))[0]).toMatchObject({ outcome: 'failed' })

    await enter(order, { reference: 'PO 4711' })
    await issued(order)
    const document = await one<{ printed: string }>(
      'select paper::text printed from document where source_id = $1',
      [order],
    )
    expect(document!.printed).toContain('PO 4711')
    expect((await historyWords(order)).join(' ')).toContain('It is complete now, and goes automatically.')
  })

  test('that has it from the start is not held', async () => {
    await issued(await shipped('PO 12'))
  })

  test('waits for a person where its order’s status comes to be one in which nothing leaves', async () => {
    const order = await shipped()
    expect((await stateOf(order))!.onceComplete).toBe('go')
    const { heldStatuses } = await houseSettings()
    await changeSettings({ heldStatuses: [...heldStatuses, 'Shipped'] })
    await changeSettings({ heldStatuses })
    await enter(order, { reference: 'PO 99' })
    await until('it is complete', async () => (await stateOf(order))!.problem === null)
    await house.settle()
    expect(await stateOf(order)).toMatchObject({ state: 'prepared', onceComplete: null })
  })

  test('goes on where the customer needs it no more', async () => {
    const order = await shipped()
    expect((await stateOf(order))!.onceComplete).toBe('go')
    await needsOf({ reference: false, fields: [] })
    await issued(order)
  })

  test('waits for a field of the house; the field cannot vanish under it', async () => {
    await addOwnField({
      of: 'order',
      name: 'Cost centre',
      kind: 'text',
      choices: [],
      labels: {},
      printed: true,
    })
    await needsOf({ reference: false, fields: ['Cost centre'] })
    const order = await shipped('PO 13')
    expect((await stateOf(order))!.problem?.words).toContain('without “Cost centre”')
    const field = await one<{ id: number }>(`select id from own_field where name = 'Cost centre'`)
    await expect(dropOwnField(field!.id)).rejects.toMatchObject({ code: 'in-use' })
    await enter(order, { fields: { 'Cost centre': '4711' } })
    await issued(order)
    await expect(needsOf({ reference: false, fields: ['No such'] })).rejects.toMatchObject({
      code: 'no-such-field',
    })
    await needsOf({ reference: true, fields: [] })
  })

  test('that is a draft is asked for its own reference alone, and is told where to enter it', async () => {
    await needsOf({ reference: true, fields: ['Cost centre'] })
    const draft = await draftFromOrder(
      await house.newOrder({ reference: null }),
      { kind: 'deposit', percent: '30' },
      who,
    )
    await house.settle()
    const held = (await stateOf(draft))!
    expect(held).toMatchObject({ onceComplete: 'check' })
    expect(held.problem?.words).toMatch(/without “Your reference”\. .*enter it at the draft\.$/)
    const { version, brandId, customerId, facts } = await draftView(draft)
    const written = { ...facts, reference: 'PO 16' }
    await changeDraft(draft, { version, brandId, customerId, earlierDateOk: false, facts: written }, who)
    await until('it is complete', async () => (await stateOf(draft))!.problem === null)
    await needsOf({ reference: true, fields: [] })
  })

  test('that was taken back, or whose order was held, waits for a person once it is complete', async () => {
    const back = await shipped()
    await putBack([(await papersOf([back]))[0]!.id], who)
    await enter(back, { reference: 'PO 14' })
    const stopped = await shipped()
    await setStatus([stopped], 'Held', who)
    await enter(stopped, { reference: 'PO 15' })
    await house.settle()
    await setStatus([stopped], 'Shipped', who)
    await house.settle()
    expect((await stateOf(back))!).toMatchObject({ state: 'put back' })
    expect((await stateOf(stopped))!).toMatchObject({ state: 'prepared', problem: null })
  })
})
