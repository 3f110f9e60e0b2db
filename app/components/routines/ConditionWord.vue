<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import FormField from '../fields/FormField.vue'
import ManyList from '../list/ManyList.vue'
import SelectField from '../fields/SelectField.vue'
import WordPanel from '../list/WordPanel.vue'
import {
  choiceSubjects,
  toldCondition,
  isFilled,
  type ChoiceSubject,
  type Condition,
} from '../../../core/routines/conditions'
import { canBeAsked } from '../../../core/routines/sentence'
import type { RoutineChoices } from '../../contract'
import { choicesFor, nameIn } from '../../composables/routineWords'

/** One condition of a sentence: its words open what it is about, and a way to take it out. */
const props = defineProps<{
  choices: RoutineChoices
  disabled: boolean
  begin: boolean
  ofAccount: boolean
}>()
const condition = defineModel<Condition>({ required: true })
const emit = defineEmits<{ remove: [] }>()

const words = computed(() => {
  const one = condition.value
  if (!isFilled(one))
    return one.about === 'field'
      ? t('common.itsFieldField', { field: one.field })
      : one.about === 'late'
        ? t('routines.itIsLateForOver')
        : t('routines.itsAboutIs', { about: one.about })
  return saidWords(toldCondition(one, nameIn(props.choices)))
})
const listed = computed(() =>
  choiceSubjects.some((one) => one === condition.value.about)
    ? choicesFor(props.choices, condition.value.about as ChoiceSubject)
    : [],
)
const set = (change: Partial<Record<string, unknown>>) => {
  condition.value = { ...condition.value, ...change } as Condition
}
const totals = computed(() =>
  condition.value.about === 'total' && canBeAsked(condition.value, 'time')
    ? [
        { value: 'overdue', words: t('routines.whatIsPastDue') },
        { value: 'balance', words: t('routines.itsBalance') },
      ]
    : [
        { value: 'gross', words: t('routines.itsTotalWithTax') },
        { value: 'net', words: t('routines.itsNetTotal') },
      ],
)
const amountSides = [
  { value: 'over', words: t('routines.over') },
  { value: 'at most', words: t('routines.atMost') },
]
const holds = [
  { value: 'filled', words: t('routines.isFilled') },
  { value: 'empty', words: t('routines.isEmpty') },
  { value: 'contains', words: t('routines.contains') },
  { value: 'is', words: t('routines.isExactly') },
]
const among = [
  { value: 'one of', words: t('routines.isOneOf') },
  { value: 'not', words: t('routines.isNoneOf') },
]
</script>

<template>
  <WordPanel
    :words="words"
    :label="t('routines.condition')"
    :disabled="disabled"
    :begin="begin"
    :open-end="!isFilled(condition)"
  >
    <template v-if="condition.about === 'total'">
      <div class="row">
        <SelectField
          :model-value="condition.of"
          :choices="totals"
          :aria-label="t('routines.whichTotal')"
          @update:model-value="set({ of: $event })"
        />
        <SelectField
          :model-value="condition.is"
          :choices="amountSides"
          :aria-label="t('routines.overOrAtMost')"
          @update:model-value="set({ is: $event })"
        />
      </div>
      <div class="row">
        <FormField
          :model-value="condition.amount"
          mono
          inputmode="decimal"
          :aria-label="t('common.amount')"
          data-test="condition-amount"
          @update:model-value="set({ amount: $event.trim().replace(',', '.') })"
        />
        <SelectField
          :model-value="condition.currency"
          :choices="choices.currencies"
          :aria-label="t('common.currency')"
          @update:model-value="set({ currency: $event })"
        />
      </div>
      <span class="soft">{{ t('routines.anOrderInAnotherCurrency') }}</span>
    </template>
    <template v-else-if="condition.about === 'late'">
      <div class="row">
        <SelectField
          :model-value="condition.is"
          :choices="amountSides"
          :aria-label="t('routines.overOrAtMost')"
          @update:model-value="set({ is: $event })"
        />
        <FormField
          :model-value="condition.days"
          mono
          inputmode="numeric"
          :aria-label="t('routines.daysLate')"
          data-test="condition-days"
          @update:model-value="set({ days: $event.trim() })"
        />
      </div>
      <span class="soft">{{ t('routines.daysOfTheOldest') }}</span>
    </template>
    <template v-else-if="condition.about === 'field'">
      <SelectField
        :model-value="condition.field"
        :choices="ofAccount ? choices.customerFields : choices.fields"
        :aria-label="t('routines.orderField')"
        @update:model-value="set({ field: $event })"
      />
      <SelectField
        :model-value="condition.is"
        :choices="holds"
        :aria-label="t('common.how')"
        @update:model-value="set({ is: $event })"
      />
      <FormField
        v-if="condition.is === 'contains' || condition.is === 'is'"
        :model-value="condition.value ?? ''"
        :aria-label="t('routines.whatItHolds')"
        @update:model-value="set({ value: $event })"
      />
    </template>
    <template v-else>
      <SelectField
        :model-value="condition.is"
        :choices="among"
        :aria-label="t('routines.isOrIsNot')"
        @update:model-value="set({ is: $event })"
      />
      <ManyList
        :choices="listed"
        :chosen="condition.values"
        :label="t('routines.whichAbout', { about: condition.about })"
        @change="set({ values: $event })"
      />
    </template>
    <button type="button" class="out" @click="emit('remove')">
      {{ t('routines.takeThisConditionOut') }}
    </button>
  </WordPanel>
</template>

<style scoped>
.out {
  border: 0;
  background: none;
  color: var(--brick);
  font: inherit;
  text-align: left;
  padding: 4px 0 0;
  cursor: pointer;
  border-top: 1px solid var(--rule);
}
</style>
