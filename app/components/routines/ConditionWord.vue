<script setup lang="ts">
import ManyList from '../list/ManyList.vue'
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
const text = (event: Event) => (event.target as HTMLInputElement).value
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
        <select :value="condition.of" aria-label="Which total" @change="set({ of: text($event) })">
          <option value="gross">its total with tax</option>
          <option value="net">its net total</option>
        </select>
        <select :value="condition.is" aria-label="Over or at most" @change="set({ is: text($event) })">
          <option>over</option>
          <option>at most</option>
        </select>
      </div>
      <div class="row">
        <input
          :value="condition.amount"
          class="mono"
          inputmode="decimal"
          aria-label="Amount"
          data-test="condition-amount"
          @input="set({ amount: text($event).trim().replace(',', '.') })"
        />
        <select :value="condition.currency" aria-label="Currency" @change="set({ currency: text($event) })">
          <option v-for="one in choices.currencies" :key="one">{{ one }}</option>
        </select>
      </div>
      <span class="soft">An order in another currency does not pass.</span>
    </template>
    <template v-else-if="condition.about === 'field'">
      <select :value="condition.field" aria-label="Order field" @change="set({ field: text($event) })">
        <option v-for="one in choices.fields" :key="one">{{ one }}</option>
      </select>
      <select :value="condition.is" aria-label="How" @change="set({ is: text($event) })">
        <option value="filled">is filled</option>
        <option value="empty">is empty</option>
        <option value="contains">contains</option>
        <option value="is">is exactly</option>
      </select>
      <input
        v-if="condition.is === 'contains' || condition.is === 'is'"
        :value="condition.value"
        aria-label="What it holds"
        @input="set({ value: text($event) })"
      />
    </template>
    <template v-else>
      <select :value="condition.is" aria-label="Is or is not" @change="set({ is: text($event) })">
        <option value="one of">is one of</option>
        <option value="not">is none of</option>
      </select>
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
