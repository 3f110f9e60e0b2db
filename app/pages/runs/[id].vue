<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said, saidWords } from '../../words/speech'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useNow } from '../../composables/useNow'
import { api, attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { amountOf, fullTime, moneyWithSign, plural } from '../../composables/format'
import { keepBack } from '../../calls/dispatches'
import { controlRun } from '../../calls/runs'
import type { RunProblem, RunReport } from '../../contract'
import { lasted, partSays, partWords, runState } from '../../composables/runWords'

/**
 * One Send: who, when, how long, its numbers; what became of each chosen document; what did not go, with its
 * remedy.
 */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const run = shallowRef<RunReport>()
const wrong = ref('')
const busy = ref(false)
const now = useNow(1000)

async function load() {
  try {
    run.value = await api.get('/api/runs/{id}', { path: { id: id.value } })
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(id, load, { immediate: true })
useLive(['run', 'line'], () => void load(), 400)

const stuck = computed(() => run.value?.problems.filter((one) => one.dispatchId !== null) ?? [])
const left = computed(() => run.value?.problems.filter((one) => one.dispatchId === null) ?? [])
const dispatches = (rows: readonly RunProblem[]) => [...new Set(rows.map((one) => one.dispatchId!))]
const why = (row: RunProblem) =>
  row.cause ? [said(`cause/${row.cause}`), row.reply].filter(Boolean).join(': ') : saidWords(row.reason)

const act = (call: () => Promise<{ ids: number[] }>, tells: (count: number) => string) =>
  attempt(async () => {
    busy.value = true
    try {
      const { ids } = await call()
      toasts.say(tells(ids.length))
      await load()
    } finally {
      busy.value = false
    }
  })
const sendAgain = (rows: readonly RunProblem[]) =>
  act(
    () => api.post('/api/dispatches/send-again', { body: { ids: dispatches(rows) } }),
    (count) => t('runs.emailsOnTheWayAgain', { emails: plural(count, 'email') }),
  )
const printInstead = (rows: readonly RunProblem[]) =>
  act(
    () => keepBack({ ids: dispatches(rows), act: 'print instead' }),
    (count) => t('runs.pluralInThePrintQueue', { plural: plural(count, 'print job') }),
  )
const control = (how: 'stop' | 'take-back') =>
  attempt(async () => {
    await controlRun(id.value, how)
    await load()
  })
const inUndoTime = computed(
  () => !!run.value && !run.value.endedAt && new Date(run.value.goesAt).getTime() > now.value,
)
</script>

<template>
  <div class="page">
    <div class="bar">
      <NuxtLink to="/runs">{{ t('common.sends') }}</NuxtLink>
      <h1 class="title">{{ t('runs.sendId', { id }) }}</h1>
      <template v-if="run">
        <span class="tag" :class="runState(run, now).tone" data-test="run-state">{{
          runState(run, now).words
        }}</span>
        <span class="soft"
          >{{
            t('runs.byStartedByStartedAt', { startedBy: run.startedBy, startedAt: fullTime(run.startedAt) })
          }}<template v-if="run.endedAt">
            {{ t('runs.tookLasted', { lasted: lasted(run.goesAt, run.endedAt) }) }}</template
          ><template v-if="run.stoppedBy">
            {{ t('runs.stoppedByStoppedBy', { stoppedBy: run.stoppedBy }) }}</template
          ><template v-if="run.takenBackBy">
            {{ t('runs.takenBackByTakenBackBy', { takenBackBy: run.takenBackBy }) }}</template
          ></span
        >
        <span class="push" />
        <VBtn v-if="inUndoTime && session.may('clerk')" height="30" @click="control('take-back')">{{
          t('common.takeAllBack')
        }}</VBtn>
        <VBtn v-else-if="!run.endedAt && session.may('clerk')" height="30" @click="control('stop')">{{
          t('common.stop')
        }}</VBtn>
        <VBtn height="30" :href="`/api/runs/${id}/csv`" data-test="csv">{{ t('common.saveAsCSV') }}</VBtn>
      </template>
    </div>
    <div v-if="wrong" class="empty">
      <strong>{{ t('runs.noSuchSend') }}</strong>{{ wrong }}
    </div>
    <div v-else-if="run" class="body">
      <table class="parts" data-test="parts">
        <thead>
          <tr>
            <th>{{ t('runs.whatBecameOfThePlural', { plural: plural(run.chosen, 'chosen document') }) }}</th>
            <th class="amount">{{ t('common.documents') }}</th>
            <th class="amount">{{ t('common.emails') }}</th>
            <th class="amount">{{ t('runs.printJobs') }}</th>
            <th class="amount">{{ t('common.sum') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in run.parts" :key="part.part" :title="partSays(part)">
            <td>
              <span class="tag" :class="partWords[part.part].tone">{{ partWords[part.part].words }}</span>
            </td>
            <td class="amount">{{ part.documents }}</td>
            <td class="amount">{{ part.emails || '' }}</td>
            <td class="amount">{{ part.prints || '' }}</td>
            <td class="amount">
              <div v-for="one in part.sums" :key="one.currency">
                {{ moneyWithSign(one.sum, one.currency) }}
              </div>
            </td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th>
              <I18nT keypath="runs.issuedSpan" scope="global"
                ><template #span
                  ><span v-for="one in run.numbers" :key="one.first" class="mono soft numbers"
                    >{{
                      one.first === one.last
                        ? one.first
                        : t('common.firstToLast', { first: one.first, last: one.last })
                    }}
                    ({{ one.count }})</span
                  ></template
                ></I18nT
              >
            </th>
            <td class="amount">{{ run.issued }}</td>
            <td class="amount">{{ run.emails || '' }}</td>
            <td class="amount">{{ run.prints || '' }}</td>
            <td class="amount">
              <div v-for="one in run.sums" :key="one.currency">
                {{ moneyWithSign(one.sum, one.currency) }}
              </div>
            </td>
          </tr>
        </tfoot>
      </table>

      <section v-if="stuck.length" :aria-label="t('common.stuck')">
        <div class="heading">
          <h2>{{ t('runs.stuckCount', { count: stuck.length }) }}</h2>
          <template v-if="session.may('clerk')">
            <span class="push" />
            <VBtn height="30" :disabled="busy" data-test="print-all" @click="printInstead(stuck)">{{
              t('runs.printCountInstead', { count: dispatches(stuck).length })
            }}</VBtn>
            <VBtn height="30" :disabled="busy" data-test="again-all" @click="sendAgain(stuck)">{{
              t('runs.sendCountAgain', { count: dispatches(stuck).length })
            }}</VBtn>
          </template>
        </div>
        <ul class="rows">
          <li v-for="row in stuck" :key="row.preparedId">
            <NuxtLink class="mono" :to="`/register?search=${row.number}&in=${row.documentId}`">{{
              row.number
            }}</NuxtLink>
            <span class="name cut">{{ row.customerName }}</span>
            <span class="reason">{{ why(row) }}</span>
            <span class="amount">{{ amountOf(row) }}</span>
            <template v-if="session.may('clerk')">
              <VBtn height="26" :disabled="busy" @click="printInstead([row])">{{ t('runs.print') }}</VBtn>
              <VBtn height="26" :disabled="busy" @click="sendAgain([row])">{{ t('common.sendAgain') }}</VBtn>
            </template>
          </li>
        </ul>
      </section>
      <section v-if="left.length" :aria-label="t('runs.notIssued')">
        <div class="heading">
          <h2>{{ t('runs.notIssuedCount', { count: left.length }) }}</h2>
        </div>
        <ul class="rows">
          <li v-for="row in left" :key="row.preparedId">
            <NuxtLink
              v-if="row.paperState === 'prepared'"
              class="mono"
              :to="`/?stage=to+check&search=${row.orderNumber || row.customerName}`"
              >{{ row.orderNumber || kindWords(row.kind) }}</NuxtLink
            >
            <span v-else class="mono soft">{{ row.orderNumber || kindWords(row.kind) }}</span>
            <span class="name cut">{{ row.customerName }}</span>
            <span class="reason">{{ saidWords(row.reason) }}</span>
            <span class="amount">{{ amountOf(row) }}</span>
            <span class="soft now">{{
              {
                prepared: t('runs.inToCheck'),
                issued: t('runs.issuedSince'),
                'put back': t('runs.inToSend'),
                due: t('runs.inToSend'),
              }[row.paperState] ?? t('runs.notWantedAnyMore')
            }}</span>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.page {
  background: var(--paper);
}
.body {
  flex: 1;
  overflow: auto;
  padding: 16px 18px;
}
.parts {
  border-collapse: collapse;
  min-width: 720px;
}
.parts th {
  text-align: left;
  font-weight: 600;
}
.parts th.amount {
  text-align: right;
  font-family: var(--text);
}
.parts th,
.parts td {
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}
.parts tfoot th,
.parts tfoot td {
  border-top: 2px solid var(--ink);
  border-bottom: 0;
}
.numbers {
  margin-left: 10px;
  font-weight: 400;
}
.heading {
  display: flex;
  align-items: center;
  gap: 10px;
  margin: 20px 0 4px;
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.rows li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 36px;
  border-bottom: 1px solid var(--rule);
}
.rows .mono:first-child {
  flex: 0 0 130px;
}
.name {
  flex: 0 0 220px;
}
.reason {
  flex: 1 1 200px;
  font-size: var(--small);
}
.now {
  flex: 0 0 120px;
  text-align: right;
}
</style>
