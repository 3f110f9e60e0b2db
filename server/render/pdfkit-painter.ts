import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import * as fontkit from 'fontkit'
import PDFDocument from 'pdfkit'
import { escapeHtml } from '../../core/emailtexts/escape'
import type { DrawOp, LaidOut } from '../../core/designs/pages'
import type { Painter, PaintFacts, Pictures } from './painter'
import { Tags } from './tags'

/** The parts of fontkit's TrueType subset that are filled glyph by glyph. */
interface Subset {
  glyf: Uint8Array[]
  loca: { offsets: number[] }
  hmtx: { metrics: unknown[] }
  offset: number
  _addGlyph: (id: number) => number
}

interface Glyph {
  id: number
  advanceWidth: number
  codePoints: number[]
}

/**
 * A fontkit font as pdfkit wants it, made once per thread. pdfkit would parse the file and shape every text
 * for every document;
 * here a text is its code points' glyphs side by side: ligatures and kerning are off, exactly as the core
 * measured it.
 */
class CachedFont {
  private readonly glyphs = new Map<number, Glyph>()
  private readonly simple = new Map<number, { outline: Uint8Array; metric: unknown }>()
  readonly postscriptName: string
  readonly unitsPerEm: number
  readonly ascent: number
  readonly descent: number
  readonly xHeight: number
  readonly capHeight: number
  readonly lineGap: number
  readonly bbox: unknown
  readonly italicAngle: number
  readonly head: unknown
  readonly post: unknown
  readonly 'OS/2': unknown
  readonly _tables: unknown

  constructor(
    private readonly font: ReturnType<typeof fontkit.create> & Record<string, never>,
    id: string,
  ) {
    this.postscriptName = `${String(font.postscriptName)}-${id}`
    this.unitsPerEm = font.unitsPerEm
    this.ascent = font.ascent
    this.descent = font.descent
    this.xHeight = font.xHeight
    this.capHeight = font.capHeight
    this.lineGap = font.lineGap
    this.bbox = font.bbox
    this.italicAngle = font.italicAngle
    this.head = font.head
    this.post = font.post
    this['OS/2'] = font['OS/2']
    this._tables = font._tables
  }

  /**
   * A subset for one document. Simple glyphs are taken over as they are, without fontkit decoding their
   * outlines anew for every document.
   */
  createSubset(): unknown {
    // fontkit's subset has the tables it writes, its types only how to include a glyph
    const subset = (this.font.createSubset as unknown as () => Subset)()
    const add = subset._addGlyph.bind(subset)
    subset._addGlyph = (id) => {
      const kept = this.simple.get(id)
      if (kept) {
        subset.glyf.push(kept.outline)
        subset.loca.offsets.push(subset.offset)
        subset.hmtx.metrics.push(kept.metric)
        subset.offset += kept.outline.length
        return subset.glyf.length - 1
      }
      const index = add(id)
      const outline = subset.glyf[index]!
      // numberOfContours, int16, is negative: OpenType glyf table
      const isCompound = outline.length >= 2 && outline[0]! >= 0x80
      if (!isCompound)
        this.simple.set(id, { outline: Uint8Array.from(outline), metric: subset.hmtx.metrics[index] })
      return index
    }
    return subset
  }

  getGlyph(id: number): Glyph {
    return (this.font.getGlyph as (id: number) => Glyph)(id)
  }

  /** Fresh positions on each call: pdfkit rescales them in place. */
  layout(text: string): { glyphs: Glyph[]; positions: object[]; advanceWidth: number } {
    const glyphs: Glyph[] = []
    const positions: object[] = []
    let advanceWidth = 0
    for (const character of text) {
      const codePoint = character.codePointAt(0)!
      let glyph = this.glyphs.get(codePoint)
      if (!glyph) {
        const found = (this.font.glyphForCodePoint as (codePoint: number) => Glyph)(codePoint)
        glyph = { id: found.id, advanceWidth: found.advanceWidth, codePoints: [codePoint] }
        this.glyphs.set(codePoint, glyph)
      }
      glyphs.push(glyph)
      positions.push({ xAdvance: glyph.advanceWidth, yAdvance: 0, xOffset: 0, yOffset: 0 })
      advanceWidth += glyph.advanceWidth
    }
    return { glyphs, positions, advanceWidth }
  }
}

/** What pdfkit offers beneath its text call; not in its types. */
interface Content {
  page: { height: number; fonts: Record<string, unknown> }
  addContent(text: string): void
  _font: { id: string; ref(): unknown; encode(text: string): [string[], unknown] }
}

/** What the page's content stream was last told. */
interface Pen {
  face: string
  colour: string
}

