import { closeDatabase } from '../db/connection'
import { migrate } from '../db/migrate'
import { log } from '../log'
import { startWorker } from './run-worker'

/** The worker process. SIGTERM and SIGINT let running jobs end; anything harder is what the sweeper is for. */
process.env.CLOTHESPIN_PROCESS = 'worker'
await migrate()
const worker = await startWorker()
log.info('the worker is ready')
process.send?.('ready')

let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  await worker.stop()
  await closeDatabase()
  process.exit(0)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())
process.on('disconnect', () => void stop())
