import { Logger, run } from 'graphile-worker'
import type { Day } from '../core/documents/days'
import { clock } from '../server/clock'
import { config } from '../server/config'
import { one, rows } from '../server/db/connection'
import { taskList } from '../server/queue/run-worker'
import { listenForReports } from '../server/outside/mail/listener'
import { keepReport } from '../server/services/dispatch/reports'
import { closeMailConnections } from '../server/outside/mail/smtp'
import { closeRenderPool } from '../server/render/pool'
import { draftView, changeDraft, newInvoice } from '../server/services/drafts/drafts'
import { creditDocument } from '../server/services/drafts/credit'
import { putBack } from '../server/services/documents/prepare-by-hand'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { sendCopy, decideByHand } from '../server/services/dispatch/by-hand'
import { sweep } from '../server/services/dispatch/sweep'
import { addOrder, setStatus } from '../server/services/orders/orders'
import { addRoutine, changeRoutine } from '../server/services/routines/routines'
import { livePayments } from './payments'
import type { Story } from './orders'
import { inTheNameOf } from '../server/services/people/principal'

const desk = 'Order desk'
const clerk = 'Col Varley'
/** Somebody whose mail server breaks off while it takes the message: what went there is unclear. */
export const droppedAddress = 'auditor@hartwell.example'

/**
 * Lives through the days before today: orders come in and move on, the routine writes its invoices, the mail
 * goes.
 */
