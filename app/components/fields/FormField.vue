<script setup lang="ts">
/**
 * A field of a form with its label above; beneath it what is wrong, or a hint. What else is given (type,
 * placeholder, maxlength, data-test …) goes to the field itself.
 */
defineOptions({ inheritAttrs: false })
const value = defineModel<string>({ required: true })
withDefaults(
  defineProps<{
    label?: string
    disabled?: boolean
    wrong?: string
    lines?: number
    mono?: boolean
    hint?: string
    /** Words that are offered while one types. */
    suggest?: readonly string[]
  }>(),
  { label: '', disabled: false, wrong: '', lines: 1, mono: false, hint: '', suggest: () => [] },
)
const attrs = useAttrs()
const ownId = useId()
const id = computed(() => String(attrs.id ?? ownId))
/** The class is the wrapper's; the field has the rest. */
const ofField = computed(() => ({ ...attrs, class: undefined }))
</script>

<template>
  <div class="form-field" :class="[$attrs.class, { 'mono-field': mono }]">
    <label v-if="label" :for="id">{{ label }}</label>
    <VTextarea
      v-if="lines > 1"
      v-bind="ofField"
      :id="id"
      v-model="value"
      :rows="lines"
      :disabled="disabled"
      :error-messages="wrong"
    />
    <VCombobox
      v-else-if="suggest.length"
      v-bind="ofField"
      :id="id"
      :model-value="value"
      :items="suggest"
      :disabled="disabled"
      :error-messages="wrong"
      @update:model-value="value = $event ?? ''"
    />
    <VTextField
      v-else
      v-bind="ofField"
      :id="id"
      v-model="value"
      :disabled="disabled"
      :error-messages="wrong"
    />
    <p v-if="!wrong && hint" class="soft">{{ hint }}</p>
  </div>
</template>

<style scoped>
.form-field {
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
