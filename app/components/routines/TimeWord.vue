<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said, saidWords } from '../../words/speech'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import WordPanel from '../list/WordPanel.vue'
import { toldTime, turns, weekdays, type TimePattern, type Turn } from '../../../core/routines/time'

/** When a routine of the clock has its turn. */
const props = defineProps<{ value: TimePattern; disabled: boolean }>()
const emit = defineEmits<{ set: [value: TimePattern] }>()

const turnWords: Record<Turn, string> = {
  day: t('routines.everyDay'),
  'working day': t('routines.everyWorkingDay'),
  week: t('routines.onceAWeek'),
  month: t('routines.onceAMonth'),
  'first working day': t('routines.firstWorkingDay'),
  'last working day': t('routines.lastWorkingDay'),
}
const turnChoices = turns.map((value) => ({ value, words: turnWords[value] }))
const dayChoices = weekdays.map((day) => ({ value: String(day), words: said(`weekday/${day}`) }))
const dates = Array.from({ length: 31 }, (_, at) => String(at + 1))
const set = (change: Partial<TimePattern>) => emit('set', { ...props.value, ...change })
function setTurn(each: Turn) {
  const { time } = props.value
  emit('set', each === 'week' || each === 'month' ? { each, on: 1, time } : { each, time })
}
</script>

<template>
  <WordPanel :label="t('routines.whenItHasItsTurn')" :words="saidWords(toldTime(value))" :disabled="disabled">
    <SelectField
      :model-value="value.each"
      :choices="turnChoices"
      :aria-label="t('routines.whenItHasItsTurn')"
      data-test="turn"
      @update:model-value="setTurn($event as Turn)"
    />
    <SelectField
      v-if="value.each === 'week'"
      :model-value="String(value.on ?? 1)"
      :choices="dayChoices"
      :aria-label="t('routines.onWhichDay')"
      @update:model-value="set({ on: Number($event) })"
    />
    <template v-else-if="value.each === 'month'">
      <SelectField
        :model-value="String(value.on ?? 1)"
        :choices="dates"
        :aria-label="t('routines.onWhichDay')"
        @update:model-value="set({ on: Number($event) })"
      />
      <span v-if="(value.on ?? 1) > 28" class="soft">{{ t('routines.orTheLastDay') }}</span>
    </template>
    <div class="row">
      <I18nT keypath="routines.atTime" scope="global"
        ><template #time
          ><FormField
            type="time"
            :model-value="value.time"
            :aria-label="t('common.time')"
            data-test="turn-time"
            @update:model-value="$event && set({ time: $event })" /></template
      ></I18nT>
    </div>
    <span class="soft">{{ t('routines.workingDaysAre') }}</span>
  </WordPanel>
</template>
