<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import WordPanel from '../list/WordPanel.vue'
import { toldTerms, type Terms } from '../../../core/documents/terms'

/** When a customer pays, as a word that opens its parts; kept when the panel is left. */
const props = defineProps<{ terms: Terms; disabled: boolean }>()
const emit = defineEmits<{ keep: [terms: Terms] }>()
const form = ref(formOf(props.terms))
watch(
  () => props.terms,
  (now) => {
    form.value = formOf(now)
  },
)

const kinds = [
  { value: 'days', words: t('customers.someDaysAfter') },
  { value: 'end of month', words: t('customers.atTheEndOfThe') },
  { value: 'day of month', words: t('customers.onADayOfA') },
] as const
function formOf(terms: Terms) {
  return {
    kind: terms.kind,
    days: String(terms.kind === 'day of month' ? 30 : terms.days),
    day: String(terms.kind === 'day of month' ? terms.day : 10),
    months: String(terms.kind === 'day of month' ? terms.months : 1),
    percent: terms.discount?.percent ?? '',
    within: String(terms.discount?.days ?? 10),
    isCollected: terms.collected !== undefined,
    mandate: terms.collected?.mandate ?? '',
  }
}
const written = computed((): Terms => {
  const { kind, days, day, months, percent, within, isCollected, mandate } = form.value
  const paid = {
    ...(Number(percent) > 0 ? { discount: { percent, days: Number(within) } } : {}),
    ...(isCollected ? { collected: { mandate: mandate.trim() } } : {}),
  }
  return kind === 'day of month'
    ? { kind, day: Number(day), months: Number(months), ...paid }
    : { kind, days: Number(days), ...paid }
})
function keep(close: () => void) {
  if (JSON.stringify(written.value) !== JSON.stringify(props.terms)) emit('keep', written.value)
  close()
}
</script>

<template>
  <WordPanel
    v-slot="{ close }"
    :label="t('customers.terms')"
    :words="saidWords(toldTerms(terms))"
    :disabled="disabled"
  >
    <SelectField v-model="form.kind" :label="t('common.due')" :choices="kinds" data-test="terms-kind" />
    <FormField
      v-if="form.kind !== 'day of month'"
      v-model="form.days"
      :label="form.kind === 'days' ? 'days' : t('customers.andDays')"
      type="number"
      min="0"
      max="365"
      data-test="terms-days"
    />
    <template v-else>
      <FormField v-model="form.day" :label="t('customers.dayOfTheMonth')" type="number" min="1" max="31" />
      <FormField v-model="form.months" :label="t('customers.monthsAfter')" type="number" min="0" max="12" />
    </template>
    <FormField
      v-model="form.percent"
      :label="t('customers.earlyPaymentPercentLess')"
      inputmode="decimal"
      :placeholder="t('customers.none')"
      data-test="terms-percent"
    />
    <FormField
      v-if="Number(form.percent) > 0"
      v-model="form.within"
      :label="t('customers.withinDays')"
      type="number"
      min="1"
      max="365"
    />
    <CheckField v-model="form.isCollected" data-test="collected">{{ t('customers.weCollectIt') }}</CheckField>
    <FormField
      v-if="form.isCollected"
      v-model="form.mandate"
      :label="t('customers.mandate')"
      maxlength="35"
      data-test="mandate"
    />
    <VBtn height="30" class="go" variant="flat" data-test="keep-terms" @click="keep(close)">{{
      t('customers.saveWritten', { written: saidWords(toldTerms(written)) })
    }}</VBtn>
  </WordPanel>
</template>
