import { Extension } from '@tiptap/core'
import { Plugin, TextSelection } from '@tiptap/pm/state'

/**
 * What is typed over words stands where all of them stood: not in a passage that only the first of them was in, where
 * it would be left out one day.
 */
export const TypedOver = Extension.create({
  name: 'typedOver',
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput({ state, dispatch }, from, to, text) {
          if (from === to) return false
          const all = state.doc.resolve(from).marksAcross(state.doc.resolve(to)) ?? []
          const marks = all.filter((mark) => {
            let everywhere = true
            state.doc.nodesBetween(from, to, (node) => {
              if (node.isInline && !mark.isInSet(node.marks)) everywhere = false
            })
            return everywhere
          })
          const tr = state.tr.replaceWith(from, to, state.schema.text(text, marks))
          tr.setSelection(TextSelection.create(tr.doc, from + text.length))
          dispatch(tr.setStoredMarks(marks).scrollIntoView())
          return true
        },
      },
    }),
  ],
})
