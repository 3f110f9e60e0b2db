<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'

/** Asks what part of an order a draft is begun for: some of its lines, or a deposit in percent. */
const open = defineModel<boolean>({ required: true })
defineProps<{ orderNumber: string }>()
const emit = defineEmits<{ draft: [ask: { kind: 'part' } | { kind: 'deposit'; percent: string }] }>()
const part = ref<'part' | 'deposit'>('part')
const percent = ref('30')
const parts = [
  { value: 'part', words: t('orders.anInvoiceOfSomeOf') },
  { value: 'deposit', words: t('orders.aDepositInvoice') },
]
const go = () =>
  emit('draft', part.value === 'part' ? { kind: 'part' } : { kind: 'deposit', percent: percent.value.trim() })
</script>

<template>
  <Ask
    v-model="open"
    :title="t('orders.invoiceAPartOfOrderNumber', { orderNumber })"
    :go="t('common.beginTheDraft')"
    @go="go"
  >
    <p class="sentence">
      <I18nT keypath="orders.writeWhat" scope="global"
        ><template #what
          ><WordPicker
            :label="t('common.what')"
            :choices="parts"
            :value="part"
            @pick="part = $event as 'part' | 'deposit'" /></template
      ></I18nT>
    </p>
    <FormField v-if="part === 'deposit'" v-model="percent" :label="t('orders.percentOfTheOrder')" mono />
    <p class="soft">
      {{ part === 'part' ? t('orders.theDraftBeginsWithAll') : t('orders.theFinalInvoiceListsThe') }}
    </p>
  </Ask>
</template>
