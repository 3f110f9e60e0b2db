<script setup lang="ts">
/** A choice of one of many words, found by typing a part of it; leaving the field takes the first that fits. */
defineOptions({ inheritAttrs: false })
const value = defineModel<string>({ required: true })
withDefaults(
  defineProps<{
    label: string
    choices: readonly string[]
    disabled?: boolean
    wrong?: string
    hint?: string
  }>(),
  { disabled: false, wrong: '', hint: '' },
)
const id = useId()
const attrs = useAttrs()
/** The class is the wrapper's; the field has the rest. */
const ofField = computed(() => ({ ...attrs, class: undefined }))
</script>

<template>
  <div class="pick-field" :class="$attrs.class">
    <label :for="id">{{ label }}</label>
    <VAutocomplete
      v-bind="ofField"
      :id="id"
      :model-value="value || null"
      :items="choices"
      :disabled="disabled"
      :error-messages="wrong"
      auto-select-first
      @update:model-value="value = $event ?? ''"
    />
    <p v-if="!wrong && hint" class="soft">{{ hint }}</p>
  </div>
</template>

<style scoped>
.pick-field {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
label {
  font-size: var(--small);
  color: var(--soft-ink);
}
p {
  margin: 2px 0 0;
  font-size: var(--small);
}
</style>
