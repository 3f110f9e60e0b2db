import { one } from '../db/connection'
import { route } from '../route'

export default route({ role: 'anyone', uncounted: true }, async () => {
  await one('select 1 as one')
  return { ok: true }
})
