import type { EmailPicture } from './pictures'

/*
 * An email's subject and text as a closed set of nodes, as an editor shows and a house keeps them (the shapes are
 * ProseMirror's JSON). Never HTML: both forms that leave are made from these.
 */

/** A passage stands only where this holds. */
export interface Condition {
  /** A field's name; one that there is none of is refused when the text is settled. */
  field: string
  /** "there": the field is not empty; else the value that it must have. */
  is: 'there' | 'due' | 'paid' | 'nothing'
  /** It stands where the opposite holds. */
  not: boolean
}

export type Mark =
  | { type: 'passage'; attrs: Condition }
  | { type: 'link'; attrs: { href: string } }
  | { type: 'bold' }
  | { type: 'italic' }

export interface TextNode {
  type: 'text'
  text: string
  marks?: Mark[]
}

export interface FieldNode {
  type: 'field'
  /** What stands instead where the document has no such value; empty: the email is stopped. */
  attrs: { name: string; instead: string }
  marks?: Mark[]
}

export interface BreakNode {
  type: 'hardBreak'
  marks?: Mark[]
}

export type InlineNode = TextNode | FieldNode | BreakNode

export interface ParagraphNode {
  type: 'paragraph'
  content?: InlineNode[]
}

export interface ItemNode {
  type: 'listItem'
  content: ParagraphNode[]
}

export interface ListNode {
  type: 'bulletList' | 'orderedList'
  content: ItemNode[]
}

/** A table or a picture is a passage by itself where it has a condition; it always stands where it has none. */
interface Conditional {
  when?: Condition | null
}

/** The document's lines, the documents of an email with several, what is open, or its parcels, as a table. */
export interface TableNode {
  type: 'factTable'
  attrs: { of: TableName } & Conditional
}

/** A picture of the house's, on a line of its own. */
export interface PictureNode {
  type: 'picture'
  attrs: EmailPicture & Conditional
}

export const tableNames = ['lines', 'documents', 'open', 'parcels'] as const
export type TableName = (typeof tableNames)[number]

export type BlockNode = ParagraphNode | ListNode | TableNode | PictureNode

export interface Body {
  type: 'doc'
  content: BlockNode[]
}

/** Words alone, without lists and tables: what a subject can be. */
export interface Line extends Body {
  content: ParagraphNode[]
}

/** Where a link leads that a writer set on the document itself: its address is made for each email. */
export const documentLink = 'document:'

/** Links lead to the document, to pages, mailboxes and telephones; nothing that a mail program could run. */
export const isSafeLink = (href: string): boolean =>
  href === documentLink || /^(https?:\/\/[^\s"<>]+|mailto:[^\s"<>]+|tel:[+\d ()/-]+)$/i.test(href)

const markOrder = ['passage', 'link', 'bold', 'italic']

const tidyCondition = ({ field, is, not }: Condition): Condition => ({ field, is, not: Boolean(not) })
const tidyWhen = (when: Condition | null | undefined) => (when ? { when: tidyCondition(when) } : {})

function tidyMark(mark: Mark): Mark {
  if (mark.type === 'passage') return { type: 'passage', attrs: tidyCondition(mark.attrs) }
  return mark.type === 'link' ? { type: 'link', attrs: { href: mark.attrs.href } } : { type: mark.type }
}

function tidyInline(node: InlineNode): InlineNode {
  const marks = [...(node.marks ?? [])]
    .map(tidyMark)
    .sort((a, b) => markOrder.indexOf(a.type) - markOrder.indexOf(b.type))
  const marked = marks.length > 0 ? { marks } : {}
  if (node.type === 'text') return { type: 'text', text: node.text, ...marked }
  if (node.type === 'hardBreak') return { type: 'hardBreak', ...marked }
  return { type: 'field', attrs: { name: node.attrs.name, instead: node.attrs.instead ?? '' }, ...marked }
}

const sameMarks = (a: InlineNode, b: InlineNode) =>
  JSON.stringify(a.marks ?? []) === JSON.stringify(b.marks ?? [])

