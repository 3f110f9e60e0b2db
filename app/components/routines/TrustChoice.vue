<script setup lang="ts">
import { t } from '../../words'
import { trusts, type Trust } from '../../../core/routines/sentence'
import { trustWords } from '../../composables/trust'

/**
 * The three levels of trust, as one radio group: Tab reaches it once, the arrows move in it, Enter or Space
 * chooses.
 */
defineProps<{ trust: Trust; disabled: boolean }>()
const emit = defineEmits<{ choose: [trust: Trust] }>()
const group = ref<HTMLElement>()

function key(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (!step) return
  event.preventDefault()
  const buttons = [...group.value!.querySelectorAll<HTMLElement>('[role="radio"]')]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  buttons[(at + step + buttons.length) % buttons.length]!.focus()
}
</script>

<template>
  <div ref="group" class="trusts" role="radiogroup" :aria-label="t('routines.trust')" @keydown="key">
    <button
      v-for="one in trusts"
      :key="one"
      type="button"
      role="radio"
      :aria-checked="trust === one"
      :tabindex="trust === one ? 0 : -1"
      :class="{ here: trust === one }"
      :disabled="disabled"
      :data-trust="one"
      @click="emit('choose', one)"
    >
      <strong>{{ trustWords[one].words }}</strong><span>{{ trustWords[one].means }}</span>
    </button>
  </div>
</template>

<style scoped>
.trusts {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  border: 1px solid var(--rule);
  border-radius: 5px;
  overflow: hidden;
  margin: 18px 0;
  background: var(--paper);
}
button {
  text-align: left;
  padding: 12px 16px;
  border: 0;
  border-right: 1px solid var(--rule);
  background: none;
  font: inherit;
  cursor: pointer;
  display: flex;
  flex-direction: column;
  gap: 3px;
  color: inherit;
  outline-offset: -3px;
}
button.here {
  background: var(--peg-ground);
}
button:disabled {
  cursor: default;
}
span {
  font-size: var(--small);
  color: var(--soft-ink);
}
.here span {
  color: var(--ink);
}
</style>
