<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import OwnFields from '../fields/OwnFields.vue'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { fetchCustomer } from '../../calls/customers'
import { changeOrder, fetchOrder } from '../../calls/orders'
import { missingOf } from '../../../core/documents/needs'
import { formOfOrder, writtenOrder } from './order-form'
import type { OrderView } from '../../contract'

/** Enters what an order lacks of what its customer needs, without leaving the document that waits for it. */
const props = defineProps<{ orderId: number }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const order = shallowRef<OrderView>()
const missing = shallowRef<ReturnType<typeof missingOf>>({ reference: false, fields: [] })
const form = reactive<{ reference: string; fields: Record<string, string> }>({ reference: '', fields: {} })
const { busy, wrong, wrongs, acting } = useWrongs(['reference'])
onMounted(() =>
  acting(async () => {
    const found = await fetchOrder(props.orderId)
    const { needs } = await fetchCustomer(found.customerId)
    missing.value = missingOf(needs, found)
    order.value = found
  }),
)
const isWritten = computed(
  () => form.reference.trim() !== '' || Object.values(form.fields).some((value) => value.trim() !== ''),
)
async function save() {
  const before = order.value!
  const done = await acting(async () => {
    const written = formOfOrder(before)
    if (missing.value.reference) written.reference = form.reference
    written.fields = { ...written.fields, ...form.fields }
    await changeOrder(before.id, { version: before.version, ...writtenOrder(written) })
  })
  if (!done) return
  useToasts().say(t('orders.orderIsComplete', { order: before.number }))
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    :title="order ? t('orders.whatOrderLacks', { order: order.number }) : ''"
    :go="t('common.save')"
    :busy="busy"
    :disabled="!order || !isWritten"
    @update:model-value="emit('leave')"
    @go="save"
  >
    <FormField
      v-if="missing.reference"
      v-model="form.reference"
      :label="t('common.yourReference')"
      maxlength="80"
      data-test="complete-reference"
      :wrong="wrongs.reference"
    />
    <OwnFields v-model="form.fields" of="order" :only="missing.fields" :wrongs="wrongs" />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>
