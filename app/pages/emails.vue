<script setup lang="ts">
import DateField from '../components/fields/DateField.vue'
import DocumentPane from '../components/paper/DocumentPane.vue'
import ListPane from '../components/list/ListPane.vue'
import SearchField from '../components/list/SearchField.vue'
import WordPanel from '../components/list/WordPanel.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { api } from '../composables/api'
import { useHand } from '../composables/useHand'
import { useLive } from '../composables/useLive'
import { fullTime, longDay, shortTime } from '../composables/format'
import { documentKinds, kindFacts } from '../../core/documents/kinds'
import { dispatchStages } from '../../core/dispatch/states'
import type { DispatchRow } from '../contract'
import type { Leaf } from '../components/paper/LeafTabs.vue'
import type { PageOf } from '../composables/useList'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/** Every email and print job there ever was; the one in hand with its exact words and files beside it. */
const { filters, set } = useFilters({ address: '', state: '', kind: '', text: '', from: '', to: '' })
const list = useList<DispatchRow, PageOf<DispatchRow>>((place) =>
  api.get('/api/dispatches', { query: { ...filters.value, ...place } }),
)
const { active, row } = useHand(list.rows)
const leaf = ref<Leaf>('Email')
watch(filters, () => void list.restart(), { immediate: true })
useLive(['line'], () => void list.reload(), 600)

const states = [
  { value: '', words: 'in any state' },
  ...dispatchStages.map((value) => ({ value: value as string, words: value as string })),
]
const kinds = [
  { value: '', words: 'documents of any kind' },
  ...documentKinds.map((value) => ({ value: value as string, words: kindFacts[value].many })),
]
const tone: Record<string, string> = { arrived: 'go', 'on the way': 'way', stuck: 'stuck', waiting: 'queue' }
const stateOf = (one: DispatchRow) =>
  ['claimed', 'handing over'].includes(one.state) ? 'waiting' : one.state
function turn(step: 1 | -1) {
  const leaves: Leaf[] = ['Document', 'Email', 'History']
  leaf.value = leaves[Math.min(2, Math.max(0, leaves.indexOf(leaf.value) + step))]!
}
const columns: ListColumn[] = [
  { words: 'When', width: 76 },
  { words: 'Number', width: 128 },
  { words: 'To', width: '3fr' },
  { words: 'Subject', width: '4fr' },
  { words: 'State', width: 86 },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Emails">
        <div class="bar">
          <h1 class="title">Emails</h1>
          <span class="sentence soft"
            >with
            <WordPicker label="Kind" :choices="kinds" :value="filters.kind" @pick="set({ kind: $event })" />,
            <WordPicker
              label="State"
              :choices="states"
              :value="filters.state"
              @pick="set({ state: $event })"
            />,
            <WordPanel
              label="Days"
              :words="
                filters.from || filters.to
                  ? (filters.from ? longDay(filters.from) : 'the first') +
                    ` to ${filters.to ? longDay(filters.to) : 'today'}`
                  : 'of any day'
              "
              ><label
                >from
                <DateField
                  :model-value="filters.from"
                  @update:model-value="set({ from: $event ?? '' })" /></label
              ><label
                >to
                <DateField :model-value="filters.to" @update:model-value="set({ to: $event ?? '' })" /></label
            ></WordPanel>
          </span>
          <SearchField
            class="push"
            :value="filters.address"
            label="Address"
            @search="set({ address: $event })"
          />
          <SearchField :value="filters.text" label="Words in it" @search="set({ text: $event })" />
        </div>
        <ListPane v-model:active="active" :list="list" :columns="columns" label="Emails" @leaf="turn">
          <template #row="{ row: one }">
            <span class="soft" :title="fullTime(one.createdAt)">{{ shortTime(one.createdAt) }}</span>
            <span class="mono cut">{{ one.number }}</span>
            <span class="cut" :title="one.sendTo"
              ><span v-if="one.isCopy" class="tag">copy</span> {{ one.sendTo || one.customerName }}</span
            >
            <span class="cut">{{
              one.subject ||
              (one.channel === 'email'
                ? kindFacts[one.kind].one
                : one.state === 'arrived'
                  ? 'printed'
                  : 'to print')
            }}</span>
            <span
              ><span class="tag" :class="tone[stateOf(one)] ?? ''">{{ stateOf(one) }}</span></span
            >
          </template>
          <template #empty
            ><div class="empty">
              <strong>No email of that kind</strong>Every email is listed here with its exact words and files,
              as soon as its document is issued.
            </div></template
          >
        </ListPane>
      </section>
      <aside class="right" aria-label="The email">
        <DocumentPane v-if="row" :id="row.documentId" v-model:leaf="leaf" :dispatch="row.id" />
        <div v-else class="empty">
          <strong>No email selected</strong>Choose one to read it as it was sent.
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.bar :deep(.search) {
  min-width: 0;
  width: 132px;
}
</style>
