import { closeDatabase } from '../db/connection'
import { migrate } from '../db/migrate'
import { closeRenderPool, warmRenderPool } from '../render/pool'
import { stopListening } from '../services/live/listen'

/** Nitro does not wait for an async plugin: requests wait for this promise instead. */
export default defineNitroPlugin((nitro) => {
  const ready = migrate()
  warmRenderPool()
  ready.catch((error: unknown) => {
    console.error('Clothespin cannot reach its database:', error)
    process.exit(1)
  })
  nitro.hooks.hook('request', () => ready)
  nitro.hooks.hook('close', async () => {
    await stopListening()
    await closeRenderPool()
    await closeDatabase()
  })
  process.on('disconnect', () => process.exit(0))
})
