<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import AccountNarrow from '../../components/accounts/AccountNarrow.vue'
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import AccountSheet from '../../components/accounts/AccountSheet.vue'
import AgeingStrip from '../../components/accounts/AgeingStrip.vue'
import StatementDialog from '../../components/accounts/StatementDialog.vue'
import StatementRun from '../../components/accounts/StatementRun.vue'
import StatementRuns from '../../components/accounts/StatementRuns.vue'
import Ask from '../../components/frame/Ask.vue'
import ListPane from '../../components/list/ListPane.vue'
import SearchField from '../../components/list/SearchField.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { usePicks } from '../../composables/usePicks'
import { startStatements } from '../../calls/statements'
import { api, attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useSession } from '../../stores/session'
import { houseToday, money, plural, shortDay } from '../../composables/format'
import type { StatementPeriod } from '../../../core/receivables/statement'
import type { AccountRow, Ageing } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

/** Who owes what: customers with something open, by age, most overdue first; the account in hand at the right. */
const { filters, set } = useFilters({
  search: '',
  only: '',
  sort: 'overdue',
  down: 'yes',
  currency: '',
  group: '',
  salesperson: '',
  country: '',
  overdueOver: '',
  balanceOver: '',
  lateOver: '',
  customer: '',
  /** The payment that somebody came for. */
  payment: '',
})
interface AccountPage extends PageOf<AccountRow> {
  matching: number
  sums: { currency: string; balance: string }[]
}
/** What the list is narrowed by, as far as anything is said. */
const matching = computed(() => {
  const { search, only, group, salesperson, country, overdueOver, balanceOver, lateOver } = filters.value
  return Object.fromEntries(
    Object.entries({ search, only, group, salesperson, country, overdueOver, balanceOver, lateOver }).filter(
      ([, value]) => value !== '',
    ),
  )
})
const list = useList<AccountRow, AccountPage>((place) =>
  api.get('/api/accounts', {
    query: {
      ...matching.value,
      sort: filters.value.sort,
      descending: filters.value.down === 'yes',
      ...place,
    },
  }),
)
const ageing = shallowRef<Ageing[]>([])
const known = ref(false)
const active = ref<number | null>(null)
const row = computed(() => list.rows.value.find((one) => one.id === active.value) ?? null)
/** A customer stays in hand, even when nothing of it is open any more. */
const customerId = ref<number | null>(Number(filters.value.customer) || null)
watch(row, (now) => {
  if (now) customerId.value = now.customerId
})

async function loadAgeing() {
  ageing.value = await api.get('/api/accounts/ageing')
  known.value = true
}
onMounted(() => attempt(loadAgeing))
watch(
  () => [JSON.stringify(matching.value), filters.value.sort, filters.value.down],
  () => void list.restart(),
  { immediate: true },
)
watch(list.rows, (rows) => {
  if (rows.some((one) => one.id === active.value)) return
  active.value =
    rows.find((one) => one.customerId === customerId.value)?.id ??
    (customerId.value ? null : (rows[0]?.id ?? null))
})
useLive(
  ['payment', 'register'],
  () => {
    void list.reload()
    void loadAgeing()
  },
  400,
)

const session = useSession()
const picks = usePicks(list.rows)
/** Which statements are asked for: of those picked, or else of all that match. */
const stating = ref(false)
const reminding = ref(false)
const running = ref<number | null>(null)
const report = computed({
  get: () => running.value !== null,
  set: (open) => {
    if (!open) running.value = null
  },
})
const count = computed(() => picks.chosen.value.length || (list.extra.value?.matching ?? 0))
const sums = computed(() =>
  (list.extra.value?.sums ?? []).map((one) => money(one.balance, one.currency)).join(', '),
)
async function start(period: StatementPeriod) {
  const these = picks.chosen.value.map(({ customerId, currency }) => ({ customerId, currency }))
  const lateOver = Number(filters.value.lateOver) || undefined
  const { id } = await startStatements(
    these.length > 0
      ? { period, these }
      : { period, matching: { ...matching.value, ...(lateOver ? { lateOver } : {}) } },
  )
  picks.clear()
  running.value = id
}
const remindAll = () =>
  attempt(async () => {
    await start({ form: 'reminder', until: houseToday() })
    reminding.value = false
  })

