<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useFilters } from '../../composables/useFilters'
import { useLive } from '../../composables/useLive'
import { useNewest } from '../../composables/useNewest'
import { attempt } from '../../composables/api'
import { longDay, money, plural } from '../../composables/format'
import { fetchMoneyFigures } from '../../calls/accounts'
import { ageingSteps } from '../../../core/receivables/ageing'
import type { MoneyFigures } from '../../contract'

const MonthsChart = defineAsyncComponent(() => import('../../components/accounts/MonthsChart.vue'))

/** How fast money comes: what was owed at each month's end by age, days outstanding, and what reminders brought. */
const { filters, set } = useFilters({ currency: '' })
const found = shallowRef<MoneyFigures>()
const newest = useNewest()
const load = () =>
  attempt(async () => {
    const answer = await newest(() => fetchMoneyFigures({ currency: filters.value.currency }))
    if (answer) found.value = answer
  })
watch(() => filters.value.currency, load, { immediate: true })
useLive(['payment', 'register'], () => void load(), 2000)

const currencies = computed(() => found.value!.currencies.map((value) => ({ value, words: value })))
/** Those of which something is known, the newest first. */
const months = computed(
  () => found.value?.months.filter((one) => Number(one.open) + Number(one.invoiced) !== 0).toReversed() ?? [],
)
const short = (amount: string) =>
  Number(amount) === 0 ? '–' : money(amount, found.value!.currency).replace(/ [A-Z]{3}$/, '')
const share = (part: string, whole: string) =>
  Number(whole) > 0 ? `${Math.round((Number(part) / Number(whole)) * 100)} %` : '–'
const after = [7, 14, 30]
</script>

<template>
  <div class="page">
    <div class="bar">
      <AccountPlaces />
      <span v-if="found" class="sentence soft"
        ><I18nT keypath="bank.overTimeIn" scope="global"
          ><template #currency
            ><WordPicker
              :label="t('common.currency')"
              :choices="currencies"
              :value="found.currency"
              @pick="set({ currency: $event })" /></template></I18nT
      ></span>
    </div>
    <div v-if="found" class="body">
      <p v-if="months.length === 0" class="empty">
        <strong>{{ t('bank.nothingBookedYet') }}</strong>{{ t('bank.figuresComeWithTheFirst') }}
      </p>
      <template v-else>
        <MonthsChart :months="found.months" class="chart" />
        <table data-test="months">
          <thead>
            <tr>
              <th>{{ t('bank.atTheEndOf') }}</th>
              <th v-for="step in ageingSteps" :key="step" class="right">
                {{ step === 'not due' ? step : t('accounts.stepDays', { step }) }}
              </th>
              <th class="right">{{ t('bank.owedInAll') }}</th>
              <th class="right">{{ t('bank.invoicedIn90Days') }}</th>
              <th class="right" :title="t('bank.howDaysOutstandingIsFound')">
                {{ t('bank.daysOutstanding') }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, at) in months" :key="one.until">
              <td>{{ at === 0 ? t('bank.today') : longDay(one.until) }}</td>
              <td v-for="(sum, step) in one.steps" :key="step" class="right mono">{{ short(sum) }}</td>
              <td class="right mono">
                <NuxtLink v-if="at === 0" to="/accounts">{{ short(one.open) }}</NuxtLink><template v-else>{{
                  short(one.open)
                }}</template>
              </td>
              <td class="right mono">
                <NuxtLink :to="`/register?from=${one.from}&to=${one.until}`">{{
                  short(one.invoiced)
                }}</NuxtLink>
              </td>
              <td class="right">
                <strong>{{ one.outstanding ?? '–' }}</strong>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="soft">{{ t('bank.howDaysOutstandingIsFound') }}</p>
        <h2>{{ t('bank.whatRemindersBrought') }}</h2>
        <p v-if="found.levels.length === 0" class="soft">{{ t('bank.nobodyWasReminded') }}</p>
        <table v-else data-test="levels">
          <thead>
            <tr>
              <th>{{ t('bank.level') }}</th>
              <th class="right">{{ t('bank.invoicesReminded') }}</th>
              <th class="right">{{ t('bank.openThen') }}</th>
              <th v-for="days in after" :key="days" class="right">
                {{ t('bank.cameWithin', { days: plural(days, 'day') }) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in found.levels" :key="one.level">
              <td>{{ one.level }} {{ one.name }}</td>
              <td class="right">
                <NuxtLink to="/register?kind=payment+reminder">{{ one.items }}</NuxtLink>
              </td>
              <td class="right mono">{{ short(one.asked) }}</td>
              <td v-for="(sum, at) in one.came" :key="at" class="right">
                <span class="mono">{{ short(sum) }}</span><span v-if="Number(sum) > 0" class="soft share">{{
                  share(sum, one.asked)
                }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </template>
    </div>
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 16px 20px;
  background: var(--paper);
}
.chart {
  min-height: 246px;
}
h2 {
  margin: 18px 0 4px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--rule);
}
th {
  font-size: var(--small);
  color: var(--soft-ink);
}
.right {
  text-align: right;
}
.share {
  margin-left: 6px;
}
</style>
