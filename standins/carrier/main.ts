import { mkdirSync } from 'node:fs'
import { Behaviour } from './behaviour'
import { Book } from './book'
import { carrier } from './server'

/** Starts the stand-in on a loopback port, with its book in a folder and the key of its one customer. */
const folder = process.env.STANDIN_CARRIER_FOLDER ?? '.data/carrier'
mkdirSync(folder, { recursive: true })
const behaviour = new Behaviour()
// so slow in every answer, for measuring
const milliseconds = Number(process.env.STANDIN_CARRIER_MILLISECONDS ?? 0)
if (milliseconds > 0) behaviour.play('is slow', { milliseconds })
const server = carrier(new Book(folder), behaviour, process.env.STANDIN_CARRIER_KEY ?? 'glenhaven')

server.listen(Number(process.env.STANDIN_CARRIER_PORT ?? 0), '127.0.0.1', () => process.send?.('ready'))

const stop = () => {
  server.close(() => process.exit(0))
  server.closeAllConnections()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
