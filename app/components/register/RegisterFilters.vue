<script setup lang="ts">
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { brandChoices } from '../../composables/brands'
import { timeChoices } from '../../composables/times'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'

/** Which documents the Register shows, as a sentence. */
interface Filters {
  kind: string
  brand: string
  state: string
  from: string
}
defineProps<{ filters: Filters }>()
const emit = defineEmits<{ set: [change: Partial<Filters>] }>()
const session = useSession()
const states = [
  { value: '', words: 'in any state' },
  { value: 'open', words: 'still open' },
  { value: 'overdue', words: 'overdue' },
  { value: 'not sent', words: 'not sent' },
  { value: 'taken over', words: 'taken over from the earlier program' },
  { value: 'void', words: 'void' },
  { value: 'withdrawn', words: 'of withdrawn orders' },
  { value: 'earlier date', words: 'dated before an earlier number' },
]
const ofBrands = computed(() => brandChoices(session.house!.brands))
const kinds = [
  { value: '', words: 'documents' },
  ...documentKinds.map((kind) => ({ value: kind, words: kindFacts[kind].many })),
]
const { times, timeWords } = timeChoices()
</script>

<template>
  <span class="sentence soft"
    ><WordPicker label="Kind" :choices="kinds" :value="filters.kind" @pick="emit('set', { kind: $event })" />
    of
    <WordPicker
      label="Brand"
      :choices="ofBrands"
      :value="filters.brand"
      @pick="emit('set', { brand: $event })" />,
    <WordPicker
      label="State"
      :choices="states"
      :value="filters.state"
      @pick="emit('set', { state: $event })" />, of
    <WordPicker
      label="Time"
      :words="timeWords(filters.from)"
      :choices="times"
      :value="filters.from"
      @pick="emit('set', { from: $event })"
  /></span>
</template>
