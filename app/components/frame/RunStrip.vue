<script setup lang="ts">
import type { RunReport } from '../../../server/services/documents/send-run'

/** A Send: its grace, its progress with counts, and its report: chosen = issued + rehearsed + changed + skipped + failed. */
const store = useRuns()
const now = useNow(1000)
onMounted(() => void attempt(store.findOpen))
const inGrace = (run: RunReport) => !run.endedAt && new Date(run.goesAt).getTime() > now.value
const left = (run: RunReport) => Math.max(0, Math.ceil((new Date(run.goesAt).getTime() - now.value) / 1000))
const clockWords = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
const act = (run: RunReport, path: string) =>
  attempt(async () => {
    await callApi(`/api/runs/${run.id}/${path}`, { method: 'POST', body: {} })
    await store.watchRun(run.id)
  })
const title = (run: RunReport) => {
  if (run.takenBackBy) return `Taken back: all ${run.chosen} are on To check, no number was used`
  if (run.rehearsed) return `${run.rehearsed} rehearsed`
  return run.issued === run.chosen ? `All ${run.chosen} issued` : `${run.issued} of ${run.chosen} issued`
}
const rest = (run: RunReport) =>
  (
    [
      [run.changed, 'changed since you looked'],
      [run.takenBackBy ? 0 : run.skipped, 'left out'],
      [run.failed, 'failed'],
    ] as const
  ).filter(([count]) => count > 0)
const ways = (run: RunReport) =>
  (
    [
      [run.sent.emailed, 'emailed'],
      [run.sent.printed, 'posted'],
      [run.sent.waiting, 'waiting'],
      [run.sent.stuck, 'stuck'],
      [run.sent.unsent, 'not sent'],
    ] as const
  ).filter(([count]) => count > 0)
</script>

<template>
  <div v-if="store.runs.length > 0" class="runs" role="status">
    <section v-for="run in store.runs" :key="run.id" class="run" data-test="run">
      <div v-if="inGrace(run)" class="words">
        <strong
          >{{ plural(run.chosen, 'paper') }} {{ run.chosen === 1 ? 'goes' : 'go' }} in
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
          <span v-for="[count, words] in rest(run)" :key="words" class="tag wait"
            >{{ count }} {{ words }}</span
          >
          <button type="button" class="close" @click="store.remove(run.id)">Close</button>
        </div>
        <p v-if="run.issued" class="soft">
          {{ plural(run.issued, 'document') }}, {{ plural(run.sent.dispatches, 'dispatch', 'dispatches') }}:
          {{
            ways(run)
              .map(([count, words]) => `${count} ${words}`)
              .join(', ')
          }}. <a :href="`/api/runs/${run.id}/report`">Report as CSV</a>
        </p>
        <ul v-if="run.problems.length > 0 && !run.takenBackBy">
          <li v-for="row in run.problems.slice(0, 6)" :key="row.paperId">
            <span class="mono">{{ row.orderNumber }}</span> {{ row.customerName }}: {{ row.reason }}
          </li>
          <li v-if="run.problems.length > 6" class="soft">
            and {{ run.problems.length - 6 }} more; all of them are still on To check.
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
