<script setup lang="ts">
import { t } from '../../words'
import TakenField from '../fields/TakenField.vue'
import { plainAmount } from '../../composables/amounts'
import type { OpenRow } from '../../contract'

/** "Waive 612.54 EUR: why": all that is open of a document, or a part. Taken when the reason is left. */
const props = defineProps<{ item: OpenRow }>()
const emit = defineEmits<{ waive: [amount: string, why: string] }>()
const amount = ref(props.item.open)
watch(
  () => props.item.open,
  (open) => {
    amount.value = open
  },
)
const take = (why: string) => why && emit('waive', plainAmount(amount.value), why)
</script>

<template>
  <div class="waive">
    <span>{{ t('bank.waiveWord') }}</span>
    <VTextField
      v-model="amount"
      inputmode="decimal"
      :suffix="item.currency"
      :aria-label="t('bank.waiveAmount')"
      data-test="waive-amount"
    />
    <span>{{ t('bank.because') }}</span>
    <TakenField
      value=""
      :placeholder="t('bank.whyItIsWaived')"
      :aria-label="t('bank.waive')"
      data-test="waive"
      @take="take"
    />
  </div>
</template>

<style scoped>
.waive {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  align-items: center;
  gap: 8px;
}
</style>
