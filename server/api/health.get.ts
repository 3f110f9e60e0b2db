import { route } from '../http/route'
import { databaseAnswers } from '../services/house/health'

/** Whether this process reaches its database. */
export default route({ role: 'anyone', brands: 'none', uncounted: true }, async () => {
  await databaseAnswers()
  return { ok: true }
})
