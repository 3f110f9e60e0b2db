<script setup lang="ts">
import BeginForm from './BeginForm.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { useWrongs } from '../../composables/useWrongs'
import { foundCompany } from '../../calls/begin'
import { countryNames, countryOf } from '../../../core/countries'
import { proposalFor, taxCodesOf } from '../../../core/house/from-country'
import type { Language } from '../../../core/money/format'

/** The company. From its country follow currency, language, time zone and VAT rates; each can be changed here. */
const session = useSession()
const form = reactive({
  name: '',
  country: '',
  currency: '',
  language: 'en' as Language,
  timeZone: '',
  rates: '',
  businessYearStart: '1',
})
const { busy, wrong, wrongs, acting } = useWrongs([...Object.keys(form), 'taxCodes'])
watch(
  () => countryOf(form.country),
  (code) => {
    if (!code) return
    const { currency, language, timeZone, taxCodes } = proposalFor(code)
    Object.assign(form, { currency, language, timeZone: timeZone || ownZone })
    form.rates = taxCodes
      .filter((one) => one.category === 'S')
      .map((one) => one.rates[0]!.percent)
      .join(', ')
  },
)
const ownZone = Intl.DateTimeFormat().resolvedOptions().timeZone
const currencies = Intl.supportedValuesOf('currency')
const zones = Intl.supportedValuesOf('timeZone')
const languages = [
  { value: 'en', words: 'English' },
  { value: 'de', words: 'German' },
  { value: 'fr', words: 'French' },
] as const
const months = Array.from({ length: 12 }, (_, month) => ({
  value: String(month + 1),
  words: new Intl.DateTimeFormat('en', { month: 'long', timeZone: 'UTC' }).format(Date.UTC(2026, month)),
}))
const go = () =>
  acting(async () => {
    const { rates, businessYearStart, ...facts } = form
    await foundCompany({
      ...facts,
      businessYearStart: Number(businessYearStart),
      publicAddress: location.origin,
      taxCodes: taxCodesOf(rates.split(/[;,\s]+/).filter(Boolean)),
    })
    await session.load()
  })
</script>

<template>
  <BeginForm
    title="Your company"
    says="The rest follows from the country. Look it over and change what does not fit."
    go="Save and go on"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <div class="fields">
      <FormField
        v-model="form.name"
        label="Company name"
        hint="As it is registered."
        autocomplete="organization"
        data-test="company"
        :wrong="wrongs.name"
      />
      <PickField
        v-model="form.country"
        label="Country"
        :choices="countryNames"
        data-test="country"
        :wrong="wrongs.country"
      />
      <PickField
        v-model="form.currency"
        label="Currency"
        :choices="currencies"
        hint="Your books are kept in it."
        :wrong="wrongs.currency"
      />
      <SelectField v-model="form.language" label="Language of your documents" :choices="languages" />
      <PickField v-model="form.timeZone" label="Time zone" :choices="zones" :wrong="wrongs.timeZone" />
      <SelectField v-model="form.businessYearStart" label="Business year begins in" :choices="months" />
      <FormField
        v-model="form.rates"
        class="whole"
        label="VAT rates in percent"
        hint="The usual one first, for example 23, 13.5, 9. Exempt and other kinds are added in Settings, Tax."
        data-test="rates"
        :wrong="wrongs.taxCodes"
      />
    </div>
  </BeginForm>
</template>
