<script setup lang="ts">
import { t } from '../words'
import { kindTitle } from '../composables/kinds'
import { saidWords } from '../words/speech'
import DateField from '../components/fields/DateField.vue'
import DocumentAside from '../components/paper/DocumentAside.vue'
import ListPane from '../components/list/ListPane.vue'
import { houseToday, longDay, money, moneyWithSign, plural } from '../composables/format'
import { useFilters } from '../composables/useFilters'
import { wholeList } from '../composables/useList'
import { useHand } from '../composables/useHand'
import { api, csvHref } from '../composables/api'
import { useLive } from '../composables/useLive'
import { addDays } from '../../core/documents/days'
import type { Difference, Reconciliation, ProvedSeries } from '../contract'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

/**
 * The proof of a day: how many of each series were issued, numbered, painted, sent and arrived, by count and
 * sum; and every document that is a difference.
 */
const today = houseToday()
const { filters, set } = useFilters({ day: today })
const reconciliation = shallowRef<Reconciliation>()
const wrong = ref('')
const list = wholeList(
  computed(() => reconciliation.value?.differences ?? []),
  ref(false),
  load,
)
const { active } = useHand(list.rows)

async function load() {
  try {
    reconciliation.value = await api.get('/api/documents/reconciliation', {
      query: { day: filters.value.day },
    })
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(() => filters.value.day, load, { immediate: true })
useLive(['register', 'line', 'payment'], () => void load(), 600)

const shift = (days: number) => set({ day: addDays(filters.value.day, days) })
const steps = ['numbered', 'painted', 'left', 'arrived'] as const
const stepWords = {
  numbered: t('register.numbered'),
  painted: t('register.pdfMade'),
  left: t('register.sentOrPrinted'),
  arrived: t('common.arrived'),
}
const short = (one: ProvedSeries, step: (typeof steps)[number]) => one[step].count !== one.issued.count
const tone: Record<Difference['step'], string> = {
  numbered: 'stuck',
  posted: 'stuck',
  painted: 'wait',
  sent: 'wait',
  arrived: 'way',
}
const proved = computed(
  () =>
    !!reconciliation.value &&
    reconciliation.value.differences.length === 0 &&
    reconciliation.value.postings.every((one) => Number(one.difference) === 0),
)
const columns: ListColumn[] = [
  { words: t('common.number'), width: 128 },
  { words: t('common.customer'), width: '2fr' },
  { words: t('register.notYet'), width: 82 },
  { words: t('common.why'), width: '3fr' },
  { words: t('common.total'), width: 100, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('register.dailyReconciliation')">
        <div class="bar">
          <h1 class="title">{{ t('register.dailyReconciliation') }}</h1>
          <span class="soft">{{ t('register.of') }}</span>
          <VBtn height="28" :aria-label="t('register.theDayBefore')" @click="shift(-1)">‹</VBtn
          ><DateField
            :model-value="filters.day"
            :aria-label="t('common.day')"
            data-test="proof-day"
            @update:model-value="set({ day: $event || today })"
          /><VBtn
            height="28"
            :aria-label="t('register.theDayAfter')"
            :disabled="filters.day >= today"
            @click="shift(1)"
            >›</VBtn
          >
          <NuxtLink class="push" to="/numbers">{{ t('register.numberRegister') }}</NuxtLink>
        </div>
        <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
        <template v-else-if="reconciliation">
          <p class="notice" :class="{ wait: !proved }" role="status" data-test="proof-facts">
            <span v-if="reconciliation.series.length === 0">{{
              t('register.nothingWasIssuedOnDay', { day: longDay(reconciliation.day) })
            }}</span><span v-else-if="proved">{{
              t('register.allThatWasIssuedOn', { day: longDay(reconciliation.day) })
            }}</span
            ><span v-else>{{
              t('register.documentsReconciliationOfDayReconciliation2', {
                documents: plural(reconciliation.differences.length, 'document'),
                reconciliation: reconciliation.more ? t('register.andMore') : '',
                day: longDay(reconciliation.day),
                reconciliation2: t(
                  reconciliation.differences.length === 1 ? 'register.isNot' : 'register.areNot',
                ),
              })
            }}</span>
          </p>
          <div v-if="reconciliation.series.length" class="sums">
            <table :aria-label="t('register.series')">
              <thead>
                <tr>
                  <th>{{ t('register.series') }}</th>
                  <th>{{ t('register.fromTo') }}</th>
                  <th class="right">{{ t('common.issued') }}</th>
                  <th v-for="step in steps" :key="step" class="right">{{ stepWords[step] }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="one in reconciliation.series" :key="one.id">
                  <td>
                    {{ kindTitle(one.kind, 'many') }}<br /><span class="soft small"
                      >{{ one.brand }}{{ one.scope ? `, ${saidWords(one.scope)}` : '' }}</span
                    >
                  </td>
                  <td class="mono range">
                    {{ one.first }}<template v-if="one.last !== one.first"><br />{{ one.last }}</template>
                  </td>
                  <td class="right mono">
                    {{ one.issued.count }}<br /><span class="soft">{{
                      money(one.issued.sum, one.currency)
                    }}</span>
                  </td>
                  <td
                    v-for="step in steps"
                    :key="step"
                    class="right mono"
                    :class="{ short: short(one, step) }"
                  >
                    {{ one[step].count }}<br /><span :class="{ soft: !short(one, step) }">{{
                      money(one[step].sum, one.currency)
                    }}</span>
                  </td>
                </tr>
              </tbody>
            </table>
            <table :aria-label="t('register.postings')">
              <thead>
                <tr>
                  <th>{{ t('common.posted') }}</th>
                  <th class="right">{{ t('register.openNow') }}</th>
                  <th class="right">{{ t('common.paid') }}</th>
                  <th class="right">{{ t('common.credited') }}</th>
                  <th class="right">{{ t('register.voided') }}</th>
                  <th class="right">{{ t('common.difference') }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="one in reconciliation.postings" :key="one.currency">
                  <td class="mono">{{ moneyWithSign(one.posted, one.currency) }}</td>
                  <td
                    v-for="part in ['open', 'paid', 'credited', 'voided'] as const"
                    :key="part"
                    class="right mono"
                  >
                    {{ money(one[part], one.currency) }}
                  </td>
                  <td class="right mono" :class="{ short: Number(one.difference) !== 0 }">
                    {{ money(one.difference, one.currency) }}
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
          <template v-if="reconciliation.differences.length">
            <ListPane
              v-model:active="active"
              :list="list"
              :columns="columns"
              :label="t('register.differences')"
              @open="
                (id) =>
                  navigateTo(
                    `/register?in=${id}&search=${reconciliation!.differences.find((one) => one.id === id)!.number}`,
                  )
              "
            >
              <template #row="{ row: one }"
                ><span class="number mono">{{ one.number }}</span
                ><span class="name cut">{{ one.customerName }}</span
                ><span class="step"
                  ><span class="tag" :class="tone[one.step]">{{ one.step }}</span></span
                ><span class="why cut soft" :title="saidWords(one)">{{ saidWords(one) }}</span
                ><span class="total amount">{{ money(one.total, one.currency) }}</span></template
              >
            </ListPane>
            <footer class="foot-bar">
              <span class="soft">{{ plural(reconciliation.differences.length, 'difference') }}</span><span
                class="push"
              /><VBtn
                :href="csvHref('/api/documents/reconciliation/csv', { day: filters.day })"
                data-test="csv"
                >{{ t('common.saveAsCSV') }}</VBtn
              >
            </footer>
          </template>
        </template>
      </section>
      <DocumentAside
        :id="active"
        :empty="t('register.noDifferenceInHand')"
        :words="t('register.aDocumentThatDidNot')"
      />
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.day {
  border: 1px solid var(--faint-ink);
  border-radius: 4px;
  padding: 4px 8px;
  font: inherit;
}
p.notice {
  margin: 0;
}
.sums {
  padding: 8px 14px;
  flex: none;
  max-height: 62%;
  overflow: auto;
}
.small {
  font-size: var(--small);
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 8px;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
.range {
  font-size: var(--small);
  white-space: nowrap;
}
th.right,
td.right {
  text-align: right;
  white-space: nowrap;
}
td.mono {
  font-size: var(--small);
}
.short {
  color: var(--brick);
  font-weight: 650;
}
</style>
