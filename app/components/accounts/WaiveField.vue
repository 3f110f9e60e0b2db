<script setup lang="ts">
import { I18nT } from 'vue-i18n'
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
    <I18nT keypath="accounts.waiveWhy" scope="global"
      ><template #amount
        ><VTextField
          v-model="amount"
          class="amount"
          inputmode="decimal"
          :suffix="item.currency"
          :aria-label="t('accounts.waiveAmount')"
          data-test="waive-amount" /></template
      ><template #why
        ><TakenField
          value=""
          :placeholder="t('accounts.whyItIsWaived')"
          :aria-label="t('accounts.waive')"
          data-test="waive"
          @take="take" /></template
    ></I18nT>
  </div>
</template>

<style scoped>
.waive {
  display: flex;
  align-items: center;
  gap: 8px;
}
.amount {
  flex: 0 0 120px;
}
</style>
