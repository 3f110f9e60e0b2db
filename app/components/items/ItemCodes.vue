<script setup lang="ts">
import { t } from '../../words'
import CustomerField from '../customers/CustomerField.vue'
import FormField from '../fields/FormField.vue'
import type { CustomerRow, ItemRow } from '../../contract'

/** What customers call an item: found by it in their orders, and printed beneath the line. */
const codes = defineModel<ItemRow['customerCodes']>({ required: true })
defineProps<{ wrongs: Record<string, string> }>()
const added = shallowRef<CustomerRow | null>(null)
watch(added, (customer) => {
  if (!customer) return
  if (!codes.value.some((one) => one.customerId === customer.id))
    codes.value.push({ customerId: customer.id, customerName: customer.name, code: '' })
  added.value = null
})
</script>

<template>
  <h3>{{ t('items.customersOwnNumbers') }}</h3>
  <div v-for="(one, index) in codes" :key="one.customerId" class="code">
    <span class="cut">{{ one.customerName }}</span>
    <FormField
      v-model="one.code"
      mono
      :placeholder="t('items.theirNumber')"
      :aria-label="t('items.numberAtCustomerName', { customerName: one.customerName })"
      :wrong="wrongs[`customerCodes.${index}.code`]"
    />
    <button
      type="button"
      class="remove"
      :aria-label="t('items.takeTheNumberAtCustomerName', { customerName: one.customerName })"
      @click="codes.splice(index, 1)"
    >
      ×
    </button>
  </div>
  <CustomerField v-model="added" :label="t('items.addACustomersNumber')" />
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
}
.code {
  display: grid;
  grid-template-columns: 1.4fr 1fr 24px;
  gap: 10px;
  align-items: center;
  margin-bottom: 6px;
}
.remove {
  border: 0;
  background: none;
  font-size: var(--title);
  color: var(--soft-ink);
  cursor: pointer;
}
</style>
