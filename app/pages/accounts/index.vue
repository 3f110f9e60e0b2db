<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import AccountNarrow from '../../components/accounts/AccountNarrow.vue'
import AccountPlaces from '../../components/accounts/AccountPlaces.vue'
import AccountSheet from '../../components/accounts/AccountSheet.vue'
import AccountsFoot from '../../components/accounts/AccountsFoot.vue'
import AgeingStrip from '../../components/accounts/AgeingStrip.vue'
import ListPane from '../../components/list/ListPane.vue'
import SavedFilters from '../../components/list/SavedFilters.vue'
import SearchField from '../../components/list/SearchField.vue'
import WordPicker from '../../components/list/WordPicker.vue'
import { narrowing, narrowingNames } from '../../components/accounts/narrowing'
import { useLevelsDue } from '../../components/accounts/use-levels-due'
import { useFilters } from '../../composables/useFilters'
import { useList } from '../../composables/useList'
import { usePicks } from '../../composables/usePicks'
import { startStatements } from '../../calls/statements'
import { api, attempt, csvHref } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useSession } from '../../stores/session'
import { money, shortDay } from '../../composables/format'
import type { StatementPeriod } from '../../../core/receivables/statement'
import type { AccountRow, Ageing } from '../../contract'
import type { PageOf } from '../../composables/useList'
import type { ListColumn } from '../../components/list/ColumnHeads.vue'

/** Who owes what: customers with something open, by age, most overdue first; the account in hand at the right. */
const { filters, set, standard } = useFilters({
  ...narrowing,
  sort: 'overdue',
  down: 'yes',
  currency: '',
  customer: '',
  /** The payment that somebody came for. */
  payment: '',
})
interface AccountPage extends PageOf<AccountRow> {
  matching: number
  sums: { currency: string; balance: string }[]
}
/** What the list is narrowed by, as far as anything is said. */
const matching = computed(() =>
  Object.fromEntries(
    narrowingNames.flatMap((name) => (filters.value[name] === '' ? [] : [[name, filters.value[name]]])),
  ),
)
/** Days are numbers where a run is told what matches. */
const asNumbers = (said: Record<string, string>) =>
  Object.fromEntries(
    Object.entries(said).map(([name, value]) => [name, isDays(name) ? Number(value) : value]),
  )
const isDays = (name: string) => ['lateOver', 'notStatedFor', 'notRemindedFor'].includes(name)
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
const csv = computed(() =>
  csvHref('/api/accounts/csv', {
    ...matching.value,
    sort: filters.value.sort,
    descending: String(filters.value.down === 'yes'),
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

const { levelOf } = useLevelsDue(list.rows)
const lastSent = ({ stated, reminded }: AccountRow) =>
  [
    stated ? t('bank.lastStatement', { day: shortDay(stated) }) : '',
    reminded ? t('accounts.lastReminder', { day: shortDay(reminded) }) : '',
  ]
    .filter(Boolean)
    .join(', ')
/** The level that is due, and what was said on the telephone. */
const remarks = (one: AccountRow) =>
  [
    levelOf(one) ? t('accounts.levelDue', { level: levelOf(one)! }) : '',
    one.disputed ? t('accounts.disputed') : '',
    one.promised ? t('accounts.promised') : '',
    one.collected ? t('accounts.byDirectDebit') : '',
    one.reminded ? t('accounts.remindedOn', { day: shortDay(one.reminded) }) : '',
  ]
    .filter(Boolean)
    .join(' · ')
const session = useSession()
const picks = usePicks(list.rows)
/** Statements or reminders of those picked, or else of all that match. @returns the run */
async function start(period: StatementPeriod): Promise<number> {
  const these = picks.chosen.value.map(({ customerId, currency }) => ({ customerId, currency }))
  const { id } = await startStatements(
    these.length > 0
      ? { period, these, ...(filters.value.brand ? { brand: filters.value.brand } : {}) }
      : { period, matching: asNumbers(matching.value) },
  )
  picks.clear()
  return id
}

const choices = [
  { value: '', words: t('accounts.allWithSomethingOpen') },
  { value: 'overdue', words: t('accounts.thoseOverdue') },
  { value: 'credit', words: t('accounts.thoseInCredit') },
]
const columns: ListColumn[] = [
  { key: 'name', words: t('common.customer'), width: '1fr' },
  ...[t('accounts.notDue'), '1–30', '31–60', '61–90', t('accounts.over90')].map((words) => ({
    words,
    width: 62,
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
          <SavedFilters
            page="accounts"
            :filters="filters"
            :standard="standard"
            :names="narrowingNames"
            @set="set($event)"
          />
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
            <span class="name" :title="lastSent(one)"
              ><span class="cut"
                >{{ one.name
                }}<span v-if="one.currency !== session.house!.company.currency" class="soft other">{{
                  one.currency
                }}</span></span
              ><span v-if="remarks(one)" class="remarks cut">{{ remarks(one) }}</span></span
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
        <AccountsFoot
          :picked="picks.chosen.value.length"
          :found="list.extra.value"
          :csv="csv"
          :start="start"
        />
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
.name {
  display: grid;
  min-width: 0;
  line-height: 1.3;
}
.remarks {
  font-size: var(--small);
  color: var(--soft-ink);
}
.other {
  margin-left: 6px;
}
</style>
