<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import OrderLines from './OrderLines.vue'
import OrderWhy from './OrderWhy.vue'
import { useSession } from '../../stores/session'
import { longDay, money, moneyWithSign } from '../../composables/format'
import type { OrderForm } from './order-form'
import type { OrderView } from '../../contract'

/** What can be written of an order: reference, note, own fields and lines; beneath them why papers are due or not. */
const form = defineModel<OrderForm>({ required: true })
defineProps<{ order: OrderView; disabled: boolean }>()
const session = useSession()
const fieldNames = computed(() => session.house!.company.orderFields)
</script>

<template>
  <div class="body">
    <div class="texts">
      <FormField v-model="form.reference" label="Your reference" :disabled="disabled" maxlength="80" />
      <FormField
        v-model="form.customerNote"
        class="wide"
        label="Note on the paper"
        :disabled="disabled"
        maxlength="1000"
        placeholder="nothing"
      />
      <FormField
        v-for="name in fieldNames"
        :key="name"
        :model-value="form.fields[name] ?? ''"
        :label="name"
        :disabled="disabled"
        maxlength="200"
        @update:model-value="form.fields[name] = $event"
      />
      <span class="soft whole"
        >Salesperson {{ order.salesperson }} ·
        {{ order.pricesIncludeTax ? 'prices with VAT' : 'prices without VAT'
        }}<template v-if="order.suppliedOn"> · supplied {{ longDay(order.suppliedOn) }}</template></span
      >
    </div>
    <OrderLines v-model="form.lines" :disabled="disabled" :currency="order.currency" />
    <p v-for="row in order.adjustments" :key="row.label" class="adjustment">
      {{ row.kind === 'discount' ? 'less' : 'plus' }} {{ row.label }}
      {{ row.amount ? money(row.amount, order.currency) : `${row.percent} %` }}
    </p>
    <p class="sum">
      Total as kept <strong class="mono">{{ moneyWithSign(order.total, order.currency) }}</strong>
    </p>
    <OrderWhy :order-id="order.id" :changed="order.statusSince" />
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
.texts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 6px 16px;
  align-items: end;
  margin-bottom: 12px;
}
.texts .whole {
  grid-column: 1 / -1;
}
.texts .wide {
  grid-column: span 2;
}
.adjustment,
.sum {
  text-align: right;
  margin: 6px 0;
}
</style>
