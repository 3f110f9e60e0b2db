<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import type { Tried } from '../../contract'

/** What a mail server said, step by step, and what to do about the one that failed. */
defineProps<{ tried: Tried }>()
const words = {
  connect: t('mail.connected'),
  'sign in': t('mail.signedIn'),
  send: t('mail.tookAnEmail'),
} as const
const failed = {
  connect: t('mail.noConnection'),
  'sign in': t('mail.signInRefused'),
  send: t('mail.emailRefused'),
} as const
</script>

<template>
  <div role="status" data-test="mail-tried">
    <p v-for="one in tried.steps" :key="one.step">
      <span class="tag" :class="one.worked ? 'go' : 'stuck'">{{
        one.worked ? words[one.step] : failed[one.step]
      }}</span>
      &nbsp;<span class="mono">{{ one.said }}</span>
    </p>
    <p v-if="tried.remedy">{{ saidWords(tried.remedy) }}</p>
    <p v-else>{{ t('mail.allGoodAnEmailIs') }}</p>
  </div>
</template>

<style scoped>
div {
  border-left: 3px solid var(--rule);
  padding-left: 12px;
}
p {
  margin: 4px 0;
}
.mono {
  font-size: var(--small);
  overflow-wrap: anywhere;
}
</style>
