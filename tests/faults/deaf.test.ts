import pg from 'pg'
import { expect, inject, test } from 'vitest'
import { startCluster, stopCluster } from '../../run/cluster'
import { one } from '../../server/db/connection'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { until } from '../integration/house'
import { useDoomed } from './processes'

/*
 * PostgreSQL stopped dead at the very first question a worker's queue asks: that worker lives on and would never
 * hear of a job again.
 */
const doomed = useDoomed()
const cluster = inject('cluster')

test('a worker whose queue lost the database at its first question still sends all that is due', async () => {
  const ids = await doomed.packOrders(3)
  const holder = new pg.Client({ connectionString: process.env.CLOTHESPIN_DATABASE_URL })
  holder.on('error', () => undefined)
  await holder.connect()
  await holder.query('begin')
  await holder.query('lock table graphile_worker._private_tasks in access exclusive mode')
  doomed.start('mail-standin')
  doomed.start('worker')
  const asking = `select count(*)::int count from pg_stat_activity
    where wait_event_type = 'Lock' and query like '%_private_tasks%'`
  await until('the queue to ask', async () => (await one<{ count: number }>(asking))!.count > 0, 30)
  stopCluster(cluster, 'immediate')
  await startCluster(cluster)
  await until('the database to answer', () => one('select 1').then(Boolean, () => false), 30)
  await setStatus(ids, 'Shipped', inTheNameOf('Test'))
  await until('all to be sent', async () => (await doomed.states()).arrived === 3, 60)
  await doomed.expectTruth(3)
  expect(await doomed.states()).toEqual({ arrived: 3 })
})
