<script setup lang="ts">
import WordPanel from '../list/WordPanel.vue'
import { termsWords, type Terms } from '../../../core/documents/terms'

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

function formOf(terms: Terms) {
  return {
    kind: terms.kind,
    days: terms.kind === 'day of month' ? 30 : terms.days,
    day: terms.kind === 'day of month' ? terms.day : 10,
    months: terms.kind === 'day of month' ? terms.months : 1,
    percent: terms.discount?.percent ?? '',
    within: terms.discount?.days ?? 10,
  }
}
const written = computed((): Terms => {
  const { kind, days, day, months, percent, within } = form.value
  const discount = Number(percent) > 0 ? { discount: { percent: String(percent), days: Number(within) } } : {}
  return kind === 'day of month'
    ? { kind, day: Number(day), months: Number(months), ...discount }
    : { kind, days: Number(days), ...discount }
})
function keep(close: () => void) {
  if (JSON.stringify(written.value) !== JSON.stringify(props.terms)) emit('keep', written.value)
  close()
}
</script>

<template>
  <WordPanel v-slot="{ close }" label="Terms" :words="termsWords(terms)" :disabled="disabled">
    <label
      >Due
      <select v-model="form.kind" aria-label="Due by" data-test="terms-kind">
        <option value="days">some days after</option>
        <option value="end of month">at the end of the month</option>
        <option value="day of month">on a day of a month</option>
      </select></label
    >
    <label v-if="form.kind !== 'day of month'"
      >{{ form.kind === 'days' ? 'days' : 'and days' }}
      <input v-model="form.days" type="number" min="0" max="365" aria-label="Days" data-test="terms-days"
    /></label>
    <template v-else
      ><label
        >day <input v-model="form.day" type="number" min="1" max="31" aria-label="Day of the month" /></label
      ><label
        >months after
        <input v-model="form.months" type="number" min="0" max="12" aria-label="Months after" /></label
    ></template>
    <label
      >early payment, percent less
      <input
        v-model="form.percent"
        inputmode="decimal"
        placeholder="none"
        aria-label="Early payment, percent"
        data-test="terms-percent"
    /></label>
    <label v-if="Number(form.percent) > 0"
      >within days <input v-model="form.within" type="number" min="1" max="365" aria-label="Within days"
    /></label>
    <VBtn height="30" class="go" variant="flat" data-test="keep-terms" @click="keep(close)"
      >Keep: {{ termsWords(written) }}</VBtn
    >
  </WordPanel>
</template>

<style scoped>
input {
  width: 72px;
}
</style>
