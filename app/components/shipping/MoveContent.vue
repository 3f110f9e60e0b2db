<script setup lang="ts">
import { t } from '../../words'
import WordPicker from '../list/WordPicker.vue'

/** How many of what is in a parcel move, and where to. */
const props = defineProps<{
  parcel: number
  item: string
  quantity: string
  others: { value: string; words: string }[]
  /** The place of a new parcel. */
  newAt: number
}>()
const emit = defineEmits<{ move: [count: string, to: number] }>()
const count = ref(props.quantity)
watch(
  () => props.quantity,
  (now) => {
    count.value = now
  },
)
const choices = computed(() => [
  ...props.others,
  { value: String(props.newAt), words: t('shipping.aNewParcel') },
])
function move(to: string) {
  if (/^\d{1,10}(\.\d{1,3})?$/.test(count.value.trim()) && Number(count.value) > 0)
    emit('move', count.value.trim(), Number(to))
}
</script>

<template>
  <span class="move">
    <input
      v-model="count"
      class="mono"
      inputmode="decimal"
      :aria-label="t('shipping.moveHowMany', { n: parcel, item })"
    />
    <WordPicker
      :label="t('shipping.moveWhere', { n: parcel, item })"
      :words="t('shipping.moveTo')"
      :choices="choices"
      :value="null"
      @pick="move"
    />
  </span>
</template>

<style scoped>
.move {
  display: flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
input {
  width: 52px;
  border: 1px solid transparent;
  border-radius: 3px;
  padding: 2px 4px;
  text-align: right;
  font-family: var(--mono);
  background: transparent;
  color: var(--ink);
}
input:hover,
input:focus {
  border-color: var(--rule);
  background: var(--paper);
}
</style>
