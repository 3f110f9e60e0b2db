<script setup lang="ts">
import { t } from '../../words'
import type { Stage } from '../../../core/dispatch/states'

defineProps<{ stage: Stage; filtered: boolean }>()
const words: Record<Stage, [string, string]> = {
  'to send': [t('line.nothingIsDue'), t('line.whatARoutineListsFor')],
  'to check': [t('line.nothingToLookAt'), t('line.whenARoutineWithThe')],
  waiting: [t('line.nothingWaits'), t('line.issuedDocumentsAreListedHere')],
  'on the way': [t('line.allHaveAnswered'), t('line.whatTheMailServerHas')],
  arrived: [t('line.nothingArrivedTodayYet'), t('line.todaysDocumentsComeHereWhen')],
  stuck: [t('line.nothingIsStuck'), t('line.whatDidNotGoOr')],
}
</script>

<template>
  <div class="empty">
    <template v-if="filtered"
      ><strong>{{ t('line.nothingOfThatKind') }}</strong
      >{{ t('line.noDocumentOfThisStage') }}</template
    >
    <template v-else
      ><strong>{{ words[stage][0] }}</strong
      >{{ words[stage][1] }}</template
    >
  </div>
</template>
