<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'

/** A list of names that a house keeps itself: added at the end, moved up and down, taken away. */
const names = defineModel<string[]>({ required: true })
const props = withDefaults(
  defineProps<{
    /** What one of them is called. */
    what: string
    /** Those that cannot be taken away. */
    fixed?: readonly string[]
    disabled?: boolean
    wrong?: string
  }>(),
  { fixed: () => [], disabled: false, wrong: '' },
)
const added = ref('')
const twice = computed(() =>
  names.value.some((one) => one.toLowerCase() === added.value.trim().toLowerCase())
    ? t('company.thereIsAWhatAdded', { what: props.what, added: added.value.trim() })
    : '',
)
function add() {
  const name = added.value.trim()
  if (!name || twice.value) return
  names.value = [...names.value, name]
  added.value = ''
}
function move(from: number, by: 1 | -1) {
  const next = [...names.value]
  next.splice(from + by, 0, ...next.splice(from, 1))
  names.value = next
}
/** The first of a list with fixed ones stays the first. */
const mayMove = (from: number, by: 1 | -1) => {
  const to = from + by
  return (
    to < names.value.length && to >= (props.fixed.length > 0 ? 1 : 0) && !(props.fixed.length && from === 0)
  )
}
</script>

<template>
  <ol>
    <li v-for="(name, index) in names" :key="name">
      <span>{{ name }}</span>
      <template v-if="!disabled">
        <button
          type="button"
          :disabled="!mayMove(index, -1)"
          :aria-label="t('company.moveNameUp', { name })"
          @click="move(index, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          :disabled="!mayMove(index, 1)"
          :aria-label="t('company.moveNameDown', { name })"
          @click="move(index, 1)"
        >
          ↓
        </button>
        <button
          type="button"
          :disabled="fixed.includes(name)"
          :aria-label="t('company.takeNameAway', { name })"
          @click="names = names.filter((one) => one !== name)"
        >
          ×
        </button>
      </template>
    </li>
  </ol>
  <p v-if="names.length === 0" class="soft">{{ t('common.noneYet') }}</p>
  <form v-if="!disabled" @submit.prevent="add">
    <FormField
      v-model="added"
      :aria-label="t('company.newWhat', { what })"
      :placeholder="t('company.newWhat', { what })"
      maxlength="40"
      :data-test="`new-${what}`"
      :wrong="twice"
    /><VBtn type="submit" :disabled="!added.trim() || !!twice">{{ t('company.addWhat', { what }) }}</VBtn>
  </form>
  <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
li {
  display: grid;
  grid-template-columns: 1fr 28px 28px 28px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 3px 0;
}
li button {
  border: 0;
  background: none;
  color: var(--soft-ink);
  font-size: var(--body);
  cursor: pointer;
  height: 28px;
}
li button:disabled {
  visibility: hidden;
}
form {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: start;
  margin-top: 6px;
}
</style>
