<script setup lang="ts">
/**
 * Asks before what cannot be taken back; Ctrl+Enter or Enter is the filled button, Escape leaves. The first
 * field has the focus, or the filled button where there is none.
 */
const props = withDefaults(
  defineProps<{
    title: string
    go: string
    danger?: boolean
    busy?: boolean
    disabled?: boolean
    wide?: boolean
  }>(),
  { wide: false, danger: false, busy: false, disabled: false },
)
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ go: [] }>()
const button = ref<{ $el: HTMLElement }>()
const body = ref<HTMLElement>()

watch(
  open,
  async (now) => {
    await nextTick()
    if (now)
      setTimeout(
        () =>
          (
            body.value?.querySelector<HTMLElement>(
              'input:not([type="checkbox"], [type="radio"], .v-select input), textarea',
            ) ?? button.value?.$el
          )?.focus(),
        60,
      )
  },
  { immediate: true },
)

function key(event: KeyboardEvent) {
  const inField =
    event.target instanceof HTMLInputElement && !['checkbox', 'date', 'time'].includes(event.target.type)
  // a select opens its list with Enter
  if (event.defaultPrevented) return
  if (event.key === 'Enter' && (event.ctrlKey || inField) && !props.busy && !props.disabled) {
    event.preventDefault()
    event.stopPropagation()
    emit('go')
  }
}
</script>

<template>
  <VDialog v-model="open" :aria-label="title" v-bind="wide ? { maxWidth: 700 } : {}" @keydown="key">
    <div class="ask" role="document">
      <h2>{{ title }}</h2>
      <div ref="body"><slot /></div>
      <div class="buttons">
        <VBtn @click="open = false">Leave</VBtn>
        <VBtn
          ref="button"
          variant="flat"
          :class="danger ? 'danger' : 'go'"
          :loading="busy"
          :disabled="disabled"
          data-test="ask-go"
          @click="emit('go')"
          >{{ go }}</VBtn
        >
      </div>
    </div>
  </VDialog>
</template>

<style scoped>
.ask {
  background: var(--paper);
  border-radius: 5px;
  padding: 20px 22px;
  border-top: 4px solid var(--peg);
}
h2 {
  margin-bottom: 8px;
  font-size: 17px;
}
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 18px;
}
</style>
