<script setup lang="ts">
import { t } from '../../words'
import SelectField from '../fields/SelectField.vue'
import type { BranchView } from '../../contract'

/** The branch that something is sold from; nothing where the brand has none. A closed one stays where it was chosen. */
const branchId = defineModel<number | null>({ required: true })
const props = defineProps<{ branches: readonly BranchView[]; disabled: boolean }>()
const own = 'own'
const choices = computed(() => [
  { value: own, words: t('orders.theBrandsOwnAddress') },
  ...props.branches
    .filter((one) => !one.closed || one.id === branchId.value)
    .map((one) => ({ value: String(one.id), words: one.name })),
])
const branch = computed({
  get: () => (branchId.value === null ? own : String(branchId.value)),
  set: (value) => {
    branchId.value = value === own ? null : Number(value)
  },
})
</script>

<template>
  <SelectField
    v-if="choices.length > 1"
    v-model="branch"
    :label="t('orders.soldFrom')"
    :choices="choices"
    :disabled="disabled"
    data-test="sold-from"
  />
</template>
