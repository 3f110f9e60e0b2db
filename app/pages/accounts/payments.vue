<script setup lang="ts">
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import AccountSheet from '../../components/accounts/AccountSheet.vue'
import ListPane from '../../components/list/ListPane.vue'
import SearchField from '../../components/list/SearchField.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { api, csvHref } from '../../composables/api'
import { useHand } from '../../composables/useHand'
import { useLive } from '../../composables/useLive'
import { money, shortDay } from '../../composables/format'
import { useSession } from '../../stores/session'
import type { PaymentRow } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

/** Every payment and refund, newest first, with what it settled; the account it belongs to at the right. */
const { filters, set } = useFilters({ search: '', direction: '', onAccount: '', sort: 'date', down: 'yes' })
const asked = computed(() => ({
  search: filters.value.search,
  direction: filters.value.direction,
  onAccount: filters.value.onAccount,
  sort: filters.value.sort,
  descending: String(filters.value.down === 'yes'),
}))
const list = useList<PaymentRow, PageOf<PaymentRow>>((place) =>
  api.get('/api/payments', { query: { ...asked.value, ...place } }),
)
const { active, row } = useHand(list.rows)
watch(filters, () => void list.restart(), { immediate: true })
useLive(['payment'], () => void list.reload(), 400)
const directions = [
  { value: '', words: 'in and out' },
  { value: 'in', words: 'in' },
  { value: 'out', words: 'out' },
]
const rests = [
  { value: '', words: 'settled or not' },
  { value: 'true', words: 'with a rest on account' },
]
const columns: ListColumn[] = [
  { key: 'date', words: 'Day', width: 54 },
  { key: 'customer', words: 'Customer', width: '1fr' },
  { key: 'method', words: 'By', width: 104 },
  { words: 'Settles', width: '1fr' },
  { key: 'rest', words: 'On account', width: 100, right: true },
  { key: 'total', words: 'Amount', width: 112, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Payments">
        <div class="bar">
          <AccountPlaces />
          <span class="sentence soft"
            ><WordPicker
              label="What"
              :choices="directions"
              :value="filters.direction"
              @pick="set({ direction: $event })" />,
            <WordPicker
              label="Rest"
              :choices="rests"
              :value="filters.onAccount"
              @pick="set({ onAccount: $event })"
          /></span>
          <SearchField
            class="push"
            :value="filters.search"
            label="Customer, number, amount"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          label="Payments"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @open="navigateTo(`/accounts?customer=${row?.customerId}`)"
        >
          <template #row="{ row: one }">
            <span class="date">{{ shortDay(one.date) }}</span><span class="name cut">{{
              one.customerName
            }}</span
            ><span class="method cut">{{
              one.reverses ? 'taken back' : one.direction === 'out' ? `refund, ${one.method}` : one.method
            }}</span>
            <span class="settles cut mono soft"
              >{{ one.settles.map((line) => line.number).join(', ')
              }}<span v-if="one.undone" class="tag stuck">taken back</span></span
            >
            <span class="total amount">{{
              Number(one.open) === 0 ? '' : money(one.open, one.currency)
            }}</span><span class="total amount"
              >{{ one.direction === 'out' ? '−' : '' }}{{ money(one.amount, one.currency) }}</span
            >
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{
                filters.search || filters.direction || filters.onAccount
                  ? 'No such payment'
                  : 'No payment yet'
              }}</strong>Payments and refunds stand here once they are recorded, by hand or from a bank file.
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ list.rows.value.length }} shown</span><span class="push" /><VBtn
            :href="csvHref('/api/payments/csv', asked)"
            data-test="csv"
            >Save as CSV</VBtn
          ><VBtn v-if="useSession().may('clerk')" to="/imports?of=payments">Import…</VBtn>
        </footer>
      </section>
      <aside class="right" aria-label="The account in hand">
        <AccountSheet v-if="row" :key="row.customerId" :id="row.customerId" :payment="row.id" />
        <div v-else class="empty">
          <strong>No payment in hand</strong>Choose one to see its customer's account.
        </div>
      </aside>
    </div>
  </div>
</template>
