import { registerSources } from '../services/sources'
import { closeDatabase } from '../db/connection'
import { migrate } from '../db/migrate'
import { closeRenderPool, warmRenderPool } from '../render/pool'
import { guardInstallation } from '../services/house/installation'
import { watchHealth } from '../services/house/health'
import { stopListening } from '../services/live/listen'

/** Nitro does not wait for an async plugin: requests wait for this promise instead. */
export default defineNitroPlugin((nitro) => {
  registerSources()
  const ready = migrate().then(guardInstallation)
  warmRenderPool()
  ready.catch((error: unknown) => {
    console.error('Clothespin cannot reach its database:', error)
    process.exit(1)
  })
  let unwatch = () => {}
  void ready.then(() => {
    unwatch = watchHealth()
  })
  nitro.hooks.hook('request', () => ready)
  nitro.hooks.hook('close', async () => {
    unwatch()
    await stopListening()
    await closeRenderPool()
    await closeDatabase()
  })
  process.on('disconnect', () => process.exit(0))
})
