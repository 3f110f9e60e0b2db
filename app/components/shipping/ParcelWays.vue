<script setup lang="ts">
import { t } from '../../words'
import { labelState } from './label-words'
import { moneyWithSign } from '../../composables/format'
import { costOf } from '../../../core/shipping/labels'
import type { ParcelOnItsWay } from '../../contract'

/** Where an order's parcels are, the first few of many, and what their labels cost. */
const props = defineProps<{ ways: readonly ParcelOnItsWay[] }>()
const most = 3
const stateOf = ({ way, isReturn }: ParcelOnItsWay) => labelState({ state: 'made', way, isReturn })
const shown = computed(() => props.ways.slice(0, most))
const costs = computed(() =>
  costOf(props.ways).map(({ amount, currency }) => moneyWithSign(amount, currency)),
)
</script>

<template>
  <span class="ways" data-test="parcel-ways">
    <span v-for="one in shown" :key="one.tracking" class="way">
      <a v-if="one.url" class="mono" :href="one.url" target="_blank" rel="noopener">{{ one.tracking }}</a>
      <span v-else class="mono">{{ one.tracking }}</span>
      <span class="tag" :class="stateOf(one).tone">{{ stateOf(one).words }}</span>
    </span>
    <span v-if="ways.length > most" class="soft">{{
      t('shipping.andMoreParcels', { n: ways.length - most })
    }}</span>
    <span v-if="costs.length" class="soft">{{ t('shipping.labelsFor', { sum: costs.join(' + ') }) }}</span>
  </span>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}
.way {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
</style>
