<script setup lang="ts">
import { t } from '../../words'
import LineOptions from './LineOptions.vue'
import OwnFields from '../fields/OwnFields.vue'
import { useSession } from '../../stores/session'
import { useItemLookup } from '../../composables/useItemLookup'
import { newLine, usualRates } from './order-form'
import type { Language } from '../../../core/money/format'
import type { LineEdit } from '../../contract'

/**
 * The lines of an order as a table to type in. A line that names an item takes its name, price and VAT; Enter in the
 * last line begins another.
 */
const lines = defineModel<LineEdit[]>({ required: true })
const props = withDefaults(
  defineProps<{ disabled: boolean; currency: string; language?: Language; customerId?: number }>(),
  { language: 'en', customerId: undefined },
)
const session = useSession()
const rates = computed(() => usualRates(session.house!.company.taxRates))
const number = (text: string) => /^-?\d{1,10}(\.\d{1,4})?$/.test(text.trim())
const table = ref<HTMLTableElement>()
const add = () => lines.value.push(newLine(session.house!.company.taxRates))
const items = useItemLookup(
  () => props.language,
  () => props.currency,
  () => props.customerId,
)
onMounted(() => items.learnOf(lines.value.map((line) => line.item)))
const lineFields = computed(() => session.house!.ownFields.filter((one) => one.of === 'line'))
function setField(line: LineEdit, values: Record<string, string>) {
  line.fields = values
}
const offers = useId()
const focus = (row: number, cell: string) =>
  table.value?.querySelectorAll('tbody tr')[row]?.querySelector<HTMLInputElement>(cell)?.select()
async function named(line: LineEdit, row: number) {
  if (await items.fill(line)) focus(row, '.number')
}
async function enter(row: number) {
  if (row === lines.value.length - 1) {
    add()
    await nextTick()
  }
  focus(row + 1, '.item')
}
</script>

<template>
  <table ref="table">
    <thead>
      <tr>
        <th>{{ t('common.item') }}</th>
        <th class="wide">{{ t('orders.description') }}</th>
        <th class="right">{{ t('orders.qty') }}</th>
        <th class="right">{{ t('common.price') }}</th>
        <th class="right">{{ t('orders.disc') }}</th>
        <th>{{ t('common.vat') }}</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="(line, index) in lines"
        :key="index"
        @keydown.enter.exact.prevent="($event.target as Element).matches('.item') || enter(index)"
      >
        <td>
          <input
            v-model="line.item"
            :list="offers"
            :placeholder="disabled || line.description ? '' : 'number'"
            autocomplete="off"
            :data-test="`item-${index + 1}`"
            @input="items.searchSoon(line.item)"
            @change="named(line, index)"
            @keydown.enter.exact.prevent="named(line, index)"
            class="mono item"
            :disabled="disabled"
            :aria-label="t('orders.lineIndexItem', { index: index + 1 })"
            maxlength="40"
          />
        </td>
        <td class="wide">
          <input
            v-model="line.description"
            :disabled="disabled"
            :class="{ bad: line.item.trim() && !line.description.trim() }"
            :placeholder="disabled ? '' : t('orders.whatIsDelivered')"
            :data-test="`description-${index + 1}`"
            :aria-label="t('orders.lineIndexDescription', { index: index + 1 })"
            maxlength="400"
          /><span v-if="line.detail" class="soft detail">{{ line.detail }}</span>
          <LineOptions
            v-model="line.detail"
            :options="items.optionsOf(line.item)"
            :disabled="disabled"
            :prefix="t('orders.lineIndex', { index: index + 1 })"
          />
          <OwnFields
            v-if="lineFields.length && (line.item.trim() || line.description.trim())"
            of="line"
            :model-value="line.fields ?? {}"
            :disabled="disabled"
            :prefix="t('orders.lineIndex', { index: index + 1 })"
            @update:model-value="setField(line, $event)"
          />
        </td>
        <td>
          <input
            v-model="line.quantity"
            class="mono right number"
            inputmode="decimal"
            :disabled="disabled"
            :class="{ bad: !number(line.quantity) }"
            :aria-label="t('orders.lineIndexQuantity', { index: index + 1 })"
            :data-test="`quantity-${index + 1}`"
          />
        </td>
        <td>
          <input
            v-model="line.unitPrice"
            class="mono right price"
            inputmode="decimal"
            :disabled="disabled"
            :class="{ bad: !number(line.unitPrice) }"
            :aria-label="t('orders.lineIndexPrice', { index: index + 1 })"
            :data-test="`price-${index + 1}`"
          />
        </td>
        <td>
          <input
            v-model="line.discountPercent"
            class="mono right number"
            inputmode="decimal"
            :disabled="disabled"
            :class="{ bad: !number(line.discountPercent) }"
            :aria-label="t('orders.lineIndexDiscountPercent', { index: index + 1 })"
          />
        </td>
        <td>
          <select
            v-model="line.taxCode"
            :disabled="disabled"
            :aria-label="t('orders.lineIndexVAT', { index: index + 1 })"
          >
            <option v-for="[code, rate] in rates" :key="code" :value="code">{{ rate }} %</option>
          </select>
        </td>
        <td>
          <button
            v-if="!disabled"
            type="button"
            class="remove"
            :aria-label="t('orders.takeLineIndexAway', { index: index + 1 })"
            @click="lines.splice(index, 1)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <datalist :id="offers">
    <option v-for="item in items.found.value" :key="item.code" :value="item.code">{{ item.name }}</option>
  </datalist>
  <button v-if="!disabled" type="button" class="word open-end add" @click="add">
    {{ t('orders.line') }}
  </button>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 8px;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  padding: 2px 4px;
  border-bottom: 1px solid var(--ink);
}
td {
  padding: 2px 4px;
  border-bottom: 1px solid var(--rule);
}
input,
select {
  border: 1px solid transparent;
  border-radius: 3px;
  padding: 4px 5px;
  font: inherit;
  background: transparent;
  width: 100%;
  color: var(--ink);
}
.mono {
  font-family: var(--mono);
}
input:hover:not(:disabled),
select:hover:not(:disabled) {
  border-color: var(--rule);
}
input:focus {
  border-color: var(--blue);
  background: var(--paper);
}
input.bad {
  border-color: var(--brick);
  background: var(--brick-pale);
}

.add {
  margin-right: 16px;
}
.item {
  width: 92px;
}
.number {
  width: 62px;
}
.price {
  width: 84px;
}
select {
  width: 76px;
}
.right {
  text-align: right;
}
.wide {
  width: 100%;
}
.detail {
  font-size: var(--small);
  padding-left: 6px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
</style>
