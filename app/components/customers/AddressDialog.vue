<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useActing } from '../../composables/useActing'
import { useToasts } from '../../stores/toasts'
import { changeCustomer } from '../../calls/customers'
import { countryName, countryNames } from '../../../core/countries'
import type { CustomerView } from '../../contract'

/** Where a customer's papers are addressed to: behind the envelope's window, and on the paper that is mailed. */
const props = defineProps<{ customer: CustomerView }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ kept: [] }>()
const attention = ref(props.customer.billing?.attention ?? '')
const lines = ref(props.customer.billing?.lines.join('\n') ?? '')
const country = ref(countryName(props.customer.billing?.country ?? props.customer.country))
const { busy, wrong, acting } = useActing()
const written = computed(() =>
  lines.value
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean),
)

async function keep() {
  await acting(async () => {
    await changeCustomer(props.customer.id, {
      version: props.customer.version,
      billing: { attention: attention.value, lines: written.value, country: country.value },
    })
    useToasts().say(`The address of ${props.customer.name} is kept, for every paper from now on.`)
    open.value = false
    emit('kept')
  })
}
</script>

<template>
  <Ask
    v-model="open"
    :title="`Postal address of ${customer.name}`"
    go="Keep the address"
    :busy="busy"
    :disabled="written.length === 0 || !country.trim()"
    @go="keep"
  >
    <div class="fields">
      <FormField v-model="attention" label="For the attention of" /><FormField
        v-model="lines"
        label="Street, town, one below the other"
        :lines="4"
      /><FormField v-model="country" label="Country" :suggest="countryNames" />
    </div>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
