<script setup lang="ts">
import { t } from '../../words'
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
watch(
  () => props.settings.serviceRules,
  (now) => {
    rows.value = now.map(rowOf)
  },
)
const columns = [
  { field: 'service', words: t('carriers.ruleService') },
  { field: 'countries', words: t('carriers.ruleCountries') },
  { field: 'customers', words: t('carriers.ruleCustomers') },
  { field: 'overWeight', words: t('carriers.ruleOverWeight') },
  { field: 'overTotal', words: t('carriers.ruleOverTotal') },
] as const
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
function remove(place: number) {
  rows.value.splice(place, 1)
  keep()
}
const add = () =>
  rows.value.push({ service: '', countries: '', customers: '', overWeight: '', overTotal: '' })
</script>

<template>
  <p class="soft">{{ rows.length ? t('carriers.rulesHint') : t('carriers.noRules') }}</p>
  <table v-if="rows.length">
    <thead>
      <tr>
        <th />
        <th v-for="column in columns" :key="column.field">{{ column.words }}</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, place) in rows" :key="place">
        <td class="soft">{{ place + 1 }}</td>
        <td v-for="column in columns" :key="column.field">
          <input
            v-model="row[column.field]"
            :class="{ wide: column.field === 'service' }"
            :disabled="disabled"
            :aria-label="t('carriers.ruleField', { n: place + 1, field: column.words })"
            :data-test="`rule-${place + 1}-${column.field}`"
            maxlength="80"
            @change="keep"
          />
        </td>
        <td>
          <button
            v-if="!disabled"
            type="button"
            class="remove"
            :aria-label="t('carriers.takeRuleAway', { n: place + 1 })"
            @click="remove(place)"
          >
            ×
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <button v-if="!disabled" type="button" class="word open-end" data-test="add-rule" @click="add">
    {{ t('carriers.addRule') }}
  </button>
</template>

<style scoped>
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
  padding: 2px 6px;
}
td {
  padding: 2px 6px;
  border-bottom: 1px solid var(--rule);
}
input {
  width: 112px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 3px 5px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
}
.wide {
  width: 180px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
</style>
