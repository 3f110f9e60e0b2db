<script setup lang="ts" generic="Row extends { id: number }">
/** A short list of records in Settings: what it is for, the button that adds one, a line each. */
withDefaults(
  defineProps<{
    /** Undefined while they are fetched. */
    rows: readonly Row[] | undefined
    /** The words of the button that adds one; none where the person may not. */
    add?: string
    addTest?: string
    /** Widths of the columns of a line, as CSS has them. */
    columns: string
  }>(),
  { add: '', addTest: '' },
)
const emit = defineEmits<{ add: [] }>()
defineSlots<{
  intro(): unknown
  row(given: { row: Row; index: number }): unknown
  empty(): unknown
}>()
</script>

<template>
  <div class="top">
    <p class="soft"><slot name="intro" /></p>
    <VBtn v-if="add" variant="flat" class="go" :data-test="addTest" @click="emit('add')">{{ add }}</VBtn>
  </div>
  <ul v-if="rows?.length">
    <li v-for="(row, index) in rows" :key="row.id" :style="{ gridTemplateColumns: columns }">
      <slot name="row" :row="row" :index="index" />
    </li>
  </ul>
  <div v-else-if="rows" class="empty"><slot name="empty" /></div>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
}
p {
  margin: 0;
  max-width: 80ch;
}
ul {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
li {
  display: grid;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 8px 0;
}
li :deep(.what) {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
li :deep(.acts) {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
li :deep(.tag) {
  justify-self: start;
}
</style>
