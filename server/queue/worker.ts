import { config } from '../config'
import { closeDatabase } from '../db/connection'
import { migrate } from '../db/migrate'
import { log } from '../log'
import { guardInstallation } from '../services/house/installation'
import { isLoopback } from '../outside/mail/connection'
import { startWorker } from './run-worker'

/** The worker process. SIGTERM and SIGINT let running jobs end; anything harder is what the sweeper is for. */
process.env.CLOTHESPIN_PROCESS = 'worker'
if (config.smtpUrl && !config.realMail && !isLoopback(new URL(config.smtpUrl).hostname)) {
  console.error(
    'CLOTHESPIN_SMTP_URL names a real mail server. Say CLOTHESPIN_REAL_MAIL=yes when mail shall ' +
      'really go to your customers; see docs/running.md.',
  )
  process.exit(1)
}
await migrate()
await guardInstallation()

const worker = await startWorker(() => {
  log.error('the queue hears of no jobs any more, though the database answers; the worker starts anew')
  setTimeout(() => process.exit(1), 10_000).unref()
  void stop(1)
})
log.info('the worker is ready')
process.send?.('ready')

let stopping = false

async function stop(code = 0): Promise<void> {
  if (stopping) return
  stopping = true
  await worker.stop()
  await closeDatabase()
  process.exit(code)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())
process.on('disconnect', () => void stop())
