<script setup lang="ts">
import type { PaymentRow } from '../../../server/services/receivables/accounts'
import type { PageOf } from '../../composables/useList'

/** Every payment and refund, newest first, with what it settled; the account it belongs to at the right. */
const { filters, set } = useFilters({ search: '', direction: '', onAccount: '' })
const list = useList<PaymentRow, PageOf<PaymentRow>>(place => callApi<PageOf<PaymentRow>>('/api/payments', { query: { search: filters.value.search, direction: filters.value.direction, onAccount: filters.value.onAccount, ...place } }))
const active = ref<number | null>(null)
const row = computed(() => list.rows.value.find(one => one.id === active.value) ?? null)
watch(filters, () => void list.restart(), { immediate: true })
watch(list.rows, (rows) => {
  if (!rows.some(one => one.id === active.value)) active.value = rows[0]?.id ?? null
})
useLive(['payment'], () => void list.reload(), 400)
const directions = [{ value: '', words: 'in and out' }, { value: 'in', words: 'in' }, { value: 'out', words: 'out' }]
const rests = [{ value: '', words: 'settled or not' }, { value: 'true', words: 'with a rest on account' }]
const columns = [{ key: '', words: 'Day', class: 'date' }, { key: '', words: 'Customer', class: 'name' }, { key: '', words: 'By', class: 'method' }, { key: '', words: 'Settles', class: 'settles' }, { key: '', words: 'On account', class: 'total' }, { key: '', words: 'Amount', class: 'total' }]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" aria-label="Payments">
        <div class="bar">
          <AccountPlaces />
          <span class="sentence soft">money <WordPicker label="What" :words="directions.find(one => one.value === filters.direction)!.words" :choices="directions" :value="filters.direction" @pick="set({ direction: $event })" />, <WordPicker label="Rest" :words="rests.find(one => one.value === filters.onAccount)!.words" :choices="rests" :value="filters.onAccount" @pick="set({ onAccount: $event })" /></span>
          <SearchField class="push" :value="filters.search" label="Customer, number, amount" @search="set({ search: $event })" />
        </div>
        <ColumnHeads :columns="columns" sort="" :descending="false" />
        <div v-if="list.wrong.value" class="notice stuck">{{ list.wrong.value }} <VBtn height="28" @click="list.reload()">Try again</VBtn></div>
        <RowList v-model:active="active" :rows="list.rows.value" label="Payments" :pickable="false" :loading="list.first.value" @more="list.loadMore()" @open="navigateTo(`/accounts?customer=${row?.customerId}`)">
          <template #row="{ row: one }">
            <span class="date">{{ shortDay(one.date) }}</span><span class="name cut">{{ one.customerName }}</span><span class="method cut">{{ one.reverses ? 'taken back' : one.direction === 'out' ? `refund, ${one.method}` : one.method }}</span>
            <span class="settles cut mono soft">{{ one.settles.map(line => line.number).join(', ') }}<span v-if="one.undone" class="tag stuck">taken back</span></span>
            <span class="total amount">{{ Number(one.open) === 0 ? '' : money(one.open, one.currency) }}</span><span class="total amount">{{ one.direction === 'out' ? '−' : '' }}{{ money(one.amount, one.currency) }}</span>
          </template>
          <template #empty><div class="empty"><strong>{{ filters.search || filters.direction || filters.onAccount ? 'No such payment' : 'No payment yet' }}</strong>Payments and refunds stand here once they are recorded, by hand or from a bank file.</div></template>
        </RowList>
        <footer class="foot-bar"><span class="soft">{{ list.rows.value.length }} shown</span><span class="push" /><VBtn :href="csvHref('/api/payments/csv', filters)" data-test="csv">Save as CSV</VBtn><VBtn v-if="useSession().may('clerk')" to="/imports?of=payments">Import…</VBtn></footer>
      </section>
      <aside class="right" aria-label="The account in hand">
        <AccountSheet v-if="row" :key="row.customerId" :id="row.customerId" />
        <div v-else class="empty"><strong>No payment in hand</strong>Choose one to see its customer's account.</div>
      </aside>
    </div>
  </div>
</template>

<style scoped>
:deep(.date) { flex: 0 0 54px; }
:deep(.name) { flex: 1 1 130px; }
:deep(.method) { flex: 0 0 104px; }
:deep(.settles) { flex: 1 1 130px; }
:deep(.total) { flex: 0 0 100px; text-align: right; white-space: nowrap; }
</style>
