import type { DrawOp } from '../../core/designs/pages'

type Element = PDFKit.PDFStructureElement

/** What pdfkit can do and its types do not know. */
interface Tagging {
  struct(type: string, options?: object): Element
  markStructureContent(type: string, options?: object): PDFKit.PDFStructureContent
  markContent(type: string, options?: object): void
  endMarkedContent(): void
  addStructure(element: Element): void
}

const types = {
  heading: 'H1',
  paragraph: 'P',
  'table heading': 'TH',
  'table cell': 'TD',
  figure: 'Figure',
} as const

/**
 * The structure of a PDF (ISO 32000-1, 14.8): headings, paragraphs, tables with rows and header cells,
 * pictures with their alternative
 * text, in reading order, which is the order things are drawn in. Lines, boxes and repeated heads and feet
 * are artifacts.
 */
export class Tags {
  private readonly doc: Tagging
  private readonly root: Element
  private readonly open: Element[] = []
  private readonly tables = new Map<
    number,
    { table: Element; rows: Map<number, { row: Element; cells: Map<number, Element> }> }
  >()
  private artifact = false

  constructor(doc: PDFKit.PDFDocument) {
    // pdfkit's types leave out how a structure is built
    this.doc = doc as unknown as Tagging
    this.root = this.doc.struct('Document')
    this.doc.addStructure(this.root)
  }

  /** Draws an operation as what it is. Artifacts that follow one another share one mark. */
  draw(op: DrawOp, draw: () => void): void {
    if (op.role === 'artifact') {
      if (!this.artifact) this.doc.markContent('Artifact', { type: 'Layout' })
      this.artifact = true
      draw()
      return
    }
    this.endArtifact()
    const type = types[op.role]
    const content = this.doc.markStructureContent(type)
    draw()
    this.doc.endMarkedContent()
    this.elementOf(op, type).add(content)
  }

  private elementOf(op: DrawOp, type: string): Element {
    const cell = op.op === 'text' ? op.cell : undefined
    if (!cell) return this.make(this.root, type, 'alt' in op ? { alt: op.alt } : {})
    let table = this.tables.get(cell.table)
    if (!table)
      this.tables.set(cell.table, (table = { table: this.make(this.root, 'Table'), rows: new Map() }))
    let row = table.rows.get(cell.row)
    if (!row) table.rows.set(cell.row, (row = { row: this.make(table.table, 'TR'), cells: new Map() }))
    let element = row.cells.get(cell.column)
    if (!element)
      row.cells.set(
        cell.column,
        (element = this.make(row.row, type, type === 'TH' ? { scope: 'Column' } : {})),
      )
    return element
  }

  private make(parent: Element, type: string, options: object = {}): Element {
    const element = this.doc.struct(type, options)
    parent.add(element)
    this.open.push(element)
    return element
  }

  private endArtifact(): void {
    if (this.artifact) this.doc.endMarkedContent()
    this.artifact = false
  }

  /** Before a page is left: marks do not reach over pages. */
  endPage(): void {
    this.endArtifact()
  }

  end(): void {
    for (const element of this.open.reverse()) element.end()
    this.root.end()
  }
}
