<script setup lang="ts">
import { quantity } from '../../composables/format'
import { t } from '../../words'
import type { Bench } from '../../../core/shipping/bench'
import type { ShipmentPlan } from '../../contract'

/** The parcels on the bench, with what is in each and what it weighs. */
defineProps<{ parcels: Bench['parcels']; lines: ShipmentPlan['lines'] }>()
</script>

<template>
  <ol class="parcels">
    <li v-for="(parcel, place) in parcels" :key="place" :data-test="`parcel-${place + 1}`">
      <strong>{{ t('shipping.parcelOf', { n: place + 1, of: parcels.length }) }}</strong>
      <span v-if="parcel.weight" class="mono push">{{
        t('shipping.kilograms', { weight: quantity(parcel.weight) })
      }}</span>
      <p v-for="part in parcel.contents" :key="part.position">
        <span class="mono">{{ quantity(part.quantity) }}</span>
        {{ lines.find((line) => line.position === part.position)?.description }}
      </p>
    </li>
  </ol>
</template>

<style scoped>
.parcels {
  list-style: none;
  margin: 0;
}
.parcels li {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 8px 10px;
  margin-bottom: 8px;
  background: var(--paper);
}
.parcels p {
  margin: 4px 0 0;
}
</style>
