<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { useRuns } from '../../stores/runs'
import { useNow } from '../../composables/useNow'
import { attempt } from '../../composables/api'
import { agreeing, moneyWithSign, plural } from '../../composables/format'
import { controlRun } from '../../calls/runs'
import type { RunReport } from '../../contract'
import { partWords } from '../../composables/runWords'

/**
 * A Send: its undo time, its progress with counts, and its report: chosen = issued + rehearsed + changed +
 * skipped + failed.
 */
const store = useRuns()
const now = useNow(1000)
onMounted(() => void attempt(store.findOpen))
const inUndoTime = (run: RunReport) => !run.endedAt && new Date(run.goesAt).getTime() > now.value
const left = (run: RunReport) => Math.max(0, Math.ceil((new Date(run.goesAt).getTime() - now.value) / 1000))
const clockWords = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
const act = (run: RunReport, how: 'stop' | 'take-back') =>
  attempt(async () => {
    await controlRun(run.id, how)
    await store.watchRun(run.id)
  })
const title = (run: RunReport) => {
  if (run.takenBackBy) return t('frame.takenBackNoneOfChosen', { chosen: run.chosen })
  if (run.stoppedBy) return t('frame.stoppedIssuedOfChosenIssued', { issued: run.issued, chosen: run.chosen })
  if (run.rehearsed) return t('frame.rehearsedRehearsed', { rehearsed: run.rehearsed })
  return run.issued === run.chosen
    ? t('frame.allChosenIssued', { chosen: run.chosen })
    : t('frame.issuedOfChosenIssued', { issued: run.issued, chosen: run.chosen })
}
/** What became of them, part by part: "2 emailed, 1 waiting". */
const says = (run: RunReport) =>
  run.parts.map((part) => `${part.documents} ${partWords[part.part].words}`).join(', ')
const mails = (run: RunReport) =>
  [run.emails ? plural(run.emails, 'email') : '', run.prints ? plural(run.prints, 'print job') : '']
    .filter(Boolean)
    .join(t('common.and'))
/** A report in which nothing is left to do goes by itself; Sends keeps it. */
const quietSeconds = 40
const isDone = (run: RunReport) =>
  run.endedAt !== null &&
  problems(run).length === 0 &&
  run.parts.every((part) => part.part !== 'waiting') &&
  now.value - new Date(run.endedAt).getTime() > quietSeconds * 1000
/** So many stand here; the others are found under Sends. */
const most = 2
const shown = computed(() => store.runs.filter((run) => !isDone(run)))
const problems = (run: RunReport) => (run.takenBackBy ? [] : run.problems)
</script>

<template>
  <div v-if="shown.length > 0" class="runs" role="status">
    <section v-for="run in shown.slice(0, most)" :key="run.id" class="run" data-test="run">
      <template v-if="inUndoTime(run)">
        <strong
          ><I18nT keypath="frame.documentsRunInRun2" scope="global"
            ><template #documents>{{ plural(run.chosen, 'document') }}</template
            ><template #run>{{ agreeing(run.chosen, 'goes') }}</template
            ><template #run2
              ><span class="mono">{{ clockWords(left(run)) }}</span></template
            ></I18nT
          ></strong
        >
        <span class="soft">{{ t('frame.nothingIsNumberedYet') }}</span>
        <button type="button" class="close" data-test="take-back" @click="act(run, 'take-back')">
          {{ t('common.takeAllBack') }}
        </button>
      </template>
      <template v-else-if="!run.endedAt">
        <strong>{{
          t('frame.sendingRunOfChosen', { run: run.chosen - run.open, chosen: run.chosen })
        }}</strong>
        <VProgressLinear
          class="progress"
          :model-value="((run.chosen - run.open) / run.chosen) * 100"
          :aria-label="t('frame.sendingRunOfChosen', { run: run.chosen - run.open, chosen: run.chosen })"
        />
        <span class="soft">{{ t('frame.itGoesOnWhenYou') }}</span>
        <button type="button" class="close" @click="act(run, 'stop')">{{ t('common.stop') }}</button>
      </template>
      <template v-else>
        <strong>{{ title(run) }}</strong>
        <span v-for="one in run.numbers" :key="one.first" class="mono detail">{{
          one.first === one.last ? one.first : t('common.firstToLast', { first: one.first, last: one.last })
        }}</span>
        <span v-for="one in run.sums" :key="one.currency" class="mono soft detail">{{
          moneyWithSign(one.sum, one.currency)
        }}</span>
        <span class="soft"
          >{{ says(run) }}<template v-if="mails(run)">; {{ mails(run) }}</template
          >.</span
        >
        <span v-for="row in problems(run).slice(0, 2)" :key="row.preparedId" class="problem detail">
          <span class="mono">{{ row.number || row.orderNumber }}</span> {{ row.customerName }}:
          {{ saidWords(row.reason) || row.reply || partWords[row.part].words }}
        </span>
        <span v-if="problems(run).length > 2" class="soft detail">{{
          t('frame.andProblemsMoreInThe', { problems: problems(run).length - 2 })
        }}</span>
        <NuxtLink :to="`/runs/${run.id}`" data-test="run-report">{{ t('frame.openTheReport') }}</NuxtLink>
        <button type="button" class="close" @click="store.remove(run.id)">{{ t('common.close') }}</button>
      </template>
    </section>
    <p v-if="shown.length > most" class="run">
      <NuxtLink to="/runs">{{ plural(shown.length - most, 'more Send') }}</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
.runs {
  flex: none;
  max-height: 30vh;
  overflow: auto;
  background: var(--paper);
}
.run {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  padding: 7px 14px;
  border-top: 1px solid var(--rule);
  border-left: 4px solid var(--spruce);
}
.runs > p {
  margin: 0;
}
.progress {
  flex: 0 0 180px;
  align-self: center;
}
.problem {
  color: var(--brick);
}
/* On a telephone what became of it, and the way to the rest. */
@media (max-width: 700px) {
  .detail {
    display: none;
  }
}
.close {
  margin-left: auto;
  background: none;
  border: 0;
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
  color: var(--ink);
}
</style>
