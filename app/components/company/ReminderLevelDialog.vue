<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import { languageWords } from '../../composables/languages'
import { languages } from '../../../core/money/format'
import type { ReminderLevel } from '../../../core/receivables/reminders'

/** One level of reminding: what the desk calls it, from when it is due, and what it says in each language. */
const props = defineProps<{ level: ReminderLevel; disabled: boolean; mayDrop: boolean }>()
const emit = defineEmits<{ keep: [level: ReminderLevel]; drop: []; leave: [] }>()

const form = reactive({
  name: props.level.name,
  afterDays: String(props.level.afterDays),
  heading: { ...props.level.heading },
  words: { ...props.level.words },
  interest: props.level.interest,
  fee: props.level.fee,
})
const asked = ref(false)
const daysWrong = computed(() => {
  const days = Number(form.afterDays)
  return Number.isInteger(days) && days >= 1 && days <= 365 ? '' : t('reminders.daysOverNothing')
})
const fee = computed(() => form.fee.trim().replace(',', '.') || '0')
const feeWrong = computed(() => (/^\d{1,6}(\.\d{1,3})?$/.test(fee.value) ? '' : t('reminders.feeLike')))
const missing = (text: string) => (asked.value && !text.trim() ? t('reminders.isNotWritten') : '')
function keep() {
  asked.value = true
  const texts = [form.name, ...Object.values(form.heading), ...Object.values(form.words)]
  if (daysWrong.value || feeWrong.value || texts.some((text) => !text.trim())) return
  emit('keep', { ...form, afterDays: Number(form.afterDays), fee: fee.value })
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="t('reminders.aLevelOfReminding')"
    :go="t('common.save')"
    :disabled="disabled"
    wide
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <FormField
        v-model="form.name"
        :label="t('reminders.whatTheDeskCallsIt')"
        :wrong="missing(form.name)"
        data-test="level-name"
      />
      <FormField
        v-model="form.afterDays"
        :label="t('reminders.daysAfterTheDueDate')"
        inputmode="numeric"
        :wrong="daysWrong"
        data-test="level-days"
      />
      <FormField
        v-model="form.fee"
        :label="t('reminders.feeOfALetter')"
        inputmode="decimal"
        :wrong="feeWrong"
        :hint="t('reminders.feeHelp')"
        data-test="level-fee"
      />
      <CheckField v-model="form.interest" class="interest" data-test="level-interest">{{
        t('reminders.asksForInterest')
      }}</CheckField>
      <template v-for="one in languages" :key="one">
        <FormField
          v-model="form.heading[one]"
          :label="t('reminders.headingInLanguage', { language: languageWords[one] })"
          :wrong="missing(form.heading[one])"
        />
        <FormField
          v-model="form.words[one]"
          :label="t('reminders.wordsInLanguage', { language: languageWords[one] })"
          :lines="3"
          :wrong="missing(form.words[one])"
          :data-test="`level-words-${one}`"
        />
      </template>
    </div>
    <p class="soft">{{ t('reminders.levelHelp') }}</p>
    <button
      v-if="mayDrop && !disabled"
      type="button"
      class="word"
      data-test="drop-level"
      @click="emit('drop')"
    >
      {{ t('reminders.takeThisLevelAway') }}
    </button>
  </Ask>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 210px 1fr;
  align-items: start;
  gap: 10px 14px;
}
</style>
