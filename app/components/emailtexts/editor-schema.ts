import { Extension, Mark, mergeAttributes, Node, type Extensions } from '@tiptap/core'
import StarterKit from '@tiptap/starter-kit'
import { isSafeLink, type Condition, type TableName } from '../../../core/emailtexts/nodes'
import { emailPictureUrl } from '../../calls/email-texts'
import type { EmailPicture } from '../../../core/emailtexts/pictures'
import { TypedOver } from './typed-over'
import { tableWords, whenWords, wordsOfField } from './field-words'

/*
 * The nodes of core/emailtexts/nodes.ts as an editor knows them. What is pasted keeps of its looks what is among them,
 * and nothing else.
 */

export interface ChipOptions {
  /** What stands in the chip; undefined where the document has no such value. */
  valueOf: (name: string) => string | undefined
  /** What each chip does to show its value anew. */
  refreshers: Set<() => void>
}

const data = (name: string) => ({
  parseHTML: (element: HTMLElement) => element.getAttribute(`data-${name}`) ?? '',
  renderHTML: (attributes: Record<string, unknown>) => ({ [`data-${name}`]: String(attributes[name]) }),
})

const FieldChip = Node.create<ChipOptions>({
  name: 'field',
  group: 'inline',
  inline: true,
  atom: true,
  addOptions: () => ({ valueOf: () => undefined, refreshers: new Set<() => void>() }),
  addAttributes: () => ({
    name: { default: '', ...data('name') },
    instead: { default: '', ...data('instead') },
  }),
  parseHTML: () => [{ tag: 'span[data-name]' }],
  renderHTML: ({ node, HTMLAttributes }) => ['span', HTMLAttributes, wordsOfField(String(node.attrs.name))],
  addNodeView() {
    const { valueOf, refreshers } = this.options
    return ({ node }) => {
      const dom = document.createElement('span')
      dom.classList.add('chip')
      let attrs = node.attrs as { name: string; instead: string }
      const refresh = () => {
        const value = valueOf(attrs.name) || attrs.instead
        const words = wordsOfField(attrs.name)
        dom.classList.toggle('none', !value)
        dom.title = words
        dom.textContent = value || words
      }
      refresh()
      refreshers.add(refresh)
      return {
        dom,
        update: (now) => {
          if (now.type !== node.type) return false
          attrs = now.attrs as typeof attrs
          refresh()
          return true
        },
        ignoreMutation: () => true,
        destroy: () => refreshers.delete(refresh),
      }
    }
  },
  renderText: ({ node }) => `{${String(node.attrs.name)}}`,
})

const Passage = Mark.create({
  name: 'passage',
  // one passage may stand in another
  excludes: '',
  exitable: true,
  addAttributes: () => ({
    field: { default: '', ...data('field') },
    is: { default: 'there', ...data('is') },
    not: {
      default: false,
      parseHTML: (element: HTMLElement) => element.getAttribute('data-not') === 'true',
      renderHTML: ({ not }: Record<string, unknown>) => ({ 'data-not': String(not) }),
    },
  }),
  parseHTML: () => [{ tag: 'span[data-field]' }],
  renderHTML: ({ mark, HTMLAttributes }) => {
    const words = whenWords(mark.attrs as Condition)
    return [
      'span',
      mergeAttributes(HTMLAttributes, { class: 'passage', title: words, 'data-when': words }),
      0,
    ]
  },
})

/** A table or a picture that stands only if something holds shows it as words do. */
const when = {
  default: null,
  parseHTML: (element: HTMLElement): Condition | null =>
    element.dataset.onlyIf ? (JSON.parse(element.dataset.onlyIf) as Condition) : null,
  renderHTML: ({ when: found }: Record<string, unknown>) =>
    found
      ? { 'data-only-if': JSON.stringify(found), class: 'passage', title: whenWords(found as Condition) }
      : {},
}

const FactTable = Node.create({
  name: 'factTable',
  group: 'block',
  atom: true,
  addAttributes: () => ({ of: { default: 'lines', ...data('of') }, when }),
  parseHTML: () => [{ tag: 'div[data-of]' }],
  renderHTML: ({ node, HTMLAttributes }) => [
    'div',
    mergeAttributes(HTMLAttributes, { class: 'fact-table' }),
    tableWords(node.attrs.of as TableName),
  ],
})

/** Only those that are kept here: what is pasted with a picture from elsewhere comes without it. */
const Picture = Node.create({
  name: 'picture',
  group: 'block',
  atom: true,
  addAttributes: () => ({
    sha256: { default: '', ...data('sha256') },
    alt: { default: '', ...data('alt') },
    width: {
      default: 0,
      parseHTML: (element: HTMLElement) => Number(element.getAttribute('data-width')),
      renderHTML: ({ width }: Record<string, unknown>) => ({ 'data-width': String(width) }),
    },
    when,
  }),
  parseHTML: () => [{ tag: 'img[data-sha256]' }],
  renderHTML: ({ node, HTMLAttributes }) => {
    const { sha256, alt, width } = node.attrs as EmailPicture
    const shown = { src: emailPictureUrl(sha256), alt, width: String(width) }
    return ['img', mergeAttributes({ title: alt }, HTMLAttributes, shown)]
  },
})

/** Lists of one level: what an email's plain text can say. */
const ListItem = Node.create({
  name: 'listItem',
  content: 'paragraph+',
  defining: true,
  parseHTML: () => [{ tag: 'li' }],
  renderHTML: ({ HTMLAttributes }) => ['li', HTMLAttributes, 0],
  addKeyboardShortcuts() {
    return { Enter: () => this.editor.commands.splitListItem(this.name) }
  },
})

const OneLine = Node.create({ name: 'doc', topNode: true, content: 'paragraph' })
/** Enter belongs to what stands around one line. */
const NoBreak = Extension.create({
  addKeyboardShortcuts: () => ({ Enter: () => true, 'Shift-Enter': () => true }),
})

const never = {
  blockquote: false,
  code: false,
  codeBlock: false,
  heading: false,
  horizontalRule: false,
  strike: false,
  underline: false,
  trailingNode: false,
  listItem: false,
} as const

/** The editor's nodes. @param single one line without looks: a subject */
export function schemaOf(single: boolean, chips: ChipOptions): Extensions {
  const own = [FieldChip.configure(chips), Passage, TypedOver]
  if (single)
    return [
      OneLine,
      NoBreak,
      StarterKit.configure({
        ...never,
        document: false,
        bold: false,
        italic: false,
        link: false,
        hardBreak: false,
        bulletList: false,
        orderedList: false,
        listKeymap: false,
      }),
      ...own,
    ]
  return [
    StarterKit.configure({
      ...never,
      link: {
        openOnClick: false,
        defaultProtocol: 'https',
        isAllowedUri: (url) => isSafeLink(url),
        HTMLAttributes: { target: null, rel: null },
      },
    }),
    ListItem,
    FactTable,
    Picture,
    ...own,
  ]
}
