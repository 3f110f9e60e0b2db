<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import { watchDebounced } from '@vueuse/core'
import { useNewest } from '../../composables/useNewest'
import WordPicker from '../list/WordPicker.vue'
import { agreeing, money, moneyWithSign, plural, shortDay } from '../../composables/format'
import { tryRoutine } from '../../calls/routines'
import { eventOf, type RoutineSentence } from '../../../core/routines/sentence'
import type { Trial } from '../../contract'

/**
 * What the sentence would have done over the past days, on the house's own orders; drawn anew while the
 * sentence changes.
 */
const props = defineProps<{ sentence: RoutineSentence; live: RoutineSentence | null; routine: number }>()
const days = ref(30)
const trial = shallowRef<Trial>()
const wrong = ref('')
const all = ref(false)
const TrialChart = defineAsyncComponent(() => import('./TrialChart.vue'))
const newest = useNewest()

async function load() {
  try {
    const { sentence, live, routine } = props
    const found = await newest(() => tryRoutine({ sentence, live, days: days.value, routine }))
    if (!found) return
    trial.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
void load()
watchDebounced(() => JSON.stringify([props.sentence, props.live, days.value]), load, { debounce: 220 })

const dayChoices = [30, 90].map((value) => ({
  value: String(value),
  words: t('routines.valueDays', { value }),
}))
const kind = computed(() =>
  trial.value?.papers === 1 ? kindWords(props.sentence.issue) : kindWords(props.sentence.issue, 'many'),
)
const words = (reasons: Trial['stuck']['reasons']) =>
  reasons.map((one) => (one.count > 1 ? `${one.count} ${saidWords(one)}` : saidWords(one))).join(' · ')
const outcomes = {
  clean: t('routines.goes'),
  person: t('routines.waitsForAPerson'),
  stuck: t('routines.sticks'),
}
/** Where the record behind a row is seen; a payment has no page of its own. */
const placeOf = (one: Trial['orders'][number]) =>
  ({
    'order status': `/orders/${one.id}`,
    shipment: `/shipments/${one.id}`,
    'shipment delivered': `/shipments/${one.id}`,
    'parcel held': `/shipments/${one.id}`,
    'order delivered': `/orders/${one.id}`,
    posted: `/register?search=${one.number}&in=${one.id}`,
    payment: '',
    time: `/accounts?customer=${one.customerId}`,
  })[eventOf(props.sentence)]
</script>

<template>
  <h2>
    <I18nT keypath="routines.triedOnTheLastHowFar" scope="global"
      ><template #howFar
        ><WordPicker
          :label="t('routines.howFarBack')"
          :words="t('routines.daysDays', { days })"
          :choices="dayChoices"
          :value="String(days)"
          @pick="days = Number($event)" /></template
    ></I18nT>
  </h2>
  <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  <template v-else-if="trial">
    <div class="sum" data-test="trial">
      <strong class="big">{{ trial.papers }}</strong>
      <span
        ><I18nT keypath="routines.kindToCustomersTrialBr" scope="global"
          ><template #kind>{{ kind }}</template
          ><template #customers
            ><strong>{{ trial.customers }}</strong></template
          ><template #trial>{{ agreeing(trial.customers, 'customer') }}</template
          ><template #br><br /></template
          ><template #amount
            ><span v-for="one in trial.sums" :key="one.currency" class="mono each">{{
              moneyWithSign(one.sum, one.currency)
            }}</span></template
          ></I18nT
        ></span
      >
    </div>
    <TrialChart v-if="trial.papers" :days="trial.byDay" class="chart" />
    <p v-else class="soft none">
      {{
        t('routines.nothingWouldHavePassedEvents', {
          events: plural(trial.looked, 'event'),
          trial: agreeing(trial.looked, 'was'),
        })
      }}
    </p>
    <p v-if="sentence.on === 'time'" class="soft">{{ t('routines.itsLastTurns') }}</p>
    <dl>
      <div>
        <dt>{{ t('routines.wouldHaveGoneOutCleanly') }}</dt>
        <dd class="go">{{ trial.clean }}</dd>
      </div>
      <div>
        <dt>
          <I18nT keypath="routines.wouldHaveWaitedForA" scope="global"
            ><template #reasons
              ><small>{{ words(trial.person.reasons) }}</small></template
            ></I18nT
          >
        </dt>
        <dd :class="{ wait: trial.person.count > 0 }">{{ trial.person.count }}</dd>
      </div>
      <div>
        <dt>
          <I18nT keypath="routines.wouldHaveGotStuckReasons" scope="global"
            ><template #reasons
              ><small>{{ words(trial.stuck.reasons) }}</small></template
            ></I18nT
          >
        </dt>
        <dd :class="{ bad: trial.stuck.count > 0 }">{{ trial.stuck.count }}</dd>
      </div>
      <div v-for="other in trial.shared" :key="other.name" data-test="shared">
        <dt>
          <I18nT keypath="routines.takenByOtherTooOnlyOne" scope="global"
            ><template #other>{{ other.name }}</template
            ><template #onlyOne
              ><small>{{ t('routines.onlyOneOfTheTwo') }}</small></template
            ></I18nT
          >
        </dt>
        <dd class="wait">{{ other.count }}</dd>
      </div>
      <div v-if="trial.against">
        <dt>
          <I18nT keypath="routines.againstTheVersionThatIs" scope="global"
            ><template #trial
              ><small>{{
                trial.against.more || trial.against.fewer
                  ? t('routines.moreMoreFewerFewer', {
                      more: trial.against.more,
                      fewer: trial.against.fewer,
                    })
                  : t('routines.theSameOrders')
              }}</small></template
            ></I18nT
          >
        </dt>
        <dd>
          {{ trial.against.more - trial.against.fewer > 0 ? '+' : ''
          }}{{ trial.against.more - trial.against.fewer }}
        </dd>
      </div>
    </dl>
    <VBtn v-if="trial.papers" data-test="trial-all" @click="all = true">{{
      t('routines.seeAllPapers', { papers: trial.papers })
    }}</VBtn>
    <VDialog v-model="all" max-width="760" :aria-label="t('routines.theDocumentsOfTheTrial')">
      <div class="list">
        <h2>{{ t('routines.whatWouldHaveHappened') }}</h2>
        <table>
          <thead>
            <tr>
              <th>{{ sentence.on === 'time' ? t('bank.account') : t('common.order') }}</th>
              <th>{{ t('common.day') }}</th>
              <th>{{ t('common.customer') }}</th>
              <th class="amount">{{ t('common.total') }}</th>
              <th>{{ t('routines.it') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, place) in trial.orders" :key="place">
              <td class="mono">
                <NuxtLink v-if="placeOf(one)" :to="placeOf(one)">{{ one.number }}</NuxtLink><template
                  v-else
                  >{{ one.number }}</template
                >
              </td>
              <td>{{ shortDay(one.day) }}</td>
              <td>{{ one.customerName }}</td>
              <td class="amount">{{ money(one.total, one.currency) }}</td>
              <td>
                <span
                  class="tag"
                  :class="{
                    go: one.outcome === 'clean',
                    wait: one.outcome === 'person',
                    stuck: one.outcome === 'stuck',
                  }"
                  >{{ outcomes[one.outcome] }}</span
                >
                <span class="soft">{{ one.reason ? saidWords(one.reason) : '' }}</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="trial.papers > trial.orders.length" class="soft">
          {{ t('routines.theNewestCountOfPapers', { count: trial.orders.length, papers: trial.papers }) }}
        </p>
        <VBtn @click="all = false">{{ t('common.close') }}</VBtn>
      </div>
    </VDialog>
  </template>
  <div v-else class="wait" aria-hidden="true"><span v-for="n in 5" :key="n" /></div>
</template>

<style scoped>
.sum {
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 12px 0 6px;
  min-height: 52px;
}
.big {
  font-size: var(--large);
  line-height: 1;
}
.each {
  display: inline-block;
  white-space: nowrap;
  margin-right: 10px;
}
.chart {
  min-height: 110px;
}
.none {
  margin: 12px 0;
}
dl {
  margin: 6px 0 16px;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
dd {
  margin: 0;
  font-weight: 700;
}
dd.go {
  color: var(--spruce);
}
dd.wait {
  color: var(--peg-words);
}
dd.bad {
  color: var(--brick);
}
small {
  display: block;
  color: var(--soft-ink);
  font-size: var(--small);
}
div.wait span {
  display: block;
  height: 12px;
  border-radius: 3px;
  background: var(--ledger-deep);
  margin: 14px 0;
}
.list {
  background: var(--paper);
  border-radius: 5px;
  padding: 18px 22px;
  max-height: 80vh;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 10px 0;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--soft-ink);
  font-size: var(--small);
}
th.amount {
  text-align: right;
}
td {
  padding: 5px 8px 5px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
