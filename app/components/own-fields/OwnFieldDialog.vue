<script setup lang="ts">
import { t } from '../../words'
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
    name: t('common.name'),
    kind: t('ownFields.whatIsWrittenInIt'),
    choices: t('ownFields.wordsToChooseFrom'),
    printed: t('ownFields.printedOnDocuments'),
    labels: t('ownFields.calledOnDocuments'),
  },
})
const { busy, wrong, wrongs, acting } = useWrongs(['name', 'choices'])
const kinds = fieldKinds.map((value) => ({ value, words: kindWords[value] }))
const subjects = { order: 'orders', line: t('ownFields.orderLines'), item: 'items', customer: 'customers' }
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
  useToasts().say(t('ownFields.theFieldNameOfSubjects', { name: form.name, subjects: subjects[props.of] }))
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropOwnField(props.field!.id)
    useToasts().say(t('ownFields.theFieldFieldIsDeleted', { field: props.field!.name }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    :title="field ? field.name : t('ownFields.addAFieldOfSubjects', { subjects: subjects[of] })"
    :go="field ? t('common.save') : t('ownFields.addField')"
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
          :label="t('common.name')"
          :hint="t('ownFields.itStaysRoutinesFilesAnd')"
          data-test="field-name"
          :wrong="wrongs.name"
        />
        <SelectField
          v-model="form.kind"
          :label="t('ownFields.whatIsWrittenInIt')"
          :choices="kinds"
          data-test="field-kind"
        />
      </template>
      <FormField
        v-if="form.kind === 'choice'"
        v-model="form.choices"
        :label="t('ownFields.wordsToChooseFromOne')"
        :lines="3"
        data-test="field-choices"
        :wrong="wrongs.choices"
      />
      <CheckField v-model="form.printed" data-test="field-printed">{{
        t('ownFields.printItOnDocumentsWhere')
      }}</CheckField>
      <template v-if="form.printed">
        <FormField
          v-for="one in languageChoices"
          :key="one.value"
          v-model="form.labels[one.value]"
          :label="t('ownFields.calledOnWordsDocuments', { words: one.words })"
          :placeholder="form.name"
        />
      </template>
    </div>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button v-if="field" type="button" class="word" data-test="drop-field" @click="!busy && drop()">
      {{ t('ownFields.deleteThisField') }}
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
