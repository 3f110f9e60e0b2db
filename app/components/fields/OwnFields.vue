<script setup lang="ts">
import { t } from '../../words'
import DateField from './DateField.vue'
import FormField from './FormField.vue'
import SelectField from './SelectField.vue'
import { useSession } from '../../stores/session'
import type { FieldSubject, FieldValues } from '../../../core/fields/own-fields'

/** The house's own fields of an order, a line, an item or a customer, each as its kind is written. */
const values = defineModel<FieldValues>({ required: true })
const props = withDefaults(
  defineProps<{
    of: FieldSubject
    disabled?: boolean
    wrongs?: Record<string, string>
    /** Before the label, where several of a kind stand on one page. */
    prefix?: string
    /** Those of these names alone. */
    only?: readonly string[]
  }>(),
  { disabled: false, wrongs: () => ({}), prefix: '', only: undefined },
)
const fields = computed(() =>
  useSession().house!.ownFields.filter(
    (one) => one.of === props.of && (props.only?.includes(one.name) ?? true),
  ),
)
const set = (name: string, value: string) => {
  values.value = { ...values.value, [name]: value }
}
const nothing = { value: '', words: '–' }
const yesNo = [nothing, { value: 'yes', words: t('fields.yes') }, { value: 'no', words: t('fields.no') }]
</script>

<template>
  <template v-for="field in fields" :key="field.name">
    <SelectField
      v-if="field.kind === 'choice' || field.kind === 'yes/no'"
      :model-value="values[field.name] ?? ''"
      :label="field.name"
      :choices="
        field.kind === 'yes/no'
          ? yesNo
          : [nothing, ...field.choices.map((value) => ({ value, words: value }))]
      "
      :disabled="disabled"
      :aria-label="prefix + field.name"
      :data-test="`own-${field.name}`"
      @update:model-value="set(field.name, $event)"
    />
    <div v-else-if="field.kind === 'date'" class="own-date">
      <DateField
        :model-value="values[field.name] ?? ''"
        :label="field.name"
        :disabled="disabled"
        @update:model-value="set(field.name, $event ?? '')"
      />
    </div>
    <FormField
      v-else
      :model-value="values[field.name] ?? ''"
      :label="field.name"
      :disabled="disabled"
      :mono="field.kind === 'number'"
      :inputmode="field.kind === 'number' ? 'decimal' : 'text'"
      maxlength="200"
      :data-test="`own-${field.name}`"
      :wrong="wrongs[`fields.${field.name}`] ?? ''"
      @update:model-value="set(field.name, $event)"
    />
  </template>
</template>

<style scoped>
.own-date {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: var(--small);
  color: var(--soft-ink);
}
</style>
