<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import WordPanel from '../list/WordPanel.vue'
import { toldWhen, type RoutineSentence, type SendingHours } from '../../../core/routines/sentence'

/** When what a routine makes may leave: after some minutes, within certain hours. */
const props = defineProps<{ value: RoutineSentence; disabled: boolean }>()
const emit = defineEmits<{ set: [change: Partial<RoutineSentence>] }>()

const usualHours: SendingHours = { from: '08:00', to: '17:00', workdays: true }
const setHours = (change: Partial<SendingHours> | null) =>
  emit('set', { hours: change && { ...usualHours, ...props.value.hours, ...change } })
</script>

<template>
  <WordPanel :label="t('routines.whenItGoes')" :words="saidWords(toldWhen(value))" :disabled="disabled">
    <div class="row">
      <I18nT keypath="routines.afterMinutesItMinutes" scope="global"
        ><template #minutesIt
          ><FormField
            class="minutes"
            mono
            type="number"
            min="0"
            max="43200"
            :model-value="String(value.delayMinutes)"
            :aria-label="t('routines.minutesItWaits')"
            @update:model-value="emit('set', { delayMinutes: Number($event) || 0 })" /></template
      ></I18nT>
    </div>
    <CheckField :model-value="!!value.hours" @update:model-value="setHours(value.hours ? null : {})">{{
      t('routines.onlyInCertainHours')
    }}</CheckField>
    <template v-if="value.hours">
      <div class="row">
        <I18nT keypath="routines.fromToTo" scope="global"
          ><template #from
            ><FormField
              type="time"
              :model-value="value.hours.from"
              :aria-label="t('common.from')"
              @update:model-value="setHours({ from: $event })" /></template
          ><template #to
            ><FormField
              type="time"
              :model-value="value.hours.to"
              :aria-label="t('common.to')"
              @update:model-value="setHours({ to: $event })" /></template
        ></I18nT>
      </div>
      <CheckField
        :model-value="value.hours.workdays"
        @update:model-value="setHours({ workdays: !value.hours.workdays })"
        >{{ t('routines.onWorkingDaysOnlyMonday') }}</CheckField
      >
    </template></WordPanel
  >
</template>

<style scoped>
.minutes {
  width: 90px;
}
</style>
