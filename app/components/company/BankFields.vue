<script setup lang="ts">
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
  { without: 'Without an account invoices do not say where to pay.' },
)
const currencyChoices = [
  { value: '', words: 'any currency' },
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
    <FormField v-model="bank.name" label="Bank" :disabled="disabled" /><FormField
      v-model="bank.iban"
      label="IBAN"
      mono
      :disabled="disabled"
      :wrong="wrongs[`banks.${index}.iban`]"
    /><FormField
      v-model="bank.bic"
      label="BIC"
      mono
      :disabled="disabled"
      :wrong="wrongs[`banks.${index}.bic`]"
    />
    <div class="takes">
      <span class="soft">for</span
      ><WordPicker
        label="Currency"
        :words="bank.currency || 'any currency'"
        :choices="currencyChoices"
        :value="bank.currency"
        :disabled="disabled"
        @pick="bank.currency = $event"
      />
      <button
        v-if="!disabled"
        type="button"
        class="word"
        :aria-label="`Take ${bank.name || 'this account'} off`"
        @click="banks.splice(index, 1)"
      >
        take off
      </button>
    </div>
  </div>
  <p class="soft">
    {{
      banks.length === 0
        ? without
        : 'A document names the account of its currency, else the first that takes any.'
    }}
    <button
      v-if="!disabled && banks.length < 12"
      type="button"
      class="word"
      data-test="add-bank"
      @click="banks.push({ name: '', iban: '', bic: '', currency: '' })"
    >
      add an account
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
