<script setup lang="ts">
import { t } from '../../words'
import StatementDialog from './StatementDialog.vue'
import StatementRun from './StatementRun.vue'
import StatementRuns from './StatementRuns.vue'
import Ask from '../frame/Ask.vue'
import { attempt } from '../../composables/api'
import { houseToday, money, plural } from '../../composables/format'
import { useSession } from '../../stores/session'
import type { StatementPeriod } from '../../../core/receivables/statement'

/** The foot of the accounts: how many they are and what they owe, and statements and reminders of them. */
const props = defineProps<{
  picked: number
  found: { matching: number; sums: { currency: string; balance: string }[] } | null | undefined
  /** Where those that match are had as CSV. */
  csv: string
  /** Has them prepared of those picked, or else of all that match; answers the run. */
  start: (period: StatementPeriod) => Promise<number>
}>()

const session = useSession()
const stating = ref(false)
const reminding = ref(false)
const running = ref<number | null>(null)
const report = computed({
  get: () => running.value !== null,
  set: (open) => {
    if (!open) running.value = null
  },
})
const count = computed(() => props.picked || (props.found?.matching ?? 0))
const sums = computed(() =>
  (props.found?.sums ?? []).map((one) => money(one.balance, one.currency)).join(', '),
)
async function prepare(period: StatementPeriod) {
  running.value = await props.start(period)
}
const remindAll = () =>
  attempt(async () => {
    await prepare({ form: 'reminder', until: houseToday() })
    reminding.value = false
  })
</script>

<template>
  <footer class="foot-bar">
    <strong v-if="picked">{{ t('common.countPicked', { count: picked }) }}</strong><span
      v-else
      class="soft cut"
      data-test="account-count"
      >{{
        sums
          ? t('accounts.countOwing', {
              accounts: plural(found?.matching ?? 0, 'account'),
              sum: sums,
            })
          : plural(found?.matching ?? 0, 'account')
      }}</span
    ><span class="push" /><StatementRuns @report="running = $event" /><VBtn
      :href="csv"
      data-test="accounts-csv"
      >{{ t('common.saveAsCSV') }}</VBtn
    ><VBtn v-if="session.may('clerk') && count > 0" data-test="remind-many" @click="reminding = true">{{
      picked ? t('accounts.remindCount', { count }) : t('accounts.remindAll', { count })
    }}</VBtn
    ><VBtn v-if="session.may('clerk') && count > 0" data-test="statements-of-many" @click="stating = true">{{
      picked ? t('accounts.statementsOfCount', { count }) : t('accounts.statementsOfAll', { count })
    }}</VBtn>
  </footer>
  <StatementDialog
    v-if="stating"
    v-model="stating"
    :title="t('accounts.statementsOfAccount')"
    :go="t('accounts.prepareCountStatements', { accounts: plural(count, 'account') })"
    :make="prepare"
  />
  <Ask
    v-model="reminding"
    :title="t('accounts.reminders')"
    :go="t('accounts.prepareCountReminders', { accounts: plural(count, 'account') })"
    @go="remindAll"
    ><p>{{ t('accounts.oneLetterEach') }}</p></Ask
  >
  <StatementRun v-if="running !== null" :id="running" :key="running" v-model="report" />
</template>
