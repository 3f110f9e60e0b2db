<script setup lang="ts">
import { t } from '../../words'
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
watch(
  () => props.settings.boxes,
  (now) => {
    rows.value = now.map(rowOf)
  },
)
const columns = [
  { field: 'name', words: t('carriers.boxName') },
  { field: 'length', words: t('carriers.boxLength') },
  { field: 'width', words: t('carriers.boxWidth') },
  { field: 'height', words: t('carriers.boxHeight') },
  { field: 'weight', words: t('carriers.boxWeight') },
  { field: 'most', words: t('carriers.boxMost') },
] as const
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
function remove(place: number) {
  rows.value.splice(place, 1)
  keep()
}
const add = () => rows.value.push({ name: '', length: '', width: '', height: '', weight: '0.3', most: '30' })
</script>

<template>
  <h3>{{ t('carriers.boxes') }}</h3>
  <p class="soft">{{ rows.length ? t('carriers.boxesHint') : t('carriers.noBoxes') }}</p>
  <table v-if="rows.length">
    <thead>
      <tr>
        <th v-for="column in columns" :key="column.field">{{ column.words }}</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, place) in rows" :key="place">
        <td v-for="column in columns" :key="column.field">
          <input
            v-model="row[column.field]"
            :class="{ mono: column.field !== 'name' }"
            :disabled="disabled"
            :aria-label="t('carriers.boxField', { n: place + 1, field: column.words })"
            :data-test="`box-${place + 1}-${column.field}`"
            maxlength="40"
            @change="keep"
          />
        </td>
        <td>
          <button
            v-if="!disabled"
            type="button"
            class="remove"
            :aria-label="t('carriers.takeBoxAway', { n: place + 1 })"
            @click="remove(place)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <button v-if="!disabled" type="button" class="word open-end" data-test="add-box" @click="add">
    {{ t('carriers.addBox') }}
  </button>
</template>

<style scoped>
h3 {
  font-size: var(--body);
  margin: 18px 0 4px;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  padding: 2px 6px;
}
td {
  padding: 2px 6px;
  border-bottom: 1px solid var(--rule);
}
input {
  width: 96px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 3px 5px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
}
.mono {
  font-family: var(--mono);
  text-align: right;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
</style>
