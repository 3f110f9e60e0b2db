<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import ChangedMeanwhile from '../frame/ChangedMeanwhile.vue'
import FormField from '../fields/FormField.vue'
import SelectField from '../fields/SelectField.vue'
import { useMeanwhile } from '../../composables/useMeanwhile'
import { useActing } from '../../composables/useActing'
import { attempt } from '../../composables/api'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { fetchCustomer, changeContacts } from '../../calls/customers'
import { anyone } from '../../../core/preferences/recipients'
import type { CustomerView } from '../../contract'

/** Whom a customer's papers go to: mended where a paper has nobody to go to, or came back. */
const props = defineProps<{ customerId: number }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ kept: [] }>()
const customer = shallowRef<CustomerView>()
const form = reactive({ contacts: [] as CustomerView['contacts'] })
const { busy, wrong, acting } = useActing()
const formOf = ({ contacts }: Pick<CustomerView, 'contacts'>) => ({
  contacts: structuredClone(toRaw(contacts)),
})
const { base, changed, saving, takeTheirs, keepMine } = useMeanwhile({
  form,
  opened: { version: 0, contacts: [] } as Pick<CustomerView, 'version' | 'contacts'>,
  formOf,
  read: () => fetchCustomer(props.customerId),
  labels: { contacts: t('customers.contacts') },
})
const session = useSession()
const roles = computed(() => [
  ...session.house!.company.contactRoles.map((value) => ({ value, words: value })),
  { value: anyone, words: t('customers.anything') },
])

watch(
  open,
  async (now) => {
    if (!now) return
    wrong.value = ''
    await attempt(async () => {
      customer.value = await fetchCustomer(props.customerId)
      base.value = customer.value
      changed.value = []
      Object.assign(form, formOf(customer.value))
      if (form.contacts.length === 0) add()
    })
  },
  { immediate: true },
)

const add = () => form.contacts.push({ name: '', email: '', role: 'billing' })

async function keep() {
  await acting(async () => {
    await saving(() =>
      changeContacts(props.customerId, { version: base.value.version, contacts: form.contacts }),
    )
    if (changed.value.length > 0) return
    useToasts().say(t('customers.theContactsOfCustomerAre', { customer: customer.value!.name }))
    open.value = false
    emit('kept')
  })
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('customers.whoGetsDocumentsOfCustomer', { customer: customer?.name ?? '…' })"
    :go="t('common.save')"
    :busy="busy"
    :disabled="changed.length > 0"
    @go="keep"
  >
    <ChangedMeanwhile v-if="changed.length" :fields="changed" @theirs="takeTheirs" @mine="keepMine" />
    <div v-for="(contact, index) in form.contacts" :key="index" class="contact">
      <FormField
        v-model="contact.name"
        :placeholder="t('common.name')"
        :aria-label="t('customers.contactIndexName', { index: index + 1 })"
      />
      <FormField
        v-model="contact.email"
        type="email"
        :placeholder="t('common.nameHouseExample')"
        :aria-label="t('customers.contactIndexEmail', { index: index + 1 })"
        :data-test="`contact-email-${index + 1}`"
      />
      <SelectField
        v-model="contact.role"
        :choices="roles"
        :aria-label="t('customers.contactIndexFor', { index: index + 1 })"
      />
      <button
        type="button"
        class="remove"
        :aria-label="t('customers.takeContactIndexAway', { index: index + 1 })"
        @click="form.contacts.splice(index, 1)"
      >
        ×
      </button>
    </div>
    <button type="button" class="word open-end" @click="add">{{ t('customers.contact') }}</button>
    <p class="soft">
      {{ t('customers.invoicesGoToTheContacts') }}
    </p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.contact {
  display: grid;
  grid-template-columns: 1fr 1.5fr 112px 24px;
  gap: 8px;
  margin-bottom: 8px;
}
.remove {
  border: 0;
  background: none;
  cursor: pointer;
  font-size: var(--title);
  color: var(--soft-ink);
}
p {
  margin: 10px 0 0;
}
</style>
