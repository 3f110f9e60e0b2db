<script setup lang="ts">
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
import { termsWords, type Terms } from '../../../core/documents/terms'
import { treatments } from '../../../core/documents/treatment'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { preferenceWords, type Preference, type Preferences } from '../../../core/preferences/recipients'

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
  if (field === 'terms') return value ? termsWords(value as Terms) : 'as the company'
  if (field === 'prices') return prices.find((one) => one.value === value)!.words
  if (field === 'preferences')
    return Object.entries(value as Preferences)
      .map(([kind, wish]) => `${kindFacts[kind as DocumentKind].many}: ${preferenceWords(wish)}`)
      .join('\n')
  return value === asCompany ? 'as the company' : String(value)
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
    name: 'Name',
    language: 'Language',
    currency: 'Currency',
    terms: 'Terms',
    taxTreatment: 'Tax',
    prices: 'Prices',
    preferences: 'Delivery',
  },
  words: wordsOf,
})
const usual = { value: asCompany, words: 'as the company' }
const languages = [usual, ...languageChoices]
const taxes = [{ value: asCompany, words: 'domestic, as usual' }, ...treatments.map((value) => value)]
const prices = [
  { value: 'null', words: 'as the brand has it' },
  { value: 'false', words: 'without VAT' },
  { value: 'true', words: 'with VAT' },
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
  useToasts().say(`The group ${form.name} is saved.`)
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await dropGroup(props.group!.id)
    useToasts().say(`The group ${props.group!.name} is deleted.`)
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="group ? `Group ${group.name}` : 'Add group'"
    :go="group ? 'Save' : 'Add group'"
    :busy="busy"
    :disabled="!form.name.trim() || changed.length > 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField v-model="form.name" label="Name" data-test="group-name" :wrong="wrongs.name" />
      <SelectField v-model="form.language" label="Language of documents" :choices="languages" />
      <PickField
        v-model="form.currency"
        label="Currency"
        :choices="currencies"
        :hint="`Empty: ${company.currency}, as the company.`"
        :wrong="wrongs.currency"
      />
      <SelectField v-model="form.prices" label="Prices" :choices="prices" />
      <SelectField v-model="form.taxTreatment" label="Taxed as" :choices="taxes" />
      <div class="terms">
        <span class="soft">Due</span>
        <span v-if="form.terms"
          ><TermsWord :terms="form.terms" :disabled="false" @keep="form.terms = $event" />
          <button type="button" class="word" @click="form.terms = null">as the company</button></span
        >
        <button v-else type="button" class="word" @click="form.terms = { kind: 'days', days: 30 }">
          as the company
        </button>
      </div>
    </div>
    <h3>How documents go</h3>
    <DeliveryTable
      :own="form.preferences"
      level="this group"
      :beneath="[{ level: 'the company', preferences: house }]"
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
      Delete this group
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
