import { badInput, Refusal } from '../errors'
import { isFieldName, isOwnFieldName, mergeFieldNames, wordsOfOwnField } from './fields'
import type { FieldName, MergeFields } from './fields'
import {
  fieldsIn,
  leadsToDocument,
  tidy,
  whenOf,
  type BlockNode,
  type Body,
  type Condition,
  type InlineNode,
  type Mark,
  type ParagraphNode,
} from './nodes'
import { told } from '../said/told'

/** Where a part of an email stands that something is wrong with. */
export type Where = 'subject' | 'text'

/** How alike two words are, 0 to 1: by the letter pairs they share (Dice's coefficient). */
function likeness(a: string, b: string): number {
  const pairs = (word: string) => [...word].slice(1).map((letter, at) => word[at]! + letter)
  const [ours, theirs] = [pairs(a.toLowerCase()), pairs(b.toLowerCase())]
  const left = [...theirs]
  const shared = ours.filter((pair) => left.includes(pair) && left.splice(left.indexOf(pair), 1))
  return (2 * shared.length) / Math.max(1, ours.length + theirs.length)
}

function unknownField(unknown: string, where: Where): Refusal {
  const [near] = mergeFieldNames
    .filter((name) => likeness(name, unknown) > 0.3)
    .sort((a, b) => likeness(b, unknown) - likeness(a, unknown))
  const named = { unknown, where: told(`where/${where}`), fields: mergeFieldNames.join(', ') }
  return near
    ? badInput('unknown-merge-field/meant', where, { ...named, near })
    : badInput('unknown-merge-field', where, named)
}

/** @param own the house's own fields as texts name them @throws Refusal "unknown-merge-field" for another of its own */
export function checkOwnFields(body: Body, own: readonly string[], where: Where): void {
  for (const name of fieldsIn(body))
    if (isOwnFieldName(name) && !own.includes(name)) throw unknownField(name, where)
}

/** A word between braces that somebody wrote by hand: it would leave as it stands. */
const looksLikeField = /\{\{?\s*\p{L}+\s*\}\}?/u

function checkWords(text: string, where: Where): void {
  const found = looksLikeField.exec(text)
  if (found)
    throw badInput('bad-field', where, { found: found[0], where: told(`where/${where}`), brace: '{' })
}

/** A field's name as words: "customer number". */
const spoken = (name: FieldName) =>
  isOwnFieldName(name)
    ? wordsOfOwnField(name)
    : name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)

/** Whether a passage stands. @throws Refusal "unknown-merge-field" */
function holds({ field, is, not }: Condition, values: MergeFields, where: Where): boolean {
  if (!isFieldName(field)) throw unknownField(field, where)
  const value = values[field] ?? ''
  return (is === 'there' ? value !== '' : value === is) !== not
}

/** A value's words; one of several lines keeps them. */
const wordsOf = (value: string, marks: Mark[]): InlineNode[] =>
  value
    .split('\n')
    .flatMap((line, at): InlineNode[] => [
      ...(at > 0 ? [{ type: 'hardBreak' as const }] : []),
      ...(line ? [{ type: 'text' as const, text: line, marks }] : []),
    ])

/** No space at either end, no break either. */
function trimmed(nodes: InlineNode[]): InlineNode[] {
  const all = [...nodes]
  for (const [at, ends] of [
    [0, /^\s+/],
    [-1, /\s+$/],
  ] as const) {
    for (let node = all.at(at); node; node = all.at(at)) {
      const rest = node.type === 'text' ? node.text.replace(ends, '') : ''
      if (node.type === 'field' || rest) {
        if (node.type === 'text') all.splice(at, 1, { ...node, text: rest })
        break
      }
      all.splice(at, 1)
    }
  }
  return all
}

/**
 * A body for one document: passages, tables and pictures stand or do not, fields are their values. What is left out
 * leaves no empty paragraph behind.
 * @param open fields that stay fields because their value is not settled yet
 * @param linked whether the document is behind a link: words that lead to it stand only then
 * @throws Refusal "bad-field" for one that was written between braces, "unknown-merge-field" for one that does not
 * exist, "empty-field" for one that this document does not have and that nothing stands for
 */
export function settle<Text extends Body>(
  body: Text,
  values: MergeFields,
  where: Where,
  open: readonly FieldName[] = [],
  linked = true,
): Text {
  const inline = (node: InlineNode): InlineNode[] => {
    const marks = node.marks ?? []
    if (!linked && leadsToDocument(node)) return []
    for (const mark of marks) if (mark.type === 'passage' && !holds(mark.attrs, values, where)) return []
    const rest = marks.filter((mark) => mark.type !== 'passage')
    if (node.type === 'text') checkWords(node.text, where)
    if (node.type !== 'field') return [{ ...node, marks: rest }]
    const { name, instead } = node.attrs
    if (!isFieldName(name)) throw unknownField(name, where)
    if (open.includes(name)) return [{ ...node, marks: rest }]
    const value = values[name] || instead
    if (value === '')
      throw new Refusal('empty-field', { values: { name: spoken(name) }, about: { field: name } })
    return wordsOf(value, rest)
  }
  const paragraph = ({ content = [] }: ParagraphNode): ParagraphNode[] => {
    const left = trimmed(content.flatMap(inline))
    return left.length > 0 ? [{ type: 'paragraph', content: left }] : []
  }
  const blocks = body.content.flatMap((block): BlockNode[] => {
    const when = whenOf(block)
    if (when && !holds(when, values, where)) return []
    if (block.type === 'factTable') return [{ ...block, attrs: { ...block.attrs, when: null } }]
    if (block.type === 'picture') return [{ ...block, attrs: { ...block.attrs, when: null } }]
    if (block.type === 'paragraph') return paragraph(block)
    const items = block.content
      .map((item) => ({ type: 'listItem' as const, content: item.content.flatMap(paragraph) }))
      .filter((item) => item.content.length > 0)
    return items.length > 0 ? [{ type: block.type, content: items }] : []
  })
  // blocks stay what they are, or go
  return tidy({ type: 'doc', content: blocks } as Body) as Text
}
