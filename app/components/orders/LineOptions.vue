<script setup lang="ts">
import { t } from '../../words'
import SelectField from '../fields/SelectField.vue'
import { chosenOption, withOption, type ItemOption } from '../../../core/items/options'

/** What a buyer chooses of a line's item; the line's detail says it, and documents print that. */
const detail = defineModel<string | null>({ required: true })
const props = defineProps<{ options: readonly ItemOption[]; disabled: boolean; prefix: string }>()
const choicesOf = ({ values }: ItemOption) => [
  { value: '', words: t('orders.notChosen') },
  ...values.map((value) => ({ value, words: value })),
]
const choose = (option: ItemOption, value: string) => {
  detail.value = withOption(detail.value, props.options, { option, value })
}
</script>

<template>
  <div v-if="options.length" class="options">
    <SelectField
      v-for="option in options"
      :key="option.name"
      :model-value="chosenOption(detail, option)"
      :label="option.name"
      :choices="choicesOf(option)"
      :disabled="disabled"
      :aria-label="prefix + option.name"
      :data-test="`option-${option.name}`"
      @update:model-value="choose(option, $event)"
    />
  </div>
</template>

<style scoped>
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 2px 0 4px;
}
.options > * {
  flex: 0 1 150px;
}
</style>
