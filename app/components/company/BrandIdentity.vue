<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import { agreeing } from '../../composables/format'
import { said } from '../../words/speech'
import Ask from '../frame/Ask.vue'
import BankFields from './BankFields.vue'
import BanksChanged from './BanksChanged.vue'
import CheckField from '../fields/CheckField.vue'
import FormField from '../fields/FormField.vue'
import WordPicker from '../list/WordPicker.vue'
import { useSession } from '../../stores/session'
import { useForm } from '../../composables/useForm'
import { useToasts } from '../../stores/toasts'
import { ApiRefusal } from '../../composables/api'
import { useMainKey } from '../../composables/useMainKey'
import { changeBrand } from '../../calls/brands'
import { countryName, countryNames } from '../../../core/countries'
import { paymentMethods, type PaymentMethod } from '../../../core/documents/facts'
import type { BrandView } from '../../contract'

const props = defineProps<{ brand: BrandView }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSession()
const disabled = computed(() => !session.may('supervisor'))
const busy = ref(false)
const wrongs = ref<Record<string, string>>({})

const formOf = (brand: BrandView) => ({
  name: brand.name,
  legalName: brand.legalName,
  address: brand.addressLines.join('\n'),
  country: countryName(brand.country),
  phone: brand.phone,
  email: brand.email,
  website: brand.website,
  registration: brand.registration,
  taxNumber: brand.taxNumber,
  withoutTaxNumber: { ...brand.withoutTaxNumber },
  banks: brand.banks.map((bank) => ({ ...bank })),
  senderName: brand.senderName,
  senderAddress: brand.senderAddress,
  replyTo: brand.replyTo,
  pricesIncludeTax: brand.pricesIncludeTax,
  methods: [...brand.methods],
})
const { form, base, dirty, save } = useForm(() => props.brand, formOf, t('brands.theBrand'))
const toggleMethod = (value: PaymentMethod) => {
  form.value.methods = form.value.methods.includes(value)
    ? form.value.methods.filter((one) => one !== value)
    : [...form.value.methods, value]
}
const instead = { en: t('common.english'), de: t('common.german'), fr: t('common.french') } as const
/** A new name: the sender's name and the registration often carry the old one. */
const renamed = computed(() => form.value.name.trim() !== props.brand.name)
const asksRename = ref(false)
const renameSender = ref(true)
const registration = ref('')
function ask() {
  if (!dirty.value || busy.value) return
  const sameSender = form.value.senderName === props.brand.senderName
  const sameRegistration = form.value.registration === props.brand.registration
  if (renamed.value && (sameSender || sameRegistration)) {
    registration.value = form.value.registration.replace(props.brand.name, form.value.name.trim())
    renameSender.value = sameSender
    asksRename.value = true
  } else void keep()
}
function keepRenamed() {
  if (renameSender.value) form.value.senderName = form.value.name.trim()
  form.value.registration = registration.value
  asksRename.value = false
  void keep()
}

async function keep() {
  if (!dirty.value || busy.value) return
  busy.value = true
  wrongs.value = {}
  try {
    const { address, ...rest } = form.value
    const addressLines = address
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)
    await save(() => changeBrand(props.brand.id, { version: base.value.version, ...rest, addressLines }))
    useToasts().say(t('brands.theBrandIsSavedDocuments'))
    emit('kept')
  } catch (error) {
    const refusal = error as ApiRefusal
    if (refusal.about?.field)
      wrongs.value = {
        [refusal.about.field === 'addressLines' ? 'address' : refusal.about.field]: refusal.message,
      }
    else useToasts().say(refusal.message, { wrong: true })
  }
  busy.value = false
}

useMainKey(ask)
</script>

