<script setup lang="ts">
import { t } from '../../words'
import { said, saidWords } from '../../words/speech'
import { watchDebounced } from '@vueuse/core'
import FormField from '../fields/FormField.vue'
import SettleTable from './SettleTable.vue'
import { useSession } from '../../stores/session'
import { useActing } from '../../composables/useActing'
import { attempt } from '../../composables/api'
import { useNewest } from '../../composables/useNewest'
import { useToasts } from '../../stores/toasts'
import { longDay, money } from '../../composables/format'
import { fetchAccount } from '../../calls/accounts'
import { searchCustomers } from '../../calls/customers'
import { bookEntry } from '../../calls/bank-entries'
import { Decimal } from '../../../core/money/decimal'
import { settledBy, type OpenItem, type Settlement } from '../../../core/receivables/settle'
import type { Account, CustomerRow, EntryView } from '../../contract'

/** One movement: what the bank says, what it would settle and why; decided otherwise where that is wrong. */
const props = defineProps<{ entry: EntryView }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const open = computed(() => ['sure', 'unsure', 'strange', 'set aside'].includes(props.entry.state))
const may = computed(() => session.may('clerk') && open.value)
const isRefund = computed(() => Number(props.entry.amount) < 0)
const amount = computed(() => new Decimal(props.entry.amount).abs().toString())
const account = shallowRef<Account>()
const search = ref('')
const found = shallowRef<CustomerRow[]>([])
const settle = ref<Settlement[]>(
  props.entry.proposal.settlements.map(({ documentId, amount: part, discount, writeOff }) => ({
    documentId,
    amount: part,
    discount,
    writeOff,
  })),
)
const { busy, wrong, acting } = useActing()

async function choose(customerId: number) {
  await attempt(async () => {
    account.value = await fetchAccount(customerId)
    found.value = []
    search.value = ''
  })
}
onMounted(() => {
  if (props.entry.proposal.customerId && open.value) void choose(props.entry.proposal.customerId)
})
const newest = useNewest()
watchDebounced(
  search,
  (words) =>
    attempt(async () => {
      const answer = await newest(async () =>
        words.trim() ? (await searchCustomers({ search: words, limit: 6 })).rows : [],
      )
      if (answer) found.value = answer
    }),
  { debounce: 150 },
)
const items = computed((): OpenItem[] =>
  (account.value?.items ?? [])
    .filter((item) => item.currency === props.entry.currency && Number(item.open) < 0 === isRefund.value)
    .map((item) => ({
      ...item,
      open: new Decimal(item.open).abs().toString(),
      amount: new Decimal(item.amount).abs().toString(),
      terms: isRefund.value ? { kind: 'days', days: 0 } : account.value!.terms,
    })),
)
const rest = computed(() =>
  settle.value.every((one) => /^\d+(\.\d+)?$/.test(one.amount))
    ? new Decimal(amount.value).minus(settledBy(settle.value))
    : new Decimal(0),
)

async function book() {
  await acting(async () => {
    await bookEntry(props.entry.id, { customerId: account.value!.customerId, settle: settle.value })
    useToasts().say(
      t('bank.amountBookedForAccount', {
        amount: money(amount.value, props.entry.currency),
        account: account.value!.name,
      }),
    )
    emit('done')
  })
}
</script>

<template>
  <div class="bar">
    <strong class="cut">{{ entry.name || t('bank.aMovement') }}</strong><span class="push amount">{{
      money(entry.amount, entry.currency)
    }}</span>
  </div>
  <div class="body">
    <dl>
      <dt>{{ t('bank.booked') }}</dt>
      <dd>{{ longDay(entry.bookedOn) }}</dd>
      <template v-if="entry.iban"
        ><dt>{{ t('bank.account') }}</dt>
        <dd class="mono">{{ entry.iban }}</dd></template
      ><template v-if="entry.reference"
        ><dt>{{ t('bank.reference') }}</dt>
        <dd class="mono">{{ entry.reference }}</dd></template
      ><template v-if="entry.text"
        ><dt>{{ t('bank.written') }}</dt>
        <dd>{{ entry.text }}</dd></template
      >
    </dl>
    <p
      class="notice"
      :class="{ sure: '', unsure: 'wait', strange: 'stuck' }[entry.state as 'sure'] ?? ''"
      role="status"
    >
      <span
        ><strong>{{ said(`movement/${entry.state}`) }}</strong
        >: {{ saidWords(entry.reason)
        }}<template v-if="entry.decidedBy"> ({{ entry.decidedBy }})</template></span
      >
    </p>
    <template v-if="open">
      <FormField
        v-if="may"
        v-model="search"
        :label="account ? t('bank.forAccount', { account: account.name }) : t('bank.forWhichCustomer')"
        :placeholder="account ? t('bank.anotherCustomer') : t('bank.nameOrNumber')"
        data-test="entry-customer"
        @keydown.enter.prevent="found[0] && choose(found[0].id)"
      />
      <strong v-else-if="account">{{ t('bank.forAccount', { account: account.name }) }}</strong>
      <ul v-if="found.length">
        <li v-for="one in found" :key="one.id">
          <button type="button" class="word" @click="choose(one.id)">{{ one.name }}</button>
          <span class="soft mono">{{ one.number }}</span>
        </li>
      </ul>
      <SettleTable
        v-if="account"
        :key="account.customerId"
        v-model="settle"
        :items="items"
        :amount="amount"
        :date="entry.bookedOn"
        :refund="isRefund"
      />
      <p v-if="account && rest.gt(0)" class="notice wait">
        {{ t('bank.amountSettlesNothingAndStays', { amount: money(rest.toString(), entry.currency) }) }}
      </p>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </template>
    <ul v-else-if="entry.proposal.settlements.length">
      <li v-for="one in entry.proposal.settlements" :key="one.documentId">
        <NuxtLink class="mono" :to="`/register?search=${one.number}&in=${one.documentId}`">{{
          one.number
        }}</NuxtLink>
        <span class="amount">{{ money(one.amount, entry.currency) }}</span>
      </li>
    </ul>
  </div>
  <footer v-if="may" class="foot-bar">
    <span class="push" /><VBtn
      :disabled="!account || busy || rest.lt(0)"
      data-test="book-entry"
      @click="book"
      >{{
        t('bank.bookAmountAccount', {
          amount: money(amount, entry.currency),
          account: account ? t('bank.forAccount2', { account: account.name }) : '',
        })
      }}</VBtn
    >
  </footer>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  background: var(--paper);
  padding: 12px 16px;
}
dl {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 4px 10px;
  margin: 0 0 10px;
}
dt {
  color: var(--soft-ink);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.notice {
  margin: 0 -16px 10px;
  border-top: 1px solid var(--rule);
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
li {
  padding: 3px 0;
  display: flex;
  gap: 10px;
}
</style>
