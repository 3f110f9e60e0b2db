<script setup lang="ts">
import { t } from '../../words'
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
    purpose: t('common.for'),
    label: t('common.called'),
    name: t('customers.nameOnIt'),
    attention: t('customers.forTheAttentionOf'),
    lines: t('common.streetPostcodeAndTown2'),
    country: t('common.country'),
    to: t('customers.emailsForItGoTo'),
    cc: t('common.copiesTo'),
    bcc: t('customers.hiddenCopiesTo'),
  },
})
const further = computed(() => furtherOf(base.value))
const purposes = [
  { value: 'delivery', words: t('customers.goodsAreDeliveredTo') },
  { value: 'billing', words: t('customers.documentsAreBilledTo') },
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
    postal ? t('customers.theAddressOfNameIs', { name }) : t('customers.labelIsSaved', { label: form.label }),
  )
  emit('kept')
  emit('leave')
}
const drop = () =>
  acting(async () => {
    await changeAddresses(props.customer.id, { version: base.value.version, addresses: others() })
    useToasts().say(t('customers.labelIsDeleted', { label: form.label }))
    emit('kept')
    emit('leave')
  })
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="
      postal
        ? t('customers.postalAddressOfCustomer', { customer: customer.name })
        : further
          ? further.label
          : t('customers.addAnAddress')
    "
    :go="t('common.save')"
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
          :label="t('common.called')"
          :placeholder="t('customers.warehouseNorth')"
          data-test="address-label"
          :wrong="wrongAt('label')"
        />
        <SelectField
          v-model="form.purpose"
          :label="t('common.for')"
          :choices="purposes"
          data-test="address-purpose"
        />
        <FormField v-model="form.name" :label="t('customers.nameOnIt')" :placeholder="customer.name" />
      </template>
      <FormField v-model="form.attention" :label="t('customers.forTheAttentionOf')" />
      <FormField
        v-model="form.lines"
        :label="t('common.streetPostcodeAndTown2')"
        :lines="3"
        data-test="address-lines"
        :wrong="wrongAt('lines')"
      />
      <PickField
        v-model="form.country"
        :label="t('common.country')"
        :choices="countryNames"
        :wrong="wrongAt('country')"
      />
      <template v-if="billed">
        <FormField
          v-model="form.to"
          :label="t('customers.emailsForItGoTo')"
          :placeholder="t('customers.theCustomersContacts')"
          :hint="t('customers.severalWithCommasBetween')"
          data-test="address-to"
          :wrong="wrongAt('billingMail') || wrongAt('mail')"
        />
        <FormField
          v-model="form.cc"
          :label="t('customers.copiesToCC')"
          :placeholder="t('customers.nobody')"
          data-test="address-cc"
        />
        <FormField
          v-model="form.bcc"
          :label="t('customers.hiddenCopiesToBCC')"
          :placeholder="t('customers.nobody')"
        />
      </template>
    </div>
    <p v-if="wrong || wrongs.addresses" class="notice stuck" role="alert">
      {{ wrong || wrongs.addresses }}
    </p>
    <button v-if="further" type="button" class="word" data-test="drop-address" @click="!busy && drop()">
      {{ t('customers.deleteThisAddress') }}
    </button>
  </Ask>
</template>
