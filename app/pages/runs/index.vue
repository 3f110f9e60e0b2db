<script setup lang="ts">
import { t } from '../../words'
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
  { words: t('common.when'), width: 118 },
  { words: t('common.by'), width: '1fr' },
  { words: t('runs.chosen'), width: 70, right: true },
  { words: t('common.issued'), width: 70, right: true },
  { words: t('runs.left'), width: 70, right: true },
  { words: t('common.numbers'), width: '2fr' },
  { words: t('common.state'), width: 128 },
]
const numbers = (run: RunHeader) =>
  (run.numbers ?? [])
    .map(({ first, last }) => (first === last ? first : t('common.firstToLast', { first, last })))
    .join(', ')
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.sends')">
        <div class="bar">
          <h1 class="title">{{ t('common.sends') }}</h1>
          <span class="soft">{{ t('runs.eachSendWithItsReport') }}</span>
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.sends')"
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
              <strong>{{ t('runs.noSendYet') }}</strong>{{ t('runs.eachTimeDocumentsAreSent') }}
              <NuxtLink to="/?stage=to+check">{{ t('runs.openToCheck') }}</NuxtLink>
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
