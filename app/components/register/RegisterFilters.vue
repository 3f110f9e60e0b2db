<script setup lang="ts">
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { brandChoices, brandWords } from '../../composables/brands'
import { houseToday, longDay } from '../../composables/format'
import { monthsBefore } from '../../../core/documents/days'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'

/** Which documents the Register shows, as a sentence. */
interface Filters {
  kind: string
  brand: string
  state: string
  from: string
}
const props = defineProps<{ filters: Filters }>()
const emit = defineEmits<{ set: [change: Partial<Filters>] }>()
const session = useSession()
const states = [
  { value: '', words: 'in any state' },
  { value: 'open', words: 'still open' },
  { value: 'overdue', words: 'overdue' },
  { value: 'not sent', words: 'not sent' },
  { value: 'void', words: 'void' },
  { value: 'withdrawn', words: 'of withdrawn orders' },
  { value: 'earlier date', words: 'dated before an earlier number' },
]
const ofBrands = computed(() => brandChoices(session.house!.brands))
const kinds = [
  { value: '', words: 'documents' },
  ...documentKinds.map((kind) => ({ value: kind, words: kindFacts[kind].many })),
]
const today = houseToday()
const times = [
  { value: '', words: 'any time' },
  { value: today, words: 'today' },
  { value: monthsBefore(today, 1), words: 'the last month' },
  { value: monthsBefore(today, 3), words: 'the last three months' },
]
const timeWords = computed(
  () =>
    times.find((one) => one.value === props.filters.from)?.words ?? `since ${longDay(props.filters.from)}`,
)
</script>

<template>
  <span class="sentence soft"
    ><WordPicker
      label="Kind"
      :words="kinds.find((one) => one.value === filters.kind)?.words ?? 'documents'"
      :choices="kinds"
      :value="filters.kind"
      @pick="emit('set', { kind: $event })" />
    of
    <WordPicker
      label="Brand"
      :words="brandWords(ofBrands, filters.brand)"
      :choices="ofBrands"
      :value="filters.brand"
      @pick="emit('set', { brand: $event })" />,
    <WordPicker
      label="State"
      :words="states.find((one) => one.value === filters.state)?.words ?? 'in any state'"
      :choices="states"
      :value="filters.state"
      @pick="emit('set', { state: $event })" />, of
    <WordPicker
      label="Time"
      :words="timeWords"
      :choices="times"
      :value="filters.from"
      @pick="emit('set', { from: $event })"
  /></span>
</template>
