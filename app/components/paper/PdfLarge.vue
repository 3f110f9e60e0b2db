<script setup lang="ts">
import { t } from '../../words'
import PdfView from './PdfView.vue'

/** A document by itself, as large as one likes: plus and minus zoom, Escape goes back. */
defineProps<{ url?: string; bytes?: Uint8Array; label: string }>()
const open = defineModel<boolean>({ required: true })
const steps = [0.5, 0.75, 1, 1.25, 1.5, 2] as const
const at = ref(1)
const zoom = computed(() => steps[at.value]!)
const turn = (by: 1 | -1) => {
  at.value = Math.min(steps.length - 1, Math.max(0, at.value + by))
}
function key(event: KeyboardEvent) {
  const by = { '+': 1, '=': 1, '-': -1 }[event.key] as 1 | -1 | undefined
  if (by) turn(by)
}
</script>

<template>
  <VDialog v-model="open" fullscreen :aria-label="label" @keydown="key">
    <div class="large">
      <div class="bar">
        <strong>{{ label }}</strong>
        <span class="push" />
        <VBtn height="28" :aria-label="t('paper.smaller')" :disabled="at === 0" @click="turn(-1)">−</VBtn>
        <span class="mono">{{ Math.round(zoom * 100) }} %</span>
        <VBtn height="28" :aria-label="t('paper.larger')" :disabled="at === steps.length - 1" @click="turn(1)"
          >+</VBtn
        >
        <VBtn height="28" data-test="close-large" @click="open = false">{{ t('common.close') }}</VBtn>
      </div>
      <PdfView class="view" :url="url ?? ''" :bytes="bytes" :label="label" :zoom="zoom" large />
    </div>
  </VDialog>
</template>

<style scoped>
.large {
  height: 100%;
  background: var(--ledger-deep);
  display: flex;
  flex-direction: column;
}
.view :deep(canvas) {
  margin: 0 auto;
}
</style>
