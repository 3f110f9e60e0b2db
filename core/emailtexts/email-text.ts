import { Liquid, type Template } from 'liquidjs'
import { badInput, Refusal } from '../errors'
import { emailHtml, emailText, type EmailFrame } from './email-look'
import { mergeFieldNames, type MergeFields } from './fields'

/** The email's subject and text, with merge fields in double braces, per kind, brand and language. */
export interface EmailText {
  subject: string
  /** Plain text; an empty line separates paragraphs. Merge fields and only-if passages; no HTML. */
  text: string
}

export const exampleFields: MergeFields = {
  number: 'INV-2026-00042',
  order: 'SO-20931',
  reference: 'OM/118',
  date: '24 November 2026',
  due: '24 December 2026',
  total: '1,284.46 EUR',
  paying: 'due',
  several: '',
  documents: '',
  customer: 'Ottermill Honey Co-op',
  contact: 'Nuala Fennimore',
  brand: 'Tansy Hollow',
  sender: 'Maeve Tarrant',
}

/** Templates never run code: own properties only, unknown fields and filters are errors, no files. */
const engine = new Liquid({
  strictVariables: true,
  strictFilters: true,
  ownPropertyOnly: true,
  lenientIf: true,
})

/** A field that stands outside of a passage for it and is empty: "due on ." never leaves. */
engine.registerFilter('filled', (value: string, name: string) => {
  if (value === '') throw new Refusal('empty-field', { values: { name }, about: { field: name } })
  return value
})

/** Every field that is written out is checked to be filled; in conditions it may be empty. */
const checked = (template: string) =>
  template.replace(/\{\{-?\s*([a-z]+)\s*-?\}\}/g, (_, name: string) => `{{ ${name} | filled: "${name}" }}`)

const mostRead = 200
const readBefore = new Map<string, Template[]>()

/** A template as the engine reads it; read once, since a house has few and fills them for every email. */
function read(template: string): Template[] {
  const known = readBefore.get(template)
  if (known) return known
  const found = engine.parse(checked(template))
  if (readBefore.size >= mostRead) readBefore.delete(readBefore.keys().next().value!)
  readBefore.set(template, found)
  return found
}

/** What looks like a field and is none: single braces, or braces that were left open. */
const looksLikeField = /\{\{|\}\}|\{%|%\}|\{\s*[a-z]+\s*\}/i

export interface FilledNote {
  subject: string
  text: string
  html: string
}

/** A template without its fields and passages, to see what is left that looks like one. */
const withoutFields = (template: string) =>
  template.replace(/\{\{-?\s*[a-z]+\s*-?\}\}/gi, '').replace(/\{%-?[^{}%]*-?%\}/g, '')

const fieldList = mergeFieldNames.map((name) => `{{ ${name} }}`).join(', ')

const notAField = (found: string, where: string): Refusal => {
  const name = /[a-z]+/i.exec(found)?.[0]
  return name
    ? badInput('bad-field', where, { found, where, field: `{{ ${name} }}` })
    : badInput('bad-field/brace', where, { where, field: '{{ number }}' })
}

/** The engine's error in words: which field there is not, and which was perhaps meant. */
function whyNotFilled(error: Error & { originalError?: unknown }, where: string): Refusal {
  if (error.originalError instanceof Refusal) return error.originalError
  const unknown = /undefined variable: (\w+)/.exec(error.message)?.[1]
  if (unknown === undefined)
    return badInput('bad-passage', where, { where, example: '{% if order != "" %}', example2: '{% endif %}' })
  const [near] = mergeFieldNames
    .filter((name) => likeness(name, unknown) > 0.3)
    .sort((a, b) => likeness(b, unknown) - likeness(a, unknown))
  return badInput('unknown-merge-field', where, {
    unknown,
    where,
    hint: near ? ` Did you mean “${near}”?` : '',
    fields: fieldList,
  })
}

/** How alike two words are, 0 to 1: by the letter pairs they share (Dice's coefficient). */
function likeness(a: string, b: string): number {
  const pairs = (word: string) => [...word].slice(1).map((letter, at) => word[at]! + letter)
  const [ours, theirs] = [pairs(a.toLowerCase()), pairs(b.toLowerCase())]
  const shared = ours.filter((pair) => theirs.includes(pair)).length
  return (2 * shared) / Math.max(1, ours.length + theirs.length)
}

/**
 * Subject and text with their fields and passages filled, as plain words.
 * @throws Refusal "unknown-merge-field" for a field that does not exist, "empty-field" for one that this
 * document does not have, "empty-subject" when nothing is left of the subject
 */
export function fillWords(note: EmailText, fields: MergeFields): EmailText {
  const fill = (template: string, where: 'subject' | 'text') => {
    const strange = looksLikeField.exec(withoutFields(template))
    if (strange) throw notAField(strange[0], where)
    try {
      return engine.renderSync(read(template), { ...fields }) as string
    } catch (error) {
      throw whyNotFilled(error as Error, where)
    }
  }
  const subject = fill(note.subject, 'subject')
    .replace(/[\p{Cc}\s]+/gu, ' ')
    .trim()
  if (!subject) throw badInput('empty-subject', 'subject')
  const text = fill(note.text, 'text')
    .replace(/[^\S\n]+$/gm, '')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
  if (!text) throw badInput('empty-text', 'text')
  return { subject, text }
}

/** Fills an email text, and lays it in the brand's frame. @throws Refusal as `fillWords` */
export function fillEmailText(note: EmailText, fields: MergeFields, frame: EmailFrame): FilledNote {
  const { subject, text } = fillWords(note, fields)
  return { subject, text: emailText(text, frame), html: emailHtml(text, frame) }
}
