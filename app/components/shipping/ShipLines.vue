<script setup lang="ts">
import { quantity } from '../../composables/format'
import { t } from '../../words'
import { Decimal } from '../../../core/money/decimal'
import type { LineToShip } from '../../contract'

/**
 * The lines of an order with what was shipped and is left, and how much of each goes now. Enter goes to the next line,
 * as on the table of an order.
 */
const going = defineModel<Record<number, string>>({ required: true })
defineProps<{ lines: readonly LineToShip[]; disabled: boolean }>()
const table = ref<HTMLTableElement>()
const isRight = (text: string, left: string) =>
  /^\d{1,10}(\.\d{1,3})?$/.test(text.trim()) && new Decimal(text.trim()).lte(left)
const isLeft = ({ left }: LineToShip) => !new Decimal(left).isZero()
function set(position: number, text: string) {
  going.value = { ...going.value, [position]: text }
}
/** The whole of a word, so that what is typed takes its place. */
const choose = (event: FocusEvent) => (event.target as HTMLInputElement).select()
function next(row: number) {
  const cells = [...(table.value?.querySelectorAll<HTMLInputElement>('tbody input') ?? [])]
  const here = cells.findIndex((cell) => cell.dataset.row === String(row))
  cells[here + 1]?.focus()
}
</script>

<template>
  <table ref="table" class="plain-table">
    <thead>
      <tr>
        <th>{{ t('common.item') }}</th>
        <th class="wide">{{ t('orders.description') }}</th>
        <th>{{ t('shipping.place') }}</th>
        <th class="right">{{ t('shipping.ordered') }}</th>
        <th class="right">{{ t('shipping.shippedBefore') }}</th>
        <th class="right">{{ t('shipping.left') }}</th>
        <th class="right">{{ t('shipping.goes') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(line, row) in lines" :key="line.position" :class="{ done: !isLeft(line) }">
        <td class="mono keep">{{ line.item }}</td>
        <td class="wide">
          {{ line.description }}
          <span class="soft small">{{
            [
              line.detail,
              line.each === null
                ? t('shipping.weightUnknown')
                : t('shipping.eachWeighs', { weight: quantity(line.each) }),
            ]
              .filter(Boolean)
              .join(' · ')
          }}</span>
        </td>
        <td class="mono soft keep">{{ line.place }}</td>
        <td class="right mono">{{ quantity(line.ordered) }} {{ line.unit }}</td>
        <td class="right mono">{{ quantity(line.shipped) }}</td>
        <td class="right mono">{{ quantity(line.left) }}</td>
        <td class="right">
          <input
            v-if="isLeft(line)"
            class="mono right"
            inputmode="decimal"
            :value="going[line.position] ?? '0'"
            :disabled="disabled"
            :class="{ bad: !isRight(going[line.position] ?? '0', line.left) }"
            :aria-label="t('shipping.goesOfLine', { line: line.position })"
            :data-row="row"
            :data-test="`goes-${line.position}`"
            @focus="choose"
            @input="set(line.position, ($event.target as HTMLInputElement).value)"
            @keydown.enter.exact.prevent="next(row)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./lines-table.css"></style>
