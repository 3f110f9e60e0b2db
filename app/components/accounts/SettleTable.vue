<script setup lang="ts">
import { t } from '../../words'
import { useSession } from '../../stores/session'
import { plainAmount } from '../../composables/amounts'
import { money, shortDay } from '../../composables/format'
import { Decimal } from '../../../core/money/decimal'
import { proposePayment, type OpenItem, type Settlement } from '../../../core/receivables/settle'

/**
 * What a payment settles: spread over what is open as it is written, oldest first; every cell can be changed;
 * a number takes it all on itself.
 */
const props = defineProps<{ items: OpenItem[]; amount: string; date: string; refund: boolean }>()
const settle = defineModel<Settlement[]>({ required: true })
const emit = defineEmits<{ only: [item: OpenItem] }>()
interface Cells {
  amount: string
  discount: string
  writeOff: string
}
const cells = ref<Record<number, Cells>>({})
const blank = (value?: string) => (value && Number(value) !== 0 ? value : '')

function show(settlements: readonly Settlement[]) {
  cells.value = Object.fromEntries(
    props.items.map((item) => {
      const own = settlements.find((one) => one.documentId === item.id)
      return [
        item.id,
        { amount: blank(own?.amount), discount: blank(own?.discount), writeOff: blank(own?.writeOff) },
      ]
    }),
  )
}
const spread = (items: readonly OpenItem[]) =>
  Number(props.amount) > 0
    ? proposePayment(props.amount, items, {
        paidOn: props.date,
        smallDifference: props.refund ? '0' : useSession().house!.company.smallDifference,
      }).settlements
    : []
let first = true
/** Only when the amount, the day or the items change: what a person wrote into a cell stays. */
watch(
  [() => props.amount, () => props.date, () => props.items.map((item) => item.id).join()],
  () => {
    const wanted = settle.value.filter((one) => props.items.some((item) => item.id === one.documentId))
    show(first && wanted.length > 0 ? wanted : spread(props.items))
    first = false
  },
  { immediate: true },
)
function only(item: OpenItem) {
  emit('only', item)
  void nextTick(() => show(spread([item])))
}
const written = computed((): Settlement[] =>
  props.items
    .map((item) => ({
      documentId: item.id,
      amount: plainAmount(cells.value[item.id]?.amount ?? ''),
      discount: plainAmount(cells.value[item.id]?.discount ?? ''),
      writeOff: plainAmount(cells.value[item.id]?.writeOff ?? ''),
    }))
    .filter((one) => [one.amount, one.discount, one.writeOff].some((value) => Number(value) !== 0)),
)
watch(
  written,
  (now) => {
    settle.value = now
  },
  { immediate: true },
)
const openOf = (item: OpenItem) => new Decimal(item.open).toString()
</script>

<template>
  <div v-if="items.length" class="table">
    <table>
      <thead>
        <tr>
          <th>{{ refund ? t('bank.creditNote') : t('bank.settles') }}</th>
          <th>{{ refund ? t('bank.of') : t('common.due') }}</th>
          <th class="right">{{ t('common.open') }}</th>
          <th class="right">{{ t('common.amount') }}</th>
          <template v-if="!refund"
            ><th class="right">{{ t('common.discount') }}</th>
            <th class="right">{{ t('common.waived') }}</th></template
          >
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in items" :key="item.id">
          <td>
            <button
              type="button"
              class="word mono"
              :title="t('bank.allOfItOnNumber', { number: item.number })"
              @click="only(item)"
            >
              {{ item.number }}
            </button>
          </td>
          <td class="soft">{{ shortDay(refund ? item.date : item.dueDate) }}</td>
          <td class="right mono">{{ money(openOf(item)) }}</td>
          <template v-if="cells[item.id]"
            ><td class="right">
              <input
                v-model="cells[item.id]!.amount"
                class="mono"
                inputmode="decimal"
                :aria-label="t('bank.numberAmount', { number: item.number })"
                :data-test="`settle-${item.number}`"
              />
            </td>
            <template v-if="!refund"
              ><td class="right">
                <input
                  v-model="cells[item.id]!.discount"
                  class="mono"
                  inputmode="decimal"
                  :aria-label="t('bank.numberEarlyPaymentDiscount', { number: item.number })"
                />
              </td>
              <td class="right">
                <input
                  v-model="cells[item.id]!.writeOff"
                  class="mono"
                  inputmode="decimal"
                  :aria-label="t('bank.numberWaived', { number: item.number })"
                /></td></template
          ></template>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-else class="soft">
    {{ refund ? t('bank.thereIsNoOpenCredit') : t('bank.nothingIsOpenInThis') }}
  </p>
</template>

<style scoped>
.table {
  max-height: 260px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: var(--small);
}
th {
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  text-align: left;
  position: sticky;
  top: 0;
  background: var(--paper);
}
td,
th {
  padding: 3px 5px 3px 0;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
}
td input {
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  font: inherit;
  font-size: var(--small);
  width: 58px;
  text-align: right;
  padding: 4px 3px;
  background: var(--paper);
  color: var(--ink);
}
.right {
  text-align: right;
}
p {
  margin: 8px 0 0;
}
</style>