const choices = [
  { value: '', words: t('accounts.allWithSomethingOpen') },
  { value: 'overdue', words: t('accounts.thoseOverdue') },
  { value: 'credit', words: t('accounts.thoseInCredit') },
]
const columns: ListColumn[] = [
  { key: 'name', words: t('common.customer'), width: '1fr' },
  ...[t('accounts.notDue'), '1–30', '31–60', '61–90', t('accounts.over90')].map((words) => ({
    words,
    width: 70,
    right: true,
  })),
  { key: 'overdue', words: t('accounts.overdue'), width: 80, right: true },
  { key: 'balance', words: t('accounts.balance'), width: 80, right: true },
]
const open = (id: number) =>
  void navigateTo(
    `/register?state=open&search=${encodeURIComponent(list.rows.value.find((one) => one.id === id)!.name)}`,
  )
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('common.accounts')">
        <div class="bar">
          <AccountPlaces />
          <span class="sentence soft"
            ><I18nT keypath="accounts.ofAccounts" scope="global"
              ><template #accounts
                ><WordPicker
                  :label="t('common.accounts')"
                  :choices="choices"
                  :value="filters.only"
                  @pick="set({ only: $event })" /></template></I18nT
            >, <AccountNarrow :value="filters" @set="set($event)"
          /></span>
          <SearchField
            class="push"
            :value="filters.search"
            :label="t('common.customer')"
            @search="set({ search: $event })"
          />
        </div>
        <AgeingStrip
          v-if="known"
          :ageing="ageing"
          :currency="filters.currency"
          @update:currency="set({ currency: $event })"
        />
        <div v-else class="strip-place" />
        <ListPane
          v-model:active="active"
          :list="list"
          :columns="columns"
          :label="t('accounts.openAccounts')"
          :picks="session.may('clerk') ? picks : null"
          :sort="filters.sort"
          :descending="filters.down === 'yes'"
          @sort="(key, down) => set({ sort: key, down: down ? 'yes' : 'no' })"
          @open="open"
        >
          <template #row="{ row: one }">
            <span
              class="name cut"
              :title="one.stated ? t('accounts.lastStatement', { day: shortDay(one.stated) }) : ''"
              >{{ one.name
              }}<span v-if="one.currency !== useSession().house!.company.currency" class="soft other">{{
                one.currency
              }}</span
              ><span v-if="one.disputed" class="tag wait">{{ t('accounts.disputed') }}</span
              ><span v-if="one.promised" class="tag wait">{{ t('accounts.promised') }}</span></span
            >
            <span v-for="(sum, index) in one.steps" :key="index" class="step amount">{{
              Number(sum) === 0 ? '' : money(sum, one.currency).replace(/ [A-Z]{3}$/, '')
            }}</span>
            <span class="sum amount" :class="{ late: Number(one.overdue) > 0 }">{{
              Number(one.overdue) === 0 ? '' : money(one.overdue, one.currency).replace(/ [A-Z]{3}$/, '')
            }}</span>
            <span class="sum amount">{{ money(one.balance, one.currency).replace(/ [A-Z]{3}$/, '') }}</span>
          </template>
          <template #empty
            ><div class="empty">
              <strong>{{
                Object.keys(matching).length ? t('accounts.noSuchAccount') : t('accounts.nothingIsOpen2')
              }}</strong>{{ t('accounts.customersWhoOweSomethingOr') }}
            </div></template
          >
        </ListPane>
        <footer class="foot-bar">
          <strong v-if="picks.chosen.value.length">{{
            t('common.countPicked', { count: picks.chosen.value.length })
          }}</strong><span v-else class="soft cut" data-test="account-count">{{
            sums
              ? t('accounts.countOwing', {
                  accounts: plural(list.extra.value?.matching ?? 0, 'account'),
                  sum: sums,
                })
              : plural(list.extra.value?.matching ?? 0, 'account')
          }}</span
          ><span class="push" /><StatementRuns @report="running = $event" /><VBtn
            href="/api/accounts/csv"
            data-test="accounts-csv"
            >{{ t('common.saveAsCSV') }}</VBtn
          ><VBtn v-if="session.may('clerk') && count > 0" data-test="remind-many" @click="reminding = true">{{
            picks.chosen.value.length
              ? t('accounts.remindCount', { count })
              : t('accounts.remindAll', { count })
          }}</VBtn
          ><VBtn
            v-if="session.may('clerk') && count > 0"
            data-test="statements-of-many"
            @click="stating = true"
            >{{
              picks.chosen.value.length
                ? t('accounts.statementsOfCount', { count })
                : t('accounts.statementsOfAll', { count })
            }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('accounts.theAccountInHand')">
        <AccountSheet
          v-if="customerId"
          :key="customerId"
          :id="customerId"
          :payment="Number(filters.payment) || null"
        />
        <div v-else class="empty">
          <strong>{{ t('accounts.noAccountInHand') }}</strong>{{ t('accounts.chooseACustomerToSee') }}
        </div>
      </aside>
    </div>
    <StatementDialog
      v-if="stating"
      v-model="stating"
      :title="t('accounts.statementsOfAccount')"
      :go="t('accounts.prepareCountStatements', { accounts: plural(count, 'account') })"
      :make="start"
    />
    <Ask
      v-model="reminding"
      :title="t('accounts.reminders')"
      :go="t('accounts.prepareCountReminders', { accounts: plural(count, 'account') })"
      @go="remindAll"
      ><p>{{ t('accounts.oneLetterEach') }}</p></Ask
    >
    <StatementRun v-if="running !== null" :id="running" :key="running" v-model="report" />
  </div>
</template>

<style scoped>
.bar .sentence {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.bar .push {
  flex: 1 0 110px;
}
.strip-place {
  height: 134px;
  flex: none;
  border-bottom: 1px solid var(--rule);
}
.step,
.sum {
  font-size: var(--small);
}
.late {
  color: var(--brick);
  font-weight: 650;
}
.name .tag,
.other {
  margin-left: 6px;
}
</style>
