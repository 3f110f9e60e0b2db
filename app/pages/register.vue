<script setup lang="ts">
import { t } from '../words'
import Ask from '../components/frame/Ask.vue'
import DocumentAside from '../components/paper/DocumentAside.vue'
import ListPane from '../components/list/ListPane.vue'
import NewInvoice from '../components/drafts/NewInvoice.vue'
import RegisterFilters from '../components/register/RegisterFilters.vue'
import SavedFilters from '../components/list/SavedFilters.vue'
import SearchField from '../components/list/SearchField.vue'
import { useSession } from '../stores/session'
import { useFilters } from '../composables/useFilters'
import { useList } from '../composables/useList'
import { api, attempt, csvHref } from '../composables/api'
import { useHand } from '../composables/useHand'
import { useLive } from '../composables/useLive'
import { usePicks } from '../composables/usePicks'
import { useToasts } from '../stores/toasts'
import { orderOf } from '../../core/documents/sources'
import { amountOf, moneyWithSign, plural, shortDay } from '../composables/format'
import { registerAmount } from '../../core/documents/register-amount'
import { sumByCurrency } from '../../core/money/sums'
import type { RegisterRow } from '../contract'
import type { Leaf } from '../components/paper/LeafTabs.vue'
import type { PageOf } from '../composables/useList'
import type { ListColumn } from '../components/list/ColumnHeads.vue'

const session = useSession()
const route = useRoute()
const { filters, set, standard } = useFilters({
  search: '',
  state: '',
  kind: '',
  brand: '',
  from: '',
  to: '',
  sort: 'issued',
  down: 'yes',
})
/** What a saved filter keeps. */
const narrowing = ['search', 'state', 'kind', 'brand', 'from', 'to'] as const
const matched = computed(() => ({
  search: filters.value.search,
  state: filters.value.state,
  kind: filters.value.kind,
  brand: filters.value.brand,
  from: filters.value.from,
  to: filters.value.to,
}))
const list = useList<RegisterRow, PageOf<RegisterRow>>((place) =>
  api.get('/api/documents', {
    query: {
      ...matched.value,
      sort: filters.value.sort,
      descending: filters.value.down === 'yes',
      ...place,
    },
  }),
)
const { active, row } = useHand(list.rows, Number(route.query.in) || null)
const leaf = ref<Leaf>('Document')

/** Counted apart from the list, which does not wait for it. */
const sums = shallowRef<{ matching: number; sums: { currency: string; sum: string }[] }>()
const count = () =>
  void api
    .get('/api/documents/sums', { query: matched.value })
    .then((found) => {
      sums.value = found
    })
    .catch(() => {}) // the list says what is wrong
watch(filters, () => void list.restart(), { immediate: true })
watch(
  matched,
  (now, before) => {
    if (JSON.stringify(now) !== JSON.stringify(before)) count()
  },
  { immediate: true },
)
useLive(
  ['register'],
  () => {
    void list.reload()
    count()
  },
  400,
)

const settling = ref(false)
const busy = ref(false)
const picks = usePicks(list.rows)
const mayPick = computed(() => session.may('clerk'))
const isWithdrawn = computed(() => filters.value.state === 'withdrawn')
/** As many as can be made again at once. */
const again = computed(() => picks.chosen.value.slice(0, 50))
async function settle() {
  busy.value = true
  await attempt(async () => {
    const { voided, credited, refused } = await api.post('/api/documents/reverse-withdrawn', {
      body: { ids: picks.chosen.value.map((one) => one.id) },
    })
    useToasts().say(
      [
        voided.length ? t('register.voidedVoided', { voided: voided.join(', ') }) : '',
        credited.length ? t('register.creditedInToCheckCredited', { credited: credited.join(', ') }) : '',
        ...refused.map((one) => `${one.number}: ${one.reason}`),
      ]
        .filter(Boolean)
        .join(' '),
      { wrong: refused.length > 0 },
    )
    picks.clear()
    await list.reload()
  })
  busy.value = false
  settling.value = false
}

/** The sums follow the picks; of open and overdue documents they are of what is still open. */
const ofOpen = computed(() => ['open', 'overdue'].includes(filters.value.state))
const shownSums = computed(() =>
  picks.chosen.value.length === 0
    ? (sums.value?.sums ?? [])
    : sumByCurrency(
        picks.chosen.value.map((one) => ({
          currency: one.currency,
          total: ofOpen.value ? one.open : registerAmount(one, filters.value.kind !== ''),
        })),
      ),
)

const writing = ref(false)
function openOrder(id: number) {
  const orderId = orderOf(list.rows.value.find((one) => one.id === id)!)
  if (orderId) void navigateTo(`/orders/${orderId}`)
}
function turn(step: 1 | -1) {
  const leaves: Leaf[] = ['Document', 'Email', 'History']
  leaf.value = leaves[Math.min(2, Math.max(0, leaves.indexOf(leaf.value) + step))]!
}

