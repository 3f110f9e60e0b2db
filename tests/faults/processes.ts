import { fork, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect } from 'vitest'
import { loadHouse } from '../../demo/house'
import { freePort } from '../../run/cluster'
import { closeDatabase, one, rows } from '../../server/db/connection'
import { addOrder } from '../../server/services/orders/orders'
import { addRoutine } from '../../server/services/routines/routines'
import { Mailboxes } from '../../standins/mail/mailboxes'
import { freshDatabase } from '../integration/house'
import { inTheNameOf } from '../../server/services/people/principal'

/**
 * Processes that can be killed, over a durable database of their own, and what must hold after any number of
 * deaths.
 */
export interface Doomed {
  start: (name: 'worker' | 'mail-standin' | 'carrier-standin') => void
  /** Where the stand-in carrier keeps what it sold, and its address. */
  carrier: { folder: string; address: () => string }
  kill: (name: string) => Promise<void>
  /** Orders that are packed and whose customers can all be reached. */
  packOrders: (count: number) => Promise<number[]>
  states: () => Promise<Record<string, number>>
  /** Nothing lost, no gap, no double number, no mail twice in silence. */
  expectTruth: (orderCount: number) => Promise<void>
}

export function useDoomed(): Doomed {
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-faults-'))
  const running = new Map<string, ChildProcess>()
  let ending = false

  const start: Doomed['start'] = (name) => {
    const child = fork(join('.build/js', `${name}.mjs`), [], {
      execArgv: [],
      env: { ...process.env, CLOTHESPIN_PROCESS: name },
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    })
    running.set(name, child)
    child.once('exit', (_code, signal) => {
      // one that ends automatically is started again, as the supervisor does
      if (signal !== 'SIGKILL' && !ending) setTimeout(() => start(name), 500)
    })
  }

  beforeAll(async () => {
    const [smtp, returns, carrier] = [await freePort(), await freePort(), await freePort()]
    process.env.CLOTHESPIN_DATABASE_URL = await freshDatabase()
    Object.assign(process.env, {
      CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
      CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtp}`,
      CLOTHESPIN_SMTP_VERIFY: 'no',
      CLOTHESPIN_RETURN_PORT: String(returns),
      CLOTHESPIN_LOG: 'silent',
      STANDIN_SMTP_PORT: String(smtp),
      STANDIN_REPORT_PORT: String(returns),
      STANDIN_WEB_PORT: '0',
      STANDIN_MAIL_FOLDER: folder,
      STANDIN_CARRIER_PORT: String(carrier),
      STANDIN_CARRIER_FOLDER: folder,
      STANDIN_CARRIER_KEY: 'the key',
    })
  })

  afterAll(async () => {
    ending = true
    for (const child of running.values()) child.kill('SIGKILL')
    await closeDatabase()
    rmSync(folder, { recursive: true, force: true })
  })

  return {
    start,
    carrier: { folder, address: () => `http://127.0.0.1:${process.env.STANDIN_CARRIER_PORT}` },
    kill: async (name) => {
      const child = running.get(name)!
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await gone
    },
    packOrders: async (count) => {
      const { brands, customers } = await loadHouse()
      await addRoutine(
        {
          name: 'Invoice when shipped',
          description: '',
          trust: 'automatic',
          isOn: true,
          sentence: {
            statuses: ['Shipped'],
            conditions: [],
            issue: 'invoice',
            to: 'billing',
            delayMinutes: 0,
          },
        },
        inTheNameOf('Test'),
      )
      const reachable = customers.filter(
        (customer) =>
          customer.contacts.some((contact) => contact[2] === 'billing') &&
          customer.billing &&
          !customer.preferences,
      )
      const ids: number[] = []
      for (let index = 0; index < count; index++) {
        const customer = reachable[index % reachable.length]!
        ids.push(
          await addOrder(
            {
              number: `F-${index + 1}`,
              brandId: brands[index % 2]!.id,
              customerId: customer.id,
              customerName: customer.name,
              date: '2026-11-20',
              status: 'Packed',
              currency: 'EUR',
              pricesIncludeTax: false,
              reference: null,
              salesperson: '',
              customerNote: null,
              prepaid: '0',
              adjustments: [],
              lines: [
                {
                  item: 'HB-10N',
                  description: 'Brood box',
                  detail: null,
                  unit: '',
                  quantity: '1',
                  unitPrice: '41.50',
                  discountPercent: '0',
                  taxCode: 'standard',
                },
              ],
            },
            inTheNameOf('Test'),
          ),
        )
      }
      return ids
    },
    states: async () =>
      Object.fromEntries(
        (
          await rows<{ state: string; count: number }>(
            'select state, count(*)::int count from dispatch group by 1',
          )
        ).map((row) => [row.state, row.count]),
      ),
    expectTruth: async (orderCount) => {
      expect(await one('select count(*)::int count from document')).toEqual({ count: orderCount })
      const series = await rows<{ counters: number[] }>(
        'select array_agg(counter order by counter) counters from document group by series_id',
      )
      for (const { counters } of series)
        expect(counters).toEqual(Array.from({ length: counters.length }, (_, index) => index + 1))
      // of an account there is a statement of each period
      const twice = await rows(
        `select d.source_id, d.kind, p.occasion
        from document d
        join prepared_document p on p.id = d.prepared_id
        group by 1, 2, 3
        having count(*) > 1`,
      )
      expect(twice).toEqual([])
      expect(await rows('select document_id from unpainted')).toEqual([])
      const stuck = await rows<{ cause: string }>(
        `select stuck_cause "cause" from dispatch where state = 'stuck'`,
      )
      expect(new Set(stuck.map((row) => row.cause).filter((cause) => cause !== 'unclear'))).toEqual(new Set())
      const sent = await rows<{ messageId: string; recipients: number }>(
        `select s.message_id "messageId", count(r.*)::int recipients
        from dispatch s
        join dispatch_recipient r on r.dispatch_id = s.id
        where s.state in ('on the way', 'arrived')
        group by 1`,
      )
      expect(sent.length + stuck.length).toBe(orderCount)
      const received = new Map<string, number>()
      for (const mail of new Mailboxes(folder).all())
        received.set(`${mail.messageId} ${mail.to}`, (received.get(`${mail.messageId} ${mail.to}`) ?? 0) + 1)
      expect(
        [...received].filter(([, count]) => count > 1),
        'no mail twice',
      ).toEqual([])
      const byMessage = new Map<string, number>()
      for (const key of received.keys())
        byMessage.set(key.split(' ')[0]!, (byMessage.get(key.split(' ')[0]!) ?? 0) + 1)
      expect(
        sent.filter((mail) => byMessage.get(mail.messageId) !== mail.recipients),
        'what we say was taken is in the mailbox',
      ).toEqual([])
    },
  }
}

/** Dice from a seed, so that a run that failed can be run again: FAULT_SEED=… bin/test faults. */
export function seededDice(): () => number {
  let seed = Number(process.env.FAULT_SEED ?? 11)
  return () => (seed = (seed * 48271) % 2147483647) / 2147483647
}
