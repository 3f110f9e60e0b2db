<script setup lang="ts">
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
    useToasts().say(until.value ? `Closed up to ${longDay(until.value)}.` : 'All periods are open.')
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
      Accounting periods are
      <strong>{{ found?.closedUntil ? `closed up to ${longDay(found.closedUntil)}` : 'all open' }}</strong>.
      Nothing is dated, issued, voided or credited into a closed one.
    </p>
    <form v-if="may" class="row" @submit.prevent="asking = true">
      <label>Close up to and with <DateField v-model="until" data-test="close-until" /></label>
      <VBtn type="submit" :disabled="until === (found?.closedUntil ?? '')" data-test="close-period">{{
        opens || !until ? 'Open again…' : 'Close…'
      }}</VBtn>
    </form>
    <template v-if="found?.waiting.length">
      <h2>Drafts that want a date in a closed period</h2>
      <ul>
        <li v-for="one in found.waiting" :key="one.preparedId">{{ one.label }}, {{ longDay(one.date) }}</li>
      </ul>
    </template>
    <h2>What was closed and opened</h2>
    <ul>
      <li v-for="one in found?.history ?? []" :key="String(one.at)">
        <span>{{ one.closedUntil ? `Closed up to ${longDay(one.closedUntil)}` : 'All opened' }}</span>
        <span class="soft"
          >by {{ one.by }}, {{ fullTime(one.at) }}{{ one.reason ? `: ${one.reason}` : '' }}</span
        >
      </li>
      <li v-if="found?.history.length === 0" class="soft">Nothing yet.</li>
    </ul>
  </div>
  <Ask
    v-model="asking"
    :title="
      opens || !until
        ? `Open the periods after ${until ? longDay(until) : 'the beginning'} again?`
        : `Close everything up to ${longDay(until)}?`
    "
    :go="opens || !until ? 'Open' : 'Close'"
    :busy="busy"
    :disabled="(opens || !until) && !reason.trim()"
    @go="close"
  >
    <p v-if="!opens && until">
      From then on no document can bear a date up to that day. Only a supervisor can open it again, with a
      reason.
    </p>
    <FormField
      v-model="reason"
      :label="opens || !until ? 'Why (kept with the date)' : 'A remark, if you like'"
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
