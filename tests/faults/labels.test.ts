import { afterAll, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { inTheNameOf } from '../../server/services/people/principal'
import { keepCarrier } from '../../server/services/shipping/carriers'
import { makeShipment } from '../../server/services/shipping/pack'
import { registerSources } from '../../server/services/sources'
import { Book } from '../../standins/carrier/book'
import { demoStaff } from '../../demo/house'
import { until } from '../integration/house'
import { startWeb } from '../web'
import { seededDice, useDoomed } from './processes'

/*
 * Labels are bought while web, worker and carrier are killed at random moments. The carrier sells again what it is
 * asked for again: at the end it has sold one label for each parcel at most, each of them known to us; what it did not
 * sell is asked for once more by a person, and then each parcel has exactly one. Whoever is not answered presses again.
 */
const kills = Number(process.env.CLOTHESPIN_KILLS ?? 8)
const parcels = 2
const doomed = useDoomed()
const who = inTheNameOf('Test')
// times that are long enough for a call, and short enough for a test; the carrier is so slow that kills hit its calls
const times = {
  CLOTHESPIN_LABEL_ASK_SECONDS: '1',
  CLOTHESPIN_LABEL_LEASE_SECONDS: '4',
  CLOTHESPIN_CARRIER_TIMEOUT: '2000',
  CLOTHESPIN_SWEEP_SECONDS: '1',
  STANDIN_CARRIER_MILLISECONDS: '150',
  CLOTHESPIN_RATE_FACTOR: '100',
}
Object.assign(process.env, times)
let web: Awaited<ReturnType<typeof startWeb>>
let cookie = ''
afterAll(async () => {
  await web?.stop()
  Object.keys(times).forEach((name) => delete process.env[name])
})

const post = (path: string, body: object) =>
  fetch(web.base + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify(body),
  })
const signIn = async () => {
  const { email, password } = demoStaff().find(({ role }) => role === 'supervisor')!
  const answer = await post('/api/session', { email, password })
  cookie = answer.headers.get('set-cookie')!.split(';')[0]!
}
/** Somebody presses "Make label". @returns whether it was answered: else nobody knows what became of it */
const press = (id: number) =>
  post('/api/labels', { sourceIds: [id] }).then(
    ({ status }) => {
      expect(status).toBe(200)
      return true
    },
    () => false,
  )
const pressAll = async (ids: readonly number[]) => {
  for (const id of ids) expect(await press(id)).toBe(true)
}
/** The web dies while it is asked for labels; whoever had no answer presses again once it is back. */
async function askOfDyingWeb(ids: readonly number[], milliseconds: number): Promise<number> {
  const answers = ids.map(press)
  await new Promise((resolve) => setTimeout(resolve, milliseconds))
  await web.stop()
  web = await startWeb()
  const answered = await Promise.all(answers)
  const again = ids.filter((_, place) => !answered[place])
  await pressAll(again)
  return again.length
}

const labelsIn = async (...states: string[]) =>
  (await one<{ count: number }>('select count(*)::int count from label where state = any($1::text[])', [
    states,
  ]))!.count

