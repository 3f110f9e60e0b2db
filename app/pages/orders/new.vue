<script setup lang="ts">
import { I18nT } from 'vue-i18n'
import { t } from '../../words'
import CustomerDialog from '../../components/customers/CustomerDialog.vue'
import CustomerField from '../../components/customers/CustomerField.vue'
import DateField from '../../components/fields/DateField.vue'
import FormField from '../../components/fields/FormField.vue'
import OwnFields from '../../components/fields/OwnFields.vue'
import OrderPreview from '../../components/orders/OrderPreview.vue'
import OrderMore from '../../components/orders/OrderMore.vue'
import OrderLines from '../../components/orders/OrderLines.vue'
import SelectField from '../../components/fields/SelectField.vue'
import { useBranches } from '../../composables/useBranches'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useUnsaved } from '../../composables/useUnsaved'
import { useMainKey } from '../../composables/useMainKey'
import { useSums } from '../../composables/useSums'
import { useWrongs } from '../../composables/useWrongs'
import { moneyWithSign } from '../../composables/format'
import { api, attempt } from '../../composables/api'
import { fetchCustomer } from '../../calls/customers'
import { writeOrder } from '../../calls/orders'
import { dayInZone } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import type { Adjustment } from '../../../core/money/totals'
import { formOfOrder, newLine, writtenLines, writtenMore } from '../../components/orders/order-form'
import type { CustomerRow, CustomerView, LineEdit } from '../../contract'

/** A new order: for whom, what, and in which status it begins. What it comes to follows as one types. */
const session = useSession()
const { company } = session.house!
const brands = session.house!.brands.filter((brand) => !brand.retired)
const customer = shallowRef<CustomerRow | null>(null)
const facts = shallowRef<CustomerView>()
watch(customer, (row) =>
  attempt(async () => {
    facts.value = row ? await fetchCustomer(row.id) : undefined
  }),
)
const form = reactive({
  brandId: String(brands[0]?.id ?? ''),
  reference: '',
  date: dayInZone(new Date(), company.timeZone) as string,
  customerNote: '',
  fields: {} as Record<string, string>,
  status: company.orderStatuses[0]!,
})
const more = ref({
  adjustments: [] as Adjustment[],
  billToId: null as number | null,
  delivery: null as Address | null,
  internalNote: '',
  branchId: null as number | null,
})
const lines = ref<LineEdit[]>([newLine(company.taxRates)])
const branches = useBranches(() => Number(form.brandId))
watch(
  () => form.brandId,
  () => {
    more.value.branchId = null
  },
)
const { busy, wrong, wrongs, acting } = useWrongs(['customerId', 'reference', 'date', 'fields'])
const dirty = computed(() => !!customer.value || writtenLines(lines.value).length > 0)
const whileSaving = useUnsaved(dirty, t('orders.theOrder'))
const currency = computed(() => customer.value?.currency ?? company.currency)
const sums = useSums(() => ({
  currency: currency.value,
  pricesIncludeTax: facts.value?.pricesIncludeTax ?? false,
  lines: writtenLines(lines.value),
  adjustments: more.value.adjustments,
}))
/** A copy takes over whom, what and how; number, date and status are its own. */
const route = useRoute()
onMounted(() => {
  const id = Number(route.query.copy)
  if (!id) return
  void attempt(async () => {
    const order = await api.get('/api/orders/{id}', { path: { id } })
    await added({ id: order.customerId })
    const { reference, customerNote, fields } = formOfOrder(order)
    Object.assign(form, { reference, customerNote, fields })
    form.brandId = String(brands.find((one) => one.code === order.brand)?.id ?? form.brandId)
    await nextTick() // another brand has other branches
    const { adjustments, billToId, delivery, branchId } = formOfOrder(order)
    Object.assign(more.value, { adjustments, billToId, delivery, branchId })
    lines.value = formOfOrder(order).lines
  })
})
const adding = ref<string>()
async function added({ id }: { id: number }) {
  await attempt(async () => {
    facts.value = await fetchCustomer(id)
    customer.value = facts.value as unknown as CustomerRow // a view holds all that a row does
  })
}
/** As it is saved; undefined while no customer is chosen. */
const written = computed(() =>
  customer.value
    ? {
        customerId: customer.value.id,
        brandId: Number(form.brandId),
        reference: form.reference || null,
        customerNote: form.customerNote || null,
        date: form.date,
        status: form.status,
        fields: Object.fromEntries(Object.entries(form.fields).filter(([, value]) => value !== '')),
        ...writtenMore(more.value),
        lines: writtenLines(lines.value),
      }
    : undefined,
)
/** What is shown beside it: only once it could be saved. */
const shown = computed(() =>
  sums.value &&
  written.value?.lines.length &&
  !company.kindsOff.includes('order confirmation') &&
  written.value.lines.every((line) => line.description.trim())
    ? written.value
    : undefined,
)
const keep = () =>
  acting(async () => {
    const body = written.value
    if (!body) throw new Error(t('orders.chooseACustomerFirst'))
    if (body.lines.length === 0) throw new Error(t('orders.writeAtLeastOneLine'))
    const { id, number } = await whileSaving(() => writeOrder(body))
    useToasts().say(t('orders.orderNumberIsSavedAs', { number, status: form.status }))
    customer.value = null
    lines.value = []
    await navigateTo(`/orders/${id}`)
  })
