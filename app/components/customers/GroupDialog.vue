<script setup lang="ts">
import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import DeliveryTable from './DeliveryTable.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import TermsWord from './TermsWord.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { languageChoices } from '../../composables/languages'
import { addGroup, changeGroup, dropGroup, fetchDefaults } from '../../calls/customers'
import { toldTerms, type Terms } from '../../../core/documents/terms'
import { treatments } from '../../../core/documents/treatment'
import { type DocumentKind } from '../../../core/documents/kinds'
import { toldPreference, type Preference, type Preferences } from '../../../core/preferences/recipients'

/** A group of customers: what a new one is given, and how documents reach those that say nothing else. */
type Group = Awaited<ReturnType<typeof fetchDefaults>>['groups'][number]
const props = defineProps<{ group: Group | undefined; house: Preferences }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const { company } = useSession().house!
const none: Group = {
  id: 0,
  name: '',
  language: null,
  currency: null,
  terms: null,
  taxTreatment: null,
  pricesIncludeTax: null,
  preferences: {},
  version: 1,
  customers: 0,
}
const asCompany = 'company'
/** A value of the form as a clerk reads it beside somebody else's. */
function wordsOf(value: unknown, field: string): string {
  if (field === 'terms') return value ? saidWords(toldTerms(value as Terms)) : t('customers.asTheCompany')
  if (field === 'prices') return prices.find((one) => one.value === value)!.words
  if (field === 'preferences')
    return Object.entries(value as Preferences)
      .map(([kind, wish]) => `${kindWords(kind as DocumentKind, 'many')}: ${saidWords(toldPreference(wish))}`)
      .join('\n')
  return value === asCompany ? t('customers.asTheCompany') : String(value)
}
const formOf = (group: Group) => ({
  name: group.name,
  language: (group.language ?? asCompany) as string,
  currency: group.currency ?? '',
  terms: group.terms,
  taxTreatment: (group.taxTreatment ?? asCompany) as string,
  prices: String(group.pricesIncludeTax),
  preferences: group.preferences,
})
const form = reactive(formOf(props.group ?? none))
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.group ?? none,
  formOf,
  read: async () => (await fetchDefaults()).groups.find((one) => one.id === props.group!.id)!,
  labels: {
    name: t('common.name'),
    language: t('common.language'),
    currency: t('common.currency'),
    terms: t('customers.terms'),
    taxTreatment: t('customers.groupTax'),
    prices: t('common.prices'),
    preferences: t('customers.delivery'),
  },
  words: wordsOf,
})
const usual = { value: asCompany, words: t('customers.asTheCompany') }
const languages = [usual, ...languageChoices]
const taxes = [
  { value: asCompany, words: t('customers.domesticAsUsual') },
  ...treatments.map((value) => value),
]
const prices = [
  { value: 'null', words: t('customers.asTheBrandHasIt') },
  { value: 'false', words: t('common.withoutVAT') },
  { value: 'true', words: t('common.withVAT') },
]
const currencies = Intl.supportedValuesOf('currency')
function setPreference(kind: DocumentKind, preference: Preference) {
  const { [kind]: _before, ...others } = form.preferences
  form.preferences = Object.keys(preference).length > 0 ? { ...others, [kind]: preference } : others
}
async function keep() {
  const done = await acting(async () => {
    const body = {
      name: form.name,
      language: form.language === asCompany ? null : (form.language as 'en'),
      currency: form.currency || null,
      terms: form.terms,
      taxTreatment: form.taxTreatment === asCompany ? null : (form.taxTreatment as 'domestic'),
      pricesIncludeTax: form.prices === 'null' ? null : form.prices === 'true',
      preferences: form.preferences,
    }
    await saving(() =>
      props.group ? changeGroup(props.group.id, { ...body, version: base.value.version }) : addGroup(body),
    )
  })
  if (!done || changed.value.length > 0) return
  useToasts().say(t('customers.theGroupNameIsSaved', { name: form.name }))
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropGroup(props.group!.id)
    useToasts().say(t('customers.theGroupGroupIsDeleted', { group: props.group!.name }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="group ? t('customers.groupGroup', { group: group.name }) : t('customers.addGroup')"
    :go="group ? t('common.save') : t('customers.addGroup')"
    :busy="busy"
    :disabled="!form.name.trim() || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField v-model="form.name" :label="t('common.name')" data-test="group-name" :wrong="wrongs.name" />
      <SelectField v-model="form.language" :label="t('customers.languageOfDocuments')" :choices="languages" />
      <PickField
        v-model="form.currency"
        :label="t('common.currency')"
        :choices="currencies"
        :hint="t('customers.emptyCurrencyAsTheCompany', { currency: company.currency })"
        :wrong="wrongs.currency"
      />
      <SelectField v-model="form.prices" :label="t('common.prices')" :choices="prices" />
      <SelectField v-model="form.taxTreatment" :label="t('customers.taxedAs')" :choices="taxes" />
      <div class="terms">
        <span class="soft">{{ t('common.due') }}</span>
        <span v-if="form.terms"
          ><TermsWord :terms="form.terms" :disabled="false" @keep="form.terms = $event" />
          <button type="button" class="word" @click="form.terms = null">
            {{ t('customers.asTheCompany') }}
          </button></span
        >
        <button v-else type="button" class="word" @click="form.terms = { kind: 'days', days: 30 }">
          {{ t('customers.asTheCompany') }}
        </button>
      </div>
    </div>
    <h3>{{ t('customers.howDocumentsGo') }}</h3>
    <DeliveryTable
      :own="form.preferences"
      level="this group"
      :beneath="[{ level: t('customers.theCompany'), preferences: house }]"
      may
      @change="setPreference"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <button
      v-if="group && group.customers === 0"
      type="button"
      class="word"
      data-test="drop-group"
      @click="!busy && drop()"
    >
      {{ t('customers.deleteThisGroup') }}
    </button>
  </Ask>
</template>

<style scoped>
.terms {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
.terms .soft {
  font-size: var(--small);
}
h3 {
  margin: 16px 0 4px;
}
</style>
