<script setup lang="ts">
import { t } from '../../words'
import { shortDay } from '../../composables/format'
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import type { Trial } from '../../contract'

/** Papers by day, those that would have got stuck on top. The same numbers stand below in words. */
const props = defineProps<{ days: Trial['byDay'] }>()
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

const series = computed(() => [
  { name: t('routines.wouldHaveGone'), data: props.days.map((one) => one.count - one.stuck) },
  { name: t('routines.wouldHaveGotStuck'), data: props.days.map((one) => one.stuck) },
])
const options = computed<ApexOptions>(() => ({
  chart: {
    type: 'bar',
    stacked: true,
    animations: { enabled: false },
    toolbar: { show: false },
    sparkline: { enabled: false },
    fontFamily: 'inherit',
    parentHeightOffset: 0,
    zoom: { enabled: false },
  },
  colors: [colour('--spruce-bar'), colour('--brick')],
  plotOptions: { bar: { columnWidth: '82%', borderRadius: 0 } },
  dataLabels: { enabled: false },
  legend: { show: false },
  grid: { show: false, padding: { left: 14, right: 14, top: -22, bottom: -6 } },
  xaxis: {
    categories: props.days.map((one) => shortDay(one.day)),
    tickAmount: 4,
    labels: {
      rotate: 0,
      hideOverlappingLabels: true,
      style: { colors: colour('--soft-ink'), fontSize: '11px' },
    },
    axisTicks: { show: false },
    axisBorder: { color: colour('--faint-ink') },
    tooltip: { enabled: false },
  },
  yaxis: { show: false },
  states: { hover: { filter: { type: 'none' } } },
  // false is its own way to leave colours to our style sheet; the types say only a name
  tooltip: { theme: false as never, x: { show: true } },
}))
const most = computed(() => Math.max(...props.days.map((one) => one.count)))
</script>

<template>
  <div role="img" :aria-label="t('routines.documentsByDayOverCount', { count: days.length, most })">
    <VueApexCharts type="bar" height="120" :options="options" :series="series" />
  </div>
</template>
