<script setup lang="ts">
import { t } from '../../words'
import { longDay } from '../../composables/format'
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import type { Figures } from '../../contract'

/** What was sent on each day, by how it stands now. The same numbers stand beneath in a table. */
const props = defineProps<{ days: Figures['days'] }>()
const emit = defineEmits<{ pick: [day: string] }>()
const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const parts = ['arrived', 'onTheWay', 'waiting', 'stuck'] as const
const partWords = {
  arrived: t('common.arrived'),
  onTheWay: t('dispatches.onTheWay'),
  waiting: t('dispatches.waiting'),
  stuck: t('dispatches.stuck'),
}
const series = computed(() =>
  parts.map((part) => ({ name: partWords[part], data: props.days.map((one) => one[part]) })),
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
    events: {
      dataPointSelection: (_event, _chart, { dataPointIndex }: { dataPointIndex: number }) =>
        emit('pick', props.days[dataPointIndex]!.day),
    },
  },
  colors: [colour('--spruce-bar'), colour('--blue'), colour('--plum'), colour('--brick')],
  plotOptions: { bar: { columnWidth: '70%', borderRadius: 0 } },
  dataLabels: { enabled: false },
  legend: { position: 'top', horizontalAlign: 'left', labels: { colors: colour('--ink') } },
  grid: { borderColor: colour('--rule'), padding: { left: 4, right: 4, top: -12, bottom: -6 } },
  xaxis: {
    categories: props.days.map((one) => longDay(one.day)),
    tickAmount: Math.min(8, props.days.length),
    labels: {
      rotate: 0,
      hideOverlappingLabels: true,
      style: { colors: colour('--soft-ink'), fontSize: '12px' },
    },
    axisTicks: { show: false },
    axisBorder: { color: colour('--faint-ink') },
    tooltip: { enabled: false },
  },
  yaxis: { labels: { style: { colors: colour('--soft-ink'), fontSize: '12px' } }, forceNiceScale: true },
  states: { hover: { filter: { type: 'none' } } },
}))
</script>

<template>
  <div role="img" :aria-label="t('dispatches.sentByDay')">
    <VueApexCharts type="bar" height="230" :options="options" :series="series" />
  </div>
</template>
