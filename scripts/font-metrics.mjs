// Reads the shipped text fonts and writes what the layout needs of them: advances, ascent, descent, coverage
// and a hash.
// Run with `npm run fonts` after a font package changed; the result is kept in core/designs/font-metrics.json.
// It also turns the packages' WOFF files into TrueType for the painter (WOFF 1.0, W3C 2012: zlib-deflated tables).
import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { inflateSync } from 'node:zlib'
import * as fontkit from 'fontkit'

const families = [
  {
    family: 'Source Sans 3',
    package: 'source-sans-3',
    weights: [400, 600],
    subsets: ['latin', 'latin-ext', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'vietnamese'],
  },
  {
    family: 'Bitter',
    package: 'bitter',
    weights: [700],
    subsets: ['latin', 'latin-ext', 'cyrillic', 'cyrillic-ext', 'vietnamese'],
  },
  // pictures that people write into notes, in one colour: the last that is asked
  {
    family: 'Noto Emoji',
    package: 'noto-emoji',
    weights: [400],
    subsets: Array.from({ length: 11 }, (_, part) => String(part)),
  },
]

/** Unpacks a WOFF 1.0 file into the sfnt it holds. */
export function woffToSfnt(woff) {
  const tableCount = woff.readUInt16BE(12)
  const entries = Array.from({ length: tableCount }, (_, index) => {
    const at = 44 + index * 20
    const [offset, packed, length] = [
      woff.readUInt32BE(at + 4),
      woff.readUInt32BE(at + 8),
      woff.readUInt32BE(at + 12),
    ]
    const raw = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.subarray(at + 16, at + 20),
      data: packed < length ? inflateSync(raw) : raw,
    }
  })
  const header = Buffer.alloc(12 + 16 * tableCount)
  woff.copy(header, 0, 4, 8)
  const power = 2 ** Math.floor(Math.log2(tableCount))
  header.writeUInt16BE(tableCount, 4)
  header.writeUInt16BE(power * 16, 6)
  header.writeUInt16BE(Math.log2(power), 8)
  header.writeUInt16BE((tableCount - power) * 16, 10)
  const parts = [header]
  let offset = header.length
  entries.forEach((entry, index) => {
    const at = 12 + index * 16
    entry.tag.copy(header, at)
    entry.checksum.copy(header, at + 4)
    header.writeUInt32BE(offset, at + 8)
    header.writeUInt32BE(entry.data.length, at + 12)
    const padded = Buffer.alloc(Math.ceil(entry.data.length / 4) * 4)
    entry.data.copy(padded)
    parts.push(padded)
    offset += padded.length
  })
  return Buffer.concat(parts)
}

/** Runs of neighbouring code points: [first, [advance, advance, …]]. */
function advanceRuns(font) {
  const runs = []
  for (const codePoint of [...font.characterSet].sort((a, b) => a - b)) {
    const advance = font.glyphForCodePoint(codePoint).advanceWidth
    const last = runs.at(-1)
    if (last && last[0] + last[1].length === codePoint) last[1].push(advance)
    else runs.push([codePoint, [advance]])
  }
  return runs
}

const fontFolder = process.env.CLOTHESPIN_FONTS ?? '.build/fonts'
mkdirSync(fontFolder, { recursive: true })
const faces = []
for (const { family, package: name, weights, subsets } of families) {
  const folder = join('node_modules/@fontsource', name, 'files')
  const files = readdirSync(folder)
  for (const weight of weights) {
    for (const subset of subsets) {
      const file = `${name}-${subset}-${weight}-normal.woff`
      if (!files.includes(file)) throw new Error(`${file} is missing from @fontsource/${name}`)
      const sfnt = woffToSfnt(readFileSync(join(folder, file)))
      const id = `${name}-${weight}-${subset}`
      writeFileSync(join(fontFolder, `${id}.ttf`), sfnt)
      const font = fontkit.create(sfnt)
      faces.push({
        id,
        family,
        weight,
        unitsPerEm: font.unitsPerEm,
        ascent: font.ascent,
        descent: font.descent,
        capHeight: font.capHeight,
        hash: createHash('sha256').update(sfnt).digest('hex').slice(0, 16),
        runs: advanceRuns(font),
      })
    }
  }
}
const json = `[\n${faces.map((face) => JSON.stringify(face)).join(',\n')}\n]\n`
const kept = 'core/designs/font-metrics.json'
if (process.argv.includes('--check')) {
  if (readFileSync(kept, 'utf8') !== json)
    throw new Error(
      'the shipped fonts are not those the layout was measured with: run `npm run fonts` and look at the papers',
    )
} else {
  writeFileSync(kept, json)
}
