<script setup lang="ts">
import { t } from '../../words'
import { longDay, locale } from '../../composables/format'
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import { ageingSteps } from '../../../core/receivables/ageing'
import type { MoneyFigures } from '../../contract'

/** What was owed at the end of each month, by age. The same numbers stand beneath in a table. */
const props = defineProps<{ months: MoneyFigures['months'] }>()
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const series = computed(() =>
  ageingSteps.map((step, at) => ({
    name: step === 'not due' ? step : t('accounts.stepDays', { step }),
    data: props.months.map((one) => Number(one.steps[at])),
  })),
)
const options = computed<ApexOptions>(() => ({
  chart: {
    type: 'bar',
    stacked: true,
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    fontFamily: 'inherit',
    parentHeightOffset: 0,
  },
  colors: [
    colour('--spruce-bar'),
    colour('--peg-soft') || colour('--blue'),
    colour('--peg'),
    colour('--plum'),
    colour('--brick'),
  ],
  plotOptions: { bar: { columnWidth: '58%', borderRadius: 0 } },
  dataLabels: { enabled: false },
  legend: { position: 'top', horizontalAlign: 'left', labels: { colors: colour('--ink') } },
  grid: { borderColor: colour('--rule'), padding: { left: 4, right: 4, top: -12, bottom: -6 } },
  xaxis: {
    categories: props.months.map((one) => longDay(one.until)),
    labels: {
      rotate: 0,
      hideOverlappingLabels: true,
      style: { colors: colour('--soft-ink'), fontSize: '12px' },
    },
    axisTicks: { show: false },
    axisBorder: { color: colour('--faint-ink') },
    tooltip: { enabled: false },
  },
  yaxis: {
    labels: {
      style: { colors: colour('--soft-ink'), fontSize: '12px' },
      formatter: (value: number) => Math.round(value).toLocaleString(locale()),
    },
    forceNiceScale: true,
  },
  states: { hover: { filter: { type: 'none' } } },
}))
</script>

<template>
  <div role="img" :aria-label="t('bank.owedByMonth')">
    <VueApexCharts type="bar" height="230" :options="options" :series="series" />
  </div>
</template>
