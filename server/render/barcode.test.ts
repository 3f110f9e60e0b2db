import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { shipmentPaper } from '../../core/documents/shipment'
import { layOut } from '../../core/designs/layout'
import { bold, exampleShipment, metrics, plain, shipmentInput } from '../../core/testing/examples'
import { PdfkitPainter } from './pdfkit-painter'

const painter = new PdfkitPainter('.build/fonts')
const folder = mkdtempSync(join(tmpdir(), 'clothespin-barcode-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

test.each([
  ['plain', plain, 'SO-20931'],
  ['bold', bold, 'SO-20931'],
  ['long', plain, 'WEB/2026/NORTHERN-DEPOT/0001234567-B'],
] as const)('a scanner reads the order from the packing slip, %s', async (name, design, number) => {
  const input = shipmentInput('packing slip')
  const paper = shipmentPaper({ ...input, order: { ...input.order, number } }, exampleShipment)
  const pdf = join(folder, `${name}.pdf`)
  const about = { madeAt: new Date(0), author: '', subject: '' }
  writeFileSync(pdf, await painter.paint(layOut(paper, design, metrics), new Map(), about))
  execFileSync('pdftoppm', ['-png', '-r', '200', '-singlefile', pdf, join(folder, name)])
  const read = execFileSync('zbarimg', ['--quiet', '--nodbus', join(folder, `${name}.png`)], {
    encoding: 'utf8',
  })
  expect(read.trim()).toBe(`CODE-128:${number}`)
})
