<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import { countryName, countryNames } from '../../../core/countries'
import type { Address } from '../../../core/documents/facts'

/** Where goods are sent, as it stands on the label and the documents. */
const address = defineModel<Address>({ required: true })
defineProps<{ disabled: boolean }>()
const lines = computed({
  get: () => address.value.lines.join('\n'),
  set: (text) => {
    address.value = { ...address.value, lines: text.split('\n').map((line) => line.trim()) }
  },
})
const country = computed({
  get: () => countryName(address.value.country),
  set: (value) => {
    address.value = { ...address.value, country: value }
  },
})
const set = (change: Partial<Address>) => {
  address.value = { ...address.value, ...change }
}
</script>

<template>
  <div class="ship-to">
    <FormField
      :model-value="address.name"
      :label="t('shipping.name')"
      :disabled="disabled"
      maxlength="120"
      @update:model-value="set({ name: String($event) })"
    />
    <FormField
      :model-value="address.attention ?? ''"
      :label="t('shipping.attention')"
      :disabled="disabled"
      maxlength="80"
      @update:model-value="set({ attention: String($event) })"
    />
    <FormField
      v-model="lines"
      :label="t('common.streetPostcodeAndTown2')"
      :lines="2"
      :disabled="disabled"
      data-test="ship-to-lines"
    />
    <PickField v-model="country" :label="t('common.country')" :choices="countryNames" :disabled="disabled" />
  </div>
</template>

<style scoped>
.ship-to {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px 16px;
  align-items: start;
}
</style>
