<script setup lang="ts">
import { t } from '../../words'
import WordMenu from './WordMenu.vue'
/** A word of a sentence that is a choice: the word opens a small list at its place; typing narrows, Escape leaves. */
export interface WordChoice {
  value: string
  words: string
}

const props = withDefaults(
  defineProps<{
    /** What stands in the sentence now; the words of the chosen one, or of the first, where nothing is said. */
    words?: string
    label: string
    choices: WordChoice[]
    value: string | string[] | null
    several?: boolean
    disabled?: boolean
    openEnd?: boolean
  }>(),
  { words: undefined, several: false, disabled: false, openEnd: false },
)

const emit = defineEmits<{ pick: [value: string]; done: [] }>()

const open = ref(false)
const narrow = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()

const shown = computed(() =>
  props.choices.filter((choice) => choice.words.toLowerCase().includes(narrow.value.trim().toLowerCase())),
)
const chosen = (value: string) =>
  Array.isArray(props.value) ? props.value.includes(value) : props.value === value
const said = computed(
  () =>
    props.words ?? (props.choices.find((choice) => chosen(choice.value)) ?? props.choices[0])?.words ?? '…',
)

watch(open, () => {
  narrow.value = ''
  at.value = Math.max(
    0,
    props.choices.findIndex((choice) => chosen(choice.value)),
  )
})

function pick(value: string | undefined) {
  if (value === undefined) return
  emit('pick', value)
  if (!props.several) open.value = false
}

function key(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    const step = event.key === 'ArrowDown' ? 1 : -1
    at.value = Math.min(shown.value.length - 1, Math.max(0, at.value + step))
  } else if (event.key === 'Enter') {
    event.preventDefault()
    pick(shown.value[at.value]?.value)
  } else if (event.key === 'Tab') open.value = false
}
</script>

<template>
  <WordMenu
    v-model="open"
    :words="said"
    :label="label"
    :disabled="disabled"
    :open-end="openEnd"
    @opened="field?.focus()"
    @closed="emit('done')"
  >
    <div class="picker" @keydown="key">
      <input
        ref="field"
        v-model="narrow"
        type="text"
        :placeholder="label"
        :aria-label="t('list.labelTypeToNarrow', { label })"
        @input="at = 0"
      />
      <ul role="listbox" :aria-label="label">
        <li
          v-for="(choice, index) in shown"
          :key="choice.value"
          role="option"
          :aria-selected="chosen(choice.value)"
          :class="{ at: index === at }"
          @click="pick(choice.value)"
          @mouseenter="at = index"
        >
          <span class="mark" aria-hidden="true">{{ chosen(choice.value) ? '•' : '' }}</span>{{ choice.words }}
        </li>
        <li v-if="shown.length === 0" class="none">{{ t('list.nothingOfThatName') }}</li>
      </ul>
    </div>
  </WordMenu>
</template>

<style scoped>
.picker {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-radius: 4px;
  min-width: 220px;
  box-shadow: 0 6px 18px rgb(22 38 43 / 18%);
  overflow: hidden;
}
input {
  width: 100%;
  padding: 8px 12px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font: inherit;
  outline: none;
}
ul {
  list-style: none;
  margin: 0;
  padding: 4px 0;
  max-height: 300px;
  overflow: auto;
}
li {
  padding: 6px 12px 6px 6px;
  cursor: pointer;
  display: flex;
  gap: 4px;
}
li.at {
  background: var(--peg-pale);
}
li.none {
  color: var(--soft-ink);
  cursor: default;
}
.mark {
  width: 14px;
  color: var(--peg-words);
  font-weight: 700;
  text-align: center;
}
</style>
