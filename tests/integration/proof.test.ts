import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument } from 'pdf-lib'
import { expect, test } from 'vitest'
import { one } from '../../server/db/connection'
import { proofOf } from '../../server/services/register/proof'
import { inTheNameOf } from '../../server/services/people/principal'
import { until, useHouse } from './house'

/* The proof of a document's sending, for whoever says that they never received it. */
const house = useHouse({ trust: 'automatic' })
const who = inTheNameOf('Col Varley')
const document = (order: number) =>
  one<{ id: number; number: string; sha256: string; state: string }>(
    `select d.id, d.number, f.sha256, s.state
    from document d
    join document_file f on f.document_id = d.id
    join dispatch_document dd on dd.document_id = d.id
    join dispatch s on s.id = dd.dispatch_id
    where d.source_id = $1`,
    [order],
  )
const saved = (bytes: Uint8Array) => {
  const file = join(mkdtempSync(join(tmpdir(), 'clothespin-proof-')), 'proof.pdf')
  writeFileSync(file, bytes)
  return file
}

test('names recipients, times, the servers’ words and the checksum, and holds the very document', async () => {
  const order = await house.newOrder()
  await house.ship([order])
  await until('it arrived', async () => (await document(order))?.state === 'arrived')
  const { id, number, sha256 } = (await document(order))!
  const { name, bytes } = await proofOf(id, who)
  expect(name).toBe(`Proof ${number}.pdf`)
  const file = saved(bytes)
  const words = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
  expect(words).toContain(`Proof of sending: Invoice ${number}`)
  expect(words).toContain(sha256)
  expect(words).toMatch(/To\s+accounts@ottermill\.example: delivered, \d+ \w+ \d{4},/)
  expect(words).toMatch(/Message-ID\s+<.+>/)
  expect(words).toContain('The server said: 250')
  expect(words).toContain('by Col Varley')
  // the document's own pages follow
  expect(words).toContain('Brood box, cedar, 10 frame')
  expect((await PDFDocument.load(bytes)).getPageCount()).toBe(2)
  execFileSync('pdfdetach', ['-save', '1', '-o', `${file}.out`, file])
  expect(
    createHash('sha256')
      .update(readFileSync(`${file}.out`))
      .digest('hex'),
  ).toBe(sha256)
  expect(execFileSync('qpdf', ['--check', file], { encoding: 'utf8' })).toContain('No syntax')
})

test('of a document that no server took says so, with its words', async () => {
  house.rules.set({ who: 'accounts@ottermill.example', does: 'bounce at once' })
  const order = await house.newOrder()
  await house.ship([order])
  await until('it is stuck', async () => (await document(order))?.state === 'stuck')
  const { bytes } = await proofOf((await document(order))!.id, who)
  const words = execFileSync('pdftotext', ['-layout', saved(bytes), '-'], { encoding: 'utf8' })
  expect(words).toMatch(/State\s+stuck: refused/)
  expect(words).toContain('550 5.1.1 There is no mailbox of this name')
})
