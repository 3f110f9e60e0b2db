import { mkdirSync } from 'node:fs'
import { Statements } from '../bank/statements'
import { Mailboxes } from './mailboxes'
import { pages } from './pages'
import { Reporter } from './reports'
import { Rules } from './rules'
import { mailServer } from './server'

/**
 * Starts the stand-in: SMTP and web page on loopback ports, mailboxes in a folder; all three from the
 * environment.
 */
const folder = process.env.STANDIN_MAIL_FOLDER ?? '.data/mailboxes'
mkdirSync(folder, { recursive: true })
const rules = new Rules(folder)
const loading = process.env.STANDIN_LOADING === 'yes'
const mailboxes = new Mailboxes(folder, loading)
const reporter = new Reporter(Number(process.env.STANDIN_REPORT_PORT ?? 0))
const server = mailServer(rules, mailboxes, reporter, { reportDelivery: !loading })
const web = pages(rules, mailboxes, new Statements(folder))

server.listen(Number(process.env.STANDIN_SMTP_PORT ?? 0), '127.0.0.1', () => {
  web.listen(Number(process.env.STANDIN_WEB_PORT ?? 0), '127.0.0.1', () => process.send?.('ready'))
})

const stop = () => {
  web.close()
  server.close(() => process.exit(0))
  setTimeout(() => process.exit(0), 1500).unref()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
