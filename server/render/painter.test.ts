import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SaxesParser } from 'saxes'
import { afterAll, describe, expect, test } from 'vitest'
import { layOut } from '../../core/designs/layout'
import { bold, exampleInvoice, longOrder, metrics, plain } from '../../core/testing/examples'
import { PdfkitPainter } from './pdfkit-painter'

/* What a screen reader and other programs find in our PDFs, read back with poppler and qpdf. */
const painter = new PdfkitPainter('.build/fonts')

const folder = mkdtempSync(join(tmpdir(), 'clothespin-painter-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

async function painted(
  name: string,
  paper: ReturnType<typeof exampleInvoice>,
  design = plain,
): Promise<{ file: string; tags: string }> {
  const file = join(folder, `${name}.pdf`)
  writeFileSync(
    file,
    await painter.paint(layOut(paper, design, metrics), new Map(), {
      madeAt: new Date(0),
      author: paper.brand.legalName,
      subject: '',
    }),
  )
  return { file, tags: execFileSync('pdfinfo', ['-struct-text', file], { encoding: 'utf8' }) }
}

describe('metadata', () => {
  test('is well-formed XML whatever stands in a name, and says it unchanged', async () => {
    const paper = exampleInvoice()
    const legalName = 'Thorn & Hill <Bees> Ltd'
    const { file } = await painted('names', { ...paper, brand: { ...paper.brand, legalName } })
    const metadata = execFileSync('pdfinfo', ['-meta', file], { encoding: 'utf8' })
    const names: string[] = []
    let inCreator = false
    const parser = new SaxesParser()
    parser.on('error', (error) => {
      throw error
    })
    parser.on('opentag', ({ name }) => {
      inCreator ||= name === 'dc:creator'
    })
    parser.on('closetag', ({ name }) => {
      inCreator &&= name !== 'dc:creator'
    })
    parser.on('text', (words) => {
      if (inCreator) names.push(words.trim())
    })
    parser.write(metadata).close()
    expect(names.filter(Boolean)).toEqual([legalName])
    expect(execFileSync('pdfinfo', [file], { encoding: 'utf8' })).toContain(`Author:          ${legalName}`)
  })
})

describe('tags', () => {
  test("one heading, tables with header cells, the payment code with its words, in the paper's language", async () => {
    const { file, tags } = await painted('plain', exampleInvoice())
    expect(tags.match(/^ *H1/gm)).toHaveLength(1)
    expect(tags).toMatch(/H1[^\n]*\n\s+"Invoice INV-2026-00042"/)
    expect(tags).toMatch(/TR\s+TH:?\s+\/Scope \/Column\s+"Item"/)
    expect(tags).toMatch(/TD[^\n]*\n\s+"Brood box, cedar, 10 frame"\s+"with runners fitted"/)
    expect(tags).toContain('Figure')
    const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' })
    expect(info).toMatch(/Tagged:\s+yes/)
    expect(
      execFileSync('qpdf', ['--qdf', '--object-streams=disable', file, '-'], { encoding: 'latin1' }),
    ).toMatch(/\/Lang \(en\)/)
  })

  test('a table over several pages stays one table with one heading row; what repeats is an artifact', async () => {
    const { tags, file } = await painted('long', exampleInvoice({ order: longOrder(60) }), bold)
    expect(tags.match(/"Description"/g)).toHaveLength(1)
    expect(tags.match(/"IT-60"/g)).toHaveLength(1)
    expect(tags).not.toContain('Page 2 of')
    expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).toContain('Page 2 of')
    expect(execFileSync('qpdf', ['--check', file], { encoding: 'utf8' })).toContain(
      'No syntax or stream encoding errors',
    )
  })

  test('the sum to pay is read after its label', async () => {
    const { tags } = await painted('sums', exampleInvoice())
    expect(tags).toMatch(/"To pay, EUR"\s+TD[^\n]*\n\s+"[\d,]+\.\d\d"/)
  })

  test('a rehearsal says so behind everything on every page, and not in the reading order', async () => {
    const paper = { ...exampleInvoice({ order: longOrder(60) }), rehearsal: true }
    const { file, tags } = await painted('rehearsal', paper)
    const pages = execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' }).split('\f').filter(Boolean)
    expect(pages.length).toBeGreaterThan(1)
    for (const page of pages) expect(page).toContain('REHEARSAL')
    expect(tags).not.toContain('REHEARSAL')
  })
})
