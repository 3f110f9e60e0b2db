<script setup lang="ts">
import FormField from '../fields/FormField.vue'

/** What a buyer chooses of an item: a name and its values, with commas between. */
const options = defineModel<{ name: string; values: string }[]>({ required: true })
defineProps<{ wrongs: Record<string, string> }>()
</script>

<template>
  <h3>What a buyer chooses</h3>
  <div v-for="(option, index) in options" :key="index" class="option">
    <FormField
      v-model="option.name"
      placeholder="Colour"
      :aria-label="`Choice ${index + 1}, name`"
      :data-test="`item-option-${index + 1}`"
      :wrong="wrongs[`options.${index}.name`]"
    />
    <FormField
      v-model="option.values"
      placeholder="natural, green, blue"
      :aria-label="`Choice ${index + 1}, values with commas between`"
      :data-test="`item-option-values-${index + 1}`"
      :wrong="wrongs[`options.${index}.values`]"
    />
    <button
      type="button"
      class="remove"
      :aria-label="`Take the choice ${option.name || index + 1} away`"
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
    + choice
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
