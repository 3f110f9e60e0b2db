<script setup lang="ts">
import { t } from '../../words'
import { kindTitle, kindWords } from '../../composables/kinds'
import LabelTrouble from './LabelTrouble.vue'
import { labelState } from './label-words'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { plural } from '../../composables/format'
import { fetchShipment } from '../../calls/shipments'
import type { ShipmentView } from '../../contract'

/** What came of the order that was packed last: its shipment, and each document as soon as it has its number. */
const props = defineProps<{
  done: { shipmentId: number; order: string; parcels: number; refused: string[] }
}>()
const shipment = shallowRef<ShipmentView>()
const load = () =>
  attempt(async () => {
    shipment.value = await fetchShipment(props.done.shipmentId)
  })
onMounted(load)
useLive(['order', 'line'], () => void load(), 250)
const troubles = computed(() =>
  (shipment.value?.labels ?? []).filter(({ state }) =>
    ['refused', 'unclear', 'asked', 'booking'].includes(state),
  ),
)
const papers = computed(() => (shipment.value?.papers ?? []).filter(({ state }) => state !== 'dropped'))
</script>

<template>
  <section class="notice go" role="status" data-test="bench-done">
    <strong>{{
      t('shipping.benchDone', { order: done.order, parcels: plural(done.parcels, 'parcel') })
    }}</strong>
    <NuxtLink :to="`/shipments/${done.shipmentId}`">{{ t('shipping.openShipment') }}</NuxtLink>
    <p v-for="label in troubles" :key="`label ${label.id}`" class="stuck">
      {{ t('shipping.benchLabel', { parcel: label.parcel, state: labelState(label).words }) }}
      <LabelTrouble :label="label" />
    </p>
    <p v-for="paper in papers" :key="paper.id">
      <template v-if="paper.documentId">
        {{ t('shipping.benchDocument', { kind: kindTitle(paper.kind), number: paper.number! }) }}
        <a :href="`/api/documents/${paper.documentId}/pdf`" target="_blank" data-test="bench-print">{{
          t('shipping.openToPrint')
        }}</a>
      </template>
      <template v-else-if="done.refused.length">{{
        t('shipping.benchWaits', { kind: kindWords(paper.kind), why: done.refused[0]! })
      }}</template>
      <template v-else>{{ t('shipping.benchIsMade', { kind: kindWords(paper.kind) }) }}</template>
    </p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 14px;
}
strong {
  margin-right: 12px;
}
p {
  margin: 4px 0 0;
}
</style>
