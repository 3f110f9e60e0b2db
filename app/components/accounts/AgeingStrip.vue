<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { money, plural } from '../../composables/format'
import type { Ageing } from '../../contract'

/** What all customers owe in one currency: the ages drawn, and said in figures beneath. */
const props = defineProps<{ ageing: Ageing[] }>()
const currency = defineModel<string>('currency', { required: true })
const AgeingChart = defineAsyncComponent(() => import('./AgeingChart.vue'))
const shown = computed(
  () =>
    props.ageing.find((one) => one.currency === currency.value) ??
    props.ageing.find((one) => one.currency === useSession().house!.company.currency) ??
    props.ageing[0],
)
const choices = computed(() => props.ageing.map((one) => ({ value: one.currency, words: one.currency })))
</script>

<template>
  <div class="strip" :aria-label="t('accounts.ageing')">
    <template v-if="shown">
      <div class="facts">
        <p>
          <I18nT keypath="accounts.openInCurrency" scope="global"
            ><template #currency
              ><WordPicker
                :label="t('common.currency')"
                :words="shown.currency"
                :choices="choices"
                :value="shown.currency"
                @pick="currency = $event" /></template
          ></I18nT>
        </p>
        <dl>
          <dt>{{ t('common.open') }}</dt>
          <dd class="mono">{{ money(shown.open, shown.currency) }}</dd>
          <dt>{{ t('accounts.overdue') }}</dt>
          <dd class="mono late">{{ money(shown.overdue, shown.currency) }}</dd>
          <dt>{{ t('accounts.inCredit') }}</dt>
          <dd class="mono">{{ money(shown.credit, shown.currency) }}</dd>
        </dl>
        <NuxtLink :to="`/accounts/figures?currency=${shown.currency}`" data-test="over-time">{{
          t('bank.overTime')
        }}</NuxtLink>
      </div>
      <div class="chart">
        <Suspense><AgeingChart :key="shown.currency" :ageing="shown" /></Suspense>
        <div class="under">
          <span
            v-for="one in shown.steps"
            :key="one.step"
            class="mono"
            :title="plural(one.count, 'document')"
            >{{ money(one.sum, shown.currency) }}</span
          >
        </div>
      </div>
    </template>
    <p v-else class="soft">{{ t('accounts.nothingIsOpen') }}</p>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  gap: 18px;
  padding: 10px 14px 8px;
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
  height: 134px;
  flex: none;
}
.facts {
  flex: 0 0 172px;
}
.facts p {
  margin: 0 0 6px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 12px;
  margin: 0;
}
dt {
  color: var(--soft-ink);
}
dd {
  margin: 0;
  text-align: right;
}
.late {
  color: var(--brick);
  font-weight: 650;
}
.chart {
  flex: 1;
  min-width: 0;
}
.chart > :first-child {
  height: 92px;
  overflow: hidden;
}
.under {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  text-align: center;
  padding: 0 29px 0 1px;
  font-size: var(--small);
  white-space: nowrap;
}
/* Five sums side by side cannot be read on a phone; the list has them. */
@media (max-width: 700px) {
  .chart {
    display: none;
  }
  .facts {
    flex: 1;
  }
}
</style>
