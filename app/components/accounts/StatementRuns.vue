<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { attempt } from '../../composables/api'
import { dayTime, plural } from '../../composables/format'
import { useLive } from '../../composables/useLive'
import { fetchStatementRuns } from '../../calls/statements'
import { periodWords } from './statement-words'
import type { StatementRunHead } from '../../contract'

/** The runs of statements and reminders that are under way or were made lately, each with its report. */
const emit = defineEmits<{ report: [id: number] }>()
const open = ref(false)
const runs = shallowRef<StatementRunHead[]>([])
const load = () =>
  attempt(async () => {
    runs.value = (await fetchStatementRuns()).runs
  })
onMounted(load)
useLive(['statements'], () => void load(), 400)

const underWay = computed(() => runs.value.find((run) => run.waiting > 0))
const noun = (run: StatementRunHead) => (run.period.form === 'reminder' ? 'reminder' : 'statement')
const outcome = (run: StatementRunHead) =>
  [
    plural(run.prepared, noun(run)),
    run.failed ? t('bank.countNotMade', { count: run.failed }) : '',
    run.waiting ? t('bank.countStillWait', { count: run.waiting }) : '',
  ]
    .filter(Boolean)
    .join(', ')
function look(id: number) {
  open.value = false
  emit('report', id)
}
</script>

<template>
  <VBtn v-if="runs.length > 0" data-test="statement-runs" @click="open = true">{{
    underWay
      ? t('accounts.doneOfAll', { done: underWay.all - underWay.waiting, all: underWay.all })
      : t('bank.runs')
  }}</VBtn>
  <Ask
    v-model="open"
    :title="t('bank.runsOfStatements')"
    :go="t('common.close')"
    shows
    wide
    @go="open = false"
  >
    <ul>
      <li v-for="run in runs" :key="run.id">
        <button type="button" class="word" :data-run="run.id" @click="look(run.id)">
          {{ periodWords(run.period) }}
        </button>
        <span>{{ outcome(run) }}</span>
        <span class="soft">{{ dayTime(run.madeAt) }} · {{ run.madeBy }}</span>
      </li>
    </ul>
  </Ask>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 380px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 1.3fr 1fr 1fr;
  gap: 12px;
  justify-items: start;
  align-items: baseline;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.soft {
  font-size: var(--small);
}
</style>
