import { flushPromises, mount } from '@vue/test-utils'
import type { Editor } from '@tiptap/vue-3'
import { expect, test } from 'vitest'
import { EditorContent } from '@tiptap/vue-3'
import { exampleFields } from '../../../core/emailtexts/fields'
import { useSession } from '../../stores/session'
import FieldList from './FieldList.vue'
import { conditions, whenWords } from './field-words'
import { fromBraces } from '../../../core/emailtexts/braces'
import { tidy, type Body } from '../../../core/emailtexts/nodes'
import { chipOf } from './field-typed'
import { conditionsHere, setPassage } from './passages'
import EmailEditor from './EmailEditor.vue'

const opened = async (
  body: Body,
  more: { single?: boolean; values?: Partial<typeof exampleFields> } = {},
) => {
  const editor = mount(EmailEditor, {
    props: { modelValue: body, label: 'Text', values: exampleFields, ...more },
    global: { stubs: { EditorTools: true, EditorFoot: true } },
  })
  await flushPromises()
  const inside = editor.findComponent(EditorContent).props('editor') as Editor
  const last = () => editor.emitted('update:modelValue')?.at(-1)?.[0] as Body | undefined
  return { editor, inside, last }
}

test('a field stands with its value for what is at hand; one without says what it is', async () => {
  const { editor } = await opened(fromBraces('Due {{ due }}, {{ reference }}'), {
    values: { ...exampleFields, reference: '' },
  })
  const chips = editor.findAll('.chip').map((chip) => [chip.text(), chip.classes('none')])
  expect(chips).toEqual([
    ['24 December 2026', false],
    ['their reference', true],
  ])
})

test('other values come into the chips where they stand: what is being written goes on', async () => {
  const { editor, inside } = await opened(fromBraces('Due {{ due }}'))
  inside.commands.insertContentAt(1, 'X')
  await editor.setProps({ values: { ...exampleFields, due: '' } })
  expect(editor.get('.chip').text()).toBe('due date')
  expect(editor.get('.chip').classes()).toContain('none')
  expect(editor.get('p').text()).toBe('XDue due date')
  expect(editor.findComponent(EditorContent).props('editor')).toBe(inside)
})

test('a passage says when it stands, and one may stand in another', async () => {
  const { editor } = await opened(
    fromBraces('{% if order != "" %}Order{% if reference != "" %} ({{ reference }}){% endif %}{% endif %}'),
  )
  const inner = editor.findAll('.passage .passage')
  expect(inner.map((one) => one.attributes('data-when'))).toEqual(['there is a value for “their reference”'])
})

test('what is written comes out as the nodes it was, and as nothing else', async () => {
  const body = tidy(
    fromBraces('Dear {{ contact }},\nhello\n\n{% if paying == "due" %}Pay {{ total }}.{% endif %}'),
  )
  const { inside, last } = await opened(body)
  expect(tidy(inside.getJSON() as Body)).toEqual(body)
  inside.commands.insertContentAt(1, 'X')
  expect(JSON.stringify(last())).toContain('XDear ')
  inside.commands.undo()
  expect(last()).toEqual(body)
})

test('what is typed over several passages is in none of them; a field put into one is in it', async () => {
  const { inside } = await opened(
    fromBraces(
      '{% if several != "" %}Invoices{% else %}Invoice{% endif %}{% if due != "" %} due on .{% endif %}',
    ),
  )
  const marksOf = (text: string) => {
    let found: number | undefined
    inside.state.doc.descendants((node) => {
      if (node.text?.includes(text) || node.attrs.name === text) found = node.marks.length
    })
    return found
  }
  const type = (from: number, to: number, text: string) =>
    inside.view.someProp('handleTextInput', (handle) =>
      handle(inside.view, from, to, text, () => inside.state.tr),
    )
  inside.commands.setTextSelection(inside.state.doc.content.size - 2)
  inside.commands.insertContent(chipOf(inside, 'due'))
  expect(marksOf('due')).toBe(1)
  expect(type(1, 16, 'Your papers')).toBe(true)
  expect(marksOf('Your papers')).toBe(0)
  expect(inside.state.selection).toMatchObject({ from: 12, to: 12 })
})

