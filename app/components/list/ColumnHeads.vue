<script setup lang="ts">
/** Headings of a list's columns; those with a key sort. */
const props = withDefaults(defineProps<{ columns: { key: string, words: string, class: string }[], sort: string, descending: boolean, pickable?: boolean }>(), { pickable: false })
const emit = defineEmits<{ sort: [key: string, descending: boolean] }>()
const turn = (key: string) => emit('sort', key, props.sort === key ? !props.descending : key === 'date' || key === 'total' || key === 'issued')
</script>

<template>
  <div class="heads" :class="{ pickable }">
    <template v-for="column in columns" :key="column.words">
      <button v-if="column.key" type="button" :class="[column.class, { here: sort === column.key }]" :aria-label="`Sort by ${column.words}${sort === column.key ? (descending ? ', now falling' : ', now rising') : ''}`" @click="turn(column.key)">
        {{ column.words }} <span aria-hidden="true">{{ sort === column.key ? (descending ? '↓' : '↑') : '' }}</span>
      </button>
      <span v-else :class="column.class">{{ column.words }}</span>
    </template>
  </div>
</template>

<style scoped>
.heads { display: flex; gap: 12px; padding: 0 14px; overflow: hidden; scrollbar-gutter: stable; height: 30px; align-items: center; border-bottom: 1px solid var(--rule); background: var(--ledger); font-size: 12.5px; color: var(--soft-ink); flex: none; }
.heads.pickable { padding-left: 41px; }
button { background: none; border: 0; font: inherit; color: inherit; text-align: left; padding: 0; cursor: pointer; font-weight: 600; }
button.here { color: var(--ink); }
.total, .amount-head { text-align: right; font-family: var(--text); }
</style>
