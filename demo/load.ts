import { fork, type ChildProcess } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { dayInZone } from '../core/documents/days'
import { clock } from '../server/clock'
import { closeDatabase, one, rows } from '../server/db/connection'
import { migrate } from '../server/db/migrate'
import { keepInstallation } from '../server/services/house/installation'
import { Rules } from '../standins/mail/rules'
import { whatCameBack } from './answers'
import { writeStatement } from './bank'
import { loadHouse } from './house'
import { labelShipments, startCarrier } from './labels'
import { openNewest, wishForLinks } from './links'
import { livePast } from './past'
import { droppedAddress } from './today'
import { fullSize, stories, testSize } from './orders'
import { rareEmails } from './rare-emails'
import { takeGoodsBack } from './returns'
import { registerSources } from '../server/services/sources'
import { dearDocuments } from './second-look'
import { shipOrders } from './shipments'
import { costlyReminders, stateAccounts } from './statements'

/*
 * Loads the demo house. What lies in the past is not painted in: with the clock set back, the same services
 * take the orders in,
 * move them on, and the same jobs prepare, issue, paint and send, to a stand-in mail server of the loader's own.
 * Dies half-way: bin/demo sees that the last step is missing and begins with an empty database.
 */
const mailboxes = process.env.STANDIN_MAIL_FOLDER ?? '.data/mailboxes'

function startStandin(): Promise<ChildProcess> {
  const child = fork(join('.build/js', 'mail-standin.mjs'), [], {
    env: {
      ...process.env,
      STANDIN_SMTP_PORT: new URL(process.env.CLOTHESPIN_SMTP_URL!).port,
      STANDIN_REPORT_PORT: process.env.CLOTHESPIN_RETURN_PORT,
      STANDIN_WEB_PORT: '0',
      STANDIN_LOADING: 'yes',
    },
  })
  return new Promise((resolve, reject) => {
    child.once('message', () => resolve(child))
    child.once('exit', (code) => reject(new Error(`the stand-in mail server stopped with ${code}`)))
  })
}

registerSources()
await migrate()
if (await one('select 1 as one from company')) {
  console.log('The demo house is already there.')
} else {
  mkdirSync(mailboxes, { recursive: true })
  const rules = new Rules(mailboxes)
  rules.set({ who: 'treasurer@oranbees.example', does: 'bounce later', seconds: 0.02 })
  rules.set({ who: 'moved@fernhollow.example', does: 'bounce at once' })
  rules.set({ who: 'hello@cowslip.example', does: 'mailbox full' })
  rules.set({ who: 'compta@tilleuls.example', does: 'bounce at once' })
  rules.set({ who: droppedAddress, does: 'drop during data' })
  for (const silent of ['brannoc.example', 'nordheide.example', 'lindenhang.example', 'ashgrove.example'])
    rules.set({ who: silent, does: 'no report' })

  const standin = await startStandin()
  const now = new Date()
  const zone = 'Europe/Dublin'
  const size = process.env.CLOTHESPIN_DEMO_SIZE === 'test' ? testSize : fullSize
  const putBack = clock.use(() => new Date(now.getTime() - (size.days + 1) * 86_400_000))
  const house = await loadHouse()
  if (size === fullSize) await costlyReminders()
  if (size === fullSize) await wishForLinks(`http://127.0.0.1:${process.env.PORT ?? 4310}`)
  await livePast(stories(house, size), { now, days: size.days, zone, reminds: size === fullSize })
  putBack()
  if (size === fullSize) {
    await openNewest()
    await whatCameBack()
    await dearDocuments()
    await rareEmails()
    await stateAccounts(zone)
    await shipOrders()
    const carrier = await startCarrier()
    await labelShipments()
    await takeGoodsBack()
    carrier.kill('SIGTERM')
  }
  await writeStatement(mailboxes, dayInZone(now, zone))
  standin.kill('SIGTERM')
  await keepInstallation()
  rules.set({ who: 'treasurer@oranbees.example', does: 'bounce later', seconds: 3 })
  rules.remove(droppedAddress)
  const counts = await rows<{
    what: string
    count: number
  }>(`
    select 'orders' what, count(*)::int count
    from sales_order
    union all
    select 'customers', count(*)::int
    from customer
    union all
    select 'items', count(*)::int
    from item
    union all
    select 'documents', count(*)::int
    from document`)
  console.log(`The demo house is loaded: ${counts.map((row) => `${row.count} ${row.what}`).join(', ')}.`)
}
await closeDatabase()
process.exit(0)
