<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import DateField from '../fields/DateField.vue'
import RealNotice from '../frame/RealNotice.vue'
import SettleTable from './SettleTable.vue'
import { useToasts } from '../../stores/toasts'
import { houseToday, money, shortDay } from '../../composables/format'
import { plainAmount } from '../../composables/amounts'
import { ApiRefusal } from '../../composables/api'
import { allocatePayment, recordPayment, undoPayment } from '../../calls/payments'
import { paymentMethods } from '../../../core/documents/facts'
import { Decimal, moneyText } from '../../../core/money/decimal'
import { discountOn, settledBy, type OpenItem, type Settlement } from '../../../core/receivables/settle'
import type { Account, PaymentRow } from '../../contract'

/**
 * Records a payment or refund: as the amount is written it is spread over what is open, oldest first; every
 * cell can be changed.
 */
const props = defineProps<{ account: Account; direction: 'in' | 'out'; payment?: PaymentRow }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const toasts = useToasts()
const isRefund = computed(() => props.direction === 'out')
const currencies = computed(() => [
  ...new Set([...props.account.items.map((item) => item.currency), props.account.currency]),
])
const currency = ref(
  props.payment?.currency ??
    props.account.items.find((item) => Number(item.open) < 0 === isRefund.value)?.currency ??
    props.account.currency,
)
const amount = ref(props.payment?.open ?? '')
const date = ref(houseToday())
const method = ref<(typeof paymentMethods)[number]>('bank transfer')
const reference = ref('')
const another = ref(false)
const askAnother = ref(false)
const wrong = ref('')
const busy = ref(false)

/** What can be settled: invoices by a payment, credit notes by a refund, each with its open amount over zero. */
const items = computed((): OpenItem[] =>
  props.account.items
    .filter((item) => item.currency === currency.value && Number(item.open) < 0 === isRefund.value)
    .map((item) => ({
      ...item,
      open: new Decimal(item.open).abs().toString(),
      amount: new Decimal(item.amount).abs().toString(),
      terms: isRefund.value ? { kind: 'days', days: 0 } : props.account.terms,
    })),
)
const onAccount = computed(() =>
  isRefund.value
    ? props.account.payments.filter(
        (one) => one.direction === 'in' && one.currency === currency.value && Number(one.open) > 0,
      )
    : [],
)
const typed = computed(() =>
  /^\d{1,12}(\.\d{1,3})?$/.test(plainAmount(amount.value)) ? plainAmount(amount.value) : null,
)
/** A number that was clicked: the amount that settles it, where none is written yet. */
function only(item: OpenItem) {
  if (Number(typed.value ?? 0)) return
  const discount = isRefund.value ? '0' : discountOn(item, date.value)
  amount.value = moneyText(new Decimal(item.open).minus(discount), currency.value)
}
const settle = ref<Settlement[]>([])
const isNumber = (text: string) => /^\d+(\.\d+)?$/.test(text)
const rest = computed(() =>
  typed.value !== null && settle.value.every((one) => isNumber(one.amount))
    ? new Decimal(typed.value).minus(settledBy(settle.value))
    : new Decimal(0),
)
const back = ref<Record<number, boolean>>({})
/** A refund gives back what lies on account, oldest payment first, as far as those chosen reach. */
const giveBack = computed(() => {
  let left = rest.value
  return onAccount.value
    .filter((one) => back.value[one.id])
    .map((one) => {
      const part = Decimal.min(left, one.open)
      left = left.minus(part)
      return { paymentId: one.id, amount: moneyText(part, currency.value) }
    })
    .filter((one) => Number(one.amount) > 0)
})

