import { expect, inject, test } from 'vitest'
import { demoStaff } from '../../demo/house'
import { startCluster, stopCluster } from '../../run/cluster'
import { one, rows } from '../../server/db/connection'
import { until } from '../integration/house'
import { startWeb } from '../web'
import { seededDice, useDoomed } from './processes'

/*
 * PostgreSQL stopped dead, and the web server killed, in the middle of a run of 150 invoices that clerks ship
 * through the web.
 * What was answered "done" is done; what was not is asked again; nothing is lost and nothing is made twice.
 */
const orderCount = 150
const doomed = useDoomed()
const cluster = inject('cluster')

/** Asks again until it is answered, as a person does who sees that the server is away. */
async function insist<T>(what: string, ask: () => Promise<T>): Promise<T> {
  for (const end = Date.now() + 60_000; ;) {
    try {
      return await ask()
    } catch (error) {
      if (Date.now() > end) throw new Error(`in vain: ${what}`, { cause: error })
      await new Promise((resolve) => setTimeout(resolve, 150))
    }
  }
}

test('PostgreSQL and web killed while orders are shipped: once each, no gap, no double, all done', async () => {
  const ids = await doomed.packOrders(orderCount)
  doomed.start('mail-standin')
  doomed.start('worker')
  let web = await startWeb()
  const clerk = demoStaff().find((person) => person.role === 'clerk')!
  const signIn = () =>
    insist('sign in', async () => {
      const answer = await fetch(`${web.base}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email: clerk.email, password: clerk.password }),
      })
      if (!answer.ok) throw new Error(`sign-in answered ${answer.status}`)
      return answer.headers
        .getSetCookie()
        .map((cookie) => cookie.split(';')[0])
        .join('; ')
    })
  let cookie = await signIn()
  const ship = (batch: number[]) =>
    insist('ship', async () => {
      const answer = await fetch(`${web.base}/api/orders/status`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify({ ids: batch, status: 'Shipped' }),
      })
      if (answer.status === 401) cookie = await signIn()
      if (!answer.ok) throw new Error(`answered ${answer.status}`)
    })
  const dice = seededDice()
  const shipping = (async () => {
    for (let at = 0; at < ids.length; at += 10) await ship(ids.slice(at, at + 10))
  })()
  for (let round = 0; round < 5; round++) {
    await new Promise((resolve) => setTimeout(resolve, 200 + dice() * 900))
    if (round % 2 === 0) {
      stopCluster(cluster, 'immediate')
      await startCluster(cluster)
    } else {
      await web.stop()
      web = await startWeb()
    }
  }
  await shipping
  let stand = ''
  const isDone = async () => {
    const { count } = (await one<{ count: number }>('select count(*)::int count from document'))!
    const states = await doomed.states()
    stand = `${count} of ${orderCount} issued, ${JSON.stringify(states)}`
    const { waiting = 0, claimed = 0, 'handing over': handing = 0 } = states
    return count === orderCount && waiting + claimed + handing === 0
  }
  await until('everything to be done', () => insist('look', isDone), 110).catch((error: unknown) => {
    throw new Error(`not everything is done: ${stand}`, { cause: error })
  })
  expect(
    await rows(`select source_id from event where kind = 'order status' group by 1 having count(*) <> 1`),
    'each order was shipped once',
  ).toEqual([])
  await doomed.expectTruth(orderCount)
  await web.stop()
})
