<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { attempt } from '../../composables/api'
import { chooseRecipients } from '../../calls/prepared'
/** Whom a prepared document goes to: this time only, or for this customer from now on. */
const props = defineProps<{ preparedId: number; addresses: string[]; thisOnce: boolean }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ kept: []; contacts: [] }>()
const written = ref(props.addresses.join(', '))
const busy = ref(false)
const list = computed(() => written.value.split(/[\s,;]+/).filter(Boolean))

async function save(addresses: string[]) {
  busy.value = true
  const well = await attempt(async () => {
    await chooseRecipients(props.preparedId, { addresses })
  })
  busy.value = false
  if (!well) return
  open.value = false
  emit('kept')
}
function forCustomer() {
  open.value = false
  emit('contacts')
}
</script>

<template>
  <Ask
    v-model="open"
    title="Whom does it go to?"
    go="Use it this time"
    :busy="busy"
    :disabled="list.length === 0"
    @go="save(list)"
  >
    <FormField
      v-model="written"
      label="This time, to"
      hint="Several addresses: a comma between them. The customer’s contacts stay as they are."
    />
    <p class="other">
      <button v-if="thisOnce" type="button" class="word" @click="save([])">
        to the customer’s contacts again
      </button>
      <button type="button" class="word" data-test="for-customer" @click="forCustomer">
        for this customer from now on…
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
