import { expect, test } from 'vitest'
import { one } from '../../server/db/connection'
import { setStatus } from '../../server/services/orders/status'
import { until } from '../integration/house'
import { seededDice, useDoomed } from './processes'
import { inTheNameOf } from '../../server/services/people/principal'

/*
 * A run of 300 invoices while the worker and the mail server are killed with SIGKILL at random moments.
 * PostgreSQL is durable here. Nothing may be lost, no number missing or double, no mail twice in silence.
 */
const orderCount = 300
const doomed = useDoomed()

test(
  'worker and mail server killed again and again: nothing lost, no gap, no double, all done within ' +
    'a minute of the restart',
  async () => {
    const ids = await doomed.packOrders(orderCount)
    for (let at = 0; at < ids.length; at += 60)
      await setStatus(ids.slice(at, at + 60), 'Shipped', inTheNameOf('Test'))
    const dice = seededDice()
    doomed.start('mail-standin')
    doomed.start('worker')
    for (let round = 0; round < 9; round++) {
      await new Promise((resolve) => setTimeout(resolve, 400 + dice() * 1500))
      const victim = dice() < 0.7 ? 'worker' : 'mail-standin'
      await doomed.kill(victim)
      doomed.start(victim)
    }
    const restart = Date.now()
    await until(
      'everything to be done',
      async () => {
        const issued = (await one<{ count: number }>('select count(*)::int count from document'))!.count
        const { waiting = 0, claimed = 0, 'handing over': handing = 0 } = await doomed.states()
        return issued === orderCount && waiting + claimed + handing === 0
      },
      100,
    )
    expect((Date.now() - restart) / 1000).toBeLessThan(60)
    await doomed.expectTruth(orderCount)
    await until(
      'no job to be locked by a dead worker',
      async () =>
        (await one<{ count: number }>(
          'select count(*)::int count from graphile_worker._private_jobs where locked_at is not null',
        ))!.count === 0,
      60,
    )
  },
)
