<script setup lang="ts">
import type { Editor } from '@tiptap/vue-3'
import { t } from '../../words'
import { useSession } from '../../stores/session'
import FieldMenu from './FieldMenu.vue'
import PictureDialog from './PictureDialog.vue'
import WordPicker from '../list/WordPicker.vue'
import { chipOf } from './field-typed'
import { conditionsHere, setPassage } from './passages'
import { conditions, whenWords } from './field-words'
import type { FieldName } from '../../../core/emailtexts/fields'
import type { EmailPicture } from '../../../core/emailtexts/pictures'
import type { Condition, TableName } from '../../../core/emailtexts/nodes'

/** What can be done with the words of an email text; a subject has fields and passages only. */
const props = defineProps<{
  editor: Editor
  single: boolean
  label: string
  values: Partial<Record<FieldName, string>>
}>()
const emit = defineEmits<{ link: [] }>()

const chain = () => props.editor.chain().focus()
const looks = computed(() => [
  { name: 'bold', sign: 'B', words: t('emailtexts.bold'), act: () => chain().toggleBold().run() },
  { name: 'italic', sign: 'I', words: t('emailtexts.italic'), act: () => chain().toggleItalic().run() },
  { name: 'link', sign: t('emailtexts.link'), words: t('emailtexts.link'), act: () => emit('link') },
  {
    name: 'bulletList',
    sign: t('emailtexts.pointsShort'),
    words: t('emailtexts.points'),
    act: () => chain().toggleBulletList().run(),
  },
  {
    name: 'orderedList',
    sign: t('emailtexts.numbersShort'),
    words: t('emailtexts.numbers'),
    act: () => chain().toggleOrderedList().run(),
  },
])

const insert = (name: FieldName) => chain().insertContent(chipOf(props.editor, name)).run()
const insertTable = (of: string) =>
  chain()
    .insertContent({ type: 'factTable', attrs: { of: of as TableName } })
    .run()
const tables = [
  { value: 'lines', words: t('emailtexts.linesOfTheDocument') },
  { value: 'documents', words: t('emailtexts.documentsOfTheEmail') },
  { value: 'open', words: t('emailtexts.openItemsOfAStatement') },
  { value: 'parcels', words: t('emailtexts.parcelsWithTracking') },
]

const picturing = ref(false)
const insertPicture = (attrs: EmailPicture) => chain().insertContent({ type: 'picture', attrs }).run()

const all = conditions(useSession().house?.ownFields ?? [])
const always = { value: '', words: t('emailtexts.always') }
const whens = [always, ...all.map((one) => ({ value: JSON.stringify(one), words: whenWords(one) }))]
/** The innermost passage that the words stand in. */
const here = computed(() => {
  const [inner] = conditionsHere(props.editor).slice(-1)
  const found = inner && all.find((one) => isSame(one, inner))
  return found ? JSON.stringify(found) : ''
})
const isSame = (a: Condition, b: Condition) => a.field === b.field && a.is === b.is && a.not === b.not
const onlyIf = (value: string) =>
  setPassage(props.editor, value === '' ? null : (JSON.parse(value) as Condition))
</script>

<template>
  <div class="tools" role="toolbar" :aria-label="t('emailtexts.tools', { label })">
    <template v-if="!single">
      <button
        v-for="look in looks"
        :key="look.name"
        type="button"
        class="tool"
        :class="look.name"
        :title="look.words"
        :aria-pressed="editor.isActive(look.name)"
        :data-test="`tool-${look.name}`"
        @mousedown.prevent
        @click="look.act"
      >
        {{ look.sign }}
      </button>
      <span class="gap" />
    </template>
    <FieldMenu :values="values" @pick="insert" />
    <WordPicker
      v-if="!single"
      :label="t('emailtexts.table')"
      :words="t('emailtexts.tableMenu')"
      :choices="tables"
      :value="null"
      @pick="insertTable"
    />
    <button
      v-if="!single"
      type="button"
      class="tool"
      data-test="tool-picture"
      @mousedown.prevent
      @click="picturing = true"
    >
      {{ t('emailtexts.picture') }}
    </button>
    <PictureDialog v-if="picturing" v-model="picturing" @use="insertPicture" />
    <WordPicker
      :label="t('emailtexts.onlyIf')"
      :words="t('emailtexts.onlyIfMenu')"
      :choices="whens"
      :value="here"
      @pick="onlyIf"
    />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  gap: 2px;
}
.gap {
  width: 8px;
}
.bold {
  font-weight: 700;
}
.italic {
  font-style: italic;
}
</style>

<style>
.tools .tool,
.tools .word.value {
  height: 26px;
  min-width: 28px;
  padding: 0 7px;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 3px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: var(--small);
  cursor: pointer;
}
.tools .tool:hover,
.tools .word.value:hover {
  background: var(--ledger-deep);
}
.tools .tool[aria-pressed='true'] {
  background: var(--peg-ground);
}
</style>
