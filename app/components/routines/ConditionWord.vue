<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import ManyList from '../list/ManyList.vue'
import SelectField from '../fields/SelectField.vue'
import WordPanel from '../list/WordPanel.vue'
import { conditionWords, isFilled, type ChoiceSubject, type Condition } from '../../../core/routines/sentence'
import type { RoutineChoices } from '../../contract'
import { choicesFor, nameIn } from '../../composables/routineWords'

/** One condition of a sentence: its words open what it is about, and a way to take it out. */
const props = defineProps<{ choices: RoutineChoices; disabled: boolean; begin: boolean }>()
const condition = defineModel<Condition>({ required: true })
const emit = defineEmits<{ remove: [] }>()

const words = computed(() => {
  const one = condition.value
  if (!isFilled(one)) return one.about === 'field' ? `its field “${one.field}” …` : `its ${one.about} is …`
  return conditionWords(one, nameIn(props.choices))
})
const listed = computed(() =>
  condition.value.about === 'total' || condition.value.about === 'field'
    ? []
    : choicesFor(props.choices, condition.value.about as ChoiceSubject),
)
const set = (change: Partial<Record<string, unknown>>) => {
  condition.value = { ...condition.value, ...change } as Condition
}
const totals = [
  { value: 'gross', words: 'its total with tax' },
  { value: 'net', words: 'its net total' },
]
const holds = [
  { value: 'filled', words: 'is filled' },
  { value: 'empty', words: 'is empty' },
  { value: 'contains', words: 'contains' },
  { value: 'is', words: 'is exactly' },
]
const among = [
  { value: 'one of', words: 'is one of' },
  { value: 'not', words: 'is none of' },
]
</script>

<template>
  <WordPanel
    :words="words"
    label="Condition"
    :disabled="disabled"
    :begin="begin"
    :open-end="!isFilled(condition)"
  >
    <template v-if="condition.about === 'total'">
      <div class="row">
        <SelectField
          :model-value="condition.of"
          :choices="totals"
          aria-label="Which total"
          @update:model-value="set({ of: $event })"
        />
        <SelectField
          :model-value="condition.is"
          :choices="['over', 'at most']"
          aria-label="Over or at most"
          @update:model-value="set({ is: $event })"
        />
      </div>
      <div class="row">
        <FormField
          :model-value="condition.amount"
          mono
          inputmode="decimal"
          aria-label="Amount"
          data-test="condition-amount"
          @update:model-value="set({ amount: $event.trim().replace(',', '.') })"
        />
        <SelectField
          :model-value="condition.currency"
          :choices="choices.currencies"
          aria-label="Currency"
          @update:model-value="set({ currency: $event })"
        />
      </div>
      <span class="soft">An order in another currency does not pass.</span>
    </template>
    <template v-else-if="condition.about === 'field'">
      <SelectField
        :model-value="condition.field"
        :choices="choices.fields"
        aria-label="Order field"
        @update:model-value="set({ field: $event })"
      />
      <SelectField
        :model-value="condition.is"
        :choices="holds"
        aria-label="How"
        @update:model-value="set({ is: $event })"
      />
      <FormField
        v-if="condition.is === 'contains' || condition.is === 'is'"
        :model-value="condition.value ?? ''"
        aria-label="What it holds"
        @update:model-value="set({ value: $event })"
      />
    </template>
    <template v-else>
      <SelectField
        :model-value="condition.is"
        :choices="among"
        aria-label="Is or is not"
        @update:model-value="set({ is: $event })"
      />
      <ManyList
        :choices="listed"
        :chosen="condition.values"
        :label="`Which ${condition.about}`"
        @change="set({ values: $event })"
      />
    </template>
    <button type="button" class="out" @click="emit('remove')">Take this condition out</button>
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
