<script setup lang="ts">
import { t } from '../../words'
import { money } from '../../composables/format'
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import type { Ageing } from '../../contract'

/** What is owed by age, one bar a currency's steps. The same numbers stand beneath in words. */
const props = defineProps<{ ageing: Ageing }>()
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const series = computed(() => [
  {
    name: t('accounts.openCurrency', { currency: props.ageing.currency }),
    data: props.ageing.steps.map((one) => Number(one.sum)),
  },
])
const options = computed<ApexOptions>(() => ({
  chart: {
    type: 'bar',
    animations: { enabled: false },
    toolbar: { show: false },
    fontFamily: 'inherit',
    parentHeightOffset: 0,
    zoom: { enabled: false },
  },
  colors: [colour('--spruce-bar'), colour('--peg'), colour('--peg'), colour('--brick'), colour('--brick')],
  plotOptions: { bar: { columnWidth: '64%', borderRadius: 0, distributed: true } },
  dataLabels: { enabled: false },
  legend: { show: false },
  grid: { show: false, padding: { left: 8, right: 8, top: -22, bottom: -8 } },
  xaxis: {
    categories: props.ageing.steps.map((one) =>
      one.step === 'not due' ? one.step : t('accounts.stepDays', { step: one.step }),
    ),
    labels: { rotate: 0, style: { colors: colour('--soft-ink'), fontSize: '12px' } },
    axisTicks: { show: false },
    axisBorder: { color: colour('--faint-ink') },
    tooltip: { enabled: false },
  },
  yaxis: {
    show: false,
    min: 0,
    max: Math.max(1, ...props.ageing.steps.map((one) => Number(one.sum))) * 1.05,
  },
  states: { hover: { filter: { type: 'none' } } },
  tooltip: { enabled: false },
}))
const stepWords = computed(() =>
  props.ageing.steps.map((one) => `${one.step}: ${money(one.sum, props.ageing.currency)}`).join(', '),
)
</script>

<template>
  <div role="img" :aria-label="t('accounts.openInCurrencyByDays', { currency: ageing.currency, stepWords })">
    <VueApexCharts type="bar" height="96" :options="options" :series="series" />
  </div>
</template>
