<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { fullTime, houseToday, longDay } from '../../composables/format'
import { useToasts } from '../../stores/toasts'
import { fetchPeriods, closePeriods } from '../../calls/periods'
import { addDays } from '../../../core/documents/days'
import type { Periods } from '../../contract'

/** Accounting periods: up to which day they are closed, by whom, and what waits for a date in one. */
const session = useSession()
const may = computed(() => session.may('supervisor'))
const found = shallowRef<Periods>()
const until = ref(lastMonthEnd())
const reason = ref('')
const asking = ref(false)
const busy = ref(false)

async function load() {
  found.value = await fetchPeriods()
}
onMounted(() => attempt(load))
useLive(['house'], () => void load())

/** The last day of the month before this one. */
function lastMonthEnd(): string {
  return addDays(`${houseToday().slice(0, 8)}01`, -1)
}
const opens = computed(() => !!found.value?.closedUntil && until.value < found.value.closedUntil)

async function close() {
  busy.value = true
  await attempt(async () => {
    await closePeriods({ until: until.value || null, reason: reason.value })
    useToasts().say(
      until.value
        ? t('company.closedUpToUntil', { until: longDay(until.value) })
        : t('company.allPeriodsAreOpen'),
    )
    asking.value = false
    reason.value = ''
    await load()
  })
  busy.value = false
}
</script>

<template>
  <div class="body">
    <p class="sentence">
      <I18nT keypath="company.accountingPeriodsAreFoundNothing" scope="global"
        ><template #found
          ><strong>{{
            found?.closedUntil
              ? t('company.closedUpToClosedUntil', { closedUntil: longDay(found.closedUntil) })
              : t('company.allOpen')
          }}</strong></template
        ></I18nT
      >
    </p>
    <form v-if="may" class="row" @submit.prevent="asking = true">
      <label
        ><I18nT keypath="company.closeUpToAndWith" scope="global"
          ><template #until><DateField v-model="until" data-test="close-until" /></template></I18nT
      ></label>
      <VBtn type="submit" :disabled="until === (found?.closedUntil ?? '')" data-test="close-period">{{
        opens || !until ? t('company.openAgain') : t('company.close')
      }}</VBtn>
    </form>
    <template v-if="found?.waiting.length">
      <h2>{{ t('company.draftsThatWantADate') }}</h2>
      <ul>
        <li v-for="one in found.waiting" :key="one.preparedId">{{ one.label }}, {{ longDay(one.date) }}</li>
      </ul>
    </template>
    <h2>{{ t('company.whatWasClosedAndOpened') }}</h2>
    <ul>
      <li v-for="one in found?.history ?? []" :key="String(one.at)">
        <span>{{
          one.closedUntil
            ? t('company.closedUpToClosedUntil2', { closedUntil: longDay(one.closedUntil) })
            : t('company.allOpened')
        }}</span>
        <span class="soft">{{
          t('company.byByAtOne', {
            by: one.by,
            at: fullTime(one.at),
            one: one.reason ? `: ${one.reason}` : '',
          })
        }}</span>
      </li>
      <li v-if="found?.history.length === 0" class="soft">{{ t('company.nothingYet') }}</li>
    </ul>
  </div>
  <Ask
    v-model="asking"
    :title="
      opens || !until
        ? t('company.openThePeriodsAfterUntil', {
            until: until ? longDay(until) : t('company.theBeginning'),
          })
        : t('company.closeEverythingUpToUntil', { until: longDay(until) })
    "
    :go="opens || !until ? t('common.open') : t('common.close')"
    :busy="busy"
    :disabled="(opens || !until) && !reason.trim()"
    @go="close"
  >
    <p v-if="!opens && until">
      {{ t('company.fromThenOnNoDocument') }}
    </p>
    <FormField
      v-model="reason"
      :label="opens || !until ? t('company.whyKeptWithTheDate') : t('company.aRemarkIfYouLike')"
    />
  </Ask>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
.sentence {
  white-space: normal;
  font-size: var(--body);
  margin: 0 0 14px;
}
.row {
  display: flex;
  gap: 12px;
  align-items: end;
}
.row label {
  font-size: var(--small);
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
}
.row input {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 6px 9px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
}
h2 {
  margin: 20px 0 6px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
