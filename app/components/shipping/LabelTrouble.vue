<script setup lang="ts">
import { t } from '../../words'
import { dayTime } from '../../composables/format'
import { failureFacts } from '../../../core/shipping/labels'
import type { LabelView } from '../../contract'

/** Why a label is not there, with what helps and the carrier's own words; nothing where all is well. */
defineProps<{ label: Pick<LabelView, 'state' | 'failure' | 'reply' | 'nextTryAt'> & { tries?: number } }>()
</script>

<template>
  <p v-if="label.state === 'refused' && label.failure" class="said stuck">
    {{ failureFacts[label.failure].words }} {{ failureFacts[label.failure].remedy }}
    <span v-if="label.reply" class="soft">{{ t('shipping.carrierSaid', { reply: label.reply }) }}</span>
  </p>
  <p v-else-if="label.state === 'unclear'" class="said stuck">
    {{ t('shipping.unclearMeans') }}
  </p>
  <p v-else-if="label.state === 'asked' && label.tries" class="said soft">
    {{ t('shipping.askedAgainAt', { time: dayTime(label.nextTryAt) }) }}
  </p>
  <p v-else-if="label.state === 'made' && label.reply" class="said soft">
    {{ t('shipping.carrierSaid', { reply: label.reply }) }}
  </p>
</template>

<style scoped>
.said {
  margin: 3px 0 0;
  font-size: var(--small);
  white-space: normal;
}
.stuck {
  color: var(--brick);
}
</style>
