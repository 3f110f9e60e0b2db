<script setup lang="ts">
import { locale } from '../../composables/format'
import { t } from '../../words'
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
  { value: 'en', words: t('common.english') },
  { value: 'de', words: t('common.german') },
  { value: 'fr', words: t('common.french') },
] as const
const months = Array.from({ length: 12 }, (_, month) => ({
  value: String(month + 1),
  words: new Intl.DateTimeFormat(locale(), { month: 'long', timeZone: 'UTC' }).format(Date.UTC(2026, month)),
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
    :title="t('begin.yourCompany')"
    :says="t('begin.theRestFollowsFromThe')"
    :go="t('begin.saveAndGoOn')"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <div class="fields">
      <FormField
        v-model="form.name"
        :label="t('begin.companyName')"
        :hint="t('begin.asItIsRegistered')"
        autocomplete="organization"
        data-test="company"
        :wrong="wrongs.name"
      />
      <PickField
        v-model="form.country"
        :label="t('common.country')"
        :choices="countryNames"
        data-test="country"
        :wrong="wrongs.country"
      />
      <PickField
        v-model="form.currency"
        :label="t('common.currency')"
        :choices="currencies"
        :hint="t('begin.yourBooksAreKeptIn')"
        :wrong="wrongs.currency"
      />
      <SelectField v-model="form.language" :label="t('begin.languageOfYourDocuments')" :choices="languages" />
      <PickField
        v-model="form.timeZone"
        :label="t('begin.timeZone')"
        :choices="zones"
        :wrong="wrongs.timeZone"
      />
      <SelectField
        v-model="form.businessYearStart"
        :label="t('begin.businessYearBeginsIn')"
        :choices="months"
      />
      <FormField
        v-model="form.rates"
        class="whole"
        :label="t('begin.vatRatesInPercent')"
        :hint="t('begin.theUsualOneFirstFor')"
        data-test="rates"
        :wrong="wrongs.taxCodes"
      />
    </div>
  </BeginForm>
</template>