test('a passage selected whole is asked anew; a part of it becomes one in it; always takes it off', async () => {
  const { inside } = await opened(fromBraces('{% if due != "" %}Pay in time.{% endif %} Bye'))
  const due = { field: 'due', is: 'there', not: false } as const
  const paid = { field: 'paying', is: 'paid', not: false } as const
  const order = { field: 'order', is: 'there', not: false } as const
  inside.commands.setTextSelection({ from: 1, to: 13 })
  setPassage(inside, paid)
  expect(conditionsHere(inside)).toEqual([paid])
  inside.commands.setTextSelection({ from: 5, to: 8 })
  setPassage(inside, order)
  expect(conditionsHere(inside)).toEqual([paid, order])
  inside.commands.setTextSelection(6)
  setPassage(inside, due)
  expect(conditionsHere(inside)).toEqual([paid, due])
  setPassage(inside, null)
  inside.commands.setTextSelection({ from: 1, to: 13 })
  expect(conditionsHere(inside)).toEqual([paid])
  setPassage(inside, null)
  expect(conditionsHere(inside)).toEqual([])
})

test('a picture and a table stand only if something holds: with the words around them, or alone', async () => {
  const due = { field: 'due', is: 'there', not: false } as const
  const paid = { field: 'paying', is: 'paid', not: false } as const
  const picture = { type: 'picture', attrs: { sha256: 'a'.repeat(64), alt: 'Our stamp', width: 90 } } as const
  const { editor, inside, last } = await opened({
    type: 'doc',
    content: [...fromBraces('Pay soon').content, picture, { type: 'factTable', attrs: { of: 'open' } }],
  })
  inside.commands.selectAll()
  setPassage(inside, due)
  const whens = () =>
    tidy(last()!)
      .content.slice(1)
      .map((block) => 'attrs' in block && block.attrs.when)
  expect(whens()).toEqual([due, due])
  expect(editor.get('img').classes()).toContain('passage')
  expect(editor.get('img').attributes('title')).toBe('there is a value for “due date”')
  inside.commands.setNodeSelection(10)
  expect(conditionsHere(inside)).toEqual([due])
  setPassage(inside, paid)
  expect(whens()).toEqual([paid, due])
  inside.commands.setNodeSelection(10)
  setPassage(inside, null)
  expect(whens()).toEqual([undefined, due])
  // as it comes out of the page, pasted or undone, it is the same
  const before = last()!
  inside.commands.setContent(inside.getHTML(), { emitUpdate: true })
  expect(tidy(last()!)).toEqual(tidy(before))
})

test('pasted looks and scripts stay outside', async () => {
  const { inside, last } = await opened(fromBraces('x'))
  inside.commands.setContent(
    '<h1 style="color:red">Big</h1><p><a href="javascript:alert(1)">a</a> <a href="https://b.example">b</a>' +
      '<script>alert(2)</scr' +
      'ipt><img src=x onerror=alert(3)></p>',
  )
  const text = JSON.stringify(last() ?? inside.getJSON())
  expect(text).toContain('https://b.example')
  expect(text).not.toMatch(/javascript|alert|img|heading|style/)
})

test('a subject stays one line', async () => {
  const { inside } = await opened(fromBraces('Invoice {{ number }}'), { single: true })
  inside.commands.setContent('<p>one</p><p>two</p><ul><li>three</li></ul>')
  expect((inside.getJSON() as Body).content).toHaveLength(1)
})

test('fields of the house’s own are offered with what they hold, and can be asked for', async () => {
  const season = {
    of: 'order',
    name: 'Season order',
    kind: 'yes/no',
    choices: [],
    labels: {},
    printed: false,
  }
  useSession().house = { ownFields: [season, { ...season, of: 'line', name: 'Batch' }] } as never
  const list = mount(FieldList, { props: { narrow: 'seas', values: { 'order.Season order': 'yes' } } })
  expect(list.findAll('[role="option"]').map((one) => one.text())).toEqual([
    'Season ordera field of the house’s ownyes',
  ])
  await list.get('[role="option"]').trigger('mousedown')
  expect(list.emitted('pick')).toEqual([['order.Season order']])
  expect(conditions(useSession().house!.ownFields).map(whenWords)).toContain(
    'there is a value for “Season order”',
  )
})
