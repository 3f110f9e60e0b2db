<script setup lang="ts">
import type { Tried } from '../../contract'

/** What a mail server said, step by step, and what to do about the one that failed. */
defineProps<{ tried: Tried }>()
const words = { connect: 'Connected', 'sign in': 'Signed in', send: 'Took an email' } as const
const failed = { connect: 'No connection', 'sign in': 'Sign-in refused', send: 'Email refused' } as const
</script>

<template>
  <div role="status" data-test="mail-tried">
    <p v-for="one in tried.steps" :key="one.step">
      <span class="tag" :class="one.worked ? 'go' : 'stuck'">{{
        one.worked ? words[one.step] : failed[one.step]
      }}</span>
      &nbsp;<span class="mono">{{ one.said }}</span>
    </p>
    <p v-if="tried.remedy">{{ tried.remedy }}</p>
    <p v-else>All good. An email is on its way to you; look whether it arrives.</p>
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
