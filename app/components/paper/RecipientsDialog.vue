<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { attempt } from '../../composables/api'
import PeopleWords from './PeopleWords.vue'
import { chooseRecipients } from '../../calls/prepared'
import type { PreparedView } from '../../contract'

/** Whom a prepared document goes to: this time only, or for this customer from now on. */
const props = defineProps<{
  preparedId: number
  addresses: string[]
  /** The customer's people, to choose from. */
  people: PreparedView['contacts']
  thisOnce: boolean
  /** What is to be read anew once it is kept. */
  kept: () => Promise<unknown>
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ contacts: [] }>()
const written = ref(props.addresses.join(', '))
const busy = ref(false)
const list = computed(() => written.value.split(/[\s,;]+/).filter(Boolean))

/** Chosen once more, somebody is left out again. */
function pick(address: string) {
  written.value = (
    list.value.includes(address) ? list.value.filter((one) => one !== address) : [...list.value, address]
  ).join(', ')
}

async function save(addresses: string[]) {
  busy.value = true
  const well = await attempt(async () => {
    await chooseRecipients(props.preparedId, { addresses })
    await props.kept()
  })
  busy.value = false
  if (!well) return
  open.value = false
}
function forCustomer() {
  open.value = false
  emit('contacts')
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('paper.whomDoesItGoTo')"
    :go="t('paper.useItThisTime')"
    :busy="busy"
    :disabled="list.length === 0"
    @go="save(list)"
  >
    <FormField
      v-model="written"
      :label="t('paper.thisTimeTo')"
      :hint="t('paper.severalAddressesACommaBetween')"
    />
    <PeopleWords :people="people" :chosen="list" @pick="pick" />
    <p class="other">
      <button v-if="thisOnce" type="button" class="word" @click="save([])">
        {{ t('paper.toTheCustomersContactsAgain') }}
      </button>
      <button type="button" class="word" data-test="for-customer" @click="forCustomer">
        {{ t('paper.forThisCustomerFromNow') }}
      </button>
    </p>
  </Ask>
</template>

<style scoped>
.other {
  display: flex;
  gap: 16px;
  margin: 10px 0 0;
}
</style>
