<script setup lang="ts">
import { t } from '../../words'
export type Leaf = 'Document' | 'Email' | 'History'

/** The three leaves of the sheet in hand. */
const leaf = defineModel<Leaf>({ required: true })
defineProps<{ note: string }>()
const leafWords: Record<Leaf, string> = {
  Document: t('paper.leafDocument'),
  Email: t('paper.leafEmail'),
  History: t('paper.leafHistory'),
}
const leaves = Object.keys(leafWords) as Leaf[]

function key(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!step) return
  event.preventDefault()
  leaf.value = leaves[Math.min(2, Math.max(0, leaves.indexOf(leaf.value) + step))]!
  void nextTick(() =>
    (event.currentTarget as HTMLElement | null)
      ?.querySelector<HTMLElement>('[aria-selected="true"]')
      ?.focus(),
  )
}
</script>

<template>
  <div class="bar leaves">
    <div role="tablist" :aria-label="t('paper.leaves')" @keydown="key">
      <button
        v-for="one in leaves"
        :key="one"
        type="button"
        role="tab"
        :aria-selected="leaf === one"
        :tabindex="leaf === one ? 0 : -1"
        :class="{ here: leaf === one }"
        @click="leaf = one"
      >
        {{ leafWords[one] }}
      </button>
    </div>
    <span class="soft push cut">{{ note }}</span>
  </div>
</template>

<style scoped>
button {
  border: 0;
  background: none;
  font: inherit;
  font-weight: 650;
  padding: 5px 11px;
  border-radius: 4px;
  cursor: pointer;
  color: var(--ink);
}
button.here {
  background: var(--ledger-deep);
}
</style>
