<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../words'
import TakenField from '../components/fields/TakenField.vue'
import WordPanel from '../components/list/WordPanel.vue'
import WordPicker from '../components/list/WordPicker.vue'
import { useSession } from '../stores/session'
import { useToasts } from '../stores/toasts'
import { useFilters } from '../composables/useFilters'
import { useNewest } from '../composables/useNewest'
import { useLive } from '../composables/useLive'
import { attempt } from '../composables/api'
import { longDay, moneyWithSign, plural } from '../composables/format'
import { fetchFigures } from '../calls/dispatches'
import { changeSettings } from '../calls/house'
import type { Figures } from '../contract'

const DaysChart = defineAsyncComponent(() => import('../components/line/DaysChart.vue'))

/** What became of emails and letters: by day, by domain, how fast, what they saved. Each number leads to its list. */
const session = useSession()
const { filters, set } = useFilters({ days: '30' })
const found = shallowRef<Figures>()
const newest = useNewest()
const load = () =>
  attempt(async () => {
    const answer = await newest(() => fetchFigures({ days: Number(filters.value.days) }))
    if (answer) found.value = answer
  })
watch(() => filters.value.days, load, { immediate: true })
useLive(['line'], () => void load(), 2000)

const spans = [7, 30, 90, 365].map((count) => ({ value: String(count), words: plural(count, 'day') }))
const sent = computed(() => found.value?.days.filter((one) => counted(one) > 0).toReversed() ?? [])
/** Its columns, in the order in which things happen. */
const parts = [
  { name: 'arrived', state: 'arrived', words: t('common.arrived') },
  { name: 'onTheWay', state: 'on the way', words: t('dispatches.onTheWay') },
  { name: 'waiting', state: 'waiting', words: t('dispatches.waiting') },
  { name: 'stuck', state: 'stuck', words: t('dispatches.stuck') },
] as const
const counted = (one: Figures['days'][number]) =>
  one.arrived + one.onTheWay + one.waiting + one.stuck + one.closed
const listOf = (day: string, state = '') => `/emails?from=${day}&to=${day}${state ? `&state=${state}` : ''}`
function lasting(seconds: number | null): string {
  if (seconds === null) return t('dispatches.noTime')
  if (seconds < 90) return plural(Math.max(1, Math.round(seconds)), 'second')
  if (seconds < 5400) return plural(Math.round(seconds / 60), 'minute')
  return plural(Math.round(seconds / 3600), 'hour')
}
const share = (failed: number, written: number) => `${((failed / Math.max(1, written)) * 100).toFixed(1)} %`
const paysPostage = computed(() => Number(found.value?.postage) > 0)
const setPostage = (postage: string) =>
  attempt(async () => {
    await changeSettings({ postage })
    await load()
    useToasts().say(t('dispatches.postageIsSet'))
  })
</script>

<template>
  <div class="page">
    <div class="bar">
      <h1 class="title">{{ t('dispatches.figures') }}</h1>
      <span class="sentence soft"
        ><I18nT keypath="dispatches.ofTheLastDays" scope="global"
          ><template #days
            ><WordPicker
              :label="t('common.days')"
              :choices="spans"
              :value="filters.days"
              @pick="set({ days: $event })" /></template></I18nT
      ></span>
      <NuxtLink class="push" to="/emails">{{ t('dispatches.allEmails') }}</NuxtLink>
    </div>
    <div v-if="found" class="body">
      <p v-if="found.emails + found.letters === 0 && sent.length === 0" class="empty">
        <strong>{{ t('dispatches.nothingSent') }}</strong>{{ t('dispatches.nothingSentWords') }}
      </p>
      <template v-else>
        <p class="said" data-test="figures-said">
          {{
            t('dispatches.soManyLeft', {
              emails: plural(found.emails, 'email'),
              letters: plural(found.letters, 'letter'),
            })
          }}
          {{ t('dispatches.howFast', { middle: lasting(found.middle), nine: lasting(found.nineInTen) }) }}
          <template v-if="found.opened">{{
            t('dispatches.soManyOpened', { opened: plural(found.opened, 'email') })
          }}</template>
          <template v-if="found.offers">
            {{
              t('dispatches.soManyFollowed', {
                offers: plural(found.offers, 'email'),
                followed: found.followed,
                share: share(found.followed, found.offers),
              })
            }}
          </template>
          <I18nT keypath="dispatches.aLetterCosts" scope="global"
            ><template #postage
              ><WordPanel
                :label="t('dispatches.postage')"
                :words="paysPostage ? `${found.postage} ${found.currency}` : t('dispatches.notSaidYet')"
                :open-end="!paysPostage"
                :disabled="!session.may('supervisor')"
                ><label
                  >{{ t('dispatches.postage') }}
                  <TakenField
                    :value="found.postage"
                    inputmode="decimal"
                    class="mono"
                    data-test="postage"
                    @take="setPostage" /></label></WordPanel></template
            ><template #saved
              ><strong>{{
                paysPostage ? moneyWithSign(found.saved, found.currency) : t('dispatches.soMuch')
              }}</strong></template
            ></I18nT
          >
        </p>
        <DaysChart :days="found.days" class="chart" @pick="navigateTo(listOf($event))" />
        <div class="tables">
          <table>
            <thead>
              <tr>
                <th>{{ t('common.days') }}</th>
                <th class="right">{{ t('dispatches.sentThatDay') }}</th>
                <th v-for="part in parts" :key="part.state" class="right">{{ part.words }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in sent" :key="one.day">
                <td>{{ longDay(one.day) }}</td>
                <td class="right">
                  <NuxtLink :to="listOf(one.day)">{{ counted(one) }}</NuxtLink>
                </td>
                <td v-for="part in parts" :key="part.state" class="right">
                  <NuxtLink v-if="one[part.name]" :to="listOf(one.day, part.state)">{{
                    one[part.name]
                  }}</NuxtLink><template v-else>–</template>
                </td>
              </tr>
            </tbody>
          </table>
          <table data-test="domains">
            <thead>
              <tr>
                <th>{{ t('dispatches.domain') }}</th>
                <th class="right">{{ t('dispatches.writtenTo') }}</th>
                <th class="right">{{ t('dispatches.cameBack') }}</th>
                <th class="right">{{ t('dispatches.ofAll') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in found.domains" :key="one.domain">
                <td class="cut">{{ one.domain }}</td>
                <td class="right">
                  <NuxtLink :to="`/emails?address=@${one.domain}&from=${found.from}&to=${found.to}`">{{
                    one.written
                  }}</NuxtLink>
                </td>
                <td class="right">{{ one.failed || '–' }}</td>
                <td class="right">{{ one.failed ? share(one.failed, one.written) : '–' }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 16px 20px;
  background: var(--paper);
}
.said {
  margin: 0 0 8px;
  line-height: 2;
}
.chart {
  min-height: 246px;
}
.tables {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 34px;
  align-items: start;
  margin-top: 8px;
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
  font-variant-numeric: tabular-nums;
}
@media (max-width: 900px) {
  .tables {
    grid-template-columns: 1fr;
  }
}
</style>