test(
  'labels: one a parcel, each known, whatever is killed',
  async () => {
    registerSources()
    doomed.start('mail-standin')
    doomed.start('carrier-standin')
    const answers = () =>
      fetch(doomed.carrier.address()).then(
        ({ ok }) => ok,
        () => false,
      )
    await until('the carrier to answer', answers, 20)
    await keepCarrier(null, {
      name: 'Glenhaven Parcels',
      kind: 'simulated',
      address: doomed.carrier.address(),
      inside: true,
      key: 'the key',
      version: 1,
    })
    const shipments: number[] = []
    for (const orderId of await doomed.packOrders(Math.max(20, kills * 3)))
      shipments.push(await pack(orderId))
    doomed.start('worker')
    web = await startWeb()
    await signIn()
    let unanswered = 0
    const dice = seededDice()
    const perKill = Math.ceil(shipments.length / kills)
    for (let time = 0; time < kills; time++) {
      // nothing of the kill before is left, so that this one hits calls
      await until('the carrier to answer again', answers, 20)
      await until('no label to be booked', async () => (await labelsIn('booking')) === 0, 30)
      const ids = shipments.slice(time * perKill, (time + 1) * perKill)
      // each third death is the web's
      if (time % 3 === 2) {
        unanswered += await askOfDyingWeb(ids, dice() * 60)
        continue
      }
      await pressAll(ids)
      await until('a label to be booked', async () => (await labelsIn('booking')) > 0, 30)
      await new Promise((resolve) => setTimeout(resolve, dice() * 280))
      const victim = dice() < 0.5 ? 'worker' : 'carrier-standin'
      await doomed.kill(victim)
      doomed.start(victim)
    }
    // what waits for a carrier that was down for a moment need not wait as long as for one that is
    const decided = () =>
      until(
        'every label to be decided',
        async () => {
          await run(`update label
            set next_try_at = now()
            where state in ('asked', 'unclear') and next_try_at > now() + interval '5 seconds'`)
          return (await labelsIn('asked', 'booking', 'unclear')) === 0
        },
        120,
      )
    await decided()
    await expectTruth()
    // the kills did hit calls of which nobody knew what became of them
    const broken = await one<{ count: number }>(
      `select count(*)::int count from history where words like 'The line broke%' or words like 'Nobody knows%'`,
    )
    expect(broken!.count).toBeGreaterThan(0)
    expect(unanswered, 'presses that a dying web left unanswered').toBeGreaterThan(0)
    const refused = await rows<{ id: number }>(
      `select distinct source_id id from label where state = 'refused' order by 1`,
    )
    await pressAll(refused.map(({ id }) => id))
    await decided()
    await expectTruth()
    expect(await one(`select count(*)::int count from label where state = 'made'`)).toEqual({
      count: shipments.length * parcels,
    })
    await until(
      'each label to be on a document',
      async () =>
        (await one<{ count: number }>(
          `select count(*)::int count from label where state = 'made' and document_id is null`,
        ))!.count === 0,
      60,
    )
    const printed = await rows<{ id: number }>('select document_id id from label group by 1')
    expect(printed.filter(({ id }) => id !== null).length).toBeGreaterThanOrEqual(shipments.length)
  },
  200_000 + kills * 8000,
)

const pack = (orderId: number) =>
  makeShipment(
    orderId,
    {
      lines: [{ position: 1, quantity: '1' }],
      delivery: { name: 'Weir Store', lines: ['Weir Road 2', 'Marlbridge'], country: 'IE' },
      parcels: ['0.4', '0.6'].map((quantity) => ({
        box: '',
        weight: '3',
        contents: [{ position: 1, quantity }],
      })),
    },
    who,
  )

/** At the carrier at most one for each time that one was asked for, and each that it sold is ours. */
async function expectTruth(): Promise<void> {
  const labels = await rows<{ key: string; state: string; tracking: string; parcelId: number }>(
    'select key, state, tracking, parcel_id "parcelId" from label',
  )
  const sold = new Book(doomed.carrier.folder).all()
  const byKey = new Map<string, string[]>()
  for (const { reference, number } of sold) byKey.set(reference, [...(byKey.get(reference) ?? []), number])
  expect(
    [...byKey.values()].filter((numbers) => numbers.length > 1),
    'nothing is bought twice under one key',
  ).toEqual([])
  for (const { key, state, tracking } of labels)
    expect(byKey.get(key) ?? [], `a label that is ${state}`).toEqual(state === 'made' ? [tracking] : [])
  const made = labels.filter(({ state }) => state === 'made').map(({ parcelId }) => parcelId)
  expect(new Set(made).size, 'one a parcel').toBe(made.length)
}
