<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import OrderAdjustments from './OrderAdjustments.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import SoldFrom from './SoldFrom.vue'
import { countryName, countryNames } from '../../../core/countries'
import type { OrderMore } from './order-form'
import type { BranchView, CustomerView } from '../../contract'

/** Beside the lines of an order: charges and discounts, who is billed, where the goods go, a note for people here. */
const more = defineModel<OrderMore>({ required: true })
const props = withDefaults(
  defineProps<{
    customer: CustomerView | undefined
    /** Those of the order's brand. */
    branches?: readonly BranchView[]
    disabled: boolean
  }>(),
  { branches: () => [] },
)
const own = 'own'
const other = 'other'
const ofPurpose = (purpose: string) =>
  (props.customer?.addresses ?? []).filter((one) => one.purpose === purpose)
const bills = computed(() => [
  { value: own, words: t('orders.theCustomersPostalAddress') },
  ...ofPurpose('billing').map((one) => ({ value: String(one.id), words: one.label })),
])
const billTo = computed({
  get: () => (more.value.billToId === null ? own : String(more.value.billToId)),
  set: (value) => {
    more.value.billToId = value === own ? null : Number(value)
  },
})
const same = (one: object) => JSON.stringify(one) === JSON.stringify(more.value.delivery)
const known = computed(() => ofPurpose('delivery').find((one) => same(one.address)))
const deliveries = computed(() => [
  { value: own, words: t('orders.theAddressThatIsBilled') },
  ...ofPurpose('delivery').map((one) => ({ value: String(one.id), words: one.label })),
  { value: other, words: t('orders.anotherAddress') },
])
const deliverTo = computed({
  get: () => (more.value.delivery === null ? own : known.value ? String(known.value.id) : other),
  set: (value) => {
    if (value === own) more.value.delivery = null
    else if (value === other)
      more.value.delivery = {
        name: props.customer?.name ?? '',
        lines: [''],
        country: countryName(props.customer?.country ?? ''),
      }
    else
      more.value.delivery = structuredClone(
        toRaw(ofPurpose('delivery').find((one) => String(one.id) === value)!.address),
      )
  },
})
const lines = computed({
  get: () => more.value.delivery?.lines.join('\n') ?? '',
  set: (text) => {
    more.value.delivery!.lines = text.split('\n').map((line) => line.trim())
  },
})
const country = computed({
  get: () => countryName(more.value.delivery?.country ?? ''),
  set: (value) => {
    more.value.delivery!.country = value
  },
})
</script>

<template>
  <OrderAdjustments v-model="more.adjustments" :disabled="disabled" />
  <div class="more">
    <SoldFrom v-model="more.branchId" :branches="branches" :disabled="disabled" />
    <SelectField
      v-if="bills.length > 1"
      v-model="billTo"
      :label="t('orders.billedTo')"
      :choices="bills"
      :disabled="disabled"
      data-test="bill-to"
    />
    <SelectField
      v-model="deliverTo"
      :label="t('orders.deliveredTo')"
      :choices="deliveries"
      :disabled="disabled || !customer"
      data-test="deliver-to"
    />
    <template v-if="more.delivery && deliverTo === other">
      <FormField v-model="more.delivery.name" :label="t('common.name')" :disabled="disabled" />
      <FormField
        v-model="lines"
        :label="t('common.streetPostcodeAndTown2')"
        :lines="2"
        :disabled="disabled"
        data-test="delivery-lines"
      />
      <PickField
        v-model="country"
        :label="t('common.country')"
        :choices="countryNames"
        :disabled="disabled"
      />
    </template>
    <p v-else-if="more.delivery" class="soft address">
      {{ [more.delivery.name, ...more.delivery.lines, countryName(more.delivery.country)].join(', ') }}
    </p>
    <FormField
      v-model="more.internalNote"
      class="wide"
      :label="t('orders.internalNoteNeverOnA')"
      :lines="2"
      :disabled="disabled"
      maxlength="2000"
      data-test="internal-note"
    />
  </div>
</template>

<style scoped>
.more {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px 16px;
  align-items: start;
  margin-top: 10px;
}
.address {
  margin: 0;
  align-self: end;
}
.wide {
  grid-column: 1 / -1;
}
</style>