export async function livePast(
  all: readonly Story[],
  now: Date,
  days: number,
  day: (daysAgo: number) => Day,
): Promise<void> {
  let time = now
  const putClockBack = clock.use(() => time)
  const at = (daysAgo: number, hour: number) => {
    const wanted = new Date(`${day(daysAgo)}T${String(hour).padStart(2, '0')}:00:00Z`)
    time = wanted < now ? wanted : new Date(now.getTime() - (24 - hour) * 60_000)
  }
  at(days + 1, 9)
  const routine = await addRoutine(
    {
      name: 'Invoice when shipped',
      description: 'Every order that leaves the house gets its invoice.',
      trust: 'automatic',
      isOn: true,
      sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
    },
    inTheNameOf('Maeve Tarrant'),
  )
  await addRoutine(
    {
      name: 'Order confirmation when confirmed',
      description: 'The buyer sees what we understood before we pack.',
      trust: 'automatic',
      isOn: true,
      sentence: {
        statuses: ['Confirmed'],
        conditions: [],
        issue: 'order confirmation',
        to: 'buying',
        delayMinutes: 0,
      },
    },
    inTheNameOf('Maeve Tarrant'),
  )
  await addRoutine(
    {
      name: 'Confirmation for schools abroad',
      description: 'With a copy to the shipping desk, for the customs papers.',
      trust: 'after a check',
      isOn: false,
      sentence: {
        statuses: ['Confirmed'],
        conditions: [
          { about: 'country', is: 'not', values: ['IE'] },
          { about: 'group', is: 'one of', values: ['Schools'] },
        ],
        issue: 'order confirmation',
        to: 'buying',
        copyTo: ['shipping@tansyhollow.example'],
        delayMinutes: 20,
        hours: { from: '08:00', to: '17:00', workdays: true },
      },
    },
    inTheNameOf('Maeve Tarrant'),
  )

  await addRoutine(
    {
      name: 'Receipt for shop payments',
      description: 'Who buys in the shop gets a receipt at once.',
      trust: 'automatic',
      isOn: true,
      sentence: {
        on: 'payment',
        statuses: [],
        conditions: [{ about: 'brand', is: 'one of', values: ['LS'] }],
        issue: 'payment receipt',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    inTheNameOf('Maeve Tarrant'),
  )
  await addRoutine(
    {
      name: 'Credit notes when posted',
      description: 'Whatever way a credit note was issued, it goes at once.',
      trust: 'automatic',
      isOn: false,
      sentence: {
        on: 'posted',
        statuses: [],
        conditions: [],
        issue: 'credit note',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    inTheNameOf('Maeve Tarrant'),
  )

  const runner = await run({
    connectionString: config.databaseUrl,
    concurrency: 4,
    taskList: taskList('loader'),
    noHandleSignals: true,
    logger: new Logger(() => () => {}),
    pollInterval: 1000,
  })
  const listener = listenForReports(keepReport)
  const ids = new Map<Story, number>()
  const settle = async () => {
    await quiet()
    time = new Date(time.getTime() + 40_000)
    await sweep()
    await quiet()
  }
  for (let daysAgo = days; daysAgo >= 0; daysAgo--) {
    at(daysAgo, 8)
    for (const story of all.filter((one) => one.cameIn === daysAgo))
      ids.set(story, await addOrder({ ...story.order, date: day(daysAgo) }, inTheNameOf(desk)))
    await move(all, ids, daysAgo, at)
    await quiet()
    const leaving = all.filter((story) => story.shipped === daysAgo).map((story) => ids.get(story)!)
    at(daysAgo, 13)
    await livePayments(day(daysAgo), daysAgo)
    if (daysAgo === 0) await today(leaving, routine, at, settle)
    else if (leaving.length > 0) {
      at(daysAgo, 14)
      await setStatus(leaving, 'Shipped', inTheNameOf(clerk))
      await settle()
      await postPaper(daysAgo)
    }
  }
  await runner.stop()
  await listener.close()
  closeMailConnections()
  await closeRenderPool()
  putClockBack()

  /** Paper customers' invoices are posted the same day; the last ones still wait. */
  async function postPaper(daysAgo: number): Promise<void> {
    if (daysAgo < 3) return
    const waiting = await rows<{ id: number }>(
      `select id from dispatch where channel = 'paper' and state = 'waiting'`,
    )
    if (waiting.length > 0)
      await decideByHand(
        waiting.map((row) => row.id),
        'print',
        '',
        inTheNameOf(clerk),
      )
  }
}

/** Orders on their way through the house. */
async function move(
  all: readonly Story[],
  ids: Map<Story, number>,
  daysAgo: number,
  at: (daysAgo: number, hour: number) => void,
): Promise<void> {
  const to = async (status: string, hour: number, due: (story: Story) => boolean) => {
    const moving = all.filter(due).map((story) => ids.get(story)!)
    at(daysAgo, hour)
    if (moving.length > 0)
      await setStatus(
        moving,
        status,
        status === 'Held' || status === 'Withdrawn' ? inTheNameOf('Maeve Tarrant') : inTheNameOf(desk),
      )
  }
  const further = ['In picking', 'Packed', 'Shipped', 'Closed']
  await to('Confirmed', 9, (story) => story.cameIn === daysAgo && story.ends !== 'Draft')
  await to(
    'In picking',
    10,
    (story) => Math.max(0, story.cameIn - 1) === daysAgo && further.includes(story.ends),
  )
  await to(
    'Packed',
    11,
    (story) =>
      (story.shipped ?? Math.max(0, story.cameIn - 2)) === daysAgo && further.slice(1).includes(story.ends),
  )
  await to('Held', 12, (story) => Math.max(0, story.cameIn - 1) === daysAgo && story.ends === 'Held')
  await to(
    'Withdrawn',
    12,
    (story) => Math.max(0, story.cameIn - 1) === daysAgo && story.ends === 'Withdrawn',
  )
  await to(
    'Closed',
    16,
    (story) =>
      story.ends === 'Closed' &&
      story.shipped !== null &&
      Math.max(0, story.shipped - 10) === daysAgo &&
      daysAgo > 0,
  )
}

/**
 * Today's goods: half went by themselves this morning; then the routine was set to "after a check", and the
 * rest waits.
 */
async function today(
  leaving: number[],
  routine: number,
  at: (daysAgo: number, hour: number) => void,
  settle: () => Promise<void>,
): Promise<void> {
  const half = Math.floor(leaving.length / 2)
  at(0, 12)
  await setStatus(leaving.slice(0, half), 'Shipped', inTheNameOf(clerk))
  await settle()
  at(0, 13)
  const { version } = (await one<{ version: number }>('select version from routine where id = $1', [
    routine,
  ]))!
  await changeRoutine(routine, { version, trust: 'after a check' }, inTheNameOf('Maeve Tarrant'))
  at(0, 14)
  await setStatus(leaving.slice(half), 'Shipped', inTheNameOf(clerk))
  await settle()
  const [first] = await rows<{ id: number }>(
    `select id from prepared_document where state = 'prepared' order by id desc limit 1`,
  )
  at(0, 15)
  if (first) await putBack([first.id], inTheNameOf(clerk))
  await settle()
  await writeByHand(settle)
  const [sent] = await rows<{ id: number }>(
    `select d.id
    from document d
    join customer c on c.id = d.customer_id
    where c.number = '10417' and d.kind = 'invoice'
    order by d.id desc
    limit 1`,
  )
  if (sent) await sendCopy(sent.id, droppedAddress, false, inTheNameOf(clerk))
  for (let lapsed = 0; lapsed <= config.leaseSeconds; lapsed += 40) await settle()
}

/**
 * What the desk writes without an order: a credit for one brood box that came broken, and a repair, still a
 * draft.
 */
async function writeByHand(settle: () => Promise<void>): Promise<void> {
  const [invoice] = await rows<{ id: number }>(
    `select d.id
    from document d
    join customer c on c.id = d.customer_id
    where c.number = '10420' and d.kind = 'invoice'
    order by d.id desc
    limit 1`,
  )
  if (invoice) {
    const { credit } = await creditDocument(
      invoice.id,
      { ask: { kind: 'lines', lines: [{ line: 0, quantity: '1' }] }, reason: 'Arrived broken', anew: false },
      inTheNameOf(clerk),
    )
    const [paper] = await rows<{ preparedId: number; revision: number }>(
      'select id "preparedId", revision from prepared_document where source_id = $1',
      [credit],
    )
    await issueInOneTransaction([paper!], inTheNameOf(clerk))
  }
  const customer = await one<{ id: number; brandId: number }>(
    `select c.id, (select min(id) from brand) "brandId" from customer c where number = '10418'`,
  )
  const draft = await newInvoice(customer!.id, customer!.brandId, inTheNameOf(clerk))
  const { version, facts } = await draftView(draft)
  const line = (description: string, quantity: string, unitPrice: string) => ({
    item: '',
    description,
    detail: null,
    unit: '',
    quantity,
    unitPrice,
    discountPercent: '0',
    taxCode: 'standard',
  })
  await changeDraft(
    draft,
    {
      version,
      brandId: customer!.brandId,
      customerId: customer!.id,
      earlierDateOk: false,
      facts: {
        ...facts,
        suppliedOn: clock.now().toISOString().slice(0, 10),
        lines: [
          line('Repair of a radial extractor, two hours', '2', '48.00'),
          line('Bearing set', '1', '19.90'),
        ],
      },
    },
    inTheNameOf(clerk),
  )
  await settle()
}

/** Waits until the queue has nothing to do now. */
async function quiet(): Promise<void> {
  for (;;) {
    const open = await one<{ open: number }>(
      `select count(*)::int open from graphile_worker.jobs where run_at <= now() and attempts < max_attempts`,
    )
    const busy = await one<{ busy: number }>(
      `select count(*)::int busy from dispatch where state = 'claimed'`,
    )
    if (open!.open === 0 && busy!.busy === 0) return
    await new Promise((resolve) => setTimeout(resolve, 15))
  }
}
