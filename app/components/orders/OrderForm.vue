<script setup lang="ts">
import { t } from '../../words'
import { I18nT } from 'vue-i18n'
import FormField from '../fields/FormField.vue'
import OwnFields from '../fields/OwnFields.vue'
import HungFiles from '../enclosures/HungFiles.vue'
import OrderLines from './OrderLines.vue'
import OrderMore from './OrderMore.vue'
import OrderShipments from '../shipping/OrderShipments.vue'
import OrderWhy from './OrderWhy.vue'
import { useSession } from '../../stores/session'
import { useBranches } from '../../composables/useBranches'
import { attempt } from '../../composables/api'
import { fetchCustomer } from '../../calls/customers'
import { longDay, moneyWithSign } from '../../composables/format'
import type { OrderForm } from './order-form'
import type { CustomerView, OrderView } from '../../contract'

/** What can be written of an order: reference, note, own fields and lines; beneath them why papers are due or not. */
const form = defineModel<OrderForm>({ required: true })
const props = defineProps<{ order: OrderView; disabled: boolean; dirty: boolean }>()
const emit = defineEmits<{ invoiceShipped: []; done: [] }>()
const customer = shallowRef<CustomerView>()
const session = useSession()
const branches = useBranches(() => session.house!.brands.find(({ code }) => code === props.order.brand)?.id)
watch(
  () => props.order.customerId,
  (id) =>
    attempt(async () => {
      customer.value = await fetchCustomer(id)
    }),
  { immediate: true },
)
</script>

<template>
  <div class="body">
    <OrderShipments :order="order" :dirty="dirty" @invoice="emit('invoiceShipped')" @done="emit('done')" />
    <div class="texts">
      <FormField
        v-model="form.reference"
        :label="t('common.yourReference')"
        :disabled="disabled"
        maxlength="80"
      />
      <FormField
        v-model="form.customerNote"
        class="wide"
        :label="t('common.noteOnTheDocument')"
        :disabled="disabled"
        maxlength="1000"
        :placeholder="t('common.nothing')"
      />
      <OwnFields v-model="form.fields" of="order" :disabled="disabled" />
      <span class="soft whole"
        ><template v-if="order.salesperson"
          >{{ t('orders.salespersonSalesperson', { salesperson: order.salesperson }) }} </template
        >{{ order.pricesIncludeTax ? t('orders.pricesWithVAT') : t('orders.pricesWithoutVAT')
        }}<template v-if="order.suppliedOn">
          {{ t('orders.suppliedSuppliedOn', { suppliedOn: longDay(order.suppliedOn) }) }}</template
        ></span
      >
    </div>
    <OrderLines
      v-model="form.lines"
      :disabled="disabled"
      :currency="order.currency"
      :language="order.language"
      :customer-id="order.customerId"
    />
    <OrderMore v-model="form" :customer="customer" :branches="branches" :disabled="disabled" />
    <p class="sum">
      <I18nT keypath="orders.savedTotalAmount" scope="global"
        ><template #amount
          ><strong class="mono">{{ moneyWithSign(order.total, order.currency) }}</strong></template
        ></I18nT
      >
    </p>
    <HungFiles :on="{ order: order.id }" />
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
.sum {
  text-align: right;
  margin: 6px 0;
}
</style>
