<script setup lang="ts" generic="Words extends Body">
import { EditorContent, useEditor } from '@tiptap/vue-3'
import EditorFoot from './EditorFoot.vue'
import EditorTools from './EditorTools.vue'
import FieldList from './FieldList.vue'
import { schemaOf } from './editor-schema'
import { fieldTyped, type TypedField } from './field-typed'
import type { FieldName } from '../../../core/emailtexts/fields'
import { tidy, type Body } from '../../../core/emailtexts/nodes'

/** Subject or text of an email: words, fields as chips with their value for what is at hand, passages marked. */
const props = withDefaults(
  defineProps<{
    label: string
    values: Partial<Record<FieldName, string>>
    /** One line without looks: a subject. */
    single?: boolean
    disabled?: boolean
    wrong?: string
  }>(),
  { single: false, disabled: false, wrong: '' },
)
defineOptions({ inheritAttrs: false })
const body = defineModel<Words>({ required: true })
const attrs = useAttrs()
const labelId = useId()

const typed = shallowRef<TypedField>()
const list = ref<InstanceType<typeof FieldList>>()
const linking = ref(false)

/** Other values come into the chips where they stand: nobody loses their place. */
const refreshers = new Set<() => void>()
watch(
  () => props.values,
  () => refreshers.forEach((refresh) => refresh()),
  { flush: 'post' },
)

const editor = useEditor({
  content: body.value,
  editable: !props.disabled,
  extensions: [
    ...schemaOf(props.single, { valueOf: (name) => props.values[name as FieldName], refreshers }),
    fieldTyped(
      (now) => (typed.value = now),
      (event) => list.value?.key(event) ?? false,
    ),
  ],
  editorProps: {
    // Ctrl+Enter is the filled button of what stands around it
    handleDOMEvents: { keydown: (_view, event) => event.ctrlKey && event.key === 'Enter' },
    attributes: {
      role: 'textbox',
      'aria-labelledby': labelId,
      'aria-multiline': String(!props.single),
      ...(attrs['data-test'] ? { 'data-test': String(attrs['data-test']) } : {}),
    },
  },
  onUpdate: ({ editor: now }) => (body.value = tidy(now.getJSON() as Body) as Words),
})
watch(body, (now) => {
  const same =
    editor.value && JSON.stringify(tidy(editor.value.getJSON() as Body)) === JSON.stringify(tidy(now))
  if (!same) editor.value?.commands.setContent(now, { emitUpdate: false })
})
watch(
  () => props.disabled,
  (now) => editor.value?.setEditable(!now),
)
</script>

<template>
  <div class="email-editor" :class="[{ single, disabled, bad: wrong }]">
    <div class="above">
      <span :id="labelId" class="label">{{ label }}</span>
      <EditorTools
        v-if="editor && !disabled"
        :editor="editor"
        :single="single"
        :label="label"
        :values="values"
        @link="linking = true"
      />
    </div>
    <div class="box">
      <EditorContent :editor="editor" class="words" />
      <EditorFoot v-if="editor && !disabled" v-model:linking="linking" :editor="editor" :single="single" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <Teleport to="body">
      <div v-if="typed" class="typed" :style="typed.place">
        <FieldList ref="list" :narrow="typed.narrow" :values="values" @pick="typed.pick" />
      </div>
    </Teleport>
  </div>
</template>

<style scoped>
.above {
  display: flex;
  align-items: end;
  justify-content: space-between;
  min-height: 26px;
}
.label {
  font-size: var(--small);
  color: var(--soft-ink);
}
.box {
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  background: var(--paper);
}
.box:focus-within {
  border-color: var(--spruce);
  box-shadow: 0 0 0 1px var(--spruce);
}
.bad .box {
  border-color: var(--brick);
}
.disabled .box {
  background: var(--ledger);
}
.typed {
  position: fixed;
  z-index: 3000;
  border: 1px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
  box-shadow: 0 6px 18px rgb(22 38 43 / 18%);
}
.wrong {
  margin: 2px 0 0;
}
</style>

<style>
.email-editor .ProseMirror {
  outline: none;
  padding: 8px 10px;
  min-height: 190px;
  max-height: 380px;
  overflow: auto;
  line-height: 1.6;
  white-space: pre-wrap;
}
.email-editor.single .ProseMirror {
  min-height: 0;
  padding: 4px 10px;
}
.email-editor .ProseMirror p {
  margin: 0 0 10px;
}
.email-editor .ProseMirror > :last-child,
.email-editor .ProseMirror li p {
  margin: 0;
}
.email-editor .ProseMirror ul,
.email-editor .ProseMirror ol {
  margin: 0 0 10px;
  padding-left: 22px;
}
.email-editor .ProseMirror a {
  color: var(--spruce);
  text-decoration: underline;
}
.email-editor .chip {
  padding: 1px 5px;
  border-radius: 3px;
  background: var(--ledger-deep);
  white-space: nowrap;
}
.email-editor .chip.none {
  font-style: italic;
  color: var(--soft-ink);
}
.email-editor .chip.ProseMirror-selectednode,
.email-editor .fact-table.ProseMirror-selectednode,
.email-editor img.ProseMirror-selectednode {
  outline: 2px solid var(--spruce);
}
.email-editor .passage {
  margin: 0 1px;
  padding: 0 3px;
  border-left: 2px solid var(--peg);
  border-right: 2px solid var(--peg);
  border-radius: 4px;
  background: var(--peg-pale);
}
.email-editor .passage:hover {
  background: var(--peg-ground);
}
.email-editor img {
  display: block;
  max-width: 100%;
  height: auto;
  margin: 0 0 10px;
}
.email-editor .fact-table {
  margin: 0 0 10px;
  padding: 10px;
  border: 1px dashed var(--faint-ink);
  border-radius: 4px;
  color: var(--soft-ink);
  text-align: center;
}
</style>
