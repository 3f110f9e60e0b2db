<script setup lang="ts">
import { useRuns } from '../../stores/runs'
import { useNow } from '../../composables/useNow'
import { attempt } from '../../composables/api'
import { moneyWithSign, plural } from '../../composables/format'
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
  if (run.takenBackBy) return `Taken back: none of ${run.chosen} was issued, no number was used`
  if (run.stoppedBy) return `Stopped: ${run.issued} of ${run.chosen} issued`
  if (run.rehearsed) return `${run.rehearsed} rehearsed`
  return run.issued === run.chosen ? `All ${run.chosen} issued` : `${run.issued} of ${run.chosen} issued`
}
/** What became of them, part by part: "2 emailed, 1 waiting". */
const says = (run: RunReport) =>
  run.parts.map((part) => `${part.documents} ${partWords[part.part].words}`).join(', ')
const mails = (run: RunReport) =>
  [run.emails ? plural(run.emails, 'email') : '', run.prints ? plural(run.prints, 'print job') : '']
    .filter(Boolean)
    .join(' and ')
const problems = (run: RunReport) => (run.takenBackBy ? [] : run.problems)
</script>

<template>
  <div v-if="store.runs.length > 0" class="runs" role="status">
    <section v-for="run in store.runs" :key="run.id" class="run" data-test="run">
      <div v-if="inUndoTime(run)" class="words">
        <strong
          >{{ plural(run.chosen, 'document') }} {{ run.chosen === 1 ? 'goes' : 'go' }} in
          <span class="mono">{{ clockWords(left(run)) }}</span></strong
        >
        <span class="soft">Nothing is numbered yet.</span>
        <button type="button" class="close" data-test="take-back" @click="act(run, 'take-back')">
          Take all back
        </button>
      </div>
      <template v-else-if="!run.endedAt">
        <div class="words">
          <strong>Sending {{ run.chosen - run.open }} of {{ run.chosen }}</strong>
          <span class="soft">It goes on when you leave this page.</span
          ><button type="button" class="close" @click="act(run, 'stop')">Stop</button>
        </div>
        <VProgressLinear
          :model-value="((run.chosen - run.open) / run.chosen) * 100"
          :aria-label="`Sending ${run.chosen - run.open} of ${run.chosen}`"
        />
      </template>
      <template v-else>
        <div class="words">
          <strong>{{ title(run) }}</strong>
          <span v-for="one in run.numbers" :key="one.first" class="mono">{{
            one.first === one.last ? one.first : `${one.first} to ${one.last}`
          }}</span>
          <span v-for="one in run.sums" :key="one.currency" class="mono soft">{{
            moneyWithSign(one.sum, one.currency)
          }}</span>
          <button type="button" class="close" @click="store.remove(run.id)">Close</button>
        </div>
        <p class="soft">
          {{ says(run) }}<template v-if="mails(run)">; {{ mails(run) }}</template
          >.
          <NuxtLink :to="`/runs/${run.id}`" data-test="run-report">Open the report</NuxtLink>
        </p>
        <ul v-if="problems(run).length">
          <li v-for="row in problems(run).slice(0, 4)" :key="row.preparedId">
            <span class="mono">{{ row.number || row.orderNumber }}</span> {{ row.customerName }}:
            {{ row.reason || row.part }}
          </li>
          <li v-if="problems(run).length > 4" class="soft">
            and {{ problems(run).length - 4 }} more in the report
          </li>
        </ul>
      </template>
    </section>
  </div>
</template>

<style scoped>
.runs {
  width: 560px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.run {
  background: var(--paper);
  border: 1px solid var(--ink);
  border-left: 4px solid var(--spruce);
  border-radius: 4px;
  padding: 10px 14px;
  box-shadow: 0 6px 18px rgb(22 38 43 / 16%);
}
.words {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
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
p {
  margin: 4px 0 0;
  font-size: 13px;
}
ul {
  margin: 8px 0 0;
  padding-left: 18px;
}
</style>
