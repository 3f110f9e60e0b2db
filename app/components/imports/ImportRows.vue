<script setup lang="ts">
import { t } from '../../words'
import { said, saidWords } from '../../words/speech'
import RowList from '../list/RowList.vue'
import WordPicker from '../list/WordPicker.vue'
import { useList } from '../../composables/useList'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { fetchImportRows, mendImportRow } from '../../calls/imports'
import { useSession } from '../../stores/session'
import { fieldsOf, toldField } from '../../../core/imports/fields'
import type { ImportView, RowState, RowView } from '../../contract'
import type { PageOf } from '../../composables/useList'

/**
 * The rows of an import with what is wrong or what became of them; a wrong one is mended in its cells and
 * checked at once.
 */
const props = defineProps<{ file: ImportView; may: boolean }>()
const state = ref<RowState | ''>(props.file.counts.wrong ? 'wrong' : '')
const list = useList<RowView, PageOf<RowView>>((place) =>
  fetchImportRows(props.file.id, { state: state.value, ...place }),
)
const active = ref<number | null>(null)
const row = computed(() => list.rows.value.find((one) => one.id === active.value) ?? null)
const cells = ref<string[]>([])
const busy = ref(false)
watch(state, () => void list.restart(), { immediate: true })
watch(
  () => props.file.counts,
  () => void list.reload(),
)
watch(list.rows, (rows) => {
  if (!rows.some((one) => one.id === active.value)) active.value = rows[0]?.id ?? null
})
// only for another row, or once it was checked: what is being typed outlives a list that is loaded anew
watch(
  [() => row.value?.id, () => row.value?.note?.words],
  () => {
    cells.value = [...(row.value?.cells ?? [])]
  },
  { immediate: true },
)

const columns = computed(() =>
  fieldsOf(props.file.subject, useSession().house!.ownFields).flatMap((field) => {
    const mapped = props.file.mapping[field.key]
    return mapped && 'column' in mapped ? [{ ...field, column: mapped.column }] : []
  }),
)
async function mend() {
  busy.value = true
  await attempt(async () => {
    const line = row.value!.line
    const mended = await mendImportRow(props.file.id, line, { cells: cells.value })
    useToasts().say(
      mended.state === 'right'
        ? t('imports.lineLineIsRightNow', { line })
        : t('imports.lineLineNote', { line, note: saidWords(mended.note) }),
      { wrong: mended.state !== 'right' },
    )
    await list.reload()
  })
  busy.value = false
}
const choices = computed(() => [
  { value: '', words: t('imports.allRows') },
  ...(['wrong', 'right', 'written', 'unchanged'] as const).map((value) => ({
    value,
    words: `${said(`row-state/${value}`)}, ${props.file.counts[value] ?? 0}`,
  })),
])
const tone: Record<RowState, string> = { right: 'go', wrong: 'stuck', written: '', unchanged: '' }
const canMend = computed(
  () =>
    props.may &&
    !!row.value &&
    ['wrong', 'right'].includes(row.value.state) &&
    ['checked', 'done'].includes(props.file.state),
)
</script>

<template>
  <div class="bar">
    <strong>{{ t('imports.rows') }}</strong><span class="sentence soft"
      ><WordPicker
        :label="t('imports.rows')"
        :choices="choices"
        :value="state"
        @pick="state = $event as RowState"
    /></span>
  </div>
  <div class="list">
    <RowList
      v-model:active="active"
      :rows="list.rows.value"
      :label="t('imports.rowsOfTheFile')"
      :pickable="false"
      :loading="list.first.value"
      @more="list.loadMore()"
    >
      <template #row="{ row: one }"
        ><span class="line mono soft">{{ one.line }}</span
        ><span class="tag" :class="tone[one.state]">{{ said(`row-state/${one.state}`) }}</span
        ><span class="cut note" :title="saidWords(one.note)">{{
          saidWords(one.note) || one.cells.slice(0, 6).join(' · ')
        }}</span></template
      >
      <template #empty
        ><div class="empty">
          <strong>{{ t('imports.noSuchRow') }}</strong>{{
            state === 'wrong' ? t('imports.everyRowIsRight') : t('imports.chooseOtherRowsAbove')
          }}
        </div></template
      >
    </RowList>
  </div>
  <form v-if="row" class="mend" :aria-label="t('imports.theRowInHand')" @submit.prevent="mend">
    <p v-if="row.note" :class="{ wrong: row.state === 'wrong' }" role="status">
      {{ t('imports.lineLineNote', { line: row.line, note: saidWords(row.note) }) }}
    </p>
    <div class="cells">
      <label v-for="one in columns" :key="one.key"
        >{{ saidWords(toldField(file.subject, one)) }}
        <input v-model="cells[one.column]" :disabled="!canMend" :data-test="`cell-${one.key}`"
      /></label>
    </div>
    <VBtn
      v-if="canMend"
      type="submit"
      height="30"
      :disabled="busy || cells.join('\n') === row.cells.join('\n')"
      data-test="mend-row"
      >{{ t('imports.checkRowLine', { line: row.line }) }}</VBtn
    >
  </form>
</template>

<style scoped>
.line {
  flex: 0 0 46px;
  text-align: right;
}
.note {
  flex: 1;
}
.list {
  background: var(--paper);
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.mend {
  background: var(--paper);
  border-top: 2px solid var(--ink);
  padding: 10px 14px;
  max-height: 46%;
  overflow: auto;
  flex: none;
}
.mend p {
  margin: 0 0 8px;
}
.wrong {
  color: var(--brick);
  font-weight: 650;
}
.cells {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 12px;
  margin-bottom: 8px;
}
label {
  font-size: var(--small);
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
  min-width: 0;
}
input {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 5px 8px;
  font: inherit;
  font-size: var(--body);
  color: var(--ink);
  background: var(--paper);
  min-width: 0;
}
</style>
