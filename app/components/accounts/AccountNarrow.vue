<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import WordPanel from '../list/WordPanel.vue'
import { attempt } from '../../composables/api'
import { plural } from '../../composables/format'
import { useSession } from '../../stores/session'
import type { Narrowing } from './narrowing'
import { fetchAccountChoices } from '../../calls/accounts'

/** What accounts are narrowed by beyond what they owe: a word of the page's sentence that opens a panel. */
type Narrow = Omit<Narrowing, 'search' | 'only'>
const props = defineProps<{ value: Narrow }>()
const emit = defineEmits<{ set: [change: Partial<Narrow>] }>()

const { brands } = useSession().house!
const choices = shallowRef<Awaited<ReturnType<typeof fetchAccountChoices>>>()
onMounted(() =>
  attempt(async () => {
    choices.value = await fetchAccountChoices()
  }),
)
const any = (values: readonly string[] = []) => [
  { value: '', words: t('accounts.any') },
  ...values.map((value) => ({ value, words: value })),
]
const words = computed(() => {
  const { group, salesperson, country, overdueOver, balanceOver, lateOver } = props.value
  const { brand, notStatedFor, notRemindedFor, field, fieldHolds } = props.value
  const said = [
    brands.find((one) => one.code === brand)?.name,
    group,
    salesperson,
    country,
    overdueOver && t('accounts.overdueOverSum', { sum: overdueOver }),
    balanceOver && t('accounts.owingOverSum', { sum: balanceOver }),
    lateOver && t('accounts.lateOverDays', { days: plural(Number(lateOver), 'day') }),
    field && (fieldHolds ? `${field}: ${fieldHolds}` : field),
    notStatedFor && t('accounts.notStatedFor', { days: plural(Number(notStatedFor), 'day') }),
    notRemindedFor && t('accounts.notRemindedFor', { days: plural(Number(notRemindedFor), 'day') }),
  ].filter(Boolean)
  return said.join(', ') || t('accounts.anyOfThem')
})
const isSum = (text: string) => /^\d{1,10}([.,]\d{1,2})?$/.test(text)
/** What is written counts once it can be read. */
const takeSum = (name: 'overdueOver' | 'balanceOver', text: string) => {
  if (text === '' || isSum(text)) emit('set', { [name]: text.replace(',', '.') })
}
const takeDays = (name: 'lateOver' | 'notStatedFor' | 'notRemindedFor', text: string) => {
  if (/^\d{0,4}$/.test(text)) emit('set', { [name]: text })
}
</script>

<template>
  <WordPanel :label="t('accounts.narrowedBy')" :words="words" :open-end="words === t('accounts.anyOfThem')">
    <div class="fields">
      <SelectField
        :model-value="value.group"
        :label="t('customers.group')"
        :choices="any(choices?.groups)"
        data-test="narrow-group"
        @update:model-value="emit('set', { group: $event })"
      />
      <SelectField
        :model-value="value.salesperson"
        :label="t('customers.salesperson')"
        :choices="any(choices?.salespeople)"
        @update:model-value="emit('set', { salesperson: $event })"
      />
      <SelectField
        :model-value="value.country"
        :label="t('common.country')"
        :choices="any(choices?.countries)"
        @update:model-value="emit('set', { country: $event })"
      />
      <FormField
        :model-value="value.balanceOver"
        :label="t('accounts.owingOver')"
        inputmode="decimal"
        data-test="narrow-balance"
        @update:model-value="takeSum('balanceOver', $event)"
      />
      <FormField
        :model-value="value.overdueOver"
        :label="t('accounts.overdueOver')"
        inputmode="decimal"
        @update:model-value="takeSum('overdueOver', $event)"
      />
      <FormField
        :model-value="value.lateOver"
        :label="t('accounts.lateForMoreThanDays')"
        inputmode="numeric"
        @update:model-value="takeDays('lateOver', $event)"
      />
      <FormField
        :model-value="value.notStatedFor"
        :label="t('accounts.noStatementForDays')"
        inputmode="numeric"
        @update:model-value="takeDays('notStatedFor', $event)"
      />
      <FormField
        :model-value="value.notRemindedFor"
        :label="t('accounts.noReminderForDays')"
        inputmode="numeric"
        @update:model-value="takeDays('notRemindedFor', $event)"
      />
      <template v-if="choices?.fields.length">
        <SelectField
          :model-value="value.field"
          :label="t('bank.ownField')"
          :choices="any(choices.fields)"
          @update:model-value="emit('set', { field: $event, fieldHolds: '' })"
        />
        <FormField
          v-if="value.field"
          :model-value="value.fieldHolds"
          :label="t('bank.whatItHolds')"
          @update:model-value="emit('set', { fieldHolds: $event })"
        />
      </template>
      <SelectField
        v-if="brands.length > 1"
        :model-value="value.brand"
        :label="t('common.brand')"
        :choices="[
          { value: '', words: t('accounts.any') },
          ...brands.map((one) => ({ value: one.code, words: one.name })),
        ]"
        @update:model-value="emit('set', { brand: $event })"
      />
    </div>
  </WordPanel>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  width: 330px;
  gap: 8px 12px;
}
</style>