useMainKey(() => !busy.value && void keep())
</script>

<template>
  <div class="page">
    <div class="split">
      <section class="left" :aria-label="t('orders.newOrder')">
        <div class="bar">
          <NuxtLink to="/orders" class="soft">{{ t('orders.orders') }}</NuxtLink>
          <h1 class="title">{{ t('orders.newOrder') }}</h1>
        </div>
        <div class="body">
          <div class="facts">
            <CustomerField
              v-model="customer"
              class="wide"
              :label="t('common.customer')"
              :wrong="wrongs.customerId"
              @add="adding = $event"
            />
            <FormField
              v-model="form.reference"
              :label="t('orders.customersReference')"
              maxlength="80"
              data-test="reference"
              :wrong="wrongs.reference"
            />
            <div class="date"><DateField v-model="form.date" :label="t('orders.orderDate')" /></div>
            <SelectField
              v-if="brands.length > 1"
              v-model="form.brandId"
              :label="t('common.brand')"
              :choices="brands.map((one) => ({ value: String(one.id), words: one.name }))"
            />
            <SelectField
              v-model="form.status"
              :label="t('common.status')"
              :choices="company.orderStatuses"
              data-test="order-status"
            />
            <FormField
              v-model="form.customerNote"
              class="wide"
              :label="t('common.noteOnTheDocument')"
              maxlength="1000"
              :placeholder="t('common.nothing')"
            />
            <OwnFields v-model="form.fields" of="order" :wrongs="wrongs" />
          </div>
          <OrderLines
            v-model="lines"
            :disabled="false"
            :currency="currency"
            :language="customer?.language ?? company.language"
            :customer-id="customer?.id"
          />
          <OrderMore v-model="more" :customer="facts" :branches="branches" :disabled="false" />
          <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
        </div>
        <footer class="foot-bar">
          <span v-if="sums" class="soft"
            ><I18nT keypath="orders.netAmountVATAmount2" scope="global"
              ><template #amount
                ><span class="mono">{{ moneyWithSign(sums.net, currency) }}</span></template
              ><template #amount2
                ><span class="mono">{{ moneyWithSign(sums.tax, currency) }}</span></template
              ></I18nT
            ></span
          >
          <strong v-if="sums" class="mono" data-test="order-total">{{
            moneyWithSign(sums.total, currency)
          }}</strong>
          <span class="push" />
          <VBtn to="/orders">{{ t('common.cancel') }}</VBtn>
          <VBtn variant="flat" class="go" :loading="busy" data-test="keep-order" @click="keep">{{
            t('orders.saveOrder')
          }}</VBtn>
        </footer>
      </section>
      <aside class="right" :aria-label="t('orders.theOrdersConfirmation')">
        <OrderPreview :order="shown" />
      </aside>
    </div>
    <CustomerDialog v-if="adding !== undefined" :name="adding" @leave="adding = undefined" @added="added" />
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 14px;
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 8px 16px;
  align-items: start;
  margin-bottom: 14px;
}
.date {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: var(--small);
  color: var(--soft-ink);
}
.wide {
  grid-column: span 2;
}
</style>
