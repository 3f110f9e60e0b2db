<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'

/** What a buyer chooses of an item: a name and its values, with commas between. */
const options = defineModel<{ name: string; values: string }[]>({ required: true })
defineProps<{ wrongs: Record<string, string> }>()
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
      @click="options.splice(index, 1)"
    >
      ×
    </button>
  </div>
  <button
    v-if="options.length < 6"
    type="button"
    class="word open-end"
    data-test="add-item-option"
    @click="options.push({ name: '', values: '' })"
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
  gap: 10px;
  align-items: start;
  margin-bottom: 6px;
}
.remove {
  border: 0;
  background: none;
  font-size: var(--title);
  color: var(--soft-ink);
  cursor: pointer;
}
</style>
