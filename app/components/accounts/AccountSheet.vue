<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import CheckField from '../fields/CheckField.vue'
import AccountItems from './AccountItems.vue'
import AccountLooks from './AccountLooks.vue'
import AccountPayments from './AccountPayments.vue'
import PaymentDialog from './PaymentDialog.vue'
import StatementDialog from './StatementDialog.vue'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { useNewest } from '../../composables/useNewest'
import { useLive } from '../../composables/useLive'
import { houseToday, money } from '../../composables/format'
import { useMainKey } from '../../composables/useMainKey'
import { prepareReceipt, undoPayment } from '../../calls/payments'
import { fetchAccount } from '../../calls/accounts'
import { prepareStatements } from '../../calls/statements'
import { periodWords } from './statement-words'
import { toldTerms } from '../../../core/documents/terms'
import { kindOfPeriod, type StatementPeriod } from '../../../core/receivables/statement'
import type { Account, OpenRow, PaymentRow } from '../../contract'

/**
 * One customer's account: what is open with its marks, and what was paid; the place where a payment is
 * recorded or taken back.
 */
const props = defineProps<{
  id: number
  /** The payment that somebody came for. */
  payment: number | null
}>()
const session = useSession()
const may = computed(() => session.may('clerk'))
const view = shallowRef<Account>()
const wrong = ref('')
const recording = ref<'in' | 'out' | null>(null)
const record = computed({
  get: () => recording.value !== null,
  set: (open) => {
    if (!open) recording.value = null
  },
})
const allocating = shallowRef<PaymentRow>()
const allocate = computed({
  get: () => !!allocating.value,
  set: (open) => {
    if (!open) allocating.value = undefined
  },
})
/** The receipt, prepared by hand; it waits in To check. */
const makeReceipt = (one: PaymentRow) =>
  attempt(async () => {
    const { outcome, reason } = await prepareReceipt(one.id)
    useToasts().say(
      outcome === 'prepared'
        ? [t('accounts.theReceiptWaitsInTo'), saidWords(reason)].filter(Boolean).join(' ')
        : saidWords(reason),
      { wrong: outcome !== 'prepared' },
    )
  })
const stating = ref(false)
/** One of each brand; what is not prepared says why. */
async function makeStatements(period: StatementPeriod, currency: string) {
  const { statements } = await prepareStatements({ of: { customerId: props.id, currency }, period })
  const made = statements.filter((one) => one.outcome === 'prepared')
  for (const one of statements.filter((other) => !made.includes(other)))
    useToasts().say(saidWords(one.reason), { wrong: true })
  const problem = made.map((one) => one.reason).find(Boolean)
  if (made.length > 0)
    useToasts().say(saidWords(problem) || t('accounts.statementIsPrepared'), { wrong: !!problem })
  await load()
}
/** Where a prepared one waits. */
const toCheck = ({ period }: { period: StatementPeriod | null }) => ({
  path: '/',
  query: { kind: period ? kindOfPeriod(period) : '', search: view.value!.name },
})
const reminding = ref(false)
const late = computed(() => view.value?.items.some((item) => item.late > 0 && Number(item.open) > 0))
/** Something is at the last level already: it is asked for once more where a person says so. */
const atLast = computed(() => view.value?.items.some((item) => item.late > 0 && isAtLast(item)))
const isAtLast = (item: OpenRow) => (item.reminders.at(-1)?.level ?? 0) >= view.value!.levels
const lastAgain = ref(false)
watch(reminding, () => {
  lastAgain.value = false
})
async function makeReminders() {
  const again = lastAgain.value && atLast.value ? ({ lastAgain: true } as const) : {}
  reminding.value = false
  for (const currency of view.value!.currencies)
    await attempt(() => makeStatements({ form: 'reminder', until: day, ...again }, currency))
}
const undoing = shallowRef<PaymentRow>()
const undo = computed({
  get: () => !!undoing.value,
  set: (open) => {
    if (!open) undoing.value = undefined
  },
})
const reason = ref('')

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => fetchAccount(props.id))
    if (!found) return
    view.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
onMounted(load)
useLive(['payment', 'register'], () => void load(), 300)

const takeBack = () =>
  attempt(async () => {
    await undoPayment(undoing.value!.id, { reason: reason.value.trim() })
    useToasts().say(t('accounts.takenBackByACounter'))
    undoing.value = undefined
    reason.value = ''
    await load()
  })
const day = houseToday()
useMainKey(() => {
  if (may.value) recording.value = 'in'
})
</script>

