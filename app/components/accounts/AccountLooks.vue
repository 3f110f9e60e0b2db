<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { dayTime } from '../../composables/format'
import { outcomeWords } from '../../composables/outcomes'
import type { Account } from '../../contract'

/** What routines of the clock decided of an account the last time, and why. */
defineProps<{ looked: Account['looked'] }>()
</script>

<template>
  <h2>{{ t('bank.whatRoutinesDecided') }}</h2>
  <ul data-test="looked">
    <li v-for="(one, place) in looked" :key="place">
      <span
        ><strong>{{ one.routine }}</strong> {{ outcomeWords(one.outcome) }}</span
      >
      <span v-if="one.unmet || one.reason">{{ saidWords(one.unmet ?? one.reason) }}</span>
      <span class="soft">{{ dayTime(one.at) }}, {{ one.brand }}</span>
    </li>
  </ul>
</template>

<style scoped>
h2 {
  margin: 14px 0 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: grid;
  gap: 2px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.soft {
  font-size: var(--small);
}
</style>
