<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { said } from '../../words/speech'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useUnsaved } from '../../composables/useUnsaved'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useMainKey } from '../../composables/useMainKey'
import { houseToday } from '../../composables/format'
import { fetchTaxCodes, keepTaxCode } from '../../calls/tax-codes'
import { languages, type Language } from '../../../core/money/format'
import { taxCategories, type TaxCategory } from '../../../core/money/tax-codes'
import type { TaxCodeRow } from '../../contract'

/**
 * The company's tax codes: what kind of supply, their words in the documents' languages, their rates and
 * since when each holds.
 */
const session = useSession()
const toasts = useToasts()
const disabled = computed(() => !session.may('supervisor'))
interface Form extends Omit<TaxCodeRow, 'version'> {
  version: number | null
}
const saved = shallowRef<TaxCodeRow[]>([])
const forms = ref<Form[]>([])
const busy = ref(false)
const wrong = ref('')
const languageWords: Record<Language, string> = {
  en: t('common.english'),
  de: t('common.german'),
  fr: t('common.french'),
}
const categories = taxCategories.map((value) => ({ value, words: said(`tax/${value}`) }))
const copyOf = (code: Form): Form => JSON.parse(JSON.stringify(code)) as Form
const isDirty = (form: Form) => {
  const before = saved.value.find((one) => one.code === form.code && form.version !== null)
  return JSON.stringify(form) !== JSON.stringify(before)
}
const dirty = computed(() => forms.value.some(isDirty))
useUnsaved(dirty, t('brands.taxCodes'))

async function load() {
  await attempt(async () => {
    const { rows } = await fetchTaxCodes()
    const written = forms.value.filter(isDirty)
    saved.value = rows
    forms.value = [
      ...rows.map(
        (row) => written.find((form) => form.code === row.code && form.version !== null) ?? copyOf(row),
      ),
      ...written.filter((form) => form.version === null),
    ]
  })
}
onMounted(load)
useLive(['house'], () => void load())

async function save() {
  if (busy.value || !dirty.value) return
  busy.value = true
  wrong.value = ''
  try {
    for (const form of forms.value.filter(isDirty)) {
      await keepTaxCode(form)
      form.version = (form.version ?? 0) + 1
      saved.value = [...saved.value.filter((one) => one.code !== form.code), copyOf(form) as TaxCodeRow]
    }
    toasts.say(t('brands.taxCodesSavedPreparedDocuments'))
    await load()
  } catch (error) {
    wrong.value = (error as Error).message
  }
  busy.value = false
}
useMainKey(() => void save())
const add = () =>
  forms.value.push({
    code: '',
    category: 'S',
    names: {},
    reasons: {},
    rates: [{ from: houseToday(), percent: '' }],
    version: null,
  })
</script>

<template>
  <div class="body">
    <p class="soft first">
      {{ t('brands.aRateHoldsForWhat') }}
    </p>
    <fieldset
      v-for="(form, index) in forms"
      :key="index"
      :disabled="disabled"
      class="code"
      data-test="tax-code"
    >
      <div class="line">
        <FormField v-if="form.version === null" v-model="form.code" :label="t('common.code')" mono />
        <strong v-else class="mono name">{{ form.code }}</strong>
        <span class="sentence"
          ><I18nT keypath="brands.isKindOf" scope="global"
            ><template #kindOf
              ><WordPicker
                :label="t('brands.kindOfSupply')"
                :words="said(`tax/${form.category}`)"
                :choices="categories"
                :value="form.category"
                :disabled="disabled"
                @pick="form.category = $event as TaxCategory" /></template></I18nT
        ></span>
        <span v-if="isDirty(form)" class="tag wait push">{{ t('common.notSavedYet') }}</span>
      </div>
      <div class="words">
        <FormField
          v-for="language in languages"
          :key="language"
          :model-value="form.names[language] ?? ''"
          :label="t('brands.nameInLanguageWords', { languageWords: languageWords[language] })"
          :disabled="disabled"
          @update:model-value="form.names[language] = $event"
        />
      </div>
      <div v-if="form.category !== 'S'" class="words">
        <FormField
          v-for="language in languages"
          :key="language"
          :model-value="form.reasons[language] ?? ''"
          :label="t('brands.whyNoTaxInLanguageWords', { languageWords: languageWords[language] })"
          :disabled="disabled"
          @update:model-value="form.reasons[language] = $event"
        />
      </div>
      <div v-for="(rate, at) in form.rates" :key="at" class="rate">
        <I18nT keypath="brands.percentFromFromPart" scope="global"
          ><template #percent
            ><FormField
              v-model="rate.percent"
              class="percent"
              mono
              inputmode="decimal"
              :disabled="disabled"
              :aria-label="t('brands.percentAt', { at: at + 1 })" /></template
          ><template #from
            ><DateField
              v-model="rate.from"
              :disabled="disabled"
              :aria-label="t('brands.fromAt', { at: at + 1 })" /></template
          ><template #part
            ><button
              v-if="form.rates.length > 1 && !disabled"
              type="button"
              class="remove"
              :aria-label="t('brands.removeTheRatePercent', { percent: rate.percent })"
              @click="form.rates.splice(at, 1)"
            >
              ×
            </button></template
          ></I18nT
        >
      </div>
      <button
        v-if="!disabled"
        type="button"
        class="word open-end"
        @click="form.rates.push({ from: houseToday(), percent: '' })"
      >
        {{ t('brands.anotherRateFromADay') }}
      </button>
    </fieldset>
    <VBtn v-if="!disabled" height="32" data-test="add-tax-code" @click="add">{{
      t('brands.addATaxCode')
    }}</VBtn>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy"
      data-test="save-tax"
      @click="save"
      >{{ t('common.save') }}</VBtn
    >
  </footer>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
}
.first {
  margin-top: 0;
}
.code {
  border: 0;
  border-bottom: 1px solid var(--rule);
  margin: 0 0 12px;
  padding: 0 0 12px;
}
.line,
.rate {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 6px;
}
.name {
  min-width: 90px;
}
.words {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin-bottom: 6px;
}
.percent {
  width: 80px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  min-width: 26px;
  color: var(--soft-ink);
}
</style>
