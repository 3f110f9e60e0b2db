<script setup lang="ts" generic="Value extends string">
/** A choice of one of a few words, with its label above. */
defineOptions({ inheritAttrs: false })
const value = defineModel<Value>({ required: true })
withDefaults(
  defineProps<{
    label?: string
    choices: readonly (Value | { value: Value; words: string })[]
    disabled?: boolean
    hint?: string
  }>(),
  { label: '', disabled: false, hint: '' },
)
const id = useId()
const attrs = useAttrs()
/** The class is the wrapper's; the field has the rest. */
const ofField = computed(() => ({ ...attrs, class: undefined }))
</script>

<template>
  <div class="select-field" :class="$attrs.class">
    <label v-if="label" :for="id">{{ label }}</label>
    <VSelect
      v-bind="ofField"
      :id="id"
      v-model="value"
      :items="choices"
      item-title="words"
      item-value="value"
      :disabled="disabled"
    />
    <p v-if="hint" class="soft">{{ hint }}</p>
  </div>
</template>

<style scoped>
.select-field {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
label {
  font-size: var(--small);
  color: var(--soft-ink);
}
</style>
