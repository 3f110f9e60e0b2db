import type { Told } from '../../core/said/told'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Logger, run, type Runner } from 'graphile-worker'
import pg from 'pg'
import { simpleParser } from 'mailparser'
import { afterAll, beforeAll, inject } from 'vitest'
import type { CustomerData } from '../../demo/house'
import { freePort } from '../../run/cluster'
import { closeDatabase, one, rows } from '../../server/db/connection'
import { listenForReports } from '../../server/outside/mail/listener'
import { keepReport } from '../../server/services/dispatch/reports'
import { closeMailConnections } from '../../server/outside/mail/smtp'
import { taskList } from '../../server/queue/run-worker'
import { addOrder, type NewOrder } from '../../server/services/orders/orders'
import { setStatus } from '../../server/services/orders/status'
import { addRoutine } from '../../server/services/routines/routines'
import { registerSources } from '../../server/services/sources'
import type { Trust } from '../../core/routines/sentence'
import { Mailboxes } from '../../standins/mail/mailboxes'
import { Reporter } from '../../standins/mail/reports'
import { Rules } from '../../standins/mail/rules'
import { mailServer } from '../../standins/mail/server'
import { inTheNameOf } from '../../server/services/people/principal'

/**
 * A house of its own for a test file: real PostgreSQL, the real stand-in mail server, the real jobs in this
 * process.
 */
export interface House {
  brands: { id: number; code: string }[]
  customers: CustomerData[]
  rules: Rules
  mailboxes: Mailboxes
  /** Waits until nothing is left to do now. */
  settle: () => Promise<void>
  customer: (number: string) => CustomerData
  newOrder: (change?: Partial<NewOrder>) => Promise<number>
  ship: (ids: number[]) => Promise<void>
  /** Mails in a mailbox, parsed, newest first. */
  mails: (address: string) => Promise<Awaited<ReturnType<typeof simpleParser>>[]>
}

/** The last order's number of this house. */
let count = 0

/** Makes a database from the migrated template. @returns its URL */
export async function freshDatabase(): Promise<string> {
  const admin = inject('clusterUrl')
  const name = `house_${randomUUID().slice(0, 8)}`
  const client = new pg.Client({ connectionString: admin })
  await client.connect()
  for (let attempt = 0; ; attempt++) {
    try {
      await client.query(`create database ${name} template template_house`)
      break
    } catch (error) {
      if (attempt > 20) throw error
      await new Promise((resolve) => setTimeout(resolve, 200))
    }
  }
  await client.end()
  return admin.replace(/\/postgres$/, `/${name}`)
}

/** Sets the house up before the tests of a file and takes it down after them. */
export function useHouse(options: { trust?: Trust; jobs?: boolean; reports?: boolean } = {}): House {
  const house = {} as House
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-mail-'))
  let runner: Runner | undefined
  /** What a file sets is gone with it: the next one may run in the same process. */
  let environment: NodeJS.ProcessEnv = {}
  let listener: ReturnType<typeof listenForReports> | undefined
  let server: ReturnType<typeof mailServer>

  beforeAll(async () => {
    registerSources()
    count = 0
    environment = { ...process.env }
    const [smtpPort, returnPort] = [await freePort(), await freePort()]
    process.env.CLOTHESPIN_DATABASE_URL = await freshDatabase()
    Object.assign(process.env, {
      CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
      CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
      CLOTHESPIN_SMTP_VERIFY: 'no',
      CLOTHESPIN_RETURN_PORT: String(returnPort),
      CLOTHESPIN_LOG: 'silent',
    })
    const loaded = inject('loadedHouse')
    await addRoutine(
      {
        name: 'Invoice when shipped',
        description: '',
        trust: options.trust ?? 'after a check',
        isOn: true,
        sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
      },
      inTheNameOf('Test'),
    )
    const rules = new Rules(folder)
    const mailboxes = new Mailboxes(folder)
    server = mailServer(rules, mailboxes, new Reporter(returnPort), {
      reportDelivery: options.reports ?? true,
    })
    await new Promise<void>((resolve, reject) => {
      server.on('error', reject)
      server.listen(smtpPort, '127.0.0.1', () => resolve())
    })
    listener = listenForReports(keepReport)
    if (options.jobs !== false) {
      runner = await run({
        connectionString: process.env.CLOTHESPIN_DATABASE_URL,
        concurrency: 4,
        taskList: taskList('worker of the test'),
        noHandleSignals: true,
        logger: new Logger(() => () => {}),
        pollInterval: 500,
      })
    }
    Object.assign(house, {
      ...loaded,
      rules,
      mailboxes,
      settle,
      customer: (number: string) => loaded.customers.find((one) => one.number === number)!,
    })
    house.newOrder = async (change = {}) =>
      addOrder(
        {
          number: `SO-${++count}`,
          brandId: loaded.brands[0]!.id,
          customerId: loaded.customers[0]!.id,
          customerName: loaded.customers[0]!.name,
          date: '2026-11-20',
          status: 'Packed',
          currency: 'EUR',
          pricesIncludeTax: false,
          reference: 'OM/118',
          salesperson: 'Maeve Tarrant',
          customerNote: null,
          prepaid: '0',
          adjustments: [],
          lines: [
            {
              item: 'HB-10N',
              description: 'Brood box, cedar, 10 frame',
              detail: null,
              unit: '',
              quantity: '12',
              unitPrice: '41.50',
              discountPercent: '0',
              taxCode: 'standard',
            },
          ],
          ...change,
        },
        inTheNameOf('Test'),
      )
    house.ship = async (ids) => {
      await setStatus(ids, 'Shipped', inTheNameOf('Test'))
      await settle()
    }
    house.mails = async (address) =>
      Promise.all(mailboxes.of(address).map((mail) => simpleParser(mailboxes.raw(mail.id)!)))
  })

  afterAll(async () => {
    await runner?.stop()
    await listener?.close()
    closeMailConnections()
    await new Promise<void>((resolve) => server.close(() => resolve()))
    await closeDatabase()
    rmSync(folder, { recursive: true, force: true })
    for (const name of Object.keys(process.env)) if (!(name in environment)) delete process.env[name]
    Object.assign(process.env, environment)
  })
  return house
}

async function settle(): Promise<void> {
  for (;;) {
    const open = await one<{ open: number }>(
      `select count(*)::int open from graphile_worker.jobs where run_at <= now() and attempts < max_attempts`,
    )
    if (open!.open === 0) return
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
}

/** Waits until a condition holds, at most some seconds. */
export async function until(what: string, holds: () => Promise<boolean>, seconds = 15): Promise<void> {
  const end = Date.now() + seconds * 1000
  while (!(await holds())) {
    if (Date.now() > end) throw new Error(`waited in vain for: ${what}`)
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

export interface PaperRow {
  id: number
  orderId: number
  revision: number
  state: string
  changes: { what: Told }[] | null
  problem: Told | null
}
export const papersOf = (orderIds: number[]) =>
  rows<PaperRow>(
    `select id, source_id "orderId", revision, state, changes, problem
    from prepared_document
    where source_id = any($1::int[])
    order by id`,
    [orderIds],
  )
export const historyWords = async (orderId: number) =>
  (
    await rows<{ words: string }>(
      'select words from history where source_id in (select id from source where root_id = $1) order by id',
      [orderId],
    )
  ).map((row) => row.words)
