<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'

/** The parts of a number series as they are written: what stands around the counter, and when it begins again. */
interface SeriesForm {
  prefix: string
  suffix: string
  length: string
  start: string
  restart: string
  businessYearStart: string
  source: 'own' | 'order'
}
const form = defineModel<SeriesForm>({ required: true })
defineProps<{ disabled: boolean; wrong: { field: string; words: string } }>()
const sources = [
  { value: 'own', words: 'its own, counted' },
  { value: 'order', words: 'the order’s number' },
]

const restarts = [
  { value: 'never', words: 'never' },
  { value: 'year', words: 'every year' },
  { value: 'business year', words: 'every business year' },
  { value: 'month', words: 'every month' },
]
</script>

<template>
  <p>
    The number is
    <WordPicker
      label="Number is"
      :choices="sources"
      :value="form.source"
      :disabled="disabled"
      @pick="form.source = $event as 'own' | 'order'"
    />.
  </p>
  <div class="parts">
    <FormField
      v-model="form.prefix"
      label="Before the counter"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'prefix' ? wrong.words : ''"
    />
    <FormField
      v-model="form.length"
      label="Digits"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'length' ? wrong.words : ''"
    />
    <FormField
      v-model="form.suffix"
      label="After it"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'suffix' ? wrong.words : ''"
    />
    <FormField
      v-model="form.start"
      label="Starts at"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'start' ? wrong.words : ''"
    />
  </div>
  <p v-if="form.source === 'own'">
    It starts again
    <WordPicker
      label="Restart"
      :choices="restarts"
      :value="form.restart"
      :disabled="disabled"
      @pick="form.restart = $event"
    />
    <span v-if="form.restart === 'business year'"
      >, which starts in month
      <FormField
        v-model="form.businessYearStart"
        class="month"
        mono
        :disabled="disabled"
        aria-label="First month of the business year" /></span
    >.
  </p>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: 2fr 0.6fr 1.2fr 0.8fr;
  gap: 10px;
  margin: 10px 0 14px;
}
.month {
  display: inline-flex;
  width: 56px;
}
</style>
