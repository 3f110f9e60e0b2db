import { appendFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'

/** One mail in one mailbox; the message itself lies beside it as .eml. */
export interface Kept {
  id: string
  to: string
  from: string
  subject: string
  messageId: string
  receivedAt: string
}

/**
 * Mailboxes on disk: an index line and one .eml file a mail, so that nothing is lost when the process is
 * killed after its answer.
 */
export class Mailboxes {
  private readonly index: string
  private readonly mails: Kept[] = []

  /** While the demo is loaded, mails of past days are received when they were written. */
  constructor(
    private readonly folder: string,
    private readonly loading = false,
  ) {
    mkdirSync(join(folder, 'mails'), { recursive: true })
    this.index = join(folder, 'index.jsonl')
    if (existsSync(this.index)) {
      for (const line of readFileSync(this.index, 'utf8').split('\n')) {
        try {
          if (line) this.mails.push(JSON.parse(line) as Kept)
        } catch {
          /* a line cut by a kill: that mail was never answered with 250 */
        }
      }
    }
  }

  keep(to: string[], from: string, raw: Buffer): void {
    const header = raw
      .subarray(0, 20_000)
      .toString('utf8')
      .split(/\r?\n\r?\n/)[0]!
      .replace(/\r?\n[ \t]+/g, ' ')
    const field = (name: string) => new RegExp(`^${name}:\\s*(.*)$`, 'im').exec(header)?.[1]?.trim() ?? ''
    for (const address of to) {
      const kept: Kept = {
        id: randomUUID(),
        to: address.toLowerCase(),
        from,
        subject: field('subject'),
        messageId: field('message-id'),
        receivedAt: (this.loading ? new Date(field('date')) : new Date()).toISOString(),
      }
      writeFileSync(join(this.folder, 'mails', `${kept.id}.eml`), raw)
      appendFileSync(this.index, `${JSON.stringify(kept)}\n`)
      this.mails.push(kept)
    }
  }

  all(): readonly Kept[] {
    return this.mails
  }

  of(address: string): Kept[] {
    return this.mails.filter((mail) => mail.to === address.toLowerCase()).reverse()
  }

  raw(id: string): Buffer | undefined {
    const known = this.mails.some((mail) => mail.id === id)
    return known ? readFileSync(join(this.folder, 'mails', `${id}.eml`)) : undefined
  }
}
