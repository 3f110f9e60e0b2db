<script setup lang="ts">
import { t } from '../../words'
import CheckField from '../fields/CheckField.vue'
import { useSession } from '../../stores/session'
import type { Needs } from '../../../core/documents/needs'

/** What an order has to say before this customer's invoice goes. */
const needs = defineModel<Needs>({ required: true })
const fields = useSession()
  .house!.ownFields.filter((field) => field.of === 'order')
  .map(({ name }) => name)
const turn = (name: string, on: boolean) => {
  needs.value = {
    ...needs.value,
    fields: fields.filter((one) => (one === name ? on : needs.value.fields.includes(one))),
  }
}
</script>

<template>
  <fieldset>
    <legend>{{ t('customers.needsLegend') }}</legend>
    <CheckField
      :model-value="needs.reference"
      data-test="needs-reference"
      @update:model-value="needs = { ...needs, reference: $event }"
      >{{ t('common.yourReference') }}</CheckField
    >
    <CheckField
      v-for="name in fields"
      :key="name"
      :model-value="needs.fields.includes(name)"
      :data-test="`needs-${name}`"
      @update:model-value="turn(name, $event)"
      >{{ name }}</CheckField
    >
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 12px 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
legend {
  font-size: var(--small);
  color: var(--soft-ink);
  padding: 0;
}
</style>
