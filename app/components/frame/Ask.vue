<script setup lang="ts">
import { t } from '../../words'
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
    /** What leaving it is called, where nothing is given up by it. */
    leave?: string
    /** Nothing is asked, something is shown: one button, and no second one that does the same. */
    shows?: boolean
  }>(),
  { leave: '', wide: false, shows: false, danger: false, busy: false, disabled: false },
)
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ go: [] }>()
const button = ref<{ $el: HTMLElement }>()
const body = ref<HTMLElement>()
/** Something is written in it: a click beside it does not throw that away. Cancel and Escape do. */
const written = ref(false)

const fields =
  'input:not([type="checkbox"], [type="radio"], .v-select input), textarea, [contenteditable="true"]'
/** Whoever was quicker than the opening writes where he clicked: the focus is not taken from there. */
const writesAlready = () => Boolean(body.value?.contains(document.activeElement))
watch(
  open,
  async (now) => {
    written.value = false
    await nextTick()
    if (!now) return
    setTimeout(() => {
      if (writesAlready()) return
      const first = body.value?.querySelector<HTMLElement>(fields) ?? button.value?.$el
      first?.focus()
    }, 60)
  },
  { immediate: true },
)

/** What had the focus may be gone once something was done in here: keys still belong to the question. */
watch(
  () => props.busy,
  async (now) => {
    if (now || !open.value) return
    await nextTick()
    if (document.activeElement !== document.body) return
    body.value?.closest('.ask')?.querySelector<HTMLElement>('button:not([disabled])')?.focus()
  },
)

function key(event: KeyboardEvent) {
  const inField =
    event.target instanceof HTMLInputElement && !['checkbox', 'date', 'time'].includes(event.target.type)
  // a select opens its list with Enter
  if (event.defaultPrevented) return
  // a list that is open takes the first Escape for itself
  if (event.key === 'Escape' && written.value && !document.querySelector('.v-menu.v-overlay--active'))
    open.value = false
  if (event.key === 'Enter' && (event.ctrlKey || inField) && !props.busy && !props.disabled) {
    event.preventDefault()
    event.stopPropagation()
    emit('go')
  }
}
</script>

<template>
  <VDialog
    v-model="open"
    :aria-label="title"
    :persistent="written"
    v-bind="wide ? { maxWidth: 700 } : {}"
    @keydown="key"
    @input="written = true"
  >
    <div class="ask" role="document">
      <h2>{{ title }}</h2>
      <div ref="body" class="body"><slot /></div>
      <div class="buttons">
        <VBtn v-if="!shows" @click="open = false">{{ leave || t('common.cancel') }}</VBtn>
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
  display: flex;
  flex-direction: column;
  max-height: calc(100vh - 48px);
}
/* Long ones scroll between the question and its answers; the edge leaves room for the ring of what has the focus. */
.body {
  overflow: auto;
  min-height: 0;
  margin: -3px;
  padding: 3px;
}
h2 {
  margin-bottom: 8px;
  font-size: var(--title);
}
.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 18px;
}
</style>
