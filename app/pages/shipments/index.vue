<script setup lang="ts">
import { t } from '../../words'
import ListPane from '../../components/list/ListPane.vue'
import ShippingHead from '../../components/shipping/ShippingHead.vue'
import { useSession } from '../../stores/session'
import { useFilters } from '../../composables/useFilters'
import { useList, type PageOf } from '../../composables/useList'
import { usePicks } from '../../composables/usePicks'
import { useToasts } from '../../stores/toasts'
import { makeLabelsOfMany } from '../../calls/labels'
import { attempt, csvHref } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { plural, shortDay } from '../../composables/format'
import { listShipments } from '../../calls/shipments'
import { formatQuantity } from '../../../core/money/format'
import type { ShipmentRow } from '../../contract'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

const session = useSession()
const toasts = useToasts()
const { filters, set } = useFilters({
  search: '',
  state: '',
  labels: '',
  brand: '',
  from: '',
  sort: 'day',
  down: 'yes',
})
const asked = computed(() => ({
  search: filters.value.search,
  state: filters.value.state,
  labels: filters.value.labels,
  brand: filters.value.brand,
  from: filters.value.from,
  sort: filters.value.sort,
  descending: String(filters.value.down === 'yes'),
}))
const list = useList<ShipmentRow, PageOf<ShipmentRow>>((place) => listShipments({ ...asked.value, ...place }))
const isFiltered = computed(() =>
  (['search', 'state', 'labels', 'brand', 'from'] as const).some((name) => filters.value[name]),
)
const picks = usePicks(list.rows)
const busy = ref(false)
async function makeLabels() {
  busy.value = true
  await attempt(async () => {
    const results = await makeLabelsOfMany([...picks.picked.value])
    const bought = results.reduce((sum, { asked: some = 0 }) => sum + some, 0)
    const without = results.filter(({ asked: some = 0 }) => some === 0).length
    toasts.say(
      [
        t('shipping.labelsAreBought', { labels: plural(bought, 'label') }),
        ...(without ? [t('shipping.shipmentsWithout', { shipments: plural(without, 'shipment') })] : []),
      ].join(' '),
    )
    picks.clear()
    await list.reload()
  })
  busy.value = false
}
const active = ref<number | null>(null)
const states = [
  { value: '', words: t('shipping.anyState') },
  { value: 'packed', words: t('shipping.isPacked') },
  { value: 'missing', words: t('shipping.isPackedWithoutLabel') },
  { value: 'taken back', words: t('shipping.isTakenBack') },
]

watch(filters, () => void list.restart(), { immediate: true })
useLive(['order'], () => void list.reload())

const columns: ListColumn[] = [
  { key: 'label', words: t('shipping.shipment'), width: 120 },
  { key: 'day', words: t('shipping.day'), width: 64 },
  { key: 'customer', words: t('common.customer'), width: '3fr' },
  { key: 'service', words: t('shipping.service'), width: '2fr' },
  { words: t('shipping.parcels'), width: 80, right: true },
  { words: t('shipping.labels'), width: 72, right: true },
  { words: t('shipping.weight'), width: 96, right: true },
  { words: t('shipping.state'), width: 100 },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('shipping.shipments')">
        <ShippingHead
          :title="t('shipping.shipments')"
          :which-label="t('shipping.state')"
          :which="filters.labels || filters.state"
          :choices="states"
          :filters="filters"
          :search-label="t('shipping.searchShipments')"
          @which="
            set($event === 'missing' ? { state: '', labels: 'missing' } : { state: $event, labels: '' })
          "
          @set="set"
        />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('shipping.shipments')"
          :picks="session.may('clerk') && filters.labels ? picks : null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @open="navigateTo(`/shipments/${$event}`)"
        >
          <template #row="{ row }">
            <NuxtLink class="mono" :to="`/shipments/${row.id}`" @click.stop>{{ row.label }}</NuxtLink>
            <span>{{ shortDay(row.day) }}</span>
            <span class="cut">{{ row.customerName }}</span>
            <span class="cut soft">{{ row.service }}</span>
            <span class="amount">{{ row.parcels }}</span>
            <span class="amount">{{ row.labels || '' }}</span>
            <span class="amount">{{
              row.weight ? t('shipping.kilograms', { weight: formatQuantity(row.weight, 'en') }) : ''
            }}</span>
            <span
              ><span class="tag" :class="row.state === 'packed' ? 'go' : ''">{{
                row.state === 'packed' ? t('shipping.packed') : t('shipping.takenBack')
              }}</span></span
            >
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="isFiltered"
                ><strong>{{ t('shipping.noShipmentOfThatKind') }}</strong
                >{{ t('shipping.widen') }}</template
              ><template v-else
                ><strong>{{ t('shipping.noShipmentsYet') }}</strong
                >{{ t('shipping.howOneBegins') }}
                <NuxtLink to="/orders">{{ t('orders.orders') }}</NuxtLink></template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ plural(list.extra.value?.matching ?? 0, 'shipment') }}</span>
          <span class="push" />
          <VBtn
            v-if="session.may('clerk') && filters.labels"
            :disabled="picks.picked.value.size === 0 || busy"
            data-test="make-labels"
            @click="makeLabels"
            >{{
              t('shipping.makeLabelsFor', { shipments: plural(picks.picked.value.size, 'shipment') })
            }}</VBtn
          >
          <VBtn to="/shipments/returns" data-test="returns">{{ t('returns.returns') }}</VBtn>
          <VBtn to="/shipments/labels" data-test="labels">{{ t('shipping.labels') }}</VBtn>
          <VBtn v-if="session.may('clerk')" to="/shipments/bench" data-test="bench">{{
            t('shipping.bench')
          }}</VBtn>
          <VBtn :href="csvHref('/api/shipments/csv', asked)" data-test="csv">{{
            t('common.saveAsCSV')
          }}</VBtn>
        </footer>
      </section>
    </div>
  </div>
</template>
