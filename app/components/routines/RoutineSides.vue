<script setup lang="ts">
import { t } from '../../words'
import RoutineTrial from './RoutineTrial.vue'
import RoutineVersions from './RoutineVersions.vue'
import { filledSentence, type RoutineSentence } from '../../../core/routines/sentence'
import type { RoutineChoices, RoutineVersion, RoutineView } from '../../contract'

/** Beside a routine's sentence: its trial on past orders, or its earlier versions. */
const side = defineModel<'trial' | 'versions'>({ required: true })
defineProps<{
  sentence: RoutineSentence
  routine: RoutineView
  dirty: boolean
  versions: RoutineVersion[]
  choices: RoutineChoices
  may: boolean
}>()
const emit = defineEmits<{ take: [version: RoutineVersion] }>()
</script>

<template>
  <div role="tablist" :aria-label="t('routines.besideTheSentence')" class="sides">
    <button
      v-for="one in ['trial', 'versions'] as const"
      :key="one"
      type="button"
      role="tab"
      :aria-selected="side === one"
      :class="{ here: side === one }"
      @click="side = one"
    >
      {{ one === 'trial' ? t('routines.trial') : t('routines.versions') }}
    </button>
  </div>
  <RoutineTrial
    v-if="side === 'trial'"
    :sentence="filledSentence(sentence)"
    :live="dirty ? routine.sentence : null"
    :routine="routine.id"
  />
  <RoutineVersions v-else :versions="versions" :choices="choices" :may="may" @take="emit('take', $event)" />
</template>

<style scoped>
.sides {
  display: flex;
  gap: 2px;
  margin: 0 -8px 12px;
}
.sides button {
  border: 0;
  background: none;
  font: inherit;
  font-weight: 650;
  padding: 5px 11px;
  border-radius: 4px;
  cursor: pointer;
  color: var(--ink);
}
.sides button.here {
  background: var(--ledger-deep);
}
</style>
