<script setup lang="ts">
import { kindTitle, kindWords } from '../../composables/kinds'
import { type DocumentKind } from '../../../core/documents/kinds'

/** A kind of document in a row of them: how its document stands, in words. */
export interface KindTab {
  kind: DocumentKind
  words: string
  tone: string
}

/** The documents of an order, a shipment or a return as a row of leaves; others and acts stand behind them. */
defineProps<{
  tabs: readonly KindTab[]
  here: DocumentKind | null
  label: string
  /** There are many: they stand by their short names. */
  short?: boolean
}>()
const emit = defineEmits<{ pick: [kind: DocumentKind] }>()
</script>

<template>
  <div class="papers" :class="{ short }" role="tablist" :aria-label="label">
    <button
      v-for="one in tabs"
      :key="one.kind"
      type="button"
      role="tab"
      :aria-selected="one.kind === here"
      :data-kind="one.kind"
      @click="emit('pick', one.kind)"
    >
      <strong>{{ short ? kindWords(one.kind, 'short') : kindTitle(one.kind) }}</strong><span
        class="tag"
        :class="one.tone"
        >{{ one.words }}</span
      >
    </button>
    <slot />
  </div>
</template>

<style scoped>
.papers {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  padding: 6px 10px;
  background: var(--paper);
  border-bottom: 1px solid var(--rule);
}
.papers :deep([role='tab']) {
  display: flex;
  align-items: center;
  gap: 7px;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  font: inherit;
  font-size: var(--small);
  padding: 6px 7px;
  cursor: pointer;
  color: var(--ink);
  white-space: nowrap;
}
.short {
  gap: 0;
  padding: 6px 4px 6px 8px;
}
.short :deep([role='tab']) {
  gap: 5px;
  padding: 6px 4px;
}
.papers :deep([aria-selected='true']) {
  border-bottom-color: var(--peg);
}
.papers :deep(.tag) {
  font-family: var(--mono);
  font-size: var(--small);
}
</style>
