import { contrastWithWhite } from '../designs/contrast'
import { hairline, ink } from '../designs/design'
import { escapeHtml } from '../emailtexts/escape'
import { kindFacts, type DocumentKind } from './kinds'
import type { Paper } from './paper'

/*
 * A document as an editable text (OpenDocument 1.3, ISO/IEC 26300): what it says in the same order, in the colours of
 * its brand. For customers who want to write in it; the PDF stays the original.
 */

export const fileForms = ['pdf', 'odt'] as const
/** In which form a document goes along: as it was painted, or to be edited. */
export type FileForm = (typeof fileForms)[number]

export const odtMediaType = 'application/vnd.oasis.opendocument.text'

/** Whether a kind may go to be edited: nothing that books, tells of money or is scanned. */
export const mayBeEdited = (kind: DocumentKind): boolean => {
  const { books, content, isUpdate } = kindFacts[kind]
  return books === null && !isUpdate && content === 'goods'
}

/** The form in which a document of a kind goes, where a customer wants it so and the house allows it. */
export const formOf = (kind: DocumentKind, wish: FileForm | undefined, allowed: boolean): FileForm =>
  allowed && wish === 'odt' && mayBeEdited(kind) ? 'odt' : 'pdf'

const namespaces = [
  ['office', 'office'],
  ['style', 'style'],
  ['text', 'text'],
  ['table', 'table'],
  ['fo', 'xsl-fo-compatible'],
]
  .map(([prefix, name]) => `xmlns:${prefix}="urn:oasis:names:tc:opendocument:xmlns:${name}:1.0"`)
  .join(' ')

/** The brand's colours as #rrggbb: of headings and the heads of tables, and behind the sum to pay. */
export interface EditableLook {
  brand: string
  accent: string
}

const paragraphStyle = (name: string, paragraph: string, text: string) =>
  `<style:style style:name="${name}" style:family="paragraph"><style:paragraph-properties ${paragraph}/>` +
  `<style:text-properties fo:font-family="Arial" ${text}/></style:style>`

/** The columns of its tables, in millimetres: together as wide as the text of an A4 page. */
const columnWidths = { Lines: [24, 68, 16, 28, 34], Sums: [136, 34] } as const

const columnStyle = (width: number) =>
  `<style:style style:name="Column${width}" style:family="table-column">` +
  `<style:table-column-properties style:column-width="${width}mm"/></style:style>`

const cellStyle = (name: string, ground: string) =>
  `<style:style style:name="${name}" style:family="table-cell">` +
  `<style:table-cell-properties fo:padding="0.1cm" ${ground}/></style:style>`

/** Letters that can be read on a ground. */
const lettersOn = (ground: string) => (contrastWithWhite(ground) >= 3 ? '#ffffff' : ink)

function stylesOf({ brand, accent }: EditableLook): string {
  // a pale colour is a ground, and no letters
  const letters = contrastWithWhite(brand) >= 3 ? brand : ink
  const bold = 'fo:font-weight="bold"'
  return [
    paragraphStyle('Brand', '', `fo:font-size="16pt" ${bold} fo:color="${letters}"`),
    paragraphStyle(
      'Heading',
      'fo:margin-top="0.6cm" fo:margin-bottom="0.3cm"',
      `fo:font-size="16pt" ${bold} fo:color="${letters}"`,
    ),
    paragraphStyle('To', 'fo:margin-top="0.8cm" fo:margin-bottom="0.1cm"', bold),
    paragraphStyle('Plain', 'fo:margin-bottom="0.1cm"', ''),
    paragraphStyle('Right', 'fo:text-align="end"', ''),
    paragraphStyle('Small', 'fo:margin-top="0.3cm"', 'fo:font-size="8pt"'),
    paragraphStyle('Head', '', `${bold} fo:color="${lettersOn(brand)}"`),
    paragraphStyle('HeadRight', 'fo:text-align="end"', `${bold} fo:color="${lettersOn(brand)}"`),
    paragraphStyle('Sum', '', `${bold} fo:color="${lettersOn(accent)}"`),
    paragraphStyle('SumRight', 'fo:text-align="end"', `${bold} fo:color="${lettersOn(accent)}"`),
    ...columnWidths.Lines.map(columnStyle),
    columnStyle(columnWidths.Sums[0]),
    `<style:style style:name="Table" style:family="table">` +
      `<style:table-properties fo:margin-top="0.4cm" style:width="170mm" table:align="left"/></style:style>`,
    cellStyle('HeadCell', `fo:background-color="${brand}"`),
    cellStyle('SumCell', `fo:background-color="${accent}"`),
    cellStyle('PlainCell', `fo:border-bottom="0.5pt solid ${hairline}"`),
  ].join('')
}

