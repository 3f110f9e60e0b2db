<script setup lang="ts">
import { t } from '../../words'
import FieldRows, { type FieldColumn } from './FieldRows.vue'
import type { HouseSettings } from '../../contract'
import type { Box } from '../../../core/shipping/parcels'

/** The boxes that the house packs into; a row that is left is kept as soon as it is whole. */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
interface Row {
  name: string
  length: string
  width: string
  height: string
  weight: string
  most: string
}
const rowOf = (box: Box): Row => ({
  ...box,
  length: String(box.length),
  width: String(box.width),
  height: String(box.height),
})
const rows = ref<Row[]>(props.settings.boxes.map(rowOf))
/** Another setting that somebody changes takes nothing from a row that is being written. */
watch(
  () => JSON.stringify(props.settings.boxes),
  () => {
    rows.value = props.settings.boxes.map(rowOf)
  },
)
const columns: FieldColumn<Row>[] = [
  { field: 'name', words: t('carriers.boxName'), isWide: true },
  { field: 'length', words: t('carriers.boxLength'), isNumber: true },
  { field: 'width', words: t('carriers.boxWidth'), isNumber: true },
  { field: 'height', words: t('carriers.boxHeight'), isNumber: true },
  { field: 'weight', words: t('carriers.boxWeight'), isNumber: true },
  { field: 'most', words: t('carriers.boxMost'), isNumber: true },
]
const isWhole = (row: Row) =>
  row.name.trim() !== '' &&
  [row.length, row.width, row.height].every((text) => /^[1-9]\d{0,3}$/.test(text.trim())) &&
  [row.weight, row.most].every((text) => /^\d{1,5}(\.\d{1,3})?$/.test(text.trim()))
const boxOf = (row: Row): Box => ({
  name: row.name.trim(),
  length: Number(row.length),
  width: Number(row.width),
  height: Number(row.height),
  weight: row.weight.trim(),
  most: row.most.trim(),
})
function keep() {
  if (!rows.value.every(isWhole)) return
  const boxes = rows.value.map(boxOf)
  if (JSON.stringify(boxes) !== JSON.stringify(props.settings.boxes))
    emit('keep', { boxes }, t('carriers.boxesAreSaved'))
}
const add = () => rows.value.push({ name: '', length: '', width: '', height: '', weight: '0.3', most: '30' })
</script>

<template>
  <h3>{{ t('carriers.boxes') }}</h3>
  <p class="soft">{{ rows.length ? t('carriers.boxesHint') : t('carriers.noBoxes') }}</p>
  <FieldRows
    v-model="rows"
    :columns="columns"
    :disabled="disabled"
    test="box"
    :maxlength="40"
    :field-label="(n, field) => t('carriers.boxField', { n, field })"
    :remove-label="(n) => t('carriers.takeBoxAway', { n })"
    :add-label="t('carriers.addBox')"
    @keep="keep"
    @add="add"
  />
</template>

<style scoped>
h3 {
  font-size: var(--body);
  margin: 18px 0 4px;
}
</style>
