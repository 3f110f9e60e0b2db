import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import bwip from 'bwip-js/node'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import { afterAll, describe, expect, test } from 'vitest'
import { labelPaper } from '../../core/documents/label'
import { returnPaper } from '../../core/documents/return'
import { shipmentPaper } from '../../core/documents/shipment'
import { suppliedDesign } from '../../core/designs/supplied'
import { layOut } from '../../core/designs/layout'
import type { LabelPrinting } from '../../core/shipping/label-formats'
import {
  bold,
  exampleLabels,
  exampleShipment,
  metrics,
  plain,
  plainLook,
  shipmentInput,
} from '../../core/testing/examples'
import { labelFile } from '../outside/carrier/label-file'
import { PdfkitPainter } from './pdfkit-painter'
import { withPlaced } from './placed'

const painter = new PdfkitPainter('.build/fonts')
const folder = mkdtempSync(join(tmpdir(), 'clothespin-label-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const about = { madeAt: new Date(0), author: '', subject: '' }
const paperOf = (printing: LabelPrinting, labels = exampleLabels, shipment = exampleShipment) =>
  labelPaper(shipmentInput('shipping label', shipment), shipment, labels, printing)

async function painted(
  name: string,
  laidOut: ReturnType<typeof layOut>,
  files: ReadonlyMap<string, Uint8Array> = new Map(),
): Promise<string> {
  expect(laidOut.problems).toEqual([])
  const pdf = join(folder, `${name}.pdf`)
  const bytes = await painter.paint(laidOut, new Map(), about)
  writeFileSync(pdf, await withPlaced(bytes, laidOut.pages, files, about.madeAt))
  return pdf
}

/** What a scanner reads from a page as a printer of 203 dots an inch prints it. */
function scanned(pdf: string, page: number): string[] {
  const picture = pdf.replace('.pdf', `-${page}`)
  execFileSync('pdftoppm', ['-png', '-r', '203', '-singlefile', '-f', String(page), pdf, picture])
  return execFileSync('zbarimg', ['--quiet', '--nodbus', `${picture}.png`], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .sort()
}

describe('a scanner reads tracking number and SSCC', () => {
  test.each([
    ['100x150', plain],
    ['4x6', bold],
    ['A6', plain],
  ] as const)('from %s', async (format, design) => {
    const pdf = await painted(format, layOut(paperOf({ format, from: 1 }), design, metrics))
    exampleLabels.forEach(({ barcode, sscc }, place) =>
      expect(scanned(pdf, place + 1)).toEqual([`CODE-128:${barcode}`, `CODE-128:00${sscc}`].sort()),
    )
  })

  test('from the places of A4 that are still free, the last of them on a second sheet', async () => {
    const pdf = await painted('a4', layOut(paperOf({ format: 'A4', from: 4 }), plain, metrics))
    exampleLabels.forEach(({ barcode }, place) =>
      expect(scanned(pdf, place + 1)).toContain(`CODE-128:${barcode}`),
    )
  })
})

test('the words of a label: where it goes, by what, which parcel, how heavy, of whom', async () => {
  const pdf = await painted('words', layOut(paperOf({ format: '100x150', from: 1 }), plain, metrics))
  const words = execFileSync('pdftotext', ['-l', '1', '-layout', pdf, '-'], { encoding: 'utf8' })
  for (const said of [
    'Ottermill Honey Co-op, Weir Store',
    'Marlbridge',
    'Glenhaven Parcels · Next day',
    'Parcel 1 of 2',
    '12.75',
    'SO-20931',
    'Tracking number GP482100731IE',
    'Tansy Hollow',
  ])
    expect(words).toContain(said)
  const size = execFileSync('pdfinfo', [pdf], { encoding: 'utf8' })
  // 100 × 150 mm in points
  expect(size).toMatch(/Page size:\s+283\.46\d* x 425\.19\d* pts/)
})

test('an address that does not fit is said, and nothing of it is cut', () => {
  const lines = Array.from({ length: 24 }, (_, line) => `Yard ${line + 1} of the very long estate road`)
  const shipment = { ...exampleShipment, delivery: { ...exampleShipment.delivery, lines } }
  const { problems } = layOut(
    paperOf({ format: '100x150', from: 1 }, exampleLabels, shipment),
    plain,
    metrics,
  )
  expect(problems.map(({ sentence }) => sentence.words).join()).toContain('too many lines')
})

test("the carrier's own label stands in the place of ours, whole", async () => {
  const own = await PDFDocument.create()
  own
    .addPage([300, 450])
    .drawText('OF THE CARRIER', { x: 40, y: 400, font: await own.embedFont(StandardFonts.Helvetica) })
  const file = 'f'.repeat(64)
  const labels = exampleLabels.map((label) => ({ ...label, file }))
  const laidOut = layOut(paperOf({ format: 'A4', from: 2 }, labels), plain, metrics)
  const pdf = await painted('placed', laidOut, new Map([[file, await own.save()]]))
  const at = (x: number, y: number) =>
    execFileSync(
      'pdftotext',
      ['-r', '72', '-x', String(x), '-y', String(y), '-W', '298', '-H', '421', pdf, '-'],
      { encoding: 'utf8' },
    )
  expect(at(298, 0)).toContain('OF THE CARRIER')
  expect(at(0, 421)).toContain('OF THE CARRIER')
  expect(at(0, 0)).not.toContain('OF THE CARRIER')
  await expect(painted('missing', laidOut)).rejects.toThrow('missing')
})

test.each([['100x150'], ['A4']] as const)(
  "the carrier's picture of a label is read by a scanner from %s",
  async (format) => {
    const drawn = await bwip.toBuffer({
      bcid: 'code128',
      text: 'GH0042PICTURE',
      scale: 2,
      padding: 12,
      backgroundcolor: 'ffffff',
    })
    const file = 'e'.repeat(64)
    const [first] = exampleLabels
    const laidOut = layOut(paperOf({ format, from: 1 }, [{ ...first!, file }]), plain, metrics)
    const pdf = await painted(
      `picture-${format}`,
      laidOut,
      new Map([[file, await labelFile(drawn.toString('base64'))]]),
    )
    expect(scanned(pdf, 1)).toEqual(['CODE-128:GH0042PICTURE'])
  },
)

test('the label behind a return note is read by a scanner, and so is the note', async () => {
  const { delivery } = exampleShipment
  const note = returnPaper(shipmentInput('return note'), {
    label: 'SO-20931/R1',
    day: '2026-11-30',
    until: '2026-12-30',
    sender: { ...delivery, name: 'Ottermill Honey Co-op' },
    delivery: { name: 'Tansy Hollow, Returns', lines: ['Quarry Lane', 'Ballynore'], country: 'IE' },
    remarks: '',
    lines: [{ position: 1, quantity: '1', reason: 'broken' }],
    labels: exampleLabels.slice(0, 1),
  })
  const pdf = await painted('return', layOut(note, plain, metrics))
  expect(scanned(pdf, 1)).toEqual(['CODE-128:SO-20931/R1'])
  expect(scanned(pdf, 2)).toContain(`CODE-128:${exampleLabels[0]!.barcode}`)
})

test('where goods go stands on the sheet within the label to peel off, at exact millimetres', async () => {
  const offset = { x: 2, y: -1.5 }
  const goods = { ...exampleShipment, printing: { format: 'A6' as const, from: 1, offset } }
  const zone = { x: 100, y: 200, width: 90, height: 60 }
  const slip = shipmentPaper(shipmentInput('packing slip', goods), goods)
  const laidOut = layOut(slip, suppliedDesign({ ...plainLook, peelOff: zone }), metrics)
  const pdf = await painted('peel-off', laidOut)
  const millimetres = (points: string | undefined) => (Number(points) * 25.4) / 72
  const words = execFileSync('pdftotext', ['-bbox', '-l', '1', pdf, '-'], { encoding: 'utf8' })
  const found = [...words.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">/g)]
    .map(([, left, top, right, bottom]) => ({
      left: millimetres(left),
      top: millimetres(top),
      right: millimetres(right),
      bottom: millimetres(bottom),
    }))
    .filter(({ top, bottom }) => bottom > zone.y && top < zone.y + zone.height)
  expect(found.length).toBeGreaterThan(6)
  for (const { left, top, right, bottom } of found) {
    expect(left).toBeGreaterThanOrEqual(zone.x + offset.x)
    expect(right).toBeLessThanOrEqual(zone.x + zone.width + offset.x)
    expect(top).toBeGreaterThanOrEqual(zone.y + offset.y)
    expect(bottom).toBeLessThanOrEqual(zone.y + zone.height + offset.y)
  }
  // 3 mm from the label's edge, as the printer is off
  expect(Math.min(...found.map(({ left }) => left))).toBeCloseTo(zone.x + offset.x + 3, 0)
})
