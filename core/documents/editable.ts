import { escapeHtml } from '../emailtexts/escape'
import { kindFacts, type DocumentKind } from './kinds'
import type { Paper } from './paper'

/*
 * A document as an editable text (OpenDocument 1.3, ISO/IEC 26300): what it says in the same order, without its look.
 * For customers who want to write in it; the PDF stays the original.
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

const styles = [
  ['Heading', 'fo:margin-top="0.6cm" fo:margin-bottom="0.3cm"', 'fo:font-size="16pt" fo:font-weight="bold"'],
  ['Strong', 'fo:margin-bottom="0.1cm"', 'fo:font-weight="bold"'],
  ['Plain', 'fo:margin-bottom="0.1cm"', ''],
  ['Right', 'fo:text-align="end"', ''],
  ['Small', 'fo:margin-top="0.3cm"', 'fo:font-size="8pt"'],
]
  .map(
    ([name, paragraph, text]) =>
      `<style:style style:name="${name}" style:family="paragraph"><style:paragraph-properties ${paragraph}/>` +
      `<style:text-properties ${text}/></style:style>`,
  )
  .join('')

type Style = 'Heading' | 'Strong' | 'Plain' | 'Right' | 'Small'

const paragraph = (text: string, style: Style = 'Plain') =>
  `<text:p text:style-name="${style}">${text.split('\n').map(escapeHtml).join('<text:line-break/>')}</text:p>`

const cell = (text: string, style: Style) =>
  `<table:table-cell office:value-type="string">${paragraph(text, style)}</table:table-cell>`

/** @param right the columns of numbers */
function table(name: string, rows: readonly (readonly string[])[], right: readonly number[]): string {
  if (rows.length === 0) return ''
  const columns = rows[0]!.length
  const body = rows.map(
    (row, at) =>
      `<table:table-row>${row
        .map((text, column) =>
          cell(text, right.includes(column) ? 'Right' : at === 0 && rows.length > 1 ? 'Strong' : 'Plain'),
        )
        .join('')}</table:table-row>`,
  )
  return (
    `<table:table table:name="${name}"><table:table-column table:number-columns-repeated="${columns}"/>` +
    `${body.join('')}</table:table>`
  )
}

/** The content of an OpenDocument text, as XML. */
export function editableContent(paper: Paper): string {
  const { brand, recipient, columns, lines, adjustments, sums, toPay } = paper
  const listed = [
    [columns.item, columns.description, columns.quantity, columns.price, columns.amount],
    ...lines.map((line) => [
      line.item,
      [line.description, line.detail].filter(Boolean).join('\n'),
      line.quantity,
      line.price,
      line.amount,
    ]),
    ...adjustments.map(({ label, amount }) => ['', label, '', '', amount]),
  ]
  const added = [...sums, toPay]
    .filter(({ amount }) => amount !== '')
    .map(({ label, amount }) => [label, amount])
  const said = [...(paper.paragraphs ?? []), ...(paper.customerNote ? [paper.customerNote] : [])]
  const body = [
    paragraph(brand.name, 'Strong'),
    ...brand.addressLines.map((line) => paragraph(line)),
    ...recipient.lines.map((line, at) => paragraph(line, at === 0 ? 'Strong' : 'Plain')),
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
    `<office:automatic-styles>${styles}</office:automatic-styles>` +
    `<office:body><office:text>${body.join('')}</office:text></office:body></office:document-content>`
  )
}

/** What says which files such a text consists of (OpenDocument 1.3, part 2, section 3.2). */
export const editableManifest =
  '<?xml version="1.0" encoding="UTF-8"?>\n' +
  '<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3">' +
  `<manifest:file-entry manifest:full-path="/" manifest:version="1.3" manifest:media-type="${odtMediaType}"/>` +
  '<manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>'
