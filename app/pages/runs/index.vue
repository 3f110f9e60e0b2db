<script setup lang="ts">
import ListPane from '../../components/list/ListPane.vue'
import { useList } from '../../composables/useList'
import { api } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { fullTime, shortTime } from '../../composables/format'
import type { RunHeader } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'
import { runState } from '../../composables/runWords'

/** Every Send there was, newest first; each has a page of its own. */
const list = useList<RunHeader, PageOf<RunHeader>>((place) => api.get('/api/runs', { query: place }))
const active = ref<number | null>(null)
onMounted(() => list.restart())
useLive(['run'], () => void list.reload(), 400)
const columns: ListColumn[] = [
  { words: 'When', width: 118 },
  { words: 'By', width: '1fr' },
  { words: 'Chosen', width: 70, right: true },
  { words: 'Issued', width: 70, right: true },
  { words: 'Left', width: 70, right: true },
  { words: 'Numbers', width: '2fr' },
  { words: 'State', width: 128 },
]
const numbers = (run: RunHeader) =>
  (run.numbers ?? []).map(({ first, last }) => (first === last ? first : `${first} to ${last}`)).join(', ')
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Sends">
        <div class="bar">
          <h1 class="title">Sends</h1>
          <span class="soft">Each Send with its report, newest first</span>
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          label="Sends"
          @open="navigateTo(`/runs/${$event}`)"
        >
          <template #row="{ row }">
            <NuxtLink class="mono" :to="`/runs/${row.id}`" :title="fullTime(row.startedAt)">{{
              shortTime(row.startedAt)
            }}</NuxtLink>
            <span class="cut">{{ row.startedBy }}</span>
            <span class="amount">{{ row.chosen }}</span>
            <span class="amount">{{ row.issued || row.rehearsed }}</span>
            <span class="amount">{{ row.changed + row.skipped + row.failed || '' }}</span>
            <span class="mono soft cut" :title="numbers(row)">{{ numbers(row) }}</span>
            <span
              ><span class="tag" :class="runState(row).tone">{{ runState(row).words }}</span></span
            >
          </template>
          <template #empty
            ><div class="empty">
              <strong>No Send yet</strong>Each time documents are sent from To check, its report appears here.
              <NuxtLink to="/?stage=to+check">Open To check</NuxtLink>
            </div></template
          >
        </ListPane>
      </section>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
</style>
