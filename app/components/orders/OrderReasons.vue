<script setup lang="ts">
import type { OrderView } from '../../../server/services/orders/list'

/** What each routine thought of this order, with yes or no and the value seen for each condition. */
defineProps<{ evaluations: OrderView['evaluations'] }>()
const words: Record<string, string> = { 'due': 'listed as due', 'prepared': 'prepared the invoice', 'goes by itself': 'let the invoice go by itself', 'already': 'made nothing', 'did not apply': 'did not apply' }
</script>

<template>
  <details v-if="evaluations.length > 0" class="reasons">
    <summary>Why the routines did what they did</summary>
    <ol>
      <li v-for="(one, index) in evaluations" :key="index">
        <span class="soft mono">{{ shortTime(one.at) }}</span> <strong>{{ one.routine }}</strong> {{ words[one.outcome] ?? one.outcome }}.
        <span v-for="seen in one.seen" :key="seen.words" class="seen">{{ seen.holds ? 'Yes' : 'No' }}: {{ seen.words }} <span class="soft">(seen: {{ seen.seen }})</span></span>
        <span v-if="one.reason" class="seen">{{ one.reason }}</span>
      </li>
    </ol>
  </details>
</template>

<style scoped>
.reasons { margin-top: 14px; border-top: 1px solid var(--rule); padding-top: 8px; }
summary { cursor: pointer; font-weight: 600; }
ol { padding-left: 4px; list-style: none; margin: 6px 0; }
li { padding: 4px 0; }
.seen { display: block; padding-left: 14px; }
</style>
