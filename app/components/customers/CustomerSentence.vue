<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import TermsWord from './TermsWord.vue'
import WordPicker from '../list/WordPicker.vue'
import { languageChoices, languageWords } from '../../composables/languages'
import { toldTerms } from '../../../core/documents/terms'
import { treatments } from '../../../core/documents/treatment'
import type { CustomerView } from '../../contract'

/** In which language a customer is written to, at what prices, taxed how, and when an invoice is due. */
const props = defineProps<{ customer: CustomerView; disabled: boolean }>()
const emit = defineEmits<{ change: [change: object, said: string] }>()
const taxWords = {
  domestic: t('customers.aDomesticSupply'),
  'reverse charge': t('customers.aReverseCharge'),
  'intra-Community supply': t('customers.anIntraCommunitySupply'),
  export: t('customers.anExport'),
  exempt: t('customers.anExemptSupply'),
}
const taxChoices = treatments.map((value) => ({ value, words: taxWords[value] }))
const priceChoices = [
  { value: 'null', words: t('customers.withVATAsTheBrand') },
  { value: 'false', words: t('common.withoutVAT') },
  { value: 'true', words: t('common.withVAT') },
]
const priceWords = computed(
  () => priceChoices.find((one) => one.value === String(props.customer.pricesIncludeTax))?.words ?? '',
)
</script>

<template>
  <p class="sentence">
    <I18nT keypath="customers.documentsAreWrittenInLanguage" scope="global"
      ><template #language
        ><WordPicker
          :label="t('common.language')"
          :words="languageWords[customer.language]"
          :choices="[...languageChoices]"
          :value="customer.language"
          :disabled="disabled"
          @pick="
            emit(
              'change',
              { language: $event },
              t('customers.nameIsNowWrittenTo', {
                name: customer.name,
                languageWords: languageWords[$event as 'en'],
              }),
            )
          " /></template
      ><template #currency
        ><strong>{{ customer.currency }}</strong></template
      ><template #prices
        ><WordPicker
          :label="t('common.prices')"
          :words="priceWords"
          :choices="priceChoices"
          :value="String(customer.pricesIncludeTax)"
          :disabled="disabled"
          @pick="
            emit(
              'change',
              { pricesIncludeTax: $event === 'null' ? null : $event === 'true' },
              t('customers.pricesForNameAreSet', { name: customer.name }),
            )
          " /></template
      ><template #tax
        ><WordPicker
          :label="t('customers.tax')"
          :words="taxWords[customer.treatment]"
          :choices="taxChoices"
          :value="customer.treatment"
          :disabled="disabled"
          @pick="
            emit(
              'change',
              { treatment: $event },
              t('customers.nameIsTaxedAsTaxWords', {
                name: customer.name,
                taxWords: taxWords[$event as 'domestic'],
              }),
            )
          " /></template
      ><template #termsWord
        ><TermsWord
          :terms="customer.terms"
          :disabled="disabled"
          @keep="
            emit(
              'change',
              { terms: $event },
              t('customers.namePaysEventFromThe', {
                name: customer.name,
                event: saidWords(toldTerms($event)),
              }),
            )
          " /></template
    ></I18nT>
  </p>
</template>

<style scoped>
.sentence {
  white-space: normal;
  margin: 0;
  line-height: 2;
  font-size: var(--body);
}
</style>
