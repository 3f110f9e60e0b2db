import { expect, test } from 'vitest'
import { run } from '../../server/db/connection'
import { figures } from '../../server/services/dispatch/figures'
import { listDispatches } from '../../server/services/dispatch/queries'
import { changeSettings } from '../../server/services/orders/settings'
import { theHouse } from '../../server/services/people/principal'
import { until, useHouse } from './house'

/* What became of what was sent: counts that agree with the lists they lead to. */
const house = useHouse({ trust: 'automatic', reports: false })
const mailbox = 'accounts@ottermill.example'

test('the figures count what the lists show, by day and by domain, and what was saved', async () => {
  await changeSettings({ postage: '1.45' })
  const before = await figures(7, theHouse)
  await house.ship([await house.newOrder(), await house.newOrder(), await house.newOrder()])
  await until('the emails', async () => (await house.mails(mailbox)).length >= 3)
  await until('that they left', async () => (await figures(7, theHouse)).emails === before.emails + 3)
  const now = await figures(7, theHouse)
  expect(now.days).toHaveLength(7)
  const today = now.days.at(-1)!
  const state = 'on the way' as const
  const list = await listDispatches({ from: today.day, to: today.day, state, limit: 100 }, theHouse)
  expect(today.onTheWay).toBe(list.rows.length)
  expect(now.domains.find((one) => one.domain === 'ottermill.example')).toMatchObject({
    written: 3,
    failed: 0,
  })
  expect(now.saved).toBe((1.45 * now.emails).toFixed(2))
  expect(now.middle).toBeGreaterThanOrEqual(0)
  expect(now.nineInTen).toBeGreaterThanOrEqual(now.middle!)
})

test('who is limited to a brand sees what is of it', async () => {
  const other = { ...theHouse, brands: [house.brands[1]!.id] }
  expect((await figures(7, other)).domains.map((one) => one.domain)).not.toContain('ottermill.example')
})

test('what came back counts against its domain', async () => {
  await run(`update dispatch_recipient set outcome = 'bounced' where address = $1`, [mailbox])
  expect((await figures(7, theHouse)).domains[0]).toMatchObject({
    domain: 'ottermill.example',
    written: 3,
    failed: 3,
  })
})
