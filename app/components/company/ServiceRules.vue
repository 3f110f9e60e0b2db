<script setup lang="ts">
import { t } from '../../words'
import FieldRows, { type FieldColumn } from './FieldRows.vue'
import type { HouseSettings } from '../../contract'

/**
 * By which service goods go that say nothing themselves: the first rule that applies, else the cheapest that takes
 * them. A row that is left is kept as soon as it is whole.
 */
const props = defineProps<{ settings: HouseSettings; disabled: boolean }>()
const emit = defineEmits<{ keep: [change: Partial<HouseSettings>, said: string] }>()
type Rule = HouseSettings['serviceRules'][number]
interface Row {
  service: string
  countries: string
  customers: string
  overWeight: string
  overTotal: string
}
const rowOf = ({ countries, customers, ...rest }: Rule): Row => ({
  ...rest,
  countries: countries.join(' '),
  customers: customers.join(' '),
})
const rows = ref<Row[]>(props.settings.serviceRules.map(rowOf))
/** Another setting that somebody changes takes nothing from a row that is being written. */
watch(
  () => JSON.stringify(props.settings.serviceRules),
  () => {
    rows.value = props.settings.serviceRules.map(rowOf)
  },
)
const columns: FieldColumn<Row>[] = [
  { field: 'service', words: t('carriers.ruleService'), isWide: true },
  { field: 'countries', words: t('carriers.ruleCountries') },
  { field: 'customers', words: t('carriers.ruleCustomers') },
  { field: 'overWeight', words: t('carriers.ruleOverWeight') },
  { field: 'overTotal', words: t('carriers.ruleOverTotal') },
]
const isNumber = (text: string) => text.trim() === '' || /^\d{1,9}(\.\d{1,3})?$/.test(text.trim())
const isWhole = (row: Row) =>
  row.service.trim() !== '' &&
  isNumber(row.overWeight) &&
  isNumber(row.overTotal) &&
  wordsIn(row.countries).every((code) => /^[A-Za-z]{2}$/.test(code))
const wordsIn = (text: string) => text.split(/[\s,;]+/).filter(Boolean)
const ruleOf = (row: Row): Rule => ({
  service: row.service.trim(),
  countries: wordsIn(row.countries).map((code) => code.toUpperCase()),
  customers: wordsIn(row.customers),
  overWeight: row.overWeight.trim(),
  overTotal: row.overTotal.trim(),
})
function keep() {
  if (!rows.value.every(isWhole)) return
  const serviceRules = rows.value.map(ruleOf)
  if (JSON.stringify(serviceRules) !== JSON.stringify(props.settings.serviceRules))
    emit('keep', { serviceRules }, t('carriers.rulesAreSaved'))
}
const add = () =>
  rows.value.push({ service: '', countries: '', customers: '', overWeight: '', overTotal: '' })
</script>

<template>
  <p class="soft">{{ rows.length ? t('carriers.rulesHint') : t('carriers.noRules') }}</p>
  <FieldRows
    v-model="rows"
    :columns="columns"
    numbered
    :disabled="disabled"
    test="rule"
    :maxlength="80"
    :field-label="(n, field) => t('carriers.ruleField', { n, field })"
    :remove-label="(n) => t('carriers.takeRuleAway', { n })"
    :add-label="t('carriers.addRule')"
    @keep="keep"
    @add="add"
  />
</template>
