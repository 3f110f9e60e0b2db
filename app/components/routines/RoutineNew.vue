<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import type { RoutineView } from '../../contract'

/** Asks for the name of a new routine, or of a copy of one. */
const open = defineModel<boolean>({ required: true })
const props = defineProps<{ from: RoutineView | null }>()
const emit = defineEmits<{ add: [name: string] }>()
const name = ref(props.from ? t('routines.fromCopy', { from: props.from.name }) : '')
</script>

<template>
  <Ask
    v-model="open"
    :title="from ? t('routines.aCopyOfFrom', { from: from.name }) : t('routines.aNewRoutine')"
    :go="t('routines.create')"
    :disabled="!name.trim()"
    @go="emit('add', name)"
  >
    <FormField
      v-model="name"
      :label="t('routines.itsName')"
      :maxlength="80"
      data-test="new-name"
      :placeholder="t('routines.invoiceForCoOperatives')"
    />
    <p class="soft">{{ t('routines.itIsSwitchedOffUntil') }}</p>
  </Ask>
</template>
