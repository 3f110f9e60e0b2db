<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import ListPane from '../../components/list/ListPane.vue'
import SearchField from '../../components/list/SearchField.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useFilters } from '../../composables/useFilters'
import { useList, type PageOf } from '../../composables/useList'
import { csvHref } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { timeChoices } from '../../composables/times'
import { brandChoices } from '../../composables/brands'
import { plural, shortDay } from '../../composables/format'
import { listShipments } from '../../calls/shipments'
import { formatQuantity } from '../../../core/money/format'
import type { ShipmentRow } from '../../contract'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

const session = useSession()
const { filters, set } = useFilters({
  search: '',
  state: '',
  brand: '',
  from: '',
  sort: 'day',
  down: 'yes',
})
const asked = computed(() => ({
  search: filters.value.search,
  state: filters.value.state,
  brand: filters.value.brand,
  from: filters.value.from,
  sort: filters.value.sort,
  descending: String(filters.value.down === 'yes'),
}))
const list = useList<ShipmentRow, PageOf<ShipmentRow>>((place) => listShipments({ ...asked.value, ...place }))
const isFiltered = computed(() =>
  (['search', 'state', 'brand', 'from'] as const).some((name) => filters.value[name]),
)
const active = ref<number | null>(null)
const { times, timeWords } = timeChoices()
const ofBrands = computed(() => brandChoices(session.house!.brands))
const states = [
  { value: '', words: t('shipping.anyState') },
  { value: 'packed', words: t('shipping.isPacked') },
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
  { words: t('shipping.weight'), width: 96, right: true },
  { words: t('shipping.state'), width: 100 },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('shipping.shipments')">
        <div class="bar">
          <h1 class="title">{{ t('shipping.shipments') }}</h1>
          <span class="sentence soft"
            ><I18nT keypath="shipping.inStateOfBrandOf" scope="global"
              ><template #state
                ><WordPicker
                  :label="t('shipping.state')"
                  :choices="states"
                  :value="filters.state"
                  @pick="set({ state: $event })" /></template
              ><template #brand
                ><WordPicker
                  :label="t('common.brand')"
                  :choices="ofBrands"
                  :value="filters.brand"
                  @pick="set({ brand: $event })" /></template
              ><template #time
                ><WordPicker
                  :label="t('common.time')"
                  :words="timeWords(filters.from)"
                  :choices="times"
                  :value="filters.from"
                  @pick="set({ from: $event })" /></template></I18nT
          ></span>
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('shipping.searchShipments')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('shipping.shipments')"
          :picks="null"
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

<style scoped>
.title {
  font-size: var(--title);
}
</style>
