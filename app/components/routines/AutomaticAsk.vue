<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import { eventWords, type RoutineSentence } from '../../../core/routines/sentence'

/** Asks before a routine may go on without a person. */
const open = defineModel<boolean>({ required: true })
defineProps<{ sentence: RoutineSentence; dirty: boolean; busy: boolean }>()
const emit = defineEmits<{ go: [] }>()
</script>

<template>
  <Ask v-model="open" title="Send automatically?" go="Automatic" :busy="busy" @go="emit('go')">
    <p>
      From now on, when {{ eventWords(sentence) }} and the sentence is met,
      {{ sentence.on === 'posted' ? 'that document goes' : `its ${sentence.issue} is issued and goes` }}
      with no further touch. What already waits stays where it is.
    </p>
    <p v-if="dirty" class="notice wait">The sentence as it stands on the screen is saved with it.</p>
  </Ask>
</template>
