<script setup lang="ts" generic="Row extends { id: number }">
import { t } from '../../words'
import { rowHeight, useRowInSight } from './useRowInSight'
import { useRowKeys } from './useRowKeys'

/**
 * A dense list with the keys that every list has: up and down, Space picks, Shift+arrows picks a range, left
 * and right turn the leaves, Enter opens, Escape leaves.
 */
const props = withDefaults(
  defineProps<{
    rows: Row[]
    label: string
    active: number | null
    picked?: ReadonlySet<number>
    /** Group of a row; neighbours of the same group stand under one heading. */
    groupOf?: (row: Row) => string
    pickable?: boolean
    loading?: boolean
  }>(),
  { picked: () => new Set<number>(), groupOf: undefined, pickable: true, loading: false },
)

const emit = defineEmits<{
  'update:active': [id: number | null]
  'update:picked': [ids: Set<number>]
  'toggle-group': [group: string]
  open: [id: number]
  leaf: [step: 1 | -1]
  more: []
}>()

defineSlots<{
  row(props: { row: Row }): unknown
  group(props: { group: string; first: Row }): unknown
  empty(): unknown
}>()

type Entry = { key: string; row: Row; group: null } | { key: string; row: Row; group: string }

const list = ref<HTMLElement>()

const entries = computed<Entry[]>(() => {
  const found: Entry[] = []
  let last: string | undefined
  for (const row of props.rows) {
    const group = props.groupOf?.(row)
    if (group !== undefined && group !== last)
      found.push({ key: t('list.groupGroup', { group }), row, group })
    last = group
    found.push({ key: t('list.rowId', { id: row.id }), row, group: null })
  }
  return found
})

function groupPicks(group: string): 'all' | 'some' | 'none' {
  const own = props.rows.filter((row) => props.groupOf!(row) === group)
  const count = own.filter((row) => props.picked.has(row.id)).length
  return count === 0 ? 'none' : count === own.length ? 'all' : 'some'
}

const scroller = () => list.value?.querySelector<HTMLElement>('.scroller')
const isRow = (entry: Entry, id: number | null) => entry.group === null && entry.row.id === id
const { show } = useRowInSight({
  entries,
  indexOf: (all, id) => all.findIndex((entry) => isRow(entry, id)),
  active: () => props.active,
  scroller,
})
const { key, click, toggle } = useRowKeys(props, emit, {
  show,
  rowsInSight: () => Math.max(1, Math.floor((scroller()?.clientHeight ?? 400) / rowHeight) - 1),
})

function scrolled(event: Event) {
  const element = event.target as HTMLElement
  if (element.scrollTop + element.clientHeight > element.scrollHeight - 800) emit('more')
}

const focusNow = () => (list.value?.firstElementChild as HTMLElement | null)?.focus()

/** Rows that come or go must not take the focus away. */
watch(
  () => props.loading || props.rows.length === 0,
  async () => {
    const had = list.value?.contains(document.activeElement)
    await nextTick()
    if (had) focusNow()
  },
)

function focus() {
  focusNow()
  if (props.active === null && props.rows[0]) emit('update:active', props.rows[0].id)
}
defineExpose({ focus })
</script>

<template>
  <div ref="list" class="row-list">
    <div
      v-if="loading || rows.length === 0"
      class="waiting"
      role="region"
      tabindex="0"
      :aria-label="label"
      :aria-busy="loading"
    >
      <template v-if="loading"
        ><div v-for="n in 14" :key="n" class="skeleton" aria-hidden="true">
          <span :style="{ width: `${30 + ((n * 37) % 50)}%` }" /></div
      ></template>
      <slot v-else name="empty" />
    </div>
    <VVirtualScroll
      v-else
      :items="entries"
      :item-height="rowHeight"
      class="scroller"
      role="listbox"
      tabindex="0"
      :aria-label="label"
      :aria-multiselectable="pickable"
      :aria-activedescendant="active !== null ? `row-${active}` : undefined"
      @keydown="key"
      @scroll.passive="scrolled"
    >
      <template #default="{ item }">
        <div v-if="item.group !== null" class="group">
          <span
            v-if="pickable"
            class="box"
            :class="groupPicks(item.group)"
            aria-hidden="true"
            :title="t('list.pickAllOfGroup', { group: item.group })"
            @click="emit('toggle-group', item.group)"
          />
          <slot name="group" :group="item.group" :first="item.row" />
        </div>
        <div
          v-else
          :id="`row-${item.row.id}`"
          class="row"
          role="option"
          :class="{ active: item.row.id === active, picked: picked.has(item.row.id) }"
          :aria-selected="pickable ? picked.has(item.row.id) : item.row.id === active"
          @click="click($event, item.row)"
          @dblclick="emit('open', item.row.id)"
        >
          <span
            v-if="pickable"
            class="box"
            :class="picked.has(item.row.id) ? 'all' : 'none'"
            aria-hidden="true"
            data-test="pick"
            @click.stop="toggle(item.row.id)"
          />
          <slot name="row" :row="item.row" />
        </div>
      </template>
    </VVirtualScroll>
  </div>
</template>

<style scoped>
.row-list {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.scroller,
.waiting {
  flex: 1;
  min-height: 0;
  outline-offset: -2px;
}
.scroller {
  height: 100%;
  scrollbar-gutter: stable;
}
.waiting {
  overflow: auto;
}
.row,
.group,
.skeleton {
  height: 38px;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 14px;
  border-bottom: 1px solid var(--rule);
}
.group {
  background: var(--ledger);
}
.row {
  cursor: default;
  border-left: 3px solid transparent;
  padding-left: 11px;
}
.row:hover {
  background: var(--ledger-lift);
}
.row.active {
  background: var(--ledger);
  border-left-color: var(--peg);
}
.box {
  width: 15px;
  height: 15px;
  border: 1.5px solid var(--soft-ink);
  border-radius: 3px;
  flex: none;
  cursor: pointer;
  background: var(--paper) center / 11px no-repeat;
  position: relative;
}
.box.all,
.box.some {
  background-color: var(--ink);
  border-color: var(--ink);
}
.box.all::after {
  content: '';
  position: absolute;
  left: 3.5px;
  top: 0;
  width: 5px;
  height: 9px;
  border: solid var(--paper);
  border-width: 0 2px 2px 0;
  transform: rotate(45deg);
}
.box.some::after {
  content: '';
  position: absolute;
  left: 2px;
  right: 2px;
  top: 5px;
  height: 2px;
  background: var(--paper);
}
.skeleton span {
  display: block;
  height: 11px;
  border-radius: 3px;
  background: var(--ledger-deep);
}
</style>