<template>
  <div v-if="wrong" class="empty">
    <strong>{{ t('common.notToBeSeen') }}</strong>{{ wrong }}
  </div>
  <template v-else-if="view">
    <div class="bar">
      <strong class="cut">{{ view.name }}</strong><NuxtLink
        class="push mono"
        :to="`/customers?search=${view.number}`"
        >{{ view.number }}</NuxtLink
      >
    </div>
    <div class="body">
      <p class="soft terms">{{ t('accounts.paysTerms', { terms: saidWords(toldTerms(view.terms)) }) }}</p>
      <h2>{{ t('common.open') }}</h2>
      <AccountItems :items="view.items" :day="day" :may="may" :levels="view.levels" @changed="load" />
      <h2>{{ t('accounts.statementsOfAccount') }}</h2>
      <ul :aria-label="t('accounts.statementsOfAccount')" data-test="statements">
        <li v-for="one in view.statements" :key="one.preparedId">
          <NuxtLink
            v-if="one.documentId"
            class="mono number"
            :to="`/register?search=${one.number}&in=${one.documentId}`"
            >{{ one.number }}</NuxtLink
          >
          <NuxtLink v-else class="number" :to="toCheck(one)">{{ t('accounts.waitsInToCheck') }}</NuxtLink>
          <span class="soft cut">{{ one.period ? periodWords(one.period) : '' }}, {{ one.brand }}</span>
          <span v-if="one.voided" class="tag stuck">{{ t('register.void') }}</span>
          <span class="amount push">{{ money(one.balance, one.currency) }}</span>
        </li>
        <li v-if="view.statements.length === 0" class="soft">{{ t('accounts.noStatementYet') }}</li>
      </ul>
      <AccountLooks v-if="view.looked.length > 0" :looked="view.looked" />
      <h2>{{ t('common.payments') }}</h2>
      <AccountPayments
        :account="view"
        :here="payment"
        :may="may"
        @allocate="allocating = $event"
        @receipt="makeReceipt"
        @undo="undoing = $event"
      />
    </div>
    <footer v-if="may" class="foot-bar">
      <VBtn v-if="view.currencies.length > 0" data-test="make-statement" @click="stating = true">{{
        t('accounts.statement')
      }}</VBtn><VBtn v-if="late" data-test="make-reminder" @click="reminding = true">{{
        t('accounts.remind')
      }}</VBtn
      ><span class="push" /><VBtn data-test="record-refund" @click="recording = 'out'">{{
        t('accounts.refund')
      }}</VBtn
      ><VBtn variant="flat" class="go" data-test="record-payment" @click="recording = 'in'">{{
        t('accounts.recordAPayment')
      }}</VBtn>
    </footer>
    <Ask
      v-model="reminding"
      :title="t('accounts.remindName', { name: view.name })"
      :go="t('accounts.prepareIt')"
      @go="makeReminders"
      ><p>{{ t('accounts.oneLetterEach') }}</p>
      <CheckField v-if="atLast" v-model="lastAgain" data-test="last-again">{{
        t('bank.lastAgain')
      }}</CheckField></Ask
    >
    <StatementDialog
      v-if="stating"
      v-model="stating"
      :title="t('accounts.aStatementForName', { name: view.name })"
      :go="t('accounts.prepareIt')"
      :currencies="[...view.currencies].sort((a) => (a === view!.currency ? -1 : 0))"
      :make="makeStatements"
    />
    <PaymentDialog v-if="recording" v-model="record" :account="view" :direction="recording" @done="load" />
    <PaymentDialog
      v-else-if="allocating"
      v-model="allocate"
      :account="view"
      direction="in"
      :payment="allocating"
      @done="load"
    />
    <Ask
      v-model="undo"
      :title="
        t('accounts.takeBackUndoing', { undoing: undoing ? money(undoing.amount, undoing.currency) : '' })
      "
      :go="t('accounts.takeItBack')"
      danger
      :disabled="!reason.trim()"
      @go="takeBack"
      ><p>
        {{ t('accounts.aCounterEntryOfToday') }}
      </p>
      <FormField v-model="reason" :label="t('common.whyItIsKept')"
    /></Ask>
  </template>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  background: var(--paper);
  padding: 10px 16px 20px;
}
.terms {
  margin: 0;
}
h2 {
  margin: 14px 0 4px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.number {
  white-space: nowrap;
}
.amount {
  white-space: nowrap;
}
</style>
