<script setup lang="ts">
import { quantity } from '../../composables/format'
import { t } from '../../words'
import { Decimal } from '../../../core/money/decimal'
import type { LineReturned } from '../../contract'

/** How much of a line comes back, and why. */
export interface ComingLine {
  quantity: string
  reason: string
}

/** The lines of an order with what was shipped, and how much of each comes back and why. Enter goes on. */
const coming = defineModel<Record<number, ComingLine>>({ required: true })
defineProps<{ lines: readonly LineReturned[]; disabled: boolean }>()
const table = ref<HTMLTableElement>()
const none: ComingLine = { quantity: '0', reason: '' }
const of = (position: number) => coming.value[position] ?? none
const isRight = (text: string, left: string) =>
  /^\d{1,10}(\.\d{1,3})?$/.test(text.trim()) && new Decimal(text.trim()).lte(left)
const mayReturn = ({ left }: LineReturned) => new Decimal(left).gt(0)
function set(position: number, change: Partial<ComingLine>) {
  coming.value = { ...coming.value, [position]: { ...of(position), ...change } }
}
const textOf = (event: Event) => (event.target as HTMLInputElement).value
/** The whole of a word, so that what is typed takes its place. */
const choose = (event: FocusEvent) => (event.target as HTMLInputElement).select()
function next(event: KeyboardEvent) {
  const cells = [...(table.value?.querySelectorAll<HTMLInputElement>('tbody input') ?? [])]
  cells[cells.indexOf(event.target as HTMLInputElement) + 1]?.focus()
}
</script>

<template>
  <table ref="table" class="plain-table">
    <thead>
      <tr>
        <th>{{ t('common.item') }}</th>
        <th class="wide">{{ t('orders.description') }}</th>
        <th class="right">{{ t('shipping.shippedBefore') }}</th>
        <th class="right">{{ t('returns.returnedBefore') }}</th>
        <th class="right">{{ t('returns.comesBack') }}</th>
        <th>{{ t('returns.reason') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in lines" :key="line.position" :class="{ done: !mayReturn(line) }">
        <td class="mono keep">{{ line.item }}</td>
        <td class="wide">
          {{ line.description }} <span v-if="line.detail" class="soft small">{{ line.detail }}</span>
        </td>
        <td class="right mono">{{ quantity(line.shipped) }} {{ line.unit }}</td>
        <td class="right mono">{{ line.returned === '0' ? '' : quantity(line.returned) }}</td>
        <td class="right">
          <input
            v-if="mayReturn(line)"
            class="mono right"
            inputmode="decimal"
            :value="of(line.position).quantity"
            :disabled="disabled"
            :class="{ bad: !isRight(of(line.position).quantity, line.left) }"
            :aria-label="t('returns.comesBackOfLine', { line: line.position })"
            :data-test="`comes-${line.position}`"
            @focus="choose"
            @input="set(line.position, { quantity: textOf($event) })"
            @keydown.enter.exact.prevent="next"
          />
        </td>
        <td>
          <input
            v-if="mayReturn(line)"
            class="reason"
            maxlength="120"
            :value="of(line.position).reason"
            :disabled="disabled"
            :placeholder="t('returns.reasonExample')"
            :aria-label="t('returns.reasonOfLine', { line: line.position })"
            :data-test="`reason-${line.position}`"
            @input="set(line.position, { reason: textOf($event) })"
            @keydown.enter.exact.prevent="next"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./lines-table.css"></style>

<style scoped>
input.reason {
  width: 190px;
}
</style>
