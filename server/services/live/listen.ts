import pg from 'pg'
import { config } from '../../config'
import { log } from '../../log'
import { type Named, type Principal } from '../people/principal'
import { ownIds } from '../people/brand-queries'
import { channel, type Change, type Topic } from './publish'

type Send = (message: string) => void
interface Stream {
  session: string
  who: Principal
  send: Send
  end: () => void
}

const streams = new Set<Stream>()
let client: pg.Client | undefined
let stopped = false

/** One listening connection a web process; comes back automatically, and then tells every page to fetch anew. */
async function connect(): Promise<void> {
  const connection = new pg.Client({
    connectionString: config.databaseUrl,
    application_name: 'clothespin live',
  })
  connection.on('error', (error) => log.warn({ error: error.message }, 'the listening connection broke'))
  connection.on('end', () => {
    client = undefined
    if (!stopped) setTimeout(() => void start(), 1000).unref()
  })
  connection.on('notification', (message) => {
    if (message.channel === channel) for (const stream of streams) void tell(stream, message.payload ?? '[]')
    else for (const stream of [...streams]) if (stream.session === message.payload) stream.end()
  })
  await connection.connect()
  await connection.query(`listen ${channel}`)
  await connection.query(`listen ${channel}_signout`)
  client = connection
  for (const stream of streams) stream.send('"again"')
}

async function start(): Promise<void> {
  if (client || stopped) return
  try {
    await connect()
  } catch (error) {
    log.warn({ error: String(error) }, 'cannot listen for changes; trying again')
    setTimeout(() => void start(), 1000).unref()
  }
}

const idsOf: Partial<Record<Topic, keyof Named>> = {
  line: 'prepared',
  order: 'sources',
  payment: 'sources',
  customer: 'customers',
  run: 'runs',
}

/** A message as this page may hear it: without the ids of other brands. */
async function tell(stream: Stream, message: string): Promise<void> {
  if (stream.who.brands === null) return stream.send(message)
  try {
    const changes = JSON.parse(message) as Change[]
    const own = changes.map(async ({ topic, ids }) => {
      const what = idsOf[topic]
      return { topic, ids: what ? await ownIds(stream.who, what, ids) : [] }
    })
    stream.send(JSON.stringify(await Promise.all(own)))
  } catch (error) {
    log.warn({ error: String(error) }, 'a change could not be told; the page fetches anew')
    stream.send('"again"')
  }
}

/** Tells the pages of this process alone. */
export function tellStreams(changes: readonly Change[]): void {
  for (const stream of streams) void tell(stream, JSON.stringify(changes))
}

/** Resolves once this process hears what is published. */
export const listening = (): Promise<void> => start()

/** Adds a page's stream; answers how to take it away. */
export function addStream(stream: Stream): () => void {
  streams.add(stream)
  void start()
  return () => streams.delete(stream)
}

export async function stopListening(): Promise<void> {
  stopped = true
  for (const stream of [...streams]) stream.end()
  await client?.end()
}
