<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import type { Adjustment } from '../../../core/money/totals'

/** Discounts and charges on the whole of a draft, by amount or percent. */
const adjustments = defineModel<Adjustment[]>({ required: true })
defineProps<{ disabled: boolean }>()
const kinds = [
  { value: 'discount', words: t('orders.less') },
  { value: 'charge', words: t('orders.plus') },
]
const ways = [
  { value: 'percent', words: '%' },
  { value: 'amount', words: t('orders.asAnAmount') },
]
const wayOf = (one: Adjustment) => (one.percent !== undefined ? 'percent' : 'amount')

/** Its own tax code, or spread over the rates of the lines. */
const taxes = [
  { value: '', words: t('orders.vatAsTheLinesHave') },
  ...Object.entries(useSession().house!.company.taxRates).map(([code, percent]) => ({
    value: code,
    words: t('orders.vatPercentCode', { percent, code }),
  })),
]
function setTax(one: Adjustment, code: string) {
  if (code) one.taxCode = code
  else delete one.taxCode
}

function setWay(one: Adjustment, way: string) {
  const value = one.percent ?? one.amount ?? '0'
  delete one.percent
  delete one.amount
  one[way as 'percent' | 'amount'] = value
}
const write = (one: Adjustment, value: string) => {
  one[wayOf(one)] = value.trim()
}
</script>

<template>
  <div v-for="(one, index) in adjustments" :key="index" class="row">
    <WordPicker
      :label="t('orders.discountOrCharge')"
      :choices="kinds"
      :value="one.kind"
      :disabled="disabled"
      @pick="one.kind = $event as Adjustment['kind']"
    />
    <FormField
      v-model="one.label"
      class="label"
      :disabled="disabled"
      maxlength="120"
      :aria-label="t('orders.discountOrChargeIndexName', { index: index + 1 })"
    />
    <FormField
      :model-value="one.percent ?? one.amount ?? ''"
      class="value"
      mono
      inputmode="decimal"
      :disabled="disabled"
      :aria-label="t('orders.discountOrChargeIndexValue', { index: index + 1 })"
      @update:model-value="write(one, $event)"
    />
    <WordPicker
      :label="t('orders.percentOrAmount')"
      :choices="ways"
      :value="wayOf(one)"
      :disabled="disabled"
      @pick="setWay(one, $event)"
    />
    <WordPicker
      :label="t('common.vat')"
      :words="taxes.find((tax) => tax.value === (one.taxCode ?? ''))?.words ?? one.taxCode!"
      :choices="taxes"
      :value="one.taxCode ?? ''"
      :disabled="disabled"
      @pick="setTax(one, $event)"
    />
    <button
      v-if="!disabled"
      type="button"
      class="remove"
      :aria-label="t('orders.takeOneAway', { one: one.label || 'it' })"
      @click="adjustments.splice(index, 1)"
    >
      ×
    </button>
  </div>
  <button
    v-if="!disabled"
    type="button"
    class="word open-end"
    @click="adjustments.push({ kind: 'discount', label: t('common.discount'), percent: '5' })"
  >
    {{ t('orders.discountOrCharge2') }}
  </button>
</template>

<style scoped>
.row {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 3px 0;
}
.label {
  flex: 1;
}
.value {
  width: 92px;
  text-align: right;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
</style>
