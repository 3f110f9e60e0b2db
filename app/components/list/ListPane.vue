<script setup lang="ts" generic="Row extends { id: number }">
import { t } from '../../words'
import ColumnHeads, { type ListColumn } from './ColumnHeads.vue'
import RowList from './RowList.vue'

/** A paged list as pages show it: its headings, what went wrong with it, and its rows, all in the same columns. */
const props = defineProps<{
  /** What `useList` gives. */
  list: {
    rows: Ref<Row[]>
    first: Ref<boolean>
    wrong: Ref<string>
    reload: () => Promise<void>
    loadMore: () => Promise<void>
  }
  columns: ListColumn[]
  label: string
  active: number | null
  /** What `usePicks` gives, where rows may be picked. */
  picks?: { picked: Ref<ReadonlySet<number>>; set: (ids: Iterable<number>) => void } | null
  sort?: string
  descending?: boolean
  loading?: boolean
}>()
const emit = defineEmits<{
  'update:active': [id: number | null]
  sort: [key: string, descending: boolean]
  open: [id: number]
  leaf: [step: 1 | -1]
}>()
defineSlots<{ row(props: { row: Row }): unknown; empty(): unknown }>()

const widths = computed(() =>
  props.columns
    .map((column) => (typeof column.width === 'number' ? `${column.width}px` : `minmax(0, ${column.width})`))
    .join(' '),
)
</script>

<template>
  <div class="pane" :style="{ '--columns': widths }">
    <ColumnHeads
      :columns="columns"
      :pickable="!!picks"
      :sort="sort ?? ''"
      :descending="descending ?? false"
      @sort="(key, down) => emit('sort', key, down)"
    />
    <div v-if="list.wrong.value" class="notice stuck" role="alert">
      {{ list.wrong.value }} <VBtn height="28" @click="list.reload()">{{ t('common.tryAgain') }}</VBtn>
    </div>
    <RowList
      :active="active"
      :rows="list.rows.value"
      :label="label"
      :picked="picks?.picked.value"
      :pickable="!!picks"
      :loading="loading ?? list.first.value"
      @update:active="emit('update:active', $event)"
      @update:picked="picks?.set($event)"
      @more="list.loadMore()"
      @open="emit('open', $event)"
      @leaf="emit('leaf', $event)"
    >
      <template #row="{ row }"><slot name="row" :row="row" /></template>
      <template #empty><slot name="empty" /></template>
    </RowList>
  </div>
</template>

<style scoped>
.pane {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.pane :deep(.row) {
  display: grid;
  grid-template-columns: var(--columns);
}
.pane :deep(.row:has(> .box)) {
  grid-template-columns: 15px var(--columns);
}
.pane :deep(.row > *) {
  min-width: 0;
  white-space: nowrap;
}
/* on a narrow screen the columns stay, and the list is moved sideways */
@media (max-width: 900px) {
  .pane {
    overflow-x: auto;
  }
  .pane > :deep(*) {
    min-width: 820px;
  }
}
</style>
