<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { kindWords } from './words'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import { addOwnField, changeOwnField, dropOwnField, fetchOwnFields } from '../../calls/own-fields'
import { fieldKinds, type FieldSubject } from '../../../core/fields/own-fields'
import type { OwnFieldView } from '../../contract'

/** Adds a field of the house's own, or changes how it is printed. Its name and kind stay once it is there. */
const props = defineProps<{ field: OwnFieldView | undefined; of: FieldSubject }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const none: OwnFieldView = {
  id: 0,
  of: props.of,
  name: '',
  kind: 'text',
  choices: [],
  printed: false,
  labels: {},
  filled: 0,
  version: 1,
}
const formOf = (field: OwnFieldView) => ({
  name: field.name,
  kind: field.kind,
  choices: field.choices.join('\n'),
  printed: field.printed,
  labels: { en: '', de: '', fr: '', ...field.labels },
})
const form = reactive(formOf(props.field ?? none))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.field ?? none,
  formOf,
  read: async () => (await fetchOwnFields()).fields.find((one) => one.id === props.field!.id) ?? none,
  labels: {
    name: 'Name',
    kind: 'What is written in it',
    choices: 'Words to choose from',
    printed: 'Printed on documents',
    labels: 'Called on documents',
  },
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
    await saving(() =>
      props.field
        ? changeOwnField(props.field.id, { ...body, version: base.value.version })
        : addOwnField({ of: props.of, name: form.name, kind: form.kind, ...body }),
    )
  })
  if (!done || changed.value.length > 0) return
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
    :disabled="!form.name.trim() || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
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