const stateTone: Record<string, string> = {
  arrived: 'go',
  'on the way': 'way',
  waiting: 'queue',
  claimed: 'queue',
  'handing over': 'queue',
  stuck: 'stuck',
}
const columns: ListColumn[] = [
  { key: 'number', words: t('common.number'), width: 128 },
  { key: 'issued', words: t('common.issued'), width: 60 },
  { key: 'customer', words: t('common.customer'), width: '1fr' },
  { words: t('common.order'), width: 82 },
  { words: t('common.state'), width: 86 },
  { key: 'total', words: t('common.total'), width: 104, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.register')">
        <div class="bar">
          <h1 class="title">{{ t('common.register') }}</h1>
          <RegisterFilters :filters="filters" @set="set($event)" />
          <SavedFilters
            page="register"
            :filters="filters"
            :standard="standard"
            :names="narrowing"
            @set="set($event)"
          />
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('register.numberCustomerAmount')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.documents')"
          :picks="mayPick ? picks : null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @leaf="turn"
          @open="(id) => openOrder(id)"
        >
          <template #row="{ row: one }">
            <span class="number mono">{{ one.number }}</span><span class="date">{{ shortDay(one.date) }}</span
            ><span class="name cut">{{ one.customerName }}</span>
            <span class="order mono soft">{{ one.orderNumber }}</span>
            <span class="state"
              ><span v-if="one.voided" class="tag stuck">{{ t('register.void') }}</span
              ><span v-else-if="one.credited" class="tag wait">{{
                t(one.credited === 'whole' ? 'register.creditedWord' : 'register.partCredited')
              }}</span
              ><span v-else class="tag" :class="stateTone[one.state ?? ''] ?? ''">{{
                one.state === 'claimed' || one.state === 'handing over'
                  ? t('common.waiting')
                  : (one.state ?? t(one.takenOver ? 'common.takenOverWord' : 'common.notSent'))
              }}</span></span
            >
            <span class="total amount">{{
              amountOf({ ...one, total: one.kind === 'credit note' ? `-${one.total}` : one.total })
            }}</span>
          </template>
          <template #empty>
            <div class="empty">
              <strong>{{
                filters.search || filters.state || filters.kind
                  ? t('register.noDocumentOfThatKind')
                  : t('common.noDocumentYet')
              }}</strong>{{
                filters.state === 'withdrawn'
                  ? t('register.invoicesThatStandAlthoughTheir')
                  : filters.search
                    ? t('register.numbersCustomersOrderNumbersReferences')
                    : t('register.everyDocumentThatIsIssued')
              }}
            </div>
          </template>
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{
            t('common.countPicked', { count: picks.chosen.value.length })
          }}</strong><span v-else class="soft">{{ sums ? plural(sums.matching, 'document') : '…' }}</span
          ><span v-if="ofOpen" class="soft">{{ t('register.open') }}</span
          ><span v-for="sum in shownSums" :key="sum.currency" class="mono soft cut" data-test="sum">{{
            moneyWithSign(sum.sum, sum.currency)
          }}</span
          ><span class="push" /><VBtn
            v-if="again.length"
            :href="`/api/documents/again?ids=${again.map((one) => one.id).join(',')}`"
            target="_blank"
            rel="noopener"
            :title="t('register.drawnAnewOnThePresent')"
            data-test="again"
            >{{ t('register.makeCountAgain', { count: again.length }) }}</VBtn
          ><VBtn
            v-if="mayPick && isWithdrawn"
            :disabled="picks.chosen.value.length === 0"
            data-test="settle-withdrawn"
            @click="settling = true"
            >{{ t('register.settlePicks', { picks: picks.chosen.value.length || '' }) }}</VBtn
          ><VBtn
            :href="
              csvHref('/api/documents/csv', {
                ...matched,
                sort: filters.sort,
                descending: String(filters.down === 'yes'),
              })
            "
            data-test="csv"
            >{{ t('common.csv') }}</VBtn
          ><VBtn to="/numbers" data-test="numbers">{{ t('common.numbers') }}</VBtn
          ><VBtn to="/reconciliation" data-test="proof">{{ t('register.reconciliation') }}</VBtn
          ><template v-if="session.may('clerk')"
            ><VBtn data-test="write-invoice" @click="writing = true">{{
              t('register.newInvoice')
            }}</VBtn></template
          >
        </footer>
      </section>
      <DocumentAside
        :id="row?.id ?? null"
        v-model:leaf="leaf"
        :empty="t('register.noDocumentInHand')"
        :words="t('register.chooseARowToSee')"
      />
    </div>
    <Ask
      v-model="settling"
      :title="
        t('register.settleInvoicesOfWithdrawnOrders', {
          invoices: plural(picks.chosen.value.length, 'invoice'),
        })
      "
      :go="t('register.settleCount', { count: picks.chosen.value.length })"
      danger
      :busy="busy"
      @go="settle"
      ><p>
        {{ t('register.whatWasNeverHandedOver') }}
      </p></Ask
    >
    <NewInvoice v-if="writing" v-model="writing" />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
</style>
