<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import type { SeriesForm } from './series-form'

/** The parts of a number series as they are written: what stands around the counter, and when it begins again. */
const form = defineModel<SeriesForm>({ required: true })
defineProps<{ disabled: boolean; wrong: { field: string; words: string } }>()
const sources = [
  { value: 'own', words: t('brands.itsOwnCounted') },
  { value: 'order', words: t('brands.theOrdersNumber') },
]

const restarts = [
  { value: 'never', words: t('brands.neverAgain') },
  { value: 'year', words: t('brands.everyYear') },
  { value: 'business year', words: t('brands.everyBusinessYear') },
  { value: 'month', words: t('brands.everyMonth') },
]
</script>

<template>
  <p>
    <I18nT keypath="brands.theNumberIsNumberIs" scope="global"
      ><template #numberIs
        ><WordPicker
          :label="t('brands.numberIs')"
          :choices="sources"
          :value="form.source"
          :disabled="disabled"
          @pick="form.source = $event as 'own' | 'order'" /></template
    ></I18nT>
  </p>
  <div class="parts">
    <FormField
      v-model="form.prefix"
      :label="t('brands.beforeTheCounter')"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'prefix' ? wrong.words : ''"
    />
    <FormField
      v-model="form.length"
      :label="t('brands.digits')"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'length' ? wrong.words : ''"
    />
    <FormField
      v-model="form.suffix"
      :label="t('brands.afterIt')"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'suffix' ? wrong.words : ''"
    />
    <FormField
      v-model="form.start"
      :label="t('brands.startsAt')"
      mono
      :disabled="disabled"
      :wrong="wrong.field === 'start' ? wrong.words : ''"
    />
  </div>
  <p v-if="form.source === 'own'">
    <I18nT keypath="brands.itStartsAgainRestartSpan" scope="global"
      ><template #restart
        ><WordPicker
          :label="t('brands.restart')"
          :choices="restarts"
          :value="form.restart"
          :disabled="disabled"
          @pick="form.restart = $event" /></template
      ><template #span
        ><span v-if="form.restart === 'business year'"
          ><I18nT keypath="brands.whichStartsInMonthBusinessYearStart" scope="global"
            ><template #businessYearStart
              ><FormField
                v-model="form.businessYearStart"
                class="month"
                mono
                :disabled="disabled"
                :aria-label="t('brands.firstMonthOfTheBusiness')" /></template></I18nT></span></template
    ></I18nT>
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
