import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pixelmatch from 'pixelmatch'
import { PNG } from 'pngjs'
import { afterAll, expect, test } from 'vitest'
import { layOut } from '../../core/designs/layout'
import { suppliedDesign, type Look } from '../../core/designs/supplied'
import { boldLook, exampleInvoice, longOrder, metrics, plainLook } from '../../core/testing/examples'
import { PdfkitPainter } from './pdfkit-painter'

/*
 * What the supplied designs look like, kept as pictures beside this file. A change that is meant is taken over with
 * GOLDEN=renew and looked at; one that is not meant fails here.
 */
const golden = join('server', 'render', 'golden')
const painter = new PdfkitPainter('.build/fonts')
const folder = mkdtempSync(join(tmpdir(), 'clothespin-golden-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const logo = (file: string, width: number) => {
  const bytes = readFileSync(join('demo', 'data', file))
  const { width: across, height } = PNG.sync.read(bytes)
  return { bytes, place: { picture: file.padEnd(64, '0'), ratio: across / height, width } }
}
const tansy = logo('tansy.png', 20)
const skep = logo('skep.png', 14)

const short = exampleInvoice()
const long = exampleInvoice({ order: longOrder(40) })

test.each([
  ['plain', { ...plainLook, logo: tansy.place }, tansy.bytes, short, 1],
  ['plain-continued', { ...plainLook, logo: tansy.place }, tansy.bytes, long, 2],
  ['plain-rehearsal', { ...plainLook, logo: tansy.place }, tansy.bytes, { ...short, rehearsal: true }, 1],
  ['bold', { ...boldLook, logo: skep.place }, skep.bytes, short, 1],
  ['bold-continued', { ...boldLook, logo: skep.place }, skep.bytes, long, 2],
] as const)('the page %s looks as it did', async (name, look, bytes, paper, page) => {
  const laidOut = layOut(paper, suppliedDesign(look as Look), metrics)
  expect(laidOut.problems).toEqual([])
  const pdf = join(folder, `${name}.pdf`)
  writeFileSync(
    pdf,
    await painter.paint(laidOut, new Map([[look.logo.picture, bytes]]), {
      madeAt: new Date(0),
      author: paper.brand.legalName,
      subject: '',
    }),
  )
  execFileSync('pdftoppm', ['-png', '-r', '60', '-singlefile', '-f', String(page), pdf, join(folder, name)])
  const drawn = readFileSync(join(folder, `${name}.png`))
  const kept = join(golden, `${name}.png`)
  if (process.env.GOLDEN === 'renew') {
    mkdirSync(golden, { recursive: true })
    writeFileSync(kept, drawn)
  }
  const [now, before] = [PNG.sync.read(drawn), PNG.sync.read(readFileSync(kept))]
  expect([now.width, now.height]).toEqual([before.width, before.height])
  const differing = pixelmatch(now.data, before.data, undefined, now.width, now.height, { threshold: 0.2 })
  expect(differing / (now.width * now.height)).toBeLessThan(0.002)
})
