<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import AmountPicker from '../../components/list/AmountPicker.vue'
import ListPane from '../../components/list/ListPane.vue'
import SavedFilters from '../../components/list/SavedFilters.vue'
import SearchField from '../../components/list/SearchField.vue'
import StatusDialog from '../../components/orders/StatusDialog.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { api, csvHref } from '../../composables/api'
import { usePicks } from '../../composables/usePicks'
import { useLive } from '../../composables/useLive'
import { timeChoices } from '../../composables/times'
import { orderKinds, type DocumentKind } from '../../../core/documents/kinds'
import { brandChoices } from '../../composables/brands'
import { useStatusChange } from '../../composables/useStatusChange'
import { useMainKey } from '../../composables/useMainKey'
import { money, moneyWithSign, plural, shortDay } from '../../composables/format'
import { mayFollow } from '../../../core/orders/statuses'
import type { OrderRow } from '../../contract'
import { addAmounts } from '../../composables/amounts'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

interface OrderPage extends PageOf<OrderRow> {
  sums: { currency: string; sum: string }[]
}

const session = useSession()
const { filters, set, standard } = useFilters({
  search: '',
  status: '',
  brand: '',
  over: '',
  without: '',
  shipped: '',
  from: '',
  sort: 'date',
  down: 'yes',
})
/** What a saved filter keeps. */
const narrowing = ['search', 'status', 'brand', 'over', 'without', 'shipped', 'from'] as const
const statuses = computed(() => filters.value.status.split(',').filter(Boolean))
/** What the list and its CSV show. */
const narrowed = computed(() => ({
  search: filters.value.search,
  statuses: statuses.value,
  brand: filters.value.brand,
  over: filters.value.over,
  without: filters.value.without as DocumentKind,
  shipped: filters.value.shipped as 'in part' | '',
  from: filters.value.from,
  sort: filters.value.sort,
}))
const list = useList<OrderRow, OrderPage>((place) =>
  api.get('/api/orders', {
    query: { ...narrowed.value, descending: filters.value.down === 'yes', ...place },
  }),
)
const isFiltered = computed(() => narrowing.some((name) => filters.value[name]))
const withouts = [
  { value: '', words: t('orders.withOrWithoutDocuments') },
  ...orderKinds.map((kind) => ({
    value: kind as string,
    words: t('orders.withoutKind', { kind: kindWords(kind) }),
  })),
  { value: 'in part', words: t('orders.shippedInPart') },
]
/** By the documents that there are none of, or by goods that are left. */
const setWithout = (value: string) =>
  set(value === 'in part' ? { without: '', shipped: value } : { without: value, shipped: '' })
const { times, timeWords } = timeChoices()
const picks = usePicks(list.rows)
const active = ref<number | null>(null)
const target = ref('Shipped')

watch(filters, () => void list.restart(), { immediate: true })
useLive(['order'], () => void list.reload())

const ofBrands = computed(() => brandChoices(session.house!.brands))
const statusChoices = computed(() =>
  session.house!.company.orderStatuses.map((status) => ({ value: status, words: status })),
)
/** To which statuses all that are chosen may go. */
const nextStatuses = computed(() =>
  statusChoices.value.filter(({ value }) =>
    chosen.value.every((row) => mayFollow(session.house!.company.statusSteps, row.status, value)),
  ),
)
const statusWords = computed(() => statuses.value.join(t('common.or')) || t('common.anyStatus'))

function pickStatus(status: string) {
  const next = statuses.value.includes(status)
    ? statuses.value.filter((one) => one !== status)
    : [...statuses.value, status]
  set({ status: next.join(',') })
}

const chosen = computed(() =>
  picks.chosen.value.length > 0
    ? picks.chosen.value
    : list.rows.value.filter((row) => row.id === active.value),
)

const { question, busy, ask, answer } = useStatusChange(async () => {
  picks.clear()
  await list.reload()
})
function setStatus() {
  if (chosen.value.length > 0 && !busy.value)
    void ask(
      chosen.value.map((row) => row.id),
      target.value,
    )
}

/** A click on the number opens the order; with Ctrl or Shift, as with any link, elsewhere. */
const open = (id: number, event: MouseEvent) =>
  navigateTo(
    `/orders/${id}`,
    event.ctrlKey || event.metaKey || event.shiftKey ? { open: { target: '_blank' } } : {},
  )
useMainKey(() => {
  if (session.may('clerk')) setStatus()
})
const tone = (status: string) =>
  ({ Shipped: 'go', Packed: 'wait', Held: 'stuck', Confirmed: 'way' })[status] ?? ''
