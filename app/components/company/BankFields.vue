<script setup lang="ts">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import type { BankAccount } from '../../../core/documents/bank'

/** A brand's bank accounts, each for a currency or for any. */
const banks = defineModel<(Omit<BankAccount, 'currency'> & { currency: string })[]>({ required: true })
withDefaults(
  defineProps<{
    disabled: boolean
    wrongs: Record<string, string>
    /** What holds where there is none. */
    without?: string
  }>(),
  { without: t('brands.withoutAnAccountInvoicesDo') },
)
const currencyChoices = [
  { value: '', words: t('brands.anyCurrency') },
  ...[
    'EUR',
    'GBP',
    'USD',
    'CHF',
    'SEK',
    'NOK',
    'DKK',
    'PLN',
    'CZK',
    'HUF',
    'RON',
    'BGN',
    'JPY',
    'CAD',
    'AUD',
  ].map((value) => ({ value, words: value })),
]
</script>

<template>
  <div v-for="(bank, index) in banks" :key="index" class="bank">
    <FormField v-model="bank.name" :label="t('brands.bank')" :disabled="disabled" /><FormField
      v-model="bank.iban"
      :label="t('common.iban')"
      mono
      :disabled="disabled"
      :wrong="wrongs[`banks.${index}.iban`]"
    /><FormField
      v-model="bank.bic"
      :label="t('brands.bic')"
      mono
      :disabled="disabled"
      :wrong="wrongs[`banks.${index}.bic`]"
    />
    <div class="takes">
      <span class="soft">{{ t('brands.for') }}</span><WordPicker
        :label="t('common.currency')"
        :words="bank.currency || t('brands.anyCurrency')"
        :choices="currencyChoices"
        :value="bank.currency"
        :disabled="disabled"
        @pick="bank.currency = $event"
      />
      <button
        v-if="!disabled"
        type="button"
        class="word"
        :aria-label="t('brands.takeBankOff', { bank: bank.name || t('brands.thisAccount') })"
        @click="banks.splice(index, 1)"
      >
        {{ t('brands.takeOff') }}
      </button>
    </div>
  </div>
  <p class="soft">
    {{ banks.length === 0 ? without : t('brands.aDocumentNamesTheAccount') }}
    <button
      v-if="!disabled && banks.length < 12"
      type="button"
      class="word"
      data-test="add-bank"
      @click="banks.push({ name: '', iban: '', bic: '', currency: '' })"
    >
      {{ t('brands.addAnAccount') }}
    </button>
  </p>
</template>

<style scoped>
.bank {
  display: grid;
  grid-template-columns: 1fr 256px 116px;
  gap: 4px 14px;
  margin-bottom: 10px;
}
.takes {
  grid-column: 1 / 4;
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
