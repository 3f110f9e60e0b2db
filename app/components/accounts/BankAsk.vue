<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { plural } from '../../composables/format'

/** Asks before movements of a bank are booked or set aside. */
const open = defineModel<boolean>({ required: true })
defineProps<{ act: 'book' | 'aside'; count: number; busy: boolean }>()
const emit = defineEmits<{ book: []; 'set-aside': [reason: string] }>()
const reason = ref('')
</script>

<template>
  <Ask
    v-if="act === 'book'"
    v-model="open"
    :title="`Book ${plural(count, 'matched payment')}?`"
    :go="`Book ${count}`"
    :busy="busy"
    @go="emit('book')"
    ><p>
      Each is booked on the documents it names, with its day and amount. Receipts follow where a routine says
      so. One that cannot be booked any more stays here with the reason.
    </p></Ask
  >
  <Ask
    v-else
    v-model="open"
    :title="`Ignore ${plural(count, 'movement')}?`"
    go="Ignore"
    :busy="busy"
    :disabled="!reason.trim()"
    @go="emit('set-aside', reason.trim())"
    ><FormField v-model="reason" label="Why; a bank fee, a transfer of our own"
  /></Ask>
</template>
