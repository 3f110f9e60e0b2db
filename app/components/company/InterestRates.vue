<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import { attempt } from '../../composables/api'
import { houseToday } from '../../composables/format'
import { fetchDefaults } from '../../calls/customers'
import { countryName, countryNames, countryOf } from '../../../core/countries'
import { sortRates, type InterestRate } from '../../../core/receivables/interest'

/** What late payment costs a year: for everybody, a group or a country, each from a day on. */
const props = defineProps<{ rates: readonly InterestRate[]; disabled: boolean }>()
const emit = defineEmits<{ keep: [rates: InterestRate[]]; leave: [] }>()

const lines = ref(props.rates.map((one) => ({ ...one, country: one.country && countryName(one.country) })))
const add = () => lines.value.push({ group: '', country: '', from: houseToday(), percent: '' })
if (lines.value.length === 0) add()
const groups = shallowRef<string[]>([])
const known = ref(false)
onMounted(() =>
  attempt(async () => {
    groups.value = (await fetchDefaults()).groups.map(({ name }) => name)
    known.value = true
  }),
)

const asked = ref(false)
const percentOf = (text: string) => text.trim().replace(',', '.')
const percentWrong = ({ percent }: InterestRate) =>
  asked.value && !/^\d{1,2}(\.\d{1,3})?$/.test(percentOf(percent)) ? t('reminders.percentLike') : ''
const countryWrong = ({ country }: InterestRate) =>
  asked.value && country.trim() && !countryOf(country) ? t('reminders.noSuchCountry') : ''
/** A rate may be there before its customers are. */
const nobodyIn = ({ group }: InterestRate) =>
  known.value && group.trim() && !groups.value.includes(group.trim()) ? t('reminders.nobodyInGroup') : ''
const same = (a: InterestRate, b: InterestRate) =>
  a.group === b.group && a.country === b.country && a.from === b.from
const twice = computed(() =>
  lines.value.some((one, place) => lines.value.some((other, at) => at < place && same(one, other))),
)
function keep() {
  asked.value = true
  if (lines.value.some((one) => percentWrong(one) || countryWrong(one) || !one.from) || twice.value) return
  const rates = lines.value.map((one) => ({
    group: one.group.trim(),
    country: one.country.trim() ? countryOf(one.country)! : '',
    from: one.from,
    percent: percentOf(one.percent),
  }))
  emit('keep', sortRates(rates))
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="t('reminders.interestForLatePayment')"
    :go="t('common.save')"
    :disabled="disabled"
    wide
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <p>{{ t('reminders.interestHelp') }}</p>
    <ul class="rates">
      <li v-for="(one, place) in lines" :key="place">
        <FormField
          v-model="one.percent"
          :label="t('reminders.percentAYear')"
          :wrong="percentWrong(one)"
          :disabled="disabled"
          inputmode="decimal"
          data-test="rate-percent"
        />
        <div class="day">
          <DateField v-model="one.from" :label="t('reminders.from')" :disabled="disabled" />
        </div>
        <FormField
          v-model="one.group"
          :label="t('reminders.ofTheGroup')"
          :suggest="groups"
          :hint="nobodyIn(one)"
          :disabled="disabled"
        />
        <FormField
          v-model="one.country"
          :label="t('reminders.ofTheCountry')"
          :suggest="countryNames"
          :wrong="countryWrong(one)"
          :disabled="disabled"
        />
        <button v-if="!disabled" type="button" class="word" @click="lines.splice(place, 1)">
          {{ t('reminders.takeAway') }}
        </button>
      </li>
    </ul>
    <p v-if="asked && twice" class="notice stuck" role="alert">{{ t('reminders.rateTwice') }}</p>
    <button v-if="!disabled" type="button" class="word" data-test="add-interest-rate" @click="add">
      {{ t('reminders.oneMoreRate') }}
    </button>
  </Ask>
</template>

<style scoped>
.rates {
  list-style: none;
  margin: 10px 0;
  padding: 0;
}
.rates li {
  display: grid;
  grid-template-columns: 80px 142px 1fr 1fr auto;
  align-items: start;
  gap: 10px;
  padding: 4px 0;
}
.rates .word {
  align-self: end;
  padding-bottom: 8px;
}
.day {
  display: grid;
  gap: 3px;
}
.day :deep(label) {
  font-size: var(--small);
  color: var(--soft-ink);
}
</style>
