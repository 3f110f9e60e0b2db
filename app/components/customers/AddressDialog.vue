<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import FormField from '../fields/FormField.vue'
import PickField from '../fields/PickField.vue'
import SelectField from '../fields/SelectField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useWrongs } from '../../composables/useWrongs'
import { useToasts } from '../../stores/toasts'
import { listOf } from './delivery'
import { changeAddresses, changeCustomer, fetchCustomer } from '../../calls/customers'
import { countryName, countryNames } from '../../../core/countries'
import type { CustomerView } from '../../contract'

/**
 * One address of a customer: the postal one, or a further one to bill or to deliver to. An address that is billed can
 * have recipients of its own.
 */
const props = defineProps<{ customer: CustomerView; which: 'postal' | 'new' | number }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const postal = props.which === 'postal'
const furtherOf = (customer: CustomerView) => customer.addresses.find((one) => one.id === props.which)
function formOf(customer: CustomerView) {
  const further = furtherOf(customer)
  const given = postal ? customer.billing : further?.address
  const mail = postal ? customer.billingMail : (further?.mail ?? {})
  return {
    purpose: further?.purpose ?? ('delivery' as const),
    label: further?.label ?? '',
    name: given && given.name !== customer.name ? given.name : '',
    attention: given?.attention ?? '',
    lines: given?.lines.join('\n') ?? '',
    country: countryName(given?.country ?? customer.country),
    to: mail.to?.join(', ') ?? '',
    cc: mail.cc?.join(', ') ?? '',
    bcc: mail.bcc?.join(', ') ?? '',
  }
}
const form = reactive(formOf(props.customer))
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: props.customer,
  formOf,
  read: () => fetchCustomer(props.customer.id),
  labels: {
    purpose: 'For',
    label: 'Called',
    name: 'Name on it',
    attention: 'For the attention of',
    lines: 'Street, postcode and town',
    country: 'Country',
    to: 'Emails for it go to',
    cc: 'Copies to',
    bcc: 'Hidden copies to',
  },
})
const further = computed(() => furtherOf(base.value))
const purposes = [
  { value: 'delivery', words: 'goods are delivered to' },
  { value: 'billing', words: 'documents are billed to' },
] as const
const { busy, wrong, wrongs, acting } = useWrongs(['billing', 'billingMail', 'addresses'])
const wrongAt = (field: string) =>
  Object.entries(wrongs.value).find(([one]) => one.split('.').includes(field))?.[1] ?? ''
const billed = computed(() => postal || form.purpose === 'billing')
const edited = () => ({
  address: {
    name: form.name,
    attention: form.attention,
    lines: form.lines
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
    country: form.country,
  },
  mail: billed.value
    ? Object.fromEntries(
        (['to', 'cc', 'bcc'] as const).flatMap((field) =>
          listOf(form[field]).length ? [[field, listOf(form[field])]] : [],
        ),
      )
    : {},
})
const others = () =>
  base.value.addresses
    .filter((one) => one.id !== props.which)
    .map((one) => ({ ...one, address: { ...one.address } }))
async function keep() {
  const { id, name } = props.customer
  const { address, mail } = edited()
  async function write() {
    const { version } = base.value
    if (postal) {
      const { name: _, ...billing } = address
      return changeCustomer(id, { version, billing, billingMail: mail })
    }
    const own = { id: further.value?.id ?? null, purpose: form.purpose, label: form.label, address, mail }
    return changeAddresses(id, {
      version,
      addresses: further.value
        ? base.value.addresses.map((one) => (one.id === own.id ? own : one))
        : [...others(), own],
    })
  }
  const done = await acting(() => saving(write))
  if (!done || changed.value.length > 0) return
  useToasts().say(
    postal ? `The address of ${name} is saved, for every document from now on.` : `“${form.label}” is saved.`,
  )
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await changeAddresses(props.customer.id, { version: base.value.version, addresses: others() })
    useToasts().say(`“${form.label}” is deleted.`)
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="postal ? `Postal address of ${customer.name}` : further ? further.label : 'Add an address'"
    go="Save"
    :busy="busy"
    :disabled="
      changed.length > 0 || !form.lines.trim() || !form.country.trim() || (!postal && !form.label.trim())
    "
    @update:model-value="emit('leave')"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div class="two-columns">
      <template v-if="!postal">
        <FormField
          v-model="form.label"
          label="Called"
          placeholder="Warehouse North"
          data-test="address-label"
          :wrong="wrongAt('label')"
        />
        <SelectField v-model="form.purpose" label="For" :choices="purposes" data-test="address-purpose" />
        <FormField v-model="form.name" label="Name on it" :placeholder="customer.name" />
      </template>
      <FormField v-model="form.attention" label="For the attention of" />
      <FormField
        v-model="form.lines"
        label="Street, postcode and town"
        :lines="3"
        data-test="address-lines"
        :wrong="wrongAt('lines')"
      />
      <PickField v-model="form.country" label="Country" :choices="countryNames" :wrong="wrongAt('country')" />
      <template v-if="billed">
        <FormField
          v-model="form.to"
          label="Emails for it go to"
          placeholder="the customer’s contacts"
          hint="Several, with commas between."
          data-test="address-to"
          :wrong="wrongAt('billingMail') || wrongAt('mail')"
        />
        <FormField v-model="form.cc" label="Copies to (CC)" placeholder="nobody" data-test="address-cc" />
        <FormField v-model="form.bcc" label="Hidden copies to (BCC)" placeholder="nobody" />
      </template>
    </div>
    <p v-if="wrong || wrongs.addresses" class="notice stuck" role="alert">
      {{ wrong || wrongs.addresses }}
    </p>
    <button v-if="further" type="button" class="word" data-test="drop-address" @click="!busy && drop()">
      Delete this address
    </button>
  </Ask>
</template>
