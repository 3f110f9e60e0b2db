<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import { languageWords } from '../../composables/languages'
import type { Language } from '../../../core/money/format'
import type { OptionForm } from './option-form'

/** What a buyer chooses of an item: a name and its values, with commas between, and how other languages call them. */
const options = defineModel<OptionForm[]>({ required: true })
/** Languages beside the company's own. */
const props = defineProps<{ others: readonly Language[]; wrongs: Record<string, string> }>()
const blank = () => ({ name: '', values: '' })
const add = () => options.value.push({ ...blank(), wordings: { en: blank(), de: blank(), fr: blank() } })
const isWorded = ({ wordings }: OptionForm) =>
  props.others.some((one) => wordings[one].name || wordings[one].values)
/** Those whose words in other languages are being written. */
const opened = ref(new Set<number>())
const open = (index: number) => opened.value.add(index)
function remove(index: number) {
  options.value.splice(index, 1)
  opened.value = new Set([...opened.value].map((one) => (one > index ? one - 1 : one)))
}
</script>

<template>
  <h3>{{ t('items.whatABuyerChooses') }}</h3>
  <div v-for="(option, index) in options" :key="index" class="option">
    <FormField
      v-model="option.name"
      :placeholder="t('common.colour')"
      :aria-label="t('items.choiceIndexName', { index: index + 1 })"
      :data-test="`item-option-${index + 1}`"
      :wrong="wrongs[`options.${index}.name`]"
    />
    <FormField
      v-model="option.values"
      :placeholder="t('items.naturalGreenBlue')"
      :aria-label="t('items.choiceIndexValuesWithCommas', { index: index + 1 })"
      :data-test="`item-option-values-${index + 1}`"
      :wrong="wrongs[`options.${index}.values`]"
    />
    <button
      type="button"
      class="remove"
      :aria-label="t('items.takeTheChoiceOptionAway', { option: option.name || index + 1 })"
      @click="remove(index)"
    >
      ×
    </button>
    <template v-if="isWorded(option) || opened.has(index)">
      <template v-for="one in others" :key="one">
        <FormField
          v-model="option.wordings[one].name"
          :label="t('items.choiceInLanguage', { language: languageWords[one] })"
          :placeholder="option.name"
          :data-test="`item-option-${index + 1}-${one}`"
        />
        <FormField
          v-model="option.wordings[one].values"
          :label="t('items.valuesInLanguage', { language: languageWords[one] })"
          :placeholder="option.values"
          :data-test="`item-option-values-${index + 1}-${one}`"
          :wrong="wrongs[`options.${index}.${one}`]"
        />
        <span />
      </template>
    </template>
    <button
      v-else-if="option.name && option.values"
      type="button"
      class="word in-others"
      :data-test="`item-option-languages-${index + 1}`"
      @click="open(index)"
    >
      {{ t('items.inOtherLanguages') }}
    </button>
  </div>
  <button
    v-if="options.length < 6"
    type="button"
    class="word open-end"
    data-test="add-item-option"
    @click="add"
  >
    {{ t('items.choice') }}
  </button>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
}
.option {
  display: grid;
  grid-template-columns: 1fr 2fr 24px;
  gap: 4px 10px;
  align-items: start;
  margin-bottom: 8px;
}
.in-others {
  grid-column: 1 / 3;
  justify-self: start;
}
.remove {
  border: 0;
  background: none;
  font-size: var(--title);
  color: var(--soft-ink);
  cursor: pointer;
}
</style>
