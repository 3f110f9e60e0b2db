<script setup lang="ts">
import { t } from '../../../words'
import ListPane from '../../../components/list/ListPane.vue'
import ShippingHead from '../../../components/shipping/ShippingHead.vue'
import { returnState } from '../../../components/shipping/return-words'
import { labelState } from '../../../components/shipping/label-words'
import { useSession } from '../../../stores/session'
import { useFilters } from '../../../composables/useFilters'
import { useList, type PageOf } from '../../../composables/useList'
import { csvHref } from '../../../composables/api'
import { useLive } from '../../../composables/useLive'
import { plural, shortDay } from '../../../composables/format'
import { listReturns } from '../../../calls/returns'
import { dayInZone } from '../../../../core/documents/days'
import { formatQuantity } from '../../../../core/money/format'
import type { ParcelWay } from '../../../../core/shipping/tracking'
import type { ReturnRow } from '../../../contract'
import type { ListColumn } from '../../../components/list/ColumnHeads.vue'

/** Goods that come back: expected, overdue, back and not credited. */
const session = useSession()
const { filters, set } = useFilters({
  what: 'expected',
  search: '',
  brand: '',
  from: '',
  sort: 'day',
  down: 'yes',
})
const asked = computed(() => ({
  what: filters.value.what,
  search: filters.value.search,
  brand: filters.value.brand,
  from: filters.value.from,
  sort: filters.value.sort,
  descending: String(filters.value.down === 'yes'),
}))
const list = useList<ReturnRow, PageOf<ReturnRow>>((place) => listReturns({ ...asked.value, ...place }))
const active = ref<number | null>(null)
const whats = [
  { value: 'expected', words: t('returns.returnsExpected') },
  { value: 'late', words: t('returns.returnsLate') },
  { value: 'uncredited', words: t('returns.returnsUncredited') },
  { value: 'back', words: t('returns.returnsBack') },
  { value: 'withdrawn', words: t('returns.isWithdrawn') },
  { value: 'all', words: t('returns.returnsAll') },
]
const today = computed(() => dayInZone(new Date(), session.house!.company.timeZone))
const wayOf = ({ way }: ReturnRow) =>
  way ? labelState({ state: 'made', way: way as ParcelWay, isReturn: true }) : { words: '', tone: '' }
const creditWords = ({ credits }: ReturnRow) =>
  credits.map((one) => (one === 'draft' ? t('returns.beingDrafted') : one)).join(', ')
watch(filters, () => void list.restart(), { immediate: true })
useLive(['order'], () => void list.reload())

const columns: ListColumn[] = [
  { key: 'label', words: t('returns.return'), width: 124 },
  { key: 'day', words: t('returns.agreed'), width: 68 },
  { key: 'customer', words: t('common.customer'), width: '3fr' },
  { words: t('returns.reason'), width: '2fr' },
  { words: t('returns.quantity'), width: 76, right: true },
  { words: t('shipping.parcel'), width: 118 },
  { key: 'until', words: t('shipping.state'), width: 170 },
  { words: t('returns.creditNote'), width: '1fr' },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('returns.returns')">
        <ShippingHead
          is-below
          :title="t('returns.returns')"
          :which-label="t('returns.whichReturns')"
          :which="filters.what"
          :choices="whats"
          :filters="filters"
          :search-label="t('returns.searchReturns')"
          @which="set({ what: $event })"
          @set="set"
        />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('returns.returns')"
          :picks="null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @open="navigateTo(`/shipments/returns/${$event}`)"
        >
          <template #row="{ row }">
            <NuxtLink class="mono" :to="`/shipments/returns/${row.id}`" @click.stop>{{ row.label }}</NuxtLink>
            <span>{{ shortDay(row.day) }}</span>
            <span class="cut">{{ row.customerName }}</span>
            <span class="cut soft">{{ row.reasons }}</span>
            <span class="amount">{{ formatQuantity(row.quantity, 'en') }}</span>
            <span
              ><span v-if="row.way" class="tag" :class="wayOf(row).tone">{{ wayOf(row).words }}</span></span
            >
            <span
              ><span class="tag" :class="returnState(row, today).tone">{{
                returnState(row, today).words
              }}</span></span
            >
            <span class="cut">{{ creditWords(row) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="filters.search || filters.brand || filters.from || filters.what !== 'expected'"
                ><strong>{{ t('returns.noReturnOfThatKind') }}</strong
                >{{ t('shipping.widen') }}</template
              ><template v-else
                ><strong>{{ t('returns.noReturnExpected') }}</strong
                >{{ t('returns.howAReturnBegins') }}
                <NuxtLink to="/orders">{{ t('orders.orders') }}</NuxtLink></template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ plural(list.extra.value?.matching ?? 0, 'return') }}</span>
          <span class="push" />
          <VBtn :href="csvHref('/api/returns/csv', asked)" data-test="csv">{{ t('common.saveAsCSV') }}</VBtn>
        </footer>
      </section>
    </div>
  </div>
</template>
