<script setup lang="ts" generic="Row extends { id: number }">
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

const rowHeight = 38
const list = ref<HTMLElement>()

const entries = computed<Entry[]>(() => {
  const found: Entry[] = []
  let last: string | undefined
  for (const row of props.rows) {
    const group = props.groupOf?.(row)
    if (group !== undefined && group !== last) found.push({ key: `group ${group}`, row, group })
    last = group
    found.push({ key: `row ${row.id}`, row, group: null })
  }
  return found
})

function groupPicks(group: string): 'all' | 'some' | 'none' {
  const own = props.rows.filter((row) => props.groupOf!(row) === group)
  const count = own.filter((row) => props.picked.has(row.id)).length
  return count === 0 ? 'none' : count === own.length ? 'all' : 'some'
}

let anchor: number | null = null

const indexOf = (id: number | null) => props.rows.findIndex((row) => row.id === id)

let shown: number | null = null

/**
 * Brings a row into sight; a list that is only just being laid out is not as long as it will be, so that it
 * is looked at again in the next frames.
 */
function show(id: number, tries = 8) {
  shown = id
  const element = scroller()
  const index = entries.value.findIndex((entry) => entry.group === null && entry.row.id === id)
  if (!element || index < 0) return
  const top = index * rowHeight
  if (top < element.scrollTop + rowHeight) element.scrollTop = Math.max(0, top - rowHeight)
  else if (top + rowHeight > element.scrollTop + element.clientHeight)
    element.scrollTop = top + rowHeight - element.clientHeight
  const reached = top >= element.scrollTop && top + rowHeight <= element.scrollTop + element.clientHeight + 1
  if (!reached && tries > 0) requestAnimationFrame(() => shown === id && show(id, tries - 1))
}

/** Rows that come in above push the row in hand down: where it was in sight, it stays in sight. */
watch(entries, async (_, before) => {
  const element = scroller()
  const top = before.findIndex((entry) => entry.group === null && entry.row.id === props.active) * rowHeight
  if (
    !element ||
    top < 0 ||
    top + rowHeight <= element.scrollTop ||
    top >= element.scrollTop + element.clientHeight
  )
    return
  await nextTick()
  if (props.active !== null) show(props.active)
})

function goTo(index: number, range: boolean) {
  const bounded = Math.min(props.rows.length - 1, Math.max(0, index))
  const row = props.rows[bounded]
  if (!row) return
  if (range && props.pickable) {
    anchor ??= indexOf(props.active)
    const [from, to] = [Math.min(Math.max(0, anchor), bounded), Math.max(anchor, bounded)]
    emit('update:picked', new Set(props.rows.slice(from, to + 1).map((one) => one.id)))
  } else anchor = null
  emit('update:active', row.id)
  show(row.id)
  if (bounded > props.rows.length - 15) emit('more')
}

function toggle(id: number) {
  const next = new Set(props.picked)
  if (!next.delete(id)) next.add(id)
  emit('update:picked', next)
}

function key(event: KeyboardEvent) {
  if (event.altKey || event.metaKey || (event.ctrlKey && event.key !== 'a')) return
  const at = indexOf(props.active)
  const page = Math.max(1, Math.floor((scroller()?.clientHeight ?? 400) / rowHeight) - 1)
  const acts: Record<string, () => void> = {
    ArrowDown: () => goTo(at + 1, event.shiftKey),
    ArrowUp: () => goTo(at - 1, event.shiftKey),
    PageDown: () => goTo(at + page, event.shiftKey),
    PageUp: () => goTo(at - page, event.shiftKey),
    Home: () => goTo(0, event.shiftKey),
    End: () => goTo(props.rows.length - 1, event.shiftKey),
    ArrowRight: () => emit('leaf', 1),
    ArrowLeft: () => emit('leaf', -1),
    ' ': () => props.active !== null && props.pickable && toggle(props.active),
    a: () =>
      event.ctrlKey && props.pickable && emit('update:picked', new Set(props.rows.map((row) => row.id))),
    Enter: () => props.active !== null && emit('open', props.active),
    Escape: () => (props.picked.size > 0 ? emit('update:picked', new Set()) : emit('update:active', null)),
  }
  const act = acts[event.key]
  if (!act || (event.key === 'a' && !event.ctrlKey)) return
  event.preventDefault()
  act()
}

function click(event: MouseEvent, row: Row) {
  if (event.shiftKey && props.pickable) {
    goTo(indexOf(row.id), true)
    return
  }
  anchor = null
  emit('update:active', row.id)
}

function scrolled(event: Event) {
  const element = event.target as HTMLElement
  if (element.scrollTop + element.clientHeight > element.scrollHeight - 800) emit('more')
}

const scroller = () => list.value?.querySelector<HTMLElement>('.scroller')
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
            :title="`Pick all of ${item.group}`"
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