/** pdfkit writes title, author and subject into the XMP as they stand: `&` and `<` would break it (XML 1.0, 2.4). */
function escapeMetadata(doc: PDFKit.PDFDocument): void {
  // parts of pdfkit that its types leave out
  const metadata = doc as unknown as { info: Record<string, unknown>; _addInfo: () => void }
  const addInfo = metadata._addInfo
  metadata._addInfo = () => {
    const info = Object.fromEntries(
      Object.entries(metadata.info).map(([name, value]) => [
        name,
        typeof value === 'string' ? escapeHtml(value) : value,
      ]),
    )
    addInfo.call(Object.create(metadata, { info: { value: info } }))
  }
}

const n = (value: number) => String(Math.round(value * 1000) / 1000)

/** Paints with pdfkit. Texts go straight into the content stream, since the core has placed them already. */
export class PdfkitPainter implements Painter {
  readonly version = 'pdfkit-0.20.2/2'
  private readonly fonts = new Map<string, CachedFont>()

  constructor(private readonly fontFolder: string) {}

  private font(id: string): CachedFont {
    let font = this.fonts.get(id)
    if (!font) {
      // its types allow for a collection of fonts; ours are single ones
      font = new CachedFont(fontkit.create(readFileSync(join(this.fontFolder, `${id}.ttf`))) as never, id)
      this.fonts.set(id, font)
    }
    return font
  }

  async paint(laidOut: LaidOut, pictures: Pictures, facts: PaintFacts): Promise<Uint8Array> {
    const doc = new PDFDocument({
      font: null as never, // none to begin with: its types know only a name
      autoFirstPage: false,
      pdfVersion: '1.7',
      tagged: true,
      displayTitle: true,
      lang: laidOut.language,
      margin: 0,
      info: {
        Title: laidOut.title,
        Author: facts.author,
        Subject: facts.subject,
        Creator: 'Clothespin',
        Producer: 'Clothespin',
        CreationDate: facts.madeAt,
        ModDate: facts.madeAt,
      },
    } as PDFKit.PDFDocumentOptions)
    escapeMetadata(doc)
    const chunks: Buffer[] = []
    const done = new Promise<void>((resolve, reject) => {
      doc.on('data', (chunk: Buffer) => chunks.push(chunk))
      doc.on('end', resolve)
      doc.on('error', reject)
    })
    const tags = new Tags(doc)
    for (const page of laidOut.pages) {
      doc.addPage({ size: [page.width, page.height], margin: 0 })
      const pen: Pen = { face: '', colour: '' }
      for (const op of page.ops) tags.draw(op, () => this.draw(doc, op, pictures, pen))
      tags.endPage()
    }
    tags.end()
    doc.end()
    await done
    return Buffer.concat(chunks)
  }

  private draw(doc: PDFKit.PDFDocument, op: DrawOp, pictures: Pictures, pen: Pen): void {
    switch (op.op) {
      case 'text':
        return this.text(doc, op, pen)
      case 'line':
        doc.moveTo(op.x1, op.y1).lineTo(op.x2, op.y2).lineWidth(op.width).stroke(op.colour)
        return
      case 'box':
        doc.rect(op.x, op.y, op.width, op.height).fill(op.colour)
        pen.colour = op.colour
        return
      case 'picture': {
        const bytes = pictures.get(op.picture)
        if (!bytes) throw new Error(`the picture ${op.picture} is not in store`)
        doc.image(Buffer.from(bytes), op.x, op.y, { width: op.width, height: op.height })
        return
      }
      case 'modules':
        op.rows.forEach((row, y) => {
          for (const dark of row.matchAll(/1+/g))
            doc.rect(
              op.x + dark.index * op.module,
              op.y + y * (op.rowHeight ?? op.module),
              dark[0].length * op.module,
              op.rowHeight ?? op.module,
            )
        })
        doc.fill(op.colour)
        pen.colour = op.colour
    }
  }

  private text(doc: PDFKit.PDFDocument, op: DrawOp & { op: 'text' }, pen: Pen): void {
    // the content stream, which pdfkit's types leave out
    const content = doc as unknown as Content
    if (pen.colour !== op.colour) doc.fillColor(op.colour)
    pen.colour = op.colour
    let x = op.x
    for (const piece of op.pieces) {
      // pdfkit takes a font of fontkit as well, which its types do not say
      if (piece.face !== pen.face) doc.font(this.font(piece.face) as never, piece.face)
      pen.face = piece.face
      const font = content._font
      content.page.fonts[font.id] ??= font.ref()
      const [codes] = font.encode(piece.text)
      content.addContent(
        `BT /${font.id} ${n(op.size)} Tf 1 0 0 -1 ${n(x)} ${n(op.y)} Tm <${codes.join('')}> Tj ET`,
      )
      x += piece.width
    }
  }
}
