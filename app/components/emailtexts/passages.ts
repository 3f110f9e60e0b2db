import { getMarkRange, type Editor } from '@tiptap/core'
import type { Mark } from '@tiptap/pm/model'
import type { Condition } from '../../../core/emailtexts/nodes'

interface Passage {
  mark: Mark
  from: number
  to: number
}

/** The passages that the selected words, or the cursor, stand in: the outermost first. */
function passagesAt({ state }: Editor): Passage[] {
  const { from, to, $from, empty } = state.selection
  const marks: Mark[] = empty ? [...$from.marks()] : []
  if (!empty)
    state.doc.nodesBetween(from, to, (node) => {
      for (const mark of node.marks) if (!mark.isInSet(marks)) marks.push(mark)
    })
  return marks
    .filter((mark) => mark.type.name === 'passage')
    .map((mark) => {
      let at = from
      state.doc.nodesBetween(from, to, (node, place) => {
        if (mark.isInSet(node.marks)) at = Math.max(place, from)
      })
      const range = getMarkRange(state.doc.resolve(at), mark.type, mark.attrs)
      return { mark, from: range?.from ?? from, to: range?.to ?? to }
    })
    .sort((a, b) => b.to - b.from - (a.to - a.from))
}

/** The tables and pictures within what is selected, by where they stand. */
function blocksAt({ state }: Editor): { at: number; when: Condition | null }[] {
  const { from, to, empty } = state.selection
  const found: { at: number; when: Condition | null }[] = []
  if (!empty)
    state.doc.nodesBetween(from, to, (node, at) => {
      if (node.type.spec.attrs?.when) found.push({ at, when: node.attrs.when as Condition | null })
    })
  return found
}

/** When what is selected stands: each passage's condition, the outermost first. */
export const conditionsHere = (editor: Editor): Condition[] => [
  ...passagesAt(editor).map(({ mark }) => mark.attrs as Condition),
  ...blocksAt(editor).flatMap(({ when }) => when ?? []),
]

/**
 * Makes the selected words a passage, or the innermost that the cursor stands in another one. A passage that is
 * selected whole is asked anew, a part of one becomes a passage in it. Tables and pictures among them are asked the
 * same. Null: they always stand.
 */
export function setPassage(editor: Editor, condition: Condition | null): void {
  const here = passagesAt(editor)
  const { empty, from, to } = editor.state.selection
  const inner = here.at(-1)
  const range = empty ? inner : { from, to }
  const blocks = blocksAt(editor)
  if (!range) return
  const gone = here.filter(
    (one) => (one.from >= range.from && one.to <= range.to) || (!condition && one === inner),
  )
  editor
    .chain()
    .focus()
    .command(({ tr, state }) => {
      for (const { mark } of gone) tr.removeMark(range.from, range.to, mark)
      if (condition) tr.addMark(range.from, range.to, state.schema.marks.passage!.create({ ...condition }))
      for (const { at } of blocks) tr.setNodeAttribute(at, 'when', condition)
      return true
    })
    .run()
}
