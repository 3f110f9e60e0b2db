<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import CustomerNeeds from './CustomerNeeds.vue'
import FormField from '../fields/FormField.vue'
import OwnFields from '../fields/OwnFields.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { changeCustomer, fetchCustomer, fetchDefaults } from '../../calls/customers'
import { countryName, countryNames } from '../../../core/countries'
import { languageChoices } from '../../composables/languages'
import { needsWords } from './delivery'
import type { Needs } from '../../../core/documents/needs'
import type { CustomerView } from '../../contract'

/** What a customer is called, in which group it is, its number, language, currency and VAT number. */
const props = defineProps<{ customer: CustomerView }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const formOf = (of: CustomerView) => ({
  name: of.name,
  number: of.number,
  groupName: of.groupName,
  country: countryName(of.country),
  language: of.language,
  currency: of.currency,
  taxNumber: of.taxNumber ?? '',
  salesperson: of.salesperson,
  linkCode: of.linkCode,
  fields: { ...of.fields },
  needs: { reference: of.needs.reference, fields: [...of.needs.fields] },
})
const form = reactive(formOf(props.customer))
const labels = {
  name: t('common.name'),
  number: t('customers.customerNumber'),
  groupName: t('customers.group'),
  country: t('common.country'),
  language: t('common.language'),
  currency: t('common.currency'),
  taxNumber: t('common.vatNumber'),
  salesperson: t('customers.salesperson'),
  linkCode: t('customers.linkCode'),
  fields: t('common.ownFieldsWord'),
  needs: t('customers.needs'),
}
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.customer,
  formOf,
  read: () => fetchCustomer(props.customer.id),
  labels,
  words: (value, field) =>
    typeof value === 'string'
      ? value
      : field === 'needs'
        ? needsWords(value as Needs)
        : Object.entries(value as object)
            .map(([name, one]) => `${name}: ${one}`)
            .join('\n'),
})
const currencies = Intl.supportedValuesOf('currency')
const groups = shallowRef<string[]>([])
onMounted(async () => {
  groups.value = (await fetchDefaults()).groups.map(({ name }) => name)
})
/** Only what was changed is sent: what somebody else changed beside it stays. */
const changes = computed(() => {
  const before = formOf(base.value)
  return Object.fromEntries(
    Object.entries(form).filter(
      ([field, value]) => JSON.stringify(value) !== JSON.stringify(before[field as keyof typeof before]),
    ),
  )
})
async function keep() {
  const done = await acting(() =>
    saving(() => changeCustomer(props.customer.id, { version: base.value.version, ...changes.value })),
  )
  if (!done || changed.value.length > 0) return
  useToasts().say(t('customers.nameIsSavedIssuedDocuments', { name: form.name }))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="t('customers.customerCustomer', { customer: customer.number })"
    :go="t('common.save')"
    :busy="busy"
    :disabled="changed.length > 0 || Object.keys(changes).length === 0"
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <FormField v-model="form.name" :label="t('common.name')" data-test="edit-name" :wrong="wrongs.name" />
      <FormField v-model="form.number" :label="t('customers.customerNumber')" mono :wrong="wrongs.number" />
      <FormField
        v-model="form.groupName"
        :label="t('customers.group')"
        :suggest="groups"
        :hint="t('customers.itsDeliveryHoldsWhereThis')"
        data-test="edit-group"
        :wrong="wrongs.groupName"
      />
      <FormField v-model="form.salesperson" :label="t('customers.salesperson')" :wrong="wrongs.salesperson" />
      <PickField
        v-model="form.country"
        :label="t('common.country')"
        :choices="countryNames"
        :wrong="wrongs.country"
      />
      <FormField v-model="form.taxNumber" :label="t('common.vatNumber')" :wrong="wrongs.taxNumber" />
      <SelectField
        v-model="form.language"
        :label="t('customers.languageOfDocuments')"
        :choices="languageChoices"
      />
      <PickField
        v-model="form.currency"
        :label="t('common.currency')"
        :choices="currencies"
        :hint="t('customers.forNewOrdersThoseThat')"
        :wrong="wrongs.currency"
      />
      <FormField
        v-model="form.linkCode"
        :label="t('customers.linkCode')"
        :hint="t('customers.linkCodeHint')"
        maxlength="40"
        autocomplete="off"
        data-test="edit-link-code"
        :wrong="wrongs.linkCode"
      />
      <OwnFields v-model="form.fields" of="customer" :wrongs="wrongs" />
    </div>
    <CustomerNeeds v-model="form.needs" />
    <p v-if="wrongs.needs" class="notice stuck" role="alert">{{ wrongs.needs }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>
