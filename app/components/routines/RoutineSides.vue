<script setup lang="ts">
import { t } from '../../words'
import RoutineTurns from './RoutineTurns.vue'
import RoutineTrial from './RoutineTrial.vue'
import RoutineVersions from './RoutineVersions.vue'
import { filledSentence, type RoutineSentence } from '../../../core/routines/sentence'
import type { RoutineChoices, RoutineVersion, RoutineView } from '../../contract'

/** Beside a routine's sentence: its trial on the past, its turns, or its earlier versions. */
const side = defineModel<'trial' | 'turns' | 'versions'>({ required: true })
const props = defineProps<{
  sentence: RoutineSentence
  routine: RoutineView
  dirty: boolean
  versions: RoutineVersion[]
  choices: RoutineChoices
  may: boolean
}>()
const emit = defineEmits<{ take: [version: RoutineVersion] }>()
/** Only what waits for the clock has turns. */
const sides = computed(() =>
  props.routine.sentence.on === 'time'
    ? (['trial', 'turns', 'versions'] as const)
    : (['trial', 'versions'] as const),
)
const words = {
  trial: t('routines.trial'),
  turns: t('routines.turns'),
  versions: t('routines.versions'),
}
watch(sides, (now) => {
  if (!(now as readonly string[]).includes(side.value)) side.value = 'trial'
})
</script>

<template>
  <div role="tablist" :aria-label="t('routines.besideTheSentence')" class="sides">
    <button
      v-for="one in sides"
      :key="one"
      type="button"
      role="tab"
      :aria-selected="side === one"
      :class="{ here: side === one }"
      @click="side = one"
    >
      {{ words[one] }}
    </button>
  </div>
  <RoutineTrial
    v-if="side === 'trial'"
    :sentence="filledSentence(sentence)"
    :live="dirty ? routine.sentence : null"
    :routine="routine.id"
  />
  <RoutineTurns v-else-if="side === 'turns'" :routine="routine" />
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
