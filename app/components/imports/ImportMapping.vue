<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import TakenField from '../fields/TakenField.vue'
import WordPanel from '../list/WordPanel.vue'
import WordPicker from '../list/WordPicker.vue'
import type { Mapping } from '../../../core/imports/mapping'
import type { OwnFieldFacts } from '../../../core/fields/own-fields'
import { fieldsOf, toldField } from '../../../core/imports/fields'
import type { ImportView } from '../../contract'

/** Which column each field of a file comes from, with a sample beside it, and how its numbers and days are written. */
export interface Signs {
  decimalSign: '.' | ','
  dayOrder: 'day first' | 'month first'
}
const mapping = defineModel<Mapping>({ required: true })
const signs = defineModel<Signs>('signs', { required: true })
const props = withDefaults(
  defineProps<{
    file: ImportView
    disabled: boolean
    /** The house's own fields: they come in as well. */
    own?: readonly OwnFieldFacts[]
  }>(),
  { own: () => [] },
)
const dayOrders = [
  { value: 'day first', words: t('imports.dayFirst') },
  { value: 'month first', words: t('imports.monthFirst') },
]
const sampleRow = ref(0)
watch(
  () => props.file.id,
  () => {
    sampleRow.value = 0
  },
)
const fields = computed(() => fieldsOf(props.file.subject, props.own))
const columnChoices = computed(() => [
  { value: '', words: t('common.nothing') },
  ...props.file.columns.map((words, index) => ({ value: String(index), words })),
])
function setColumn(key: string, value: string) {
  const { [key]: _, ...others } = mapping.value
  mapping.value = value === '' ? others : { ...others, [key]: { column: Number(value) } }
}
function setFixed(key: string, value: string) {
  const { [key]: _, ...others } = mapping.value
  mapping.value = value.trim() ? { ...others, [key]: { fixed: value.trim() } } : others
}
const called = (field: (typeof fields.value)[number]) => saidWords(toldField(props.file.subject, field))
const isFixed = (key: string) => 'fixed' in (mapping.value[key] ?? {})
const wordsOf = (key: string) => {
  const mapped = mapping.value[key]
  return !mapped
    ? t('common.nothing')
    : 'fixed' in mapped
      ? t('imports.alwaysFixed', { fixed: mapped.fixed })
      : (props.file.columns[mapped.column] ?? t('common.nothing'))
}
const sampleOf = (key: string) => {
  const mapped = mapping.value[key]
  return !mapped
    ? ''
    : 'fixed' in mapped
      ? mapped.fixed
      : (props.file.sample[sampleRow.value]?.[mapped.column] ?? '')
}
const isColumn = (key: string) => {
  const mapped = mapping.value[key]
  return mapped && 'column' in mapped ? String(mapped.column) : ''
}
</script>

<template>
  <p class="sentence">
    <I18nT keypath="imports.fileHoldsSubjectItsNumbers" scope="global"
      ><template #file
        ><strong class="cut">{{ file.name }}</strong></template
      ><template #subject>{{ file.subject }}</template
      ><template #decimalSign
        ><WordPicker
          :label="t('imports.decimalSign')"
          :words="signs.decimalSign === ',' ? '1.234,50' : '1,234.50'"
          :choices="[
            { value: '.', words: '1,234.50' },
            { value: ',', words: '1.234,50' },
          ]"
          :value="signs.decimalSign"
          :disabled="disabled"
          @pick="signs = { ...signs, decimalSign: $event as ',' }" /></template
      ><template #days
        ><WordPicker
          :label="t('common.days')"
          :words="dayOrders.find(({ value }) => value === signs.dayOrder)?.words"
          :choices="dayOrders"
          :value="signs.dayOrder"
          :disabled="disabled"
          @pick="signs = { ...signs, dayOrder: $event as 'day first' }" /></template
    ></I18nT>
  </p>
  <table :aria-label="t('imports.fields')">
    <thead>
      <tr>
        <th>{{ t('imports.field') }}</th>
        <th>{{ t('imports.comesFrom') }}</th>
        <th>
          <I18nT keypath="imports.inRowTheNext" scope="global"
            ><template #theNext
              ><button
                type="button"
                class="word"
                :aria-label="t('imports.theNextSampleRow')"
                @click="sampleRow = (sampleRow + 1) % file.sample.length"
              >
                {{ t('imports.sampleRowOfCount', { sampleRow: sampleRow + 1, count: file.sample.length }) }}
              </button></template
            ></I18nT
          >
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in fields" :key="one.key">
        <td>
          {{ called(one) }}<span v-if="one.needed" class="need"> {{ t('imports.needed') }}</span>
        </td>
        <td>
          <WordPicker
            :label="t('imports.columnOfWords', { words: called(one) })"
            :words="wordsOf(one.key)"
            :open-end="!mapping[one.key]"
            :choices="columnChoices"
            :value="isColumn(one.key)"
            :disabled="disabled"
            @pick="setColumn(one.key, $event)"
          />
          <WordPanel
            v-if="!disabled"
            :label="t('imports.oneValueForAllWords', { words: called(one) })"
            :words="t('imports.orOneForAll')"
            open-end
            ><label
              ><I18nT keypath="imports.alwaysTakenField" scope="global"
                ><template #takenField
                  ><TakenField
                    :value="isFixed(one.key) ? sampleOf(one.key) : ''"
                    :aria-label="t('imports.alwaysWords', { words: called(one) })"
                    @take="setFixed(one.key, $event)" /></template></I18nT></label
          ></WordPanel>
        </td>
        <td class="mono cut sample">{{ sampleOf(one.key) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sentence {
  white-space: normal;
  line-height: 2;
  margin: 0 0 6px;
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: left;
  font-size: var(--small);
  color: var(--soft-ink);
  font-weight: 600;
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 5px 10px 5px 0;
}
th:first-child {
  width: 27%;
}
th:last-child {
  width: 33%;
}
.need {
  color: var(--peg-words);
  font-size: var(--small);
}
.sample {
  max-width: 0;
}
td > :deep(:nth-child(2)) {
  margin-left: 14px;
  font-weight: 400;
  font-size: var(--small);
}
</style>