type RowStyle = 'Head' | 'Sum' | 'Plain'
type Style = 'Brand' | 'Heading' | 'To' | 'Small' | 'Right' | 'HeadRight' | 'SumRight' | RowStyle

const paragraph = (text: string, style: Style = 'Plain') =>
  `<text:p text:style-name="${style}">${text.split('\n').map(escapeHtml).join('<text:line-break/>')}</text:p>`

interface Row {
  as: RowStyle
  cells: readonly string[]
}

/** @param right the columns of numbers */
function table(name: keyof typeof columnWidths, rows: readonly Row[], right: readonly number[]): string {
  if (rows.length === 0) return ''
  const styleOf = ({ as }: Row, column: number): Style => {
    if (!right.includes(column)) return as
    return as === 'Plain' ? 'Right' : `${as}Right`
  }
  const cellOf = (row: Row, text: string, column: number) =>
    `<table:table-cell table:style-name="${row.as}Cell" office:value-type="string">` +
    `${paragraph(text, styleOf(row, column))}</table:table-cell>`
  const body = rows.map((row) => {
    const cells = row.cells.map((text, column) => cellOf(row, text, column)).join('')
    const whole = `<table:table-row>${cells}</table:table-row>`
    // it stands again on each page
    return row.as === 'Head' ? `<table:table-header-rows>${whole}</table:table-header-rows>` : whole
  })
  return (
    `<table:table table:name="${name}" table:style-name="Table">` +
    columnWidths[name].map((width) => `<table:table-column table:style-name="Column${width}"/>`).join('') +
    `${body.join('')}</table:table>`
  )
}

/** The content of an OpenDocument text, as XML. */
export function editableContent(paper: Paper, look: EditableLook): string {
  const { brand, recipient, columns, lines, adjustments, sums, toPay } = paper
  const plain = (...cells: string[]): Row => ({ as: 'Plain', cells })
  const listed: Row[] = [
    {
      as: 'Head',
      cells: [columns.item, columns.description, columns.quantity, columns.price, columns.amount],
    },
    ...lines.map((line) =>
      plain(
        line.item,
        [line.description, line.detail].filter(Boolean).join('\n'),
        line.quantity,
        line.price,
        line.amount,
      ),
    ),
    ...adjustments.map(({ label, amount }) => plain('', label, '', '', amount)),
  ]
  const added = [
    ...sums.map(({ label, amount }) => plain(label, amount)),
    { as: 'Sum' as const, cells: [toPay.label, toPay.amount] },
  ].filter(({ cells: [, amount] }) => amount !== '')
  const said = [...(paper.paragraphs ?? []), ...(paper.customerNote ? [paper.customerNote] : [])]
  const body = [
    paragraph(brand.name, 'Brand'),
    ...brand.addressLines.map((line) => paragraph(line)),
    ...recipient.lines.map((line, at) => paragraph(line, at === 0 ? 'To' : 'Plain')),
    paragraph(`${paper.heading} ${paper.number}`, 'Heading'),
    ...paper.facts.map(({ label, value }) => paragraph(`${label}: ${value}`)),
    ...(paper.intro ? [paragraph(paper.intro)] : []),
    table('Lines', listed, [2, 3, 4]),
    table('Sums', added, [1]),
    ...said.map((text) => paragraph(text)),
    ...(paper.legal ?? []).map((text) => paragraph(text)),
    ...(paper.pages ?? []).flatMap(({ title, text }) => [paragraph(title, 'Heading'), paragraph(text)]),
    ...brand.foot.map((column) => paragraph(column.join(' · '), 'Small')),
  ]
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n<office:document-content ${namespaces} office:version="1.3">` +
    `<office:automatic-styles>${stylesOf(look)}</office:automatic-styles>` +
    `<office:body><office:text>${body.join('')}</office:text></office:body></office:document-content>`
  )
}

/** What says which files such a text consists of (OpenDocument 1.3, part 2, section 3.2). */
export const editableManifest =
  '<?xml version="1.0" encoding="UTF-8"?>\n' +
  '<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3">' +
  `<manifest:file-entry manifest:full-path="/" manifest:version="1.3" manifest:media-type="${odtMediaType}"/>` +
  '<manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>'
