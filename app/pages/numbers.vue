<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../words'
import { saidWords, said } from '../words/speech'
import { kindWords } from '../composables/kinds'
import DocumentAside from '../components/paper/DocumentAside.vue'
import ListPane from '../components/list/ListPane.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { api } from '../composables/api'
import { useHand } from '../composables/useHand'
import { useLive } from '../composables/useLive'
import { amountOf, plural, shortDay } from '../composables/format'
import type { NumberPeriod, NumberRow } from '../contract'
import type { PageOf } from '../composables/useList'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/** The number register: per series and period every number with what it stands for, and what is missing or double. */
const periods = shallowRef<NumberPeriod[]>([])
const { filters, set } = useFilters({ series: '', period: '' })
const chosen = computed(
  () =>
    periods.value.find(
      (one) => String(one.seriesId) === filters.value.series && one.period === filters.value.period,
    ) ?? periods.value[0],
)
interface NumberPage extends PageOf<NumberRow> {
  missing: number[]
  skipped: { first: number; last: number; reason: string; by: string }[]
}
const list = useList<NumberRow, NumberPage>(async (place) =>
  chosen.value
    ? api.get('/api/numbers/{id}', {
        path: { id: chosen.value.seriesId },
        query: { period: chosen.value.period, ...place },
      })
    : { rows: [], after: null, missing: [], skipped: [], matching: 0 },
)
const { active } = useHand(list.rows)
const wrong = ref('')

async function load() {
  try {
    periods.value = await api.get('/api/numbers')
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
onMounted(load)
watch(chosen, (now, before) => {
  if (now?.seriesId !== before?.seriesId || now?.period !== before?.period) void list.restart()
})
useLive(
  ['register'],
  () => {
    void load()
    void list.reload()
  },
  600,
)

const seriesWords = (one: NumberPeriod) =>
  t('register.kindsOfBrandOne', {
    kinds: kindWords(one.kind, 'many'),
    brand: one.brand,
    one: one.scope ? ` (${saidWords(one.scope)})` : '',
  })
const seriesChoices = computed(() => [
  ...new Map(
    periods.value.map((one) => [one.seriesId, { value: String(one.seriesId), words: seriesWords(one) }]),
  ).values(),
])
const periodWords = (period: string) => period || t('register.allTime')
const periodChoices = computed(() =>
  periods.value
    .filter((one) => one.seriesId === chosen.value?.seriesId)
    .map((one) => ({ value: one.period, words: periodWords(one.period) })),
)
const pickSeries = (value: string) =>
  set({ series: value, period: periods.value.find((one) => String(one.seriesId) === value)!.period })
const tone: Record<NumberRow['state'], string> = {
  issued: '',
  void: 'stuck',
  credited: 'wait',
  'part credited': 'wait',
}
const columns: ListColumn[] = [
  { words: t('common.number'), width: 140 },
  { words: t('register.dated'), width: 64 },
  { words: t('common.customer'), width: '1fr' },
  { words: t('common.state'), width: 104 },
  { words: t('common.total'), width: 104, right: true },
]
const whyOf = ({ reason, creditedWith }: { reason: string; creditedWith: string }) =>
  reason || (creditedWith && said('number/credited-with', { numbers: creditedWith }))
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('register.numberRegister')">
        <div class="bar">
          <h1 class="title">{{ t('common.numbers') }}</h1>
          <span v-if="chosen" class="sentence soft"
            ><I18nT keypath="register.ofSeriesInPeriod" scope="global"
              ><template #series
                ><WordPicker
                  :label="t('register.series')"
                  :words="seriesWords(chosen)"
                  :choices="seriesChoices"
                  :value="String(chosen.seriesId)"
                  @pick="pickSeries" /></template
              ><template #period
                ><WordPicker
                  :label="t('register.period')"
                  :words="periodWords(chosen.period)"
                  :choices="periodChoices"
                  :value="chosen.period"
                  @pick="set({ series: String(chosen!.seriesId), period: $event })" /></template></I18nT
          ></span>
        </div>
        <div v-if="wrong" class="notice stuck">{{ wrong }}</div>
        <p
          v-if="chosen"
          class="notice"
          :class="chosen.gaps || chosen.doubles ? 'stuck' : 'go'"
          role="status"
          data-test="proof"
        >
          <span
            >{{ plural(chosen.count, 'number') }}, <span class="mono">{{ chosen.first }}</span>
            {{ t('register.to') }} <span class="mono">{{ chosen.last }}</span>:
            {{ chosen.gaps ? plural(chosen.gaps, 'gap') : t('register.noGap') }},
            {{ chosen.doubles ? plural(chosen.doubles, 'double') : t('register.noDouble') }}.<template
              v-for="one in list.extra.value?.skipped ?? []"
              :key="one.first"
              >{{
                t('register.notUsedOneReasonBy', {
                  one:
                    one.first === one.last
                      ? one.first
                      : t('common.firstToLast', { first: one.first, last: one.last }),
                  reason: one.reason,
                  by: one.by,
                })
              }} </template
            ><template v-if="list.extra.value?.missing.length">
              {{ t('register.missingList', { list: list.extra.value.missing.join(', ') }) }}</template
            ></span
          >
        </p>
        <ListPane v-model:active="active" :list="list" :columns="columns" :label="t('common.numbers')">
          <template #row="{ row: one }">
            <span class="number mono">{{ one.number }}</span><span class="date">{{ shortDay(one.date) }}</span
            ><span class="name cut">{{ one.customerName }}</span>
            <span class="state"
              ><span class="tag" :class="tone[one.state]" :title="whyOf(one)">{{
                said(`number/${one.state}`)
              }}</span>
              <span
                v-if="one.earlierThan"
                class="tag wait"
                :title="t('register.allowedAlthoughDayWasNumbered', { day: shortDay(one.earlierThan) })"
                >{{ t('register.earlier') }}</span
              ></span
            ><span class="total amount">{{ chosen ? amountOf({ ...one, kind: chosen.kind }) : '' }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{ t('register.noNumberYet') }}</strong>{{ t('register.everyNumberThatIsUsed') }}
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ plural(chosen?.count ?? 0, 'number') }}</span><span class="push" /><VBtn
            v-if="chosen"
            :href="`/api/numbers/${chosen.seriesId}/csv?period=${encodeURIComponent(chosen.period)}`"
            data-test="numbers-csv"
            >{{ t('common.saveAsCSV') }}</VBtn
          >
        </footer>
      </section>
      <DocumentAside
        :id="active"
        :empty="t('register.noDocumentInHand')"
        :words="t('register.chooseANumberToSee')"
      />
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
p {
  margin: 0;
}
</style>
