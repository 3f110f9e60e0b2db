import { describe, expect, test } from 'vitest'
import { fromBraces } from './braces'
import { exampleFields } from './fields'
import { bodyText } from './forms'
import { fieldsIn, tidy } from './nodes'
import { settle } from './settle'
import { exampleFacts } from './fields'

const said = (template: string, change: Partial<typeof exampleFields> = {}) =>
  bodyText(settle(fromBraces(template), { ...exampleFields, ...change }, 'text'), exampleFacts.tables)

describe('a text that was written with braces', () => {
  test('has its paragraphs, line breaks and fields', () => {
    expect(fromBraces('Dear {{ contact }},\n\nKind regards\n{{ sender }}').content).toEqual([
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'Dear ' },
          { type: 'field', attrs: { name: 'contact', instead: '' } },
          { type: 'text', text: ',' },
        ],
      },
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'Kind regards' },
          { type: 'hardBreak' },
          { type: 'field', attrs: { name: 'sender', instead: '' } },
        ],
      },
    ])
  })

  test('says what it said: passages, the other way, and one in another', () => {
    const text =
      '{% if several != "" %}These{% if paying == "due" %}, {{ total }}{% endif %}:{% else %}' +
      '{% if order != "" %}Order {{ order }}{% if reference != "" %} ({{ reference }}){% endif %}' +
      '{% else %}One{% endif %}' +
      '{% if paying == "due" %} is due{% elsif paying == "paid" %} is paid{% else %} is nothing{% endif %}{% endif %}'
    expect(said(text)).toBe('Order SO-20931 (OM/118) is due')
    expect(said(text, { reference: '', paying: 'paid' })).toBe('Order SO-20931 is paid')
    expect(said(text, { order: '', paying: 'nothing' })).toBe('One is nothing')
    expect(said(text, { several: 'yes' })).toBe('These, 1,284.46 EUR:')
    expect(said(text, { several: 'yes', paying: 'paid' })).toBe('These:')
  })

  test('asks in as few words as it can: neither due nor paid is nothing', () => {
    const last = fromBraces('{% if paying == "due" %}a{% elsif paying == "paid" %}b{% else %}c{% endif %}')
    const conditions = last.content.flatMap((one) =>
      one.type === 'paragraph' ? one.content!.map((node) => node.marks) : [],
    )
    expect(conditions).toEqual(
      ['due', 'paid', 'nothing'].map((is) => [
        { type: 'passage', attrs: { field: 'paying', is, not: false } },
      ]),
    )
  })

  test.each([
    ['a loop', '{% for one in order %}x{% endfor %}'],
    ['either of two', '{% if order != "" or reference != "" %}x{% endif %}'],
    ['what is otherwise of two at once', '{% if order != "" and due != "" %}x{% else %}y{% endif %}'],
    ['a passage that never ends', 'x{% if order != "" %}y'],
    ['an end without a beginning', 'x{% endif %}'],
    ['a field that there is none of', 'x {{ numbr }}'],
  ])('that asks for what passages cannot (%s) is refused and never leaves as it stands', (_what, text) => {
    expect(() => said(text)).toThrow('There is no field called')
  })

  test('reads the same when it is written one way', () => {
    const body = fromBraces('{% if order != "" %}a{% endif %}{% if order != "" %}b{% endif %}')
    expect(tidy(body)).not.toEqual(body)
    expect(tidy(tidy(body))).toEqual(tidy(body))
    expect(fieldsIn(tidy(body))).toEqual(['order'])
  })
})
