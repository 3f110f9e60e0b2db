<script setup lang="ts">
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { houseToday, longDay, plural } from '../../composables/format'
import { useActing } from '../../composables/useActing'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { fetchRates, keepRates } from '../../calls/rates'
import type { RateRow, RatesReport } from '../../contract'

/** Exchange rates, for the tax of papers in foreign currency: the newest, and one more; many come in as a file. */
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const found = shallowRef<RateRow[]>([])
const form = ref({ currency: 'GBP', day: houseToday(), rate: '', source: '' })
const { wrong, acting } = useActing()
const load = () =>
  attempt(async () => {
    found.value = await fetchRates()
    form.value.source ||= found.value[0]?.source ?? ''
  })
onMounted(load)

const said = (done: RatesReport) =>
  `${plural(done.added, 'rate')} added, ${done.changed} changed, ${done.same} as they were.`
const add = () =>
  acting(async () => {
    const rate = {
      ...form.value,
      currency: form.value.currency.trim().toUpperCase(),
      rate: form.value.rate.trim().replace(',', '.'),
    }
    useToasts().say(said(await keepRates({ rates: [rate] })))
    await load()
  })
</script>

<template>
  <h2>Exchange rates</h2>
  <p>
    A document in foreign currency says its VAT in {{ session.house!.company.currency }} too, at the newest
    rate up to its date.
  </p>
  <table v-if="found.length">
    <thead>
      <tr>
        <th>Day</th>
        <th>For 1 {{ session.house!.company.currency }}</th>
        <th>Source</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in found.slice(0, 5)" :key="one.currency + one.day">
        <td>{{ longDay(one.day) }}</td>
        <td class="mono">{{ one.rate }} {{ one.currency }}</td>
        <td>{{ one.source }}</td>
      </tr>
    </tbody>
  </table>
  <form v-if="!disabled" class="row" @submit.prevent="add">
    <FormField v-model="form.currency" label="Currency" mono /><label class="day"
      >Day <DateField v-model="form.day" /></label
    ><FormField v-model="form.rate" label="Rate" mono /><FormField v-model="form.source" label="Source" />
    <VBtn type="submit" :disabled="!form.rate.trim() || !form.source.trim()" data-test="add-rate">Add</VBtn>
  </form>
  <p>
    <NuxtLink v-if="!disabled" to="/imports?of=rates">Read many from a file</NuxtLink
    ><template v-if="found.length"
      ><template v-if="!disabled"> · </template
      ><a href="/api/rates/csv" data-test="rates-csv">Save them as CSV</a></template
    >
  </p>
  <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
</template>

<style scoped>
h2 {
  margin: 18px 0 4px;
}
p {
  margin: 0 0 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
}
td,
th {
  padding: 3px 6px 3px 0;
  border-bottom: 1px solid var(--rule);
}
.row {
  display: grid;
  grid-template-columns: 76px 142px 100px 1fr auto;
  gap: 8px;
  align-items: end;
  margin: 10px 0;
}
.day {
  font-size: var(--small);
  color: var(--soft-ink);
  display: flex;
  flex-direction: column;
}
.day input {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 6px 8px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
}
</style>
