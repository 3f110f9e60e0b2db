<script setup lang="ts">
import { t } from '../../words'
import { watchDebounced } from '@vueuse/core'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { useSession } from '../../stores/session'
import { useNewest } from '../../composables/useNewest'
import { useWrongs } from '../../composables/useWrongs'
import { addCustomer, fetchDefaults, searchCustomers } from '../../calls/customers'
import { languageChoices } from '../../composables/languages'
import { countryName, countryNames } from '../../../core/countries'
import type { CustomerRow } from '../../contract'

/** Writes a new customer; who is there already under a like name is shown while one types. */
const props = defineProps<{ name?: string }>()
const emit = defineEmits<{ leave: []; added: [customer: { id: number; number: string; name: string }] }>()
const { company } = useSession().house!
const form = reactive({
  name: props.name ?? '',
  email: '',
  contact: '',
  street: '',
  country: countryName(company.country),
  language: company.language,
  currency: company.currency,
  taxNumber: '',
  groupName: '',
  number: '',
})
const { busy, wrong, wrongs, acting } = useWrongs([...Object.keys(form), 'billing', 'contacts'])
const currencies = Intl.supportedValuesOf('currency')
const groups = shallowRef<Awaited<ReturnType<typeof fetchDefaults>>['groups']>([])
onMounted(async () => {
  groups.value = (await fetchDefaults()).groups
})
/** A group gives what it has; what was chosen before it stays chosen where it has nothing. */
watch(
  () => groups.value.find((one) => one.name === form.groupName),
  (group) => {
    if (group?.language) form.language = group.language
    if (group?.currency) form.currency = group.currency
  },
)
const alike = shallowRef<CustomerRow[]>([])
const newest = useNewest()
watchDebounced(
  () => form.name.trim(),
  async (name) => {
    const answer = await newest(async () =>
      name.length < 3 ? [] : (await searchCustomers({ search: name, limit: 4 })).rows,
    )
    if (answer) alike.value = answer
  },
  { debounce: 200, immediate: true },
)
async function keep() {
  let added: { id: number; number: string } | undefined
  const { street, email, contact, ...facts } = form
  const lines = street
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  const done = await acting(async () => {
    added = await addCustomer({
      ...facts,
      billing: lines.length ? { lines, country: form.country, attention: '' } : null,
      contacts: email.trim() ? [{ name: contact, email: email.trim(), role: 'anyone' }] : [],
    })
  })
  if (!done) return
  emit('added', { ...added!, name: form.name })
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="t('customers.addCustomer')"
    :go="t('customers.addCustomer')"
    :busy="busy"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <div class="two-columns">
      <FormField
        v-model="form.name"
        :label="t('common.name')"
        data-test="customer-name"
        :wrong="wrongs.name"
      />
      <FormField
        v-model="form.email"
        :label="t('common.emailAddress')"
        type="email"
        :hint="t('customers.allDocumentsGoThereUntil')"
        data-test="customer-email"
        :wrong="wrongs['contacts.0.email']"
      />
      <FormField
        v-model="form.street"
        :label="t('common.address')"
        :lines="3"
        :placeholder="t('common.streetPostcodeAndTown')"
        data-test="customer-address"
        :wrong="wrongs['billing.lines']"
      />
      <div class="stack">
        <PickField
          v-model="form.country"
          :label="t('common.country')"
          :choices="countryNames"
          :wrong="wrongs.country"
        />
        <FormField
          v-model="form.contact"
          :label="t('customers.contactPerson')"
          :wrong="wrongs['contacts.0.name']"
        />
      </div>
      <SelectField
        v-model="form.language"
        :label="t('customers.languageOfDocuments')"
        :choices="languageChoices"
      />
      <PickField
        v-model="form.currency"
        :label="t('common.currency')"
        :choices="currencies"
        :wrong="wrongs.currency"
      />
      <FormField v-model="form.taxNumber" :label="t('common.vatNumber')" :wrong="wrongs.taxNumber" />
      <FormField
        v-model="form.groupName"
        :label="t('customers.group')"
        :suggest="groups.map((one) => one.name)"
        :hint="t('customers.itGivesLanguageCurrencyTerms')"
        :wrong="wrongs.groupName"
      />
      <FormField
        v-model="form.number"
        :label="t('customers.customerNumber')"
        mono
        :placeholder="t('customers.theNextOne')"
        :wrong="wrongs.number"
      />
    </div>
    <p v-if="alike.length" class="notice wait" role="status" data-test="alike">
      {{ t('customers.thereAlready') }}
      <span v-for="one in alike" :key="one.id"
        ><span class="mono">{{ one.number }}</span> {{ one.name }}{{ one === alike.at(-1) ? '' : ', ' }}</span
      >
    </p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.stack {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.notice {
  margin: 12px 0 0;
}
</style>