const columns: ListColumn[] = [
  { key: 'number', words: t('common.order'), width: 96 },
  { key: 'date', words: t('common.date'), width: 64 },
  { key: 'customer', words: t('common.customer'), width: '3fr' },
  { words: t('orders.yourRef'), width: '1fr' },
  { key: 'status', words: t('common.status'), width: 104 },
  { words: t('orders.invoice'), width: 132 },
  { key: 'total', words: t('common.total'), width: 116, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('orders.orders')">
        <div class="bar">
          <h1 class="title">{{ t('orders.orders') }}</h1>
          <span class="sentence soft"
            ><I18nT keypath="orders.inStatusOfBrandOf" scope="global"
              ><template #status
                ><WordPicker
                  :label="t('common.status')"
                  several
                  :words="statusWords"
                  :choices="statusChoices"
                  :value="statuses"
                  @pick="pickStatus" /></template
              ><template #brand
                ><WordPicker
                  :label="t('common.brand')"
                  :choices="ofBrands"
                  :value="filters.brand"
                  @pick="set({ brand: $event })" /></template
              ><template #amountPicker
                ><AmountPicker :value="filters.over" @pick="set({ over: $event })" /></template
              ><template #documents
                ><WordPicker
                  :label="t('common.documents')"
                  :choices="withouts"
                  :value="filters.shipped || filters.without"
                  data-test="without"
                  @pick="setWithout" /></template
              ><template #time
                ><WordPicker
                  :label="t('common.time')"
                  :words="timeWords(filters.from)"
                  :choices="times"
                  :value="filters.from"
                  @pick="set({ from: $event })" /></template></I18nT
          ></span>
          <SavedFilters
            page="orders"
            :filters="filters"
            :standard="standard"
            :names="narrowing"
            @set="set($event)"
          />
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('orders.orderCustomerReference')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('orders.orders')"
          :picks="session.may('clerk') ? picks : null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @open="navigateTo(`/orders/${$event}`)"
        >
          <template #row="{ row }">
            <span class="number mono link" @click.stop="open(row.id, $event)">{{ row.number }}</span>
            <span class="date">{{ shortDay(row.date) }}</span>
            <span class="name cut"
              >{{ row.customerName }} <span class="soft">{{ row.groupName }}</span></span
            >
            <span class="ref soft cut">{{ row.reference }}</span>
            <span class="status"
              ><span class="tag" :class="tone(row.status)">{{ row.status }}</span></span
            >
            <span class="invoice mono soft cut">{{ row.invoice ?? '' }}</span>
            <span class="total amount">{{ money(row.total, row.currency) }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <template v-if="isFiltered"
                ><strong>{{ t('orders.noOrderOfThatKind') }}</strong
                >{{ t('orders.widenTheSentenceAboveOr') }}</template
              ><template v-else
                ><strong>{{ t('orders.noOrdersYet') }}</strong
                >{{ t('orders.writeTheFirstOneOr') }}</template
              >
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <template v-if="picks.chosen.value.length"
            ><strong>{{ t('common.countPicked', { count: picks.chosen.value.length }) }}</strong
            ><span class="mono soft">{{ addAmounts(picks.chosen.value) }}</span></template
          >
          <template v-else
            ><span class="soft">{{ plural(list.extra.value?.matching ?? 0, 'order') }}</span
            ><span v-for="sum in list.extra.value?.sums ?? []" :key="sum.currency" class="mono soft">{{
              moneyWithSign(sum.sum, sum.currency)
            }}</span></template
          >
          <span class="push" /><VBtn
            v-if="picks.chosen.value.length === 0"
            :href="csvHref('/api/orders/csv', { ...narrowed, descending: String(filters.down === 'yes') })"
            data-test="csv"
            >{{ t('common.saveAsCSV') }}</VBtn
          ><VBtn v-if="session.may('clerk') && picks.chosen.value.length === 0" to="/imports?of=orders">{{
            t('common.import')
          }}</VBtn
          ><VBtn
            v-if="session.may('clerk') && chosen.length === 0"
            variant="flat"
            class="go"
            to="/orders/new"
            data-test="new-order"
            >{{ t('orders.addOrder') }}</VBtn
          >
          <VBtn
            v-if="chosen.length > 0"
            :to="`/shipments/picking?orders=${chosen.map((row) => row.id).join(',')}`"
            data-test="picking"
            >{{ t('shipping.pickingList') }}</VBtn
          >
          <template v-if="session.may('clerk') && chosen.length > 0">
            <span class="soft"
              ><I18nT keypath="orders.toSetTo" scope="global"
                ><template #setTo
                  ><WordPicker
                    :label="t('orders.setToStatus')"
                    :words="target"
                    :choices="nextStatuses"
                    :value="target"
                    @pick="target = $event" /></template></I18nT
            ></span>
            <VBtn variant="flat" class="go" :disabled="busy" data-test="set-status" @click="setStatus">{{
              t('orders.setCountToTarget', { count: chosen.length, target })
            }}</VBtn>
          </template>
        </footer>
      </section>
    </div>
    <StatusDialog
      v-if="question"
      :question="question"
      :busy="busy"
      @answer="answer"
      @leave="question = undefined"
    />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.link {
  cursor: pointer;
}
.link:hover {
  text-decoration: underline;
}
</style>