<template>
  <div class="body">
    <h2>{{ t('brands.onTheDocument') }}</h2>
    <div class="grid">
      <FormField v-model="form.name" :label="t('common.name')" :disabled="disabled" :wrong="wrongs.name" />
      <FormField
        v-model="form.legalName"
        :label="t('common.legalName')"
        :disabled="disabled"
        :wrong="wrongs.legalName"
      />
      <FormField
        v-model="form.address"
        :label="t('common.address')"
        :lines="3"
        :disabled="disabled"
        :wrong="wrongs.address"
      />
      <div class="stack">
        <FormField
          v-model="form.country"
          :label="t('common.country')"
          :suggest="countryNames"
          :disabled="disabled"
          :wrong="wrongs.country"
        /><FormField v-model="form.taxNumber" :label="t('common.vatNumber')" :disabled="disabled" />
      </div>
      <template v-if="!form.taxNumber.trim()">
        <FormField
          v-for="(words, language) in instead"
          :key="language"
          :model-value="form.withoutTaxNumber[language] ?? ''"
          :label="t('brands.withoutAVATNumberInvoices', { words })"
          :hint="t('brands.invoicesWaitUntilThereIs')"
          :disabled="disabled"
          @update:model-value="form.withoutTaxNumber[language] = $event"
        />
      </template>
      <FormField v-model="form.registration" :label="t('brands.registration')" :disabled="disabled" />
      <FormField v-model="form.phone" :label="t('brands.phone')" :disabled="disabled" />
      <FormField v-model="form.email" :label="t('brands.emailOnTheDocument')" :disabled="disabled" />
      <FormField v-model="form.website" :label="t('brands.website')" :disabled="disabled" />
    </div>
    <p class="soft">
      <I18nT keypath="brands.pricesOnNewDraftsAre" scope="global"
        ><template #prices
          ><WordPicker
            :label="t('common.prices')"
            :words="form.pricesIncludeTax ? t('common.withVAT') : t('common.withoutVAT')"
            :choices="[
              { value: 'false', words: t('common.withoutVAT') },
              { value: 'true', words: t('common.withVAT') },
            ]"
            :value="String(form.pricesIncludeTax)"
            :disabled="disabled"
            @pick="form.pricesIncludeTax = $event === 'true'" /></template
        ><template #methods
          ><WordPicker
            :label="t('brands.methods')"
            several
            :words="
              form.methods.length
                ? t('brands.thatFormForm2Taken', {
                    form: form.methods.map((method) => said(`method/${method}`)).join(', '),
                    form2: agreeing(form.methods.length, 'is'),
                  })
                : t('brands.nothingOfHowToPay')
            "
            :choices="paymentMethods.map((value) => ({ value, words: said(`method/${value}`) }))"
            :value="form.methods"
            :disabled="disabled"
            @pick="toggleMethod($event as PaymentMethod)" /></template
      ></I18nT>
    </p>
    <h2>{{ t('brands.bankAccounts') }}</h2>
    <BanksChanged :brand="brand" @kept="emit('kept')" />
    <BankFields v-model="form.banks" :disabled="disabled" :wrongs="wrongs" />
    <h2>{{ t('brands.senderOfEmails') }}</h2>
    <div class="grid">
      <FormField
        v-model="form.senderName"
        :label="t('common.name')"
        :disabled="disabled"
        :wrong="wrongs.senderName"
      /><FormField
        v-model="form.senderAddress"
        :label="t('common.address')"
        :disabled="disabled"
        :wrong="wrongs.senderAddress"
      /><FormField
        v-model="form.replyTo"
        :label="t('common.answersGoTo')"
        :disabled="disabled"
        :wrong="wrongs.replyTo"
      />
    </div>
  </div>
  <footer v-if="!disabled" class="foot-bar">
    <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span><span class="push" /><VBtn
      variant="flat"
      class="go"
      :disabled="!dirty || busy"
      data-test="keep-brand"
      @click="ask"
      >{{ t('common.save') }}</VBtn
    >
  </footer>
  <Ask
    v-model="asksRename"
    :title="t('brands.brandBecomesForm', { brand: brand.name, form: form.name.trim() })"
    :go="t('common.save')"
    :busy="busy"
    @go="keepRenamed"
  >
    <CheckField v-model="renameSender" data-test="rename-sender">
      {{
        t('brands.emailsComeFromFormToo', { form: form.name.trim(), senderName: brand.senderName })
      }}</CheckField
    >
    <FormField
      v-model="registration"
      :label="t('brands.registrationAsItStandsOn')"
      :hint="t('brands.doesItStillHoldUnder')"
    />
  </Ask>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 16px;
}
h2 {
  margin: 12px 0 6px;
}
h2:first-child {
  margin-top: 0;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 14px;
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.rename {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}
</style>
