<script setup lang="ts">
import { carrierWords, labelTrouble } from './label-words'
import type { LabelView } from '../../contract'

/** Why a label is not there, with what helps and the carrier's own words; nothing where all is well. */
defineProps<{ label: Pick<LabelView, 'state' | 'failure' | 'reply' | 'nextTryAt'> & { tries?: number } }>()
</script>

<template>
  <p v-if="labelTrouble(label) || carrierWords(label)" class="said">
    <span :class="{ stuck: label.state !== 'asked' }">{{ labelTrouble(label) }}</span>
    <span v-if="carrierWords(label)" class="soft">{{ ' ' }}{{ carrierWords(label) }}</span>
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