/** Neighbouring words that look alike are one node. */
function joined(nodes: readonly InlineNode[]): InlineNode[] {
  const all: InlineNode[] = []
  for (const node of nodes) {
    const last = all.at(-1)
    if (last?.type === 'text' && node.type === 'text' && sameMarks(last, node))
      all[all.length - 1] = { ...last, text: last.text + node.text }
    else all.push(node)
  }
  return all
}

const tidyParagraph = ({ content = [] }: ParagraphNode): ParagraphNode =>
  content.length > 0 ? { type: 'paragraph', content: joined(content.map(tidyInline)) } : { type: 'paragraph' }

/** The same body written one way: two that say the same are equal as JSON. */
export function tidy<Text extends Body>({ content }: Text): Text {
  const blocks = content.map((block): BlockNode => {
    if (block.type === 'paragraph') return tidyParagraph(block)
    if (block.type === 'factTable') {
      const { of, when } = block.attrs
      return { type: 'factTable', attrs: { of, ...tidyWhen(when) } }
    }
    if (block.type === 'picture') {
      const { sha256, alt, width, when } = block.attrs
      return { type: 'picture', attrs: { sha256, alt, width, ...tidyWhen(when) } }
    }
    return {
      type: block.type,
      content: block.content.map((item) => ({ type: 'listItem', content: item.content.map(tidyParagraph) })),
    }
  })
  // blocks stay what they are
  return { type: 'doc', content: blocks } as Text
}

/** Every paragraph of a body, those of lists as well. */
export const paragraphsOf = ({ content }: Body): ParagraphNode[] =>
  content.flatMap((block) => {
    if (block.type === 'paragraph') return [block]
    return block.type === 'factTable' || block.type === 'picture'
      ? []
      : block.content.flatMap((item) => item.content)
  })

/** The fields that a body names, those of passages as well; what there is no field for is among them. */
export const fieldsIn = (body: Body): string[] => [
  ...paragraphsOf(body)
    .flatMap(({ content = [] }) => content)
    .flatMap((node) => [
      ...(node.type === 'field' ? [node.attrs.name] : []),
      ...(node.marks ?? []).flatMap((mark) => (mark.type === 'passage' ? [mark.attrs.field] : [])),
    ]),
  ...body.content.flatMap((block) => whenOf(block)?.field ?? []),
]

/** When a table or a picture stands; nothing where it always does. */
export const whenOf = (block: BlockNode): Condition | null =>
  block.type === 'factTable' || block.type === 'picture' ? (block.attrs.when ?? null) : null

export const hasTable = (body: Body, of: TableName): boolean =>
  body.content.some((block) => block.type === 'factTable' && block.attrs.of === of)

/** Whether it says by itself which documents an email with several carries. */
export const namesDocuments = (body: Body): boolean =>
  fieldsIn(body).includes('documents') || hasTable(body, 'documents')

/** Whether words of it lead to the document. */
export const leadsToDocument = (node: InlineNode): boolean =>
  node.marks?.some((mark) => mark.type === 'link' && mark.attrs.href === documentLink) ?? false

/** Its words in one line for lists and history: fields by their names. */
export const wordsOfBody = (body: Body): string =>
  paragraphsOf(body)
    .map(({ content = [] }) =>
      content
        .map((node) =>
          node.type === 'text' ? node.text : node.type === 'field' ? `[${node.attrs.name}]` : ' ',
        )
        .join(''),
    )
    .join(' ')
    .trim()

/** Plain words as a body: an empty line begins a paragraph. */
export function bodyOf(text: string): Line {
  const paragraphs = text.split(/\n{2,}/).map((part): ParagraphNode => {
    const lines = part.split('\n')
    const content = lines.flatMap((line, at): InlineNode[] => [
      ...(at > 0 ? [{ type: 'hardBreak' as const }] : []),
      ...(line ? [{ type: 'text' as const, text: line }] : []),
    ])
    return content.length > 0 ? { type: 'paragraph', content } : { type: 'paragraph' }
  })
  return { type: 'doc', content: paragraphs }
}
