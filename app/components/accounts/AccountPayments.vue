<script setup lang="ts">
import { t } from '../../words'
import { said } from '../../words/speech'
import { money, shortDay } from '../../composables/format'
import type { Account, PaymentRow } from '../../contract'

/** An account's payments and refunds, newest first: what each settled, its receipt, and what can be done with it. */
defineProps<{ account: Account; here: number | null | undefined; may: boolean }>()
const emit = defineEmits<{
  allocate: [one: PaymentRow]
  receipt: [one: PaymentRow]
  undo: [one: PaymentRow]
}>()
</script>

<template>
  <ul :aria-label="t('common.payments')">
    <li
      v-for="one in account.payments"
      :key="one.id"
      :class="{ gone: one.undone || one.reverses, came: one.id === here }"
      :aria-current="one.id === here || undefined"
    >
      <div class="payment">
        <span>{{ shortDay(one.date) }}</span><span class="cut"
          ><template v-if="one.reverses">{{
            t('accounts.takenBackReference', { reference: one.reference })
          }}</template
          ><template v-else
            >{{ one.direction === 'out' ? t('accounts.refundBy') : '' }}{{ said(`method/${one.method}`)
            }}<template v-if="one.settles.length"
              >: {{ one.settles.map((line) => line.number).join(', ') }}</template
            ></template
          ></span
        >
        <NuxtLink
          v-if="one.receipt"
          class="mono"
          :to="`/register?search=${one.receipt.number}&in=${one.receipt.documentId}`"
          >{{ one.receipt.number }}</NuxtLink
        >
        <span class="amount push"
          >{{ one.direction === 'out' ? '−' : '' }}{{ money(one.amount, one.currency) }}</span
        >
      </div>
      <div v-if="!one.undone && !one.reverses" class="payment small">
        <span v-if="Number(one.open) > 0" class="tag queue">{{
          t('accounts.amountOnAccount', { amount: money(one.open, one.currency) })
        }}</span>
        <template v-if="may"
          ><button
            v-if="
              Number(one.open) > 0 &&
              one.direction === 'in' &&
              account.items.some((item) => Number(item.open) > 0)
            "
            type="button"
            class="word"
            @click="emit('allocate', one)"
          >
            {{ t('accounts.bookItOn') }}
          </button>
          <button
            v-if="!one.receipt"
            type="button"
            class="word"
            data-test="make-receipt"
            @click="emit('receipt', one)"
          >
            {{ t('accounts.receipt') }}
          </button>
          <button
            type="button"
            class="word"
            :aria-label="
              t('accounts.takeBackAmountOfDay', { amount: money(one.amount), day: shortDay(one.date) })
            "
            data-test="undo-payment"
            @click="emit('undo', one)"
          >
            {{ t('accounts.takeBack') }}
          </button></template
        >
        <span class="soft push">{{ one.madeBy }}</span>
      </div>
    </li>
    <li v-if="account.payments.length === 0" class="soft">{{ t('common.noneYet') }}</li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.payment {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.payment > :first-child:not(.tag):not(button) {
  flex: 0 0 54px;
}
.small {
  flex-wrap: wrap;
  row-gap: 3px;
  font-size: var(--small);
  padding: 3px 0 0 64px;
  white-space: nowrap;
}
.came {
  background: var(--peg-pale);
}
.gone {
  color: var(--soft-ink);
}
.gone .amount {
  text-decoration: line-through;
}
.amount {
  white-space: nowrap;
}
</style>
