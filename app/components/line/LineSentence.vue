<script setup lang="ts">
import AmountPicker from '../list/AmountPicker.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { brandChoices } from '../../composables/brands'
import { documentKinds, kindFacts } from '../../../core/documents/kinds'
import type { Stage } from '../../../core/dispatch/states'

/** The filter above a stage, written as a sentence. */
defineProps<{ filters: { kind: string; brand: string; over: string }; stage: Stage }>()
const emit = defineEmits<{ set: [change: { kind?: string; brand?: string; over?: string }] }>()
const session = useSession()
const choices = computed(() => brandChoices(session.house!.brands))
const kinds = [
  { value: '', words: 'any kind' },
  ...documentKinds.map((kind) => ({ value: kind, words: kindFacts[kind].many })),
]
</script>

<template>
  <span class="sentence soft"
    >of
    <WordPicker label="Kind" :choices="kinds" :value="filters.kind" @pick="emit('set', { kind: $event })" />,
    of
    <WordPicker
      label="Brand"
      :choices="choices"
      :value="filters.brand"
      @pick="emit('set', { brand: $event })" />, of
    <AmountPicker :value="filters.over" @pick="emit('set', { over: $event })"
  /></span>
</template>
