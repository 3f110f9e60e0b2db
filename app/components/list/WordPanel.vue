<script setup lang="ts">
import WordMenu from './WordMenu.vue'
/**
 * A word of a sentence that opens a small panel at its place; Enter in a field or Escape closes it, and the
 * word has the focus again.
 */
const props = withDefaults(
  defineProps<{ words: string; label: string; disabled?: boolean; openEnd?: boolean; begin?: boolean }>(),
  {
    disabled: false,
    openEnd: false,
    begin: false,
  },
)
const open = ref(false)
/** Just added: it opens automatically. */
onMounted(() => {
  if (props.begin) open.value = true
})
const panel = ref<HTMLElement>()
const enter = () =>
  panel.value?.querySelector<HTMLElement>('input:not([type="checkbox"], [type="hidden"]), button')?.focus()
const close = () => {
  open.value = false
}
</script>

<template>
  <WordMenu
    v-model="open"
    :words="words"
    :label="label"
    :disabled="disabled"
    :open-end="openEnd"
    @opened="enter"
  >
    <form ref="panel" class="panel" :aria-label="label" @submit.prevent="close"><slot :close="close" /></form>
  </WordMenu>
</template>

<style scoped>
.panel {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-radius: 4px;
  padding: 10px 12px;
  min-width: 240px;
  max-width: 360px;
  box-shadow: 0 6px 18px rgb(22 38 43 / 18%);
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.panel :deep(label) {
  display: flex;
  align-items: center;
  gap: 8px;
}
.panel :deep(.row) {
  display: flex;
  gap: 6px;
  align-items: center;
}
.panel :deep(.row > .form-field),
.panel :deep(.row > .select-field) {
  flex: 1 1 90px;
}
</style>
