<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import SelectField from '../fields/SelectField.vue'
import { useWrongs } from '../../composables/useWrongs'
import { houseToday } from '../../composables/format'
import { addDays, startOfMonth } from '../../../core/documents/days'
import type { StatementPeriod } from '../../../core/receivables/statement'

/** What statements shall tell of: of one customer, or of many. What `make` does decides what follows. */
const props = defineProps<{
  title: string
  go: string
  /** Of one customer: the currencies in which anything was booked. */
  currencies?: readonly string[]
  make: (period: StatementPeriod, currency: string) => Promise<void>
}>()
const open = defineModel<boolean>({ required: true })
const { busy, wrong, wrongs, acting } = useWrongs(['period.until', 'period.from'])

const today = houseToday()
const form = ref<StatementPeriod['form']>('open items')
const lastMonth = addDays(startOfMonth(today), -1)
const from = ref<string | null>(startOfMonth(lastMonth))
const until = ref<string | null>(today)
const currency = ref(props.currencies?.[0] ?? '')
watch(form, (now) => {
  until.value = now === 'open items' ? today : lastMonth
})
const forms = [
  { value: 'open items', words: t('accounts.whatIsOpenOnADay') },
  { value: 'activity', words: t('accounts.whatWasBookedInATime') },
] as const
const untilWords = computed(() =>
  form.value === 'activity' ? t('accounts.toTheDay') : t('accounts.onTheDay'),
)
const ready = computed(() => !!until.value && (form.value === 'open items' || !!from.value))

const prepare = () =>
  acting(async () => {
    const period: StatementPeriod =
      form.value === 'open items'
        ? { form: 'open items', until: until.value! }
        : { form: 'activity', from: from.value!, until: until.value! }
    await props.make(period, currency.value)
    open.value = false
  })
</script>

<template>
  <Ask v-model="open" :title="title" :go="go" :busy="busy" :disabled="!ready" @go="prepare">
    <div class="fields">
      <SelectField
        v-model="form"
        :label="t('accounts.itTellsOf')"
        :choices="forms"
        data-test="statement-form"
      />
      <div v-if="form === 'activity'">
        <span class="label" aria-hidden="true">{{ t('accounts.fromTheDay') }}</span>
        <DateField v-model="from" :aria-label="t('accounts.fromTheDay')" data-test="statement-from" />
        <p v-if="wrongs['period.from']" class="wrong" role="alert">{{ wrongs['period.from'] }}</p>
      </div>
      <div>
        <span class="label" aria-hidden="true">{{ untilWords }}</span>
        <DateField v-model="until" :aria-label="untilWords" data-test="statement-until" />
        <p v-if="wrongs['period.until']" class="wrong" role="alert">{{ wrongs['period.until'] }}</p>
      </div>
      <SelectField
        v-if="currencies && currencies.length > 1"
        v-model="currency"
        :label="t('common.currency')"
        :choices="currencies"
      />
    </div>
    <p class="soft">{{ t('accounts.statementsWaitInToCheck') }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
}
.label {
  display: block;
  font-size: var(--small);
  color: var(--soft-ink);
}
.fields > :first-child {
  grid-column: 1 / -1;
}
</style>
