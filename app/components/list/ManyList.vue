<script setup lang="ts">
import { t } from '../../words'
import type { WordChoice } from './WordPicker.vue'

/** Several out of many: typing narrows, arrows and Enter choose, what is chosen stands first. */
const props = defineProps<{ choices: WordChoice[]; chosen: readonly string[]; label: string }>()
const emit = defineEmits<{ change: [chosen: string[]] }>()
const narrow = ref('')
const at = ref(0)
const most = 200

const shown = computed(() => {
  const text = narrow.value.trim().toLowerCase()
  const found = props.choices.filter((choice) => choice.words.toLowerCase().includes(text))
  return [
    ...found.filter((one) => props.chosen.includes(one.value)),
    ...found.filter((one) => !props.chosen.includes(one.value)),
  ].slice(0, most)
})

function toggle(value: string | undefined) {
  if (value === undefined) return
  emit(
    'change',
    props.chosen.includes(value) ? props.chosen.filter((one) => one !== value) : [...props.chosen, value],
  )
}

function key(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    at.value = Math.min(shown.value.length - 1, Math.max(0, at.value + (event.key === 'ArrowDown' ? 1 : -1)))
  } else if (event.key === 'Enter') {
    event.preventDefault()
    const value = shown.value[at.value]?.value
    toggle(value)
    narrow.value = ''
    at.value = Math.max(
      0,
      shown.value.findIndex((one) => one.value === value),
    )
  }
}
</script>

<template>
  <div @keydown="key">
    <input
      v-model="narrow"
      type="text"
      :placeholder="label"
      :aria-label="t('list.labelTypeToNarrow', { label })"
      aria-controls="many"
      @input="at = 0"
    />
    <ul id="many" role="listbox" aria-multiselectable="true" :aria-label="label">
      <li
        v-for="(choice, index) in shown"
        :key="choice.value"
        role="option"
        :aria-selected="chosen.includes(choice.value)"
        :class="{ at: index === at }"
        @click="toggle(choice.value)"
      >
        <span class="mark" aria-hidden="true">{{ chosen.includes(choice.value) ? '•' : '' }}</span>{{
          choice.words
        }}
      </li>
      <li v-if="shown.length === 0" class="soft">{{ t('list.nothingOfThatName') }}</li>
    </ul>
  </div>
</template>

<style scoped>
input {
  width: 100%;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 220px;
  overflow: auto;
}
li {
  padding: 4px 6px 4px 2px;
  cursor: pointer;
  display: flex;
  gap: 4px;
}
li.at,
li:hover {
  background: var(--peg-pale);
}
.mark {
  width: 14px;
  color: var(--peg-words);
  font-weight: 700;
  text-align: center;
  flex: none;
}
</style>
