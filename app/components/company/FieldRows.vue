<script setup lang="ts" generic="Row extends object">
/** A column of such rows: which field of a row, what it is called, and whether it is a number. */
export interface FieldColumn<Row> {
  field: keyof Row & string
  words: string
  isNumber?: boolean
  isWide?: boolean
}

/** Rows of fields in Settings, like boxes: each is kept as soon as it is left and whole, and can be taken away. */
defineProps<{
  columns: readonly FieldColumn<Row>[]
  /** Their order counts: each says its place. */
  numbered?: boolean
  disabled: boolean
  /** What one of them is called in tests: "box-1-name". */
  test: string
  maxlength: number
  fieldLabel: (n: number, field: string) => string
  removeLabel: (n: number) => string
  addLabel: string
}>()
const rows = defineModel<Row[]>({ required: true })
const emit = defineEmits<{ keep: []; add: [] }>()
function remove(place: number) {
  rows.value.splice(place, 1)
  emit('keep')
}
</script>

<template>
  <table v-if="rows.length">
    <thead>
      <tr>
        <th v-if="numbered" />
        <th v-for="column in columns" :key="column.field">{{ column.words }}</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, place) in rows" :key="place">
        <td v-if="numbered" class="soft">{{ place + 1 }}</td>
        <td v-for="column in columns" :key="column.field">
          <input
            v-model="row[column.field]"
            :class="{ mono: column.isNumber, wide: column.isWide }"
            :disabled="disabled"
            :aria-label="fieldLabel(place + 1, column.words)"
            :data-test="`${test}-${place + 1}-${column.field}`"
            :maxlength="maxlength"
            @change="emit('keep')"
          />
        </td>
        <td>
          <button
            v-if="!disabled"
            type="button"
            class="remove"
            :aria-label="removeLabel(place + 1)"
            @click="remove(place)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <button
    v-if="!disabled"
    type="button"
    class="word open-end"
    :data-test="`add-${test}`"
    @click="emit('add')"
  >
    {{ addLabel }}
  </button>
</template>

<style scoped>
table {
  border-collapse: collapse;
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
  width: 104px;
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
.wide {
  width: 180px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
</style>
