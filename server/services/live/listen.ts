import pg from 'pg'
import { config } from '../../config'
import { log } from '../../log'
import { channel, type Change } from './publish'

type Send = (message: string) => void
interface Stream {
  session: string
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
    if (message.channel === channel) for (const stream of streams) stream.send(message.payload ?? '[]')
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

/** Tells the pages of this process alone. */
export function tellStreams(changes: readonly Change[]): void {
  for (const stream of streams) stream.send(JSON.stringify(changes))
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
