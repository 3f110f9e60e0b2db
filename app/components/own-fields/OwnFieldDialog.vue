<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { kindWords } from './words'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import { addOwnField, changeOwnField, dropOwnField } from '../../calls/own-fields'
import { fieldKinds, type FieldKind, type FieldSubject } from '../../../core/fields/own-fields'
import type { OwnFieldView } from '../../contract'

/** Adds a field of the house's own, or changes how it is printed. Its name and kind stay once it is there. */
const props = defineProps<{ field: OwnFieldView | undefined; of: FieldSubject }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const form = reactive({
  name: props.field?.name ?? '',
  kind: props.field?.kind ?? ('text' as FieldKind),
  choices: props.field?.choices.join('\n') ?? '',
  printed: props.field?.printed ?? false,
  labels: { en: '', de: '', fr: '', ...props.field?.labels },
})
const { busy, wrong, wrongs, acting } = useWrongs(['name', 'choices'])
const kinds = fieldKinds.map((value) => ({ value, words: kindWords[value] }))
const subjects = { order: 'orders', line: 'order lines', item: 'items', customer: 'customers' }
async function keep() {
  const body = {
    printed: form.printed,
    labels: form.labels,
    choices:
      form.kind === 'choice'
        ? form.choices
            .split('\n')
            .map((line) => line.trim())
            .filter(Boolean)
        : [],
  }
  const done = await acting(async () => {
    if (props.field) await changeOwnField(props.field.id, body)
    else await addOwnField({ of: props.of, name: form.name, kind: form.kind, ...body })
  })
  if (!done) return
  useToasts().say(`The field ${form.name} of ${subjects[props.of]} is saved.`)
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropOwnField(props.field!.id)
    useToasts().say(`The field ${props.field!.name} is deleted.`)
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    :title="field ? field.name : `Add a field of ${subjects[of]}`"
    :go="field ? 'Save' : 'Add field'"
    :busy="busy"
    :disabled="!form.name.trim()"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="fields">
      <template v-if="!field">
        <FormField
          v-model="form.name"
          label="Name"
          hint="It stays: routines, files and other programs call it by it."
          data-test="field-name"
          :wrong="wrongs.name"
        />
        <SelectField
          v-model="form.kind"
          label="What is written in it"
          :choices="kinds"
          data-test="field-kind"
        />
      </template>
      <FormField
        v-if="form.kind === 'choice'"
        v-model="form.choices"
        label="Words to choose from, one a line"
        :lines="3"
        data-test="field-choices"
        :wrong="wrongs.choices"
      />
      <CheckField v-model="form.printed" data-test="field-printed"
        >Print it on documents where it is filled</CheckField
      >
      <template v-if="form.printed">
        <FormField
          v-for="one in languageChoices"
          :key="one.value"
          v-model="form.labels[one.value]"
          :label="`Called on ${one.words} documents`"
          :placeholder="form.name"
        />
      </template>
    </div>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="field" type="button" class="word" data-test="drop-field" @click="!busy && drop()">
      Delete this field
    </button>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
