import { SMTPServer } from 'smtp-server'
import { config } from '../../config'
import { log } from '../../log'
import { dispatchOfReturnPath } from './return-path'

const mostBytes = 1_000_000

/**
 * Clothespin's own SMTP listener, on loopback, for delivery reports only: it takes mail for signed return
 * paths and nothing else.
 * A second worker finds the port taken and tries again now and then, so that one always listens.
 * @param keep keeps a report of a dispatch; false while that is just being handed over, so that it comes again
 */
export function listenForReports(keep: (dispatchId: number, report: string) => Promise<boolean>): {
  close: () => Promise<void>
} {
  let server: SMTPServer | undefined
  let closed = false

  const open = () => {
    if (closed) return
    const made = new SMTPServer({
      disabledCommands: ['AUTH', 'STARTTLS'],
      size: mostBytes,
      banner: 'Clothespin delivery reports',
      logger: false,
      disableReverseLookup: true,
      onRcptTo(address, _session, done) {
        if (dispatchOfReturnPath(address.address) === undefined)
          return done(Object.assign(new Error('5.1.1 No such return path'), { responseCode: 550 }))
        done()
      },
      onData(stream, session, done) {
        const chunks: Buffer[] = []
        let size = 0
        stream.on('data', (chunk: Buffer) => {
          size += chunk.length
          if (size <= mostBytes) chunks.push(chunk)
        })
        stream.on('end', () => {
          const ids = session.envelope.rcptTo.map((to) => dispatchOfReturnPath(to.address)!)
          const text = Buffer.concat(chunks).toString('utf8')
          Promise.all(ids.map((id) => keep(id, text))).then(
            (kept) => {
              if (kept.every(Boolean)) done()
              else
                done(
                  Object.assign(new Error('4.3.0 Just being handed over, come again'), { responseCode: 451 }),
                )
            },
            (error: unknown) => {
              log.error({ error: String(error) }, 'a delivery report could not be kept')
              done(Object.assign(new Error('4.3.0 Cannot keep it now, come again'), { responseCode: 451 }))
            },
          )
        })
      },
    })
    made.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') setTimeout(open, 5000).unref()
      else log.warn({ error: error.message }, 'the report listener had trouble')
    })
    made.listen(config.returnPort, '127.0.0.1', () => {
      server = made
    })
  }
  open()
  return {
    close: async () => {
      closed = true
      await new Promise<void>((resolve) => (server ? server.close(() => resolve()) : resolve()))
    },
  }
}
