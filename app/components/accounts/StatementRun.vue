<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import { attempt } from '../../composables/api'
import { plural } from '../../composables/format'
import { useLive } from '../../composables/useLive'
import { fetchStatementRun, stopStatements } from '../../calls/statements'
import { periodWords } from './statement-words'
import { kindOfPeriod } from '../../../core/receivables/statement'
import type { StatementRunView } from '../../contract'

/** How a run of statements goes on, and at its end what was prepared and what was not, with why. */
const props = defineProps<{ id: number }>()
const open = defineModel<boolean>({ required: true })

const run = shallowRef<StatementRunView>()
async function load() {
  run.value = await fetchStatementRun(props.id)
}
onMounted(() => attempt(load))
useLive(['statements'], () => void load(), 300)

const all = computed(() =>
  run.value ? run.value.waiting + Object.values(run.value.counts).reduce((sum, one) => sum + one, 0) : 0,
)
const noun = computed(() => (run.value?.period.form === 'reminder' ? 'reminder' : 'statement'))
const done = computed(() => all.value - (run.value?.waiting ?? 0))
const outcomes = computed(() => ({
  prepared: t('accounts.preparedAll'),
  already: t('accounts.thereAlready'),
  nothing: run.value?.period.form === 'reminder' ? t('accounts.notToBeReminded') : t('accounts.nothingToSay'),
  refused: t('accounts.notMade'),
  stopped: t('accounts.stopped'),
}))
const counted = computed(() =>
  (Object.keys(outcomes.value) as (keyof typeof outcomes.value)[]).filter(
    (one) => run.value!.counts[one] > 0,
  ),
)
const stop = () =>
  attempt(async () => {
    run.value = await stopStatements(props.id)
  })
async function look() {
  open.value = false
  await navigateTo({ path: '/', query: { kind: kindOfPeriod(run.value!.period) } })
}
</script>

<template>
  <Ask
    v-model="open"
    :title="
      run && run.waiting === 0
        ? t('accounts.statementsArePrepared', { count: plural(run.counts.prepared, noun) })
        : t('accounts.preparingNouns', { nouns: plural(all, noun) })
    "
    :go="t('accounts.lookAtThemInToCheck')"
    :disabled="!run || run.counts.prepared + run.counts.already === 0"
    :leave="t('common.close')"
    wide
    @go="look"
  >
    <template v-if="run">
      <p class="soft">{{ periodWords(run.period) }}</p>
      <div v-if="run.waiting > 0" class="under-way">
        <progress
          :value="done"
          :max="all"
          :aria-label="t('accounts.preparingNouns', { nouns: plural(all, noun) })"
        />
        <span data-test="statements-done">{{ t('accounts.doneOfAll', { done, all }) }}</span>
        <VBtn height="28" data-test="stop-statements" @click="stop">{{ t('common.stop') }}</VBtn>
      </div>
      <ul v-else class="counts" data-test="statement-counts">
        <li v-for="one in counted" :key="one">
          <strong>{{ run.counts[one] }}</strong> {{ outcomes[one] }}
        </li>
      </ul>
      <ul v-if="run.left.length > 0" class="left" :aria-label="t('accounts.whatToKnowOfThem')">
        <li v-for="(one, place) in run.left" :key="place">
          <NuxtLink :to="`/accounts?customer=${one.customerId}`">{{ one.name }}</NuxtLink>
          <span class="soft">{{ one.brand }}</span> {{ saidWords(one.reason) }}
        </li>
      </ul>
    </template>
  </Ask>
</template>

<style scoped>
.under-way {
  display: flex;
  align-items: center;
  gap: 12px;
}
progress {
  flex: 1;
  accent-color: var(--spruce);
}
.counts {
  margin: 0;
  padding: 0;
  list-style: none;
}
.left {
  margin: 10px 0 0;
  padding: 8px 0 0;
  border-top: 1px solid var(--rule);
  list-style: none;
  max-height: 260px;
  overflow: auto;
  font-size: var(--small);
}
/* Its brand is told apart from what is said of it. */
.left .soft {
  margin: 0 6px;
}
.left li {
  padding: 2px 0;
}
</style>
