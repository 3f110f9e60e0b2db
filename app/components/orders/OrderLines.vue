<script setup lang="ts">
import { useSession } from '../../stores/session'
import type { LineEdit } from '../../contract'

/** The lines of an order as a table to type in. */
const lines = defineModel<LineEdit[]>({ required: true })
defineProps<{ disabled: boolean; currency: string }>()
const session = useSession()
/** The highest rate first: it is the usual one, and a line that is taxed too little is the worse mistake. */
const rates = computed(() =>
  Object.entries(session.house!.company.taxRates).sort(([, a], [, b]) => Number(b) - Number(a)),
)
const number = (text: string) => /^-?\d{1,10}(\.\d{1,4})?$/.test(text.trim())
const add = () =>
  lines.value.push({
    item: '',
    description: '',
    detail: null,
    unit: '',
    quantity: '1',
    unitPrice: '0.00',
    discountPercent: '0',
    taxCode: rates.value[0]![0],
  })
</script>

<template>
  <table>
    <thead>
      <tr>
        <th>Item</th>
        <th class="wide">Description</th>
        <th class="right">Qty</th>
        <th class="right">Price</th>
        <th class="right">Disc. %</th>
        <th>VAT</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(line, index) in lines" :key="index">
        <td>
          <input
            v-model="line.item"
            class="mono item"
            :disabled="disabled"
            :aria-label="`Line ${index + 1}, item`"
            maxlength="40"
          />
        </td>
        <td class="wide">
          <input
            v-model="line.description"
            :disabled="disabled"
            :class="{ bad: !line.description.trim() }"
            :aria-label="`Line ${index + 1}, description`"
            maxlength="400"
          /><span v-if="line.detail" class="soft detail">{{ line.detail }}</span>
        </td>
        <td>
          <input
            v-model="line.quantity"
            class="mono right number"
            inputmode="decimal"
            :disabled="disabled"
            :class="{ bad: !number(line.quantity) }"
            :aria-label="`Line ${index + 1}, quantity`"
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
            :aria-label="`Line ${index + 1}, price`"
          />
        </td>
        <td>
          <input
            v-model="line.discountPercent"
            class="mono right number"
            inputmode="decimal"
            :disabled="disabled"
            :class="{ bad: !number(line.discountPercent) }"
            :aria-label="`Line ${index + 1}, discount percent`"
          />
        </td>
        <td>
          <select v-model="line.taxCode" :disabled="disabled" :aria-label="`Line ${index + 1}, VAT`">
            <option v-for="[code, rate] in rates" :key="code" :value="code">{{ rate }} %</option>
          </select>
        </td>
        <td>
          <button
            v-if="!disabled"
            type="button"
            class="remove"
            :aria-label="`Take line ${index + 1} away`"
            @click="lines.splice(index, 1)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <button v-if="!disabled" type="button" class="word open-end add" @click="add">+ line</button>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 8px;
}
th {
  text-align: left;
  font-size: 12.5px;
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
  font-size: 12.5px;
  padding-left: 6px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: 17px;
  color: var(--soft-ink);
}
</style>
