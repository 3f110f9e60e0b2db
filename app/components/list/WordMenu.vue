<script setup lang="ts">
/** A word of a sentence that opens something at its place; when it closes, the word has the focus again. */
defineProps<{ words: string; label: string; disabled: boolean; openEnd: boolean }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ opened: []; closed: [] }>()
const word = ref<HTMLButtonElement>()

watch(open, async (now) => {
  await nextTick()
  if (now) {
    setTimeout(() => emit('opened'), 20)
    return
  }
  word.value?.focus()
  emit('closed')
})
</script>

<template>
  <VMenu v-model="open" :close-on-content-click="false" :disabled="disabled">
    <template #activator="{ props: activator }">
      <button
        ref="word"
        type="button"
        class="word value"
        :class="{ 'open-end': openEnd }"
        :disabled="disabled"
        :aria-label="`${label}: ${words}`"
        v-bind="activator"
      >
        {{ words }}
      </button>
    </template>
    <slot />
  </VMenu>
</template>
