<script lang="ts">
/** A column: its width in pixels, or what is left of the room as "2fr"; those with a key sort. */
export interface ListColumn {
  key?: string
  words: string
  width: number | `${number}fr`
  right?: boolean
}
</script>

<script setup lang="ts">
import { t } from '../../words'
/** Headings of a list's columns, as wide as its rows' cells. */
const props = withDefaults(
  defineProps<{ columns: ListColumn[]; sort: string; descending: boolean; pickable?: boolean }>(),
  { pickable: false },
)
const emit = defineEmits<{ sort: [key: string, descending: boolean] }>()
/** What people look for the newest or largest of falls first. */
const fallsFirst = ['date', 'total', 'issued', 'rest', 'overdue', 'balance']
const turn = (key: string) =>
  emit('sort', key, props.sort === key ? !props.descending : fallsFirst.includes(key))
const now = computed(() => (props.descending ? t('list.nowFalling') : t('list.nowRising')))
</script>

<template>
  <div class="heads" :class="{ pickable }">
    <template v-for="column in columns" :key="column.words">
      <button
        v-if="column.key"
        type="button"
        :class="{ here: sort === column.key, right: column.right }"
        :aria-label="
          t('list.sortByColumnSort', { column: column.words, sort: sort === column.key ? now : '' })
        "
        @click="turn(column.key)"
      >
        {{ column.words }}
        <span aria-hidden="true">{{ sort === column.key ? (descending ? '↓' : '↑') : '' }}</span>
      </button>
      <span v-else :class="{ right: column.right }">{{ column.words }}</span>
    </template>
  </div>
</template>

<style scoped>
.heads {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 12px;
  padding: 0 14px;
  overflow: hidden;
  scrollbar-gutter: stable;
  height: 30px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  background: var(--ledger);
  font-size: var(--small);
  color: var(--soft-ink);
  flex: none;
}
.heads.pickable {
  padding-left: 41px;
}
.heads > * {
  min-width: 0;
  white-space: nowrap;
}
button {
  background: none;
  border: 0;
  font: inherit;
  color: inherit;
  text-align: left;
  padding: 0;
  cursor: pointer;
  font-weight: 600;
}
button.here {
  color: var(--ink);
}
.right {
  text-align: right;
}
</style>
