<script setup lang="ts">
import { t } from '../../words'
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
    :title="t('bank.bookPlural', { plural: plural(count, 'matched payment') })"
    :go="t('bank.bookCount', { count })"
    :busy="busy"
    @go="emit('book')"
    ><p>
      {{ t('bank.eachIsBookedOnThe') }}
    </p></Ask
  >
  <Ask
    v-else
    v-model="open"
    :title="t('bank.ignoreMovements', { movements: plural(count, 'movement') })"
    :go="t('bank.ignore')"
    :busy="busy"
    :disabled="!reason.trim()"
    @go="emit('set-aside', reason.trim())"
    ><FormField v-model="reason" :label="t('bank.whyABankFeeA')"
  /></Ask>
</template>