async function go() {
  busy.value = true
  wrong.value = ''
  try {
    if (props.payment) await allocatePayment(props.payment.id, { settle: settle.value })
    else {
      const { id } = await recordPayment({
        direction: props.direction,
        customerId: props.account.customerId,
        date: date.value,
        method: method.value,
        amount: typed.value!,
        currency: currency.value,
        reference: reference.value.trim(),
        settle: settle.value,
        giveBack: giveBack.value,
        another: another.value,
      })
      toasts.say(
        t(isRefund.value ? 'accounts.refundedTo' : 'accounts.bookedFor', {
          amount: money(typed.value!, currency.value),
          account: props.account.name,
        }),
        {
          undo: async () => {
            await undoPayment(id, { reason: t('accounts.recordedByMistake') })
          },
        },
      )
    }
    open.value = false
    emit('done')
  } catch (error) {
    wrong.value = (error as Error).message
    askAnother.value = (error as ApiRefusal).code === 'booked-before'
  }
  busy.value = false
}
const title = computed(() =>
  props.payment
    ? t('accounts.bookAmountOnAccount', { amount: money(props.payment.open, currency.value) })
    : isRefund.value
      ? t('accounts.aRefundToAccount', { account: props.account.name })
      : t('accounts.aPaymentFromAccount', { account: props.account.name }),
)
const goWords = computed(() =>
  props.payment
    ? t('accounts.bookAmount', { amount: money(settledBy(settle.value).toString(), currency.value) })
    : typed.value && Number(typed.value) > 0
      ? `${isRefund.value ? t('accounts.recordRefundOf') : t('accounts.record')} ${money(typed.value, currency.value)}`
      : t('accounts.record'),
)
const ready = computed(
  () =>
    (props.payment
      ? settle.value.length > 0
      : typed.value !== null && Number(typed.value) > 0 && rest.value.gte(0)) &&
    (!askAnother.value || another.value),
)
</script>

<template>
  <Ask v-model="open" wide :title="title" :go="goWords" :busy="busy" :disabled="!ready" @go="go">
    <RealNotice :what="t('accounts.paymentsAreBooked')" />
    <div v-if="!payment" class="head">
      <FormField
        v-model="amount"
        class="amount-field"
        :label="t('common.amount')"
        mono
        inputmode="decimal"
        placeholder="0.00"
        data-test="payment-amount"
      />
      <SelectField v-model="currency" :label="t('common.currency')" :choices="currencies" />
      <label
        ><I18nT keypath="accounts.onDate" scope="global"
          ><template #date><DateField v-model="date" data-test="payment-date" /></template></I18nT
      ></label>
      <SelectField
        v-model="method"
        :label="t('common.by')"
        :choices="paymentMethods"
        data-test="payment-method"
      />
      <FormField
        v-model="reference"
        class="wide"
        :label="isRefund ? t('bank.reference') : t('accounts.whatThePayerWrote')"
        maxlength="140"
      />
    </div>
    <SettleTable
      v-model="settle"
      :items="items"
      :amount="typed ?? '0'"
      :date="date"
      :refund="isRefund"
      @only="only"
    />
    <CheckField
      v-for="one in onAccount"
      :key="one.id"
      :model-value="back[one.id] ?? false"
      @update:model-value="back[one.id] = $event"
      >{{
        t('accounts.giveBackAmountOnAccount', {
          amount: money(one.open, one.currency),
          day: shortDay(one.date),
        })
      }}</CheckField
    >
    <p v-if="rest.lt(0)" class="notice stuck" role="status">
      {{ t('accounts.amountMoreWouldBeBooked', { amount: money(rest.neg().toString(), currency) }) }}
    </p>
    <p
      v-else-if="!payment && rest.gt(0) && giveBack.length === 0"
      class="notice wait"
      role="status"
      data-test="on-account"
    >
      {{ money(rest.toString(), currency) }}
      {{ isRefund ? t('accounts.settlesNothingItStandsAs') : t('accounts.isTooMuchItStays') }}.
    </p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <CheckField v-if="askAnother" v-model="another" data-test="another">{{
      t('accounts.itIsAnotherOneBook')
    }}</CheckField>
  </Ask>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  margin-bottom: 10px;
}
.head label {
  display: flex;
  flex-direction: column;
  font-size: var(--small);
  color: var(--soft-ink);
}
.wide {
  flex: 1 1 180px;
}
.amount-field {
  width: 130px;
}
p {
  margin: 8px 0 0;
}
</style>
