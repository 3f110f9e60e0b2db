import { afterCommit, database, isOpen } from '../../db/connection'
import { log } from '../../log'

/** What may have changed for somebody who looks: the page then asks anew for what it shows. */
export type Topic =
  | 'line'
  | 'order'
  | 'register'
  | 'routine'
  | 'run'
  | 'worker'
  | 'house'
  | 'customer'
  | 'item'
  | 'payment'
  | 'import'
  | 'statements'

export interface Change {
  topic: Topic
  ids: number[]
}

export const channel = 'clothespin_changes'

const gatherMilliseconds = 250

const mostIds = 200

const gathered = new Map<Topic, Set<number>>()
let timer: NodeJS.Timeout | undefined
let lastSent = 0

/**
 * Tells every signed-in page what changed, once the current transaction is committed. Changes are gathered to
 * at most four
 * messages a second a process. A message lost with a dying process is made good by the page's next fetch.
 */
export function publish(topic: Topic, ids: readonly number[] = []): void {
  afterCommit(() => {
    const known = gathered.get(topic) ?? new Set()
    for (const id of ids) if (known.size < mostIds) known.add(id)
    gathered.set(topic, known)
    if (!timer) {
      timer = setTimeout(flush, Math.max(0, lastSent + gatherMilliseconds - Date.now()))
      timer.unref()
    }
  })
}

function flush(): void {
  timer = undefined
  lastSent = Date.now()
  const changes: Change[] = [...gathered].map(([topic, ids]) => ({ topic, ids: [...ids] }))
  gathered.clear()
  if (!isOpen()) return
  database()
    .query('select pg_notify($1, $2)', { bind: [channel, JSON.stringify(changes)], transaction: null })
    .catch((error: unknown) => log.warn({ error: String(error) }, 'a change could not be published'))
}
