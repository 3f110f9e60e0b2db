import { Extension, type Editor, type JSONContent, type Range } from '@tiptap/core'
import Suggestion, { type SuggestionProps } from '@tiptap/suggestion'
import type { FieldName } from '../../../core/emailtexts/fields'

/** A field that is being typed: what stands after its brace, where, and how it is put in. */
export interface TypedField {
  narrow: string
  place: Record<string, string>
  pick: (name: FieldName) => void
}

/** A field where the cursor stands: what it is put into goes for it, too. */
export const chipOf = ({ state }: Editor, name: FieldName): JSONContent => ({
  type: 'field',
  attrs: { name, instead: '' },
  marks: (state.storedMarks ?? state.selection.$from.marks()).map(
    (mark) => mark.toJSON() as { type: string },
  ),
})

/** Width and height that the list of fields may take, in pixels. */
const room = { width: 570, height: 330 }

/** Under what is typed, or above it where there is no room; never beyond the window's edge. */
const placeAt = ({ left, top, bottom }: DOMRect): Record<string, string> => ({
  left: `${Math.max(0, Math.min(left, innerWidth - room.width))}px`,
  ...(bottom + room.height > innerHeight && top > room.height
    ? { bottom: `${innerHeight - top + 4}px` }
    : { top: `${bottom + 4}px` }),
})

const putIn = (editor: Editor, range: Range, name: FieldName) =>
  editor.chain().focus().insertContentAt(range, chipOf(editor, name)).run()

/** After a brace the fields are offered. @param show said what is typed, or nothing any more */
export function fieldTyped(
  show: (typed: TypedField | undefined) => void,
  key: (event: KeyboardEvent) => boolean,
): Extension {
  const shown = ({ query, clientRect, command }: SuggestionProps<unknown, FieldName>) => {
    const place = clientRect?.()
    if (place) show({ narrow: query, place: placeAt(place), pick: (name) => command(name) })
  }
  return Extension.create({
    name: 'fieldTyped',
    addProseMirrorPlugins() {
      return [
        Suggestion<unknown, FieldName>({
          editor: this.editor,
          char: '{',
          allowedPrefixes: null,
          command: ({ editor, range, props }) => putIn(editor, range, props),
          items: () => [],
          render: () => ({
            onStart: shown,
            onUpdate: shown,
            onExit: () => show(undefined),
            onKeyDown: ({ event }) => {
              if (event.key !== 'Escape') return key(event)
              event.stopPropagation()
              show(undefined)
              return true
            },
          }),
        }),
      ]
    },
  })
}
