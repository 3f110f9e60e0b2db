<script setup lang="ts">
import { saidWords } from '../../words/speech'
import { toldRole } from '../../../core/preferences/recipients'
import type { PreparedView } from '../../contract'

/** The customer's people as words to choose from. */
defineProps<{ people: PreparedView['contacts']; chosen: readonly string[] }>()
const emit = defineEmits<{ pick: [address: string] }>()
</script>

<template>
  <p v-if="people.length > 0" class="people" data-test="people">
    <button
      v-for="one in people.filter(({ email }) => email)"
      :key="one.email"
      type="button"
      class="word"
      :title="one.email"
      :aria-pressed="chosen.includes(one.email)"
      @click="emit('pick', one.email)"
    >
      {{ one.name || one.email }} <span class="soft">{{ saidWords(toldRole(one.role)) }}</span>
    </button>
  </p>
</template>

<style scoped>
.people {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 4px 0 0;
}
.word[aria-pressed='true'] {
  text-decoration: underline;
}
</style>
