<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
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
  t('company.ratesAddedChangedChangedSame', {
    rates: plural(done.added, 'rate'),
    changed: done.changed,
    same: done.same,
  })
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
  <h2>{{ t('company.exchangeRates') }}</h2>
  <p>
    {{ t('company.aDocumentInForeignCurrency', { currency: session.house!.company.currency }) }}
  </p>
  <table v-if="found.length">
    <thead>
      <tr>
        <th>{{ t('common.day') }}</th>
        <th>{{ t('company.for1Currency', { currency: session.house!.company.currency }) }}</th>
        <th>{{ t('company.source') }}</th>
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
    <FormField v-model="form.currency" :label="t('common.currency')" mono /><label class="day"
      ><I18nT keypath="company.dayDay" scope="global"
        ><template #day><DateField v-model="form.day" /></template></I18nT></label
    ><FormField v-model="form.rate" :label="t('company.rate')" mono /><FormField
      v-model="form.source"
      :label="t('company.source')"
    />
    <VBtn type="submit" :disabled="!form.rate.trim() || !form.source.trim()" data-test="add-rate">{{
      t('company.add')
    }}</VBtn>
  </form>
  <p>
    <NuxtLink v-if="!disabled" to="/imports?of=rates">{{ t('company.readManyFromAFile') }}</NuxtLink><template
      v-if="found.length"
      ><template v-if="!disabled"> · </template
      ><a href="/api/rates/csv" data-test="rates-csv">{{ t('company.saveThemAsCSV') }}</a></template
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
