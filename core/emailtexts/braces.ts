import { isFieldName, type FieldName } from './fields'
import type { Condition, InlineNode, Line, Mark, ParagraphNode } from './nodes'

/*
 * Email texts in one line of writing: fields in double braces, passages between {% if … %} and {% endif %}. The
 * supplied texts are written so, and those of houses from before the editor are taken over from it.
 */

interface Passage {
  /** What holds here. */
  holds: Condition[]
  /** What was asked before in the same passage, and did not hold. */
  before: Condition[][]
}

const token = /\{\{-?\s*(\w+)\s*-?\}\}|\{%-?\s*(.*?)\s*-?%\}/g
const payings = ['due', 'paid', 'nothing'] as const

const opposite = (one: Condition): Condition => ({ ...one, not: !one.not })

/** What a condition asks; undefined where it asks what a passage cannot. */
function conditionsOf(words: string): Condition[] | undefined {
  const parts = words.split(/\s+and\s+/).map((part): Condition | undefined => {
    const [, name, sign, value] = /^(\w+)\s*(==|!=)\s*["']([^"']*)["']$/.exec(part) ?? []
    if (!name || !isFieldName(name)) return undefined
    const field: FieldName = name
    if (value === '') return { field, is: 'there', not: sign === '==' }
    const is = payings.find((one) => one === value)
    return is ? { field, is, not: sign === '!=' } : undefined
  })
  return parts.every((part) => part !== undefined) ? parts : undefined
}

/** "Neither due nor paid" is said as "nothing": one of the three always holds. */
function said(conditions: Condition[]): Condition[] {
  const nots = conditions.filter((one) => one.field === 'paying' && one.not)
  if (nots.length < 2) return conditions
  const left = payings.find((value) => !nots.some((one) => one.is === value))!
  return [...conditions.filter((one) => !nots.includes(one)), { field: 'paying', is: left, not: false }]
}

/** What holds after these have been asked in vain. */
const otherwise = (before: Condition[][]) => before.flat().map(opposite)

/**
 * Reads a text that is written with braces. What it does not know (a loop, an "or") becomes a field that does not
 * exist, so that it is refused in words and never leaves as it stands.
 */
export function fromBraces(template: string): Line {
  const paragraphs: ParagraphNode[] = [{ type: 'paragraph', content: [] }]
  const open: Passage[] = []
  const marks = () => {
    const all = said(open.flatMap((one) => one.holds))
    const found = all.map((attrs): Mark => ({ type: 'passage', attrs }))
    return found.length > 0 ? { marks: found } : {}
  }
  const add = (node: InlineNode) => paragraphs.at(-1)!.content!.push({ ...node, ...marks() })
  const addText = (text: string) =>
    text.split(/(\n{2,}|\n)/).forEach((piece) => {
      if (piece === '\n') add({ type: 'hardBreak' })
      else if (piece.startsWith('\n')) paragraphs.push({ type: 'paragraph', content: [] })
      else if (piece) add({ type: 'text', text: piece })
    })
  const unknown = (words: string) => add({ type: 'field', attrs: { name: words, instead: '' } })

  let at = 0
  for (const found of template.matchAll(token)) {
    addText(template.slice(at, found.index))
    at = found.index + found[0].length
    const [, field, tag = ''] = found
    if (field) {
      add({ type: 'field', attrs: { name: field, instead: '' } })
      continue
    }
    const [, word, rest = ''] = /^(\w+)\s*(.*)$/.exec(tag) ?? []
    const asked = conditionsOf(rest)
    // of several conditions that stand together none can be turned round by itself
    const passage = open.at(-1)?.before.every((one) => one.length === 1) ? open.at(-1) : undefined
    if (word === 'if' && asked) open.push({ holds: asked, before: [asked] })
    else if (word === 'elsif' && asked && passage) {
      passage.holds = [...otherwise(passage.before), ...asked].filter(
        // "not due, but paid": what it is says what it is not
        (one, _, all) => !(one.not && all.some((other) => !other.not && other.field === one.field)),
      )
      passage.before.push(asked)
    } else if (word === 'else' && passage) passage.holds = otherwise(passage.before)
    else if (word === 'endif' && open.length > 0) open.pop()
    else unknown(tag)
  }
  addText(template.slice(at))
  if (open.length > 0) unknown('if')
  const content = paragraphs.map((one): ParagraphNode =>
    one.content!.length > 0 ? one : { type: 'paragraph' },
  )
  return { type: 'doc', content }
}
