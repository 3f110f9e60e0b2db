<script setup lang="ts">
import { t } from '../../words'
import { said } from '../../words/speech'
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
  { value: '', words: t('accounts.inAndOut') },
  { value: 'in', words: t('accounts.moneyIn') },
  { value: 'out', words: t('accounts.moneyOut') },
]
const rests = [
  { value: '', words: t('accounts.settledOrNot') },
  { value: 'true', words: t('accounts.withARestOnAccount') },
]
const columns: ListColumn[] = [
  { key: 'date', words: t('common.day'), width: 54 },
  { key: 'customer', words: t('common.customer'), width: '1fr' },
  { key: 'method', words: t('common.by'), width: 104 },
  { words: t('bank.settles'), width: '1fr' },
  { key: 'rest', words: t('accounts.onAccount'), width: 100, right: true },
  { key: 'total', words: t('common.amount'), width: 112, right: true },
]
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.payments')">
        <div class="bar">
          <AccountPlaces />
          <span class="sentence soft"
            ><WordPicker
              :label="t('common.what')"
              :choices="directions"
              :value="filters.direction"
              @pick="set({ direction: $event })" />,
            <WordPicker
              :label="t('accounts.rest')"
              :choices="rests"
              :value="filters.onAccount"
              @pick="set({ onAccount: $event })"
          /></span>
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('accounts.customerNumberAmount')"
            @search="set({ search: $event })"
          />
        </div>
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('common.payments')"
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
              one.reverses
                ? t('common.takenBack')
                : one.direction === 'out'
                  ? t('accounts.refundMethod', { method: said(`method/${one.method}`) })
                  : said(`method/${one.method}`)
            }}</span>
            <span class="settles cut mono soft"
              >{{ one.settles.map((line) => line.number).join(', ')
              }}<span v-if="one.undone" class="tag stuck">{{ t('common.takenBack') }}</span></span
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
                  ? t('accounts.noSuchPayment')
                  : t('accounts.noPaymentYet')
              }}</strong>{{ t('accounts.paymentsAndRefundsStandHere') }}
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <span class="soft">{{ t('accounts.countShown', { count: list.rows.value.length }) }}</span><span
            class="push"
          /><VBtn :href="csvHref('/api/payments/csv', asked)" data-test="csv">{{
            t('common.saveAsCSV')
          }}</VBtn
          ><VBtn v-if="useSession().may('clerk')" to="/imports?of=payments">{{ t('common.import') }}</VBtn>
        </footer>
      </section>
      <aside class="right" :aria-label="t('accounts.theAccountInHand')">
        <AccountSheet v-if="row" :key="row.customerId" :id="row.customerId" :payment="row.id" />
        <div v-else class="empty">
          <strong>{{ t('accounts.noPaymentInHand') }}</strong>{{ t('accounts.chooseOneToSeeIts') }}
        </div>
      </aside>
    </div>
  </div>
</template>
