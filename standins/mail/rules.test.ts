import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { simpleParser } from 'mailparser'
import { expect, test } from 'vitest'
import { Mailboxes } from './mailboxes'
import { reportMessage } from './reports'
import { Rules } from './rules'

const folder = () => mkdtempSync(join(tmpdir(), 'standin-'))

test("an address's own rule goes before its domain's, and rules outlive a restart", () => {
  const place = folder()
  const rules = new Rules(place)
  rules.set({ who: 'house.example', does: 'no report' })
  rules.set({ who: 'a@house.example', does: 'mailbox full' })
  const again = new Rules(place)
  expect(again.of('A@House.example')?.does).toBe('mailbox full')
  expect(again.of('b@house.example')?.does).toBe('no report')
  again.remove('house.example')
  expect(again.of('b@house.example')).toBeUndefined()
})

test('mails outlive a restart, and a line cut off by a kill does no harm', async () => {
  const place = folder()
  new Mailboxes(place).keep(
    ['A@house.example', 'b@house.example'],
    'x@y.example',
    Buffer.from('Subject: Hello\r\nMessage-ID: <1@y>\r\n\r\nText'),
  )
  const { appendFileSync } = await import('node:fs')
  appendFileSync(join(place, 'index.jsonl'), '{"id":"cut')
  const again = new Mailboxes(place)
  expect(again.of('a@house.example')).toMatchObject([{ subject: 'Hello', messageId: '<1@y>' }])
  expect(again.raw(again.of('b@house.example')[0]!.id)!.toString()).toContain('Text')
  expect(again.raw('../../etc/passwd')).toBeUndefined()
})

test('a report is a proper multipart/report that a mail program can read', async () => {
  const mail = await simpleParser(
    reportMessage({
      returnPath: 'd1@r.example',
      recipient: 'a@house.example',
      action: 'failed',
      status: '5.1.1',
      diagnostic: '550 5.1.1 nobody',
      subject: 'Invoice',
    }),
  )
  expect(mail.subject).toBe('Undelivered: a@house.example')
  expect(mail.text).toContain('could not be delivered')
  expect(mail.headers.get('content-type')).toMatchObject({ value: 'multipart/report' })
})
