import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { addDays } from '../../core/documents/days'
import { one, rows, run } from '../../server/db/connection'
import { startRun } from '../../server/services/documents/send-run'
import { setStatus } from '../../server/services/orders/status'
import { inTheNameOf } from '../../server/services/people/principal'
import { startStatements } from '../../server/services/receivables/statements'
import { registerSources } from '../../server/services/sources'
import { until } from '../integration/house'
import { seededDice, useDoomed } from './processes'

/*
 * Statements of every account, each with its ZIP of copies, while the worker and the mail server are killed at random
 * moments: first while they are prepared, then while they are sent. Each is made and mailed once, and none is lost.
 * In rounds, each of a period of its own; bench/faults has as many as it takes for hundreds of kills.
 */
const kills = { prepared: 3, sent: 4 }
const rounds = Math.ceil(Number(process.env.CLOTHESPIN_KILLS ?? 1) / (kills.prepared + kills.sent))
const orderCount = 60
const doomed = useDoomed()
const who = { ...inTheNameOf('Test'), id: 1 }

const count = async (sql: string) => (await one<{ count: number }>(sql))!.count
const nothingUnderWay = async () => {
  const { waiting = 0, claimed = 0, 'handing over': handing = 0 } = await doomed.states()
  return waiting + claimed + handing === 0
}

test(
  'a run of statements with copies: each once, none twice, whatever is killed',
  async () => {
    registerSources()
    const ids = await doomed.packOrders(orderCount)
    await run(`update company set preferences = '{"statement of account": {"copies": "zip"}}'`)
    await setStatus(ids, 'Shipped', inTheNameOf('Test'))
    const dice = seededDice()
    const killing = async (times: number) => {
      for (let time = 0; time < times; time++) {
        await new Promise((resolve) => setTimeout(resolve, 300 + dice() * 900))
        const victim = dice() < 0.7 ? 'worker' : 'mail-standin'
        await doomed.kill(victim)
        doomed.start(victim)
      }
    }
    doomed.start('mail-standin')
    doomed.start('worker')
    await until(
      'the invoices to be sent',
      async () =>
        (await count('select count(*)::int count from document')) === orderCount && nothingUnderWay(),
      120,
    )
    const today = (await one<{ day: string }>('select max(date)::text "day" from document'))!.day
    let documents = orderCount
    for (let round = 0; round < rounds; round++) {
      const runId = await startStatements(
        { matching: { sort: 'name', descending: false, limit: 1 }, but: [] },
        { form: 'activity', from: addDays(today, -round), until: today },
        who,
      )
      await killing(kills.prepared)
      await until(
        'the statements to be prepared',
        async () =>
          (await count('select count(*)::int count from statement_run_account where outcome is null')) === 0,
        120,
      )
      const prepared = await rows<{ id: number; revision: number }>(
        `select p.id, p.revision
      from prepared_document p
      join statement_run_account x on x.prepared_id = p.id and x.run_id = $1 and x.outcome = 'prepared'
      where p.state = 'prepared' and p.problem is null`,
        [runId],
      )
      const accounts = await count('select count(*)::int count from account')
      expect(prepared).toHaveLength(accounts)
      documents += accounts
      await startRun(prepared, randomUUID(), who)
      await killing(kills.sent)
      await until(
        'everything to be sent',
        async () =>
          (await count('select count(*)::int count from document')) === documents &&
          (await nothingUnderWay()),
        150,
      )
      await doomed.expectTruth(documents)
    }
  },
  300_000 + rounds * 60_000,
)
