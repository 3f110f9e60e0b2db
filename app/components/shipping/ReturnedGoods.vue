<script setup lang="ts">
import { quantity } from '../../composables/format'
import { t } from '../../words'
import { Decimal } from '../../../core/money/decimal'
import type { ReturnView } from '../../contract'

/** The lines of a return: what is expected and why, and what came; written in while it is taken in. */
const came = defineModel<Record<number, string>>({ required: true })
const props = defineProps<{ goods: ReturnView; taking: boolean }>()
const table = ref<HTMLTableElement>()
const isBack = computed(() => props.goods.state === 'back')
/** More than was agreed may come, but no more than was shipped. */
const isRight = (text: string | undefined, left: string) =>
  /^\d{1,10}(\.\d{1,3})?$/.test(text?.trim() ?? '') && new Decimal(text!.trim()).lte(left)
const choose = (event: FocusEvent) => (event.target as HTMLInputElement).select()
function set(position: number, event: Event) {
  came.value = { ...came.value, [position]: (event.target as HTMLInputElement).value }
}
function next(event: KeyboardEvent) {
  const cells = [...(table.value?.querySelectorAll<HTMLInputElement>('tbody input') ?? [])]
  cells[cells.indexOf(event.target as HTMLInputElement) + 1]?.focus()
}
watch(
  () => props.taking,
  async (taking) => {
    if (!taking) return
    await nextTick()
    table.value?.querySelector('input')?.focus()
  },
)
</script>

<template>
  <table ref="table" class="plain-table">
    <thead>
      <tr>
        <th>{{ t('common.item') }}</th>
        <th class="wide">{{ t('orders.description') }}</th>
        <th>{{ t('returns.reason') }}</th>
        <th class="right">{{ t('returns.expected') }}</th>
        <th v-if="taking || isBack" class="right">{{ t('returns.cameBack') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in goods.lines" :key="line.position">
        <td class="mono keep">{{ line.item }}</td>
        <td class="wide">
          {{ line.description }} <span v-if="line.detail" class="soft small">{{ line.detail }}</span>
        </td>
        <td class="reason">{{ line.reason }}</td>
        <td class="right mono">{{ quantity(line.quantity) }} {{ line.unit }}</td>
        <td v-if="taking" class="right">
          <input
            class="mono right"
            inputmode="decimal"
            :value="came[line.position]"
            :class="{ bad: !isRight(came[line.position], line.left) }"
            :aria-label="t('returns.cameBackOfLine', { line: line.position })"
            :data-test="`came-${line.position}`"
            @focus="choose"
            @input="set(line.position, $event)"
            @keydown.enter.exact.prevent="next"
          />
        </td>
        <td v-else-if="isBack" class="right mono">{{ quantity(line.cameBack ?? '0') }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./lines-table.css"></style>

<style scoped>
.wide {
  width: 60%;
}
.reason {
  width: 40%;
}
</style>
