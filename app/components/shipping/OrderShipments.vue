<script setup lang="ts">
import { t } from '../../words'
import ParcelWays from './ParcelWays.vue'
import Ask from '../frame/Ask.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { cancelRest } from '../../calls/shipments'
import { moneyWithSign, plural, shortDay } from '../../composables/format'
import { fetchOrder } from '../../calls/orders'
import { isShipped } from '../../../core/shipping/quantities'
import { Decimal } from '../../../core/money/decimal'
import { draftStatus } from '../../../core/orders/statuses'
import type { OrderView } from '../../contract'

/** What of an order was shipped, each shipment leading to its screen, and what can be done with the rest. */
const props = defineProps<{ order: OrderView; dirty: boolean }>()
const emit = defineEmits<{ invoice: []; done: [] }>()
const session = useSession()
const toasts = useToasts()
const left = computed(() => props.order.standing.filter((line) => !new Decimal(line.left).isZero()))
const isAll = computed(() => isShipped(props.order.standing))
const standing = computed(() => props.order.shipments.filter((one) => one.state === 'packed'))
const ways = computed(() => [...props.order.shipments, ...props.order.returns].flatMap((one) => one.ways))
const mayShip = computed(
  () => session.may('clerk') && !props.order.stopped && props.order.status !== draftStatus,
)
const said = computed(() => {
  if (isAll.value && standing.value.length > 0) return t('shipping.allShipped')
  if (standing.value.length === 0) return t('shipping.nothingShippedYet')
  return t('shipping.leftOfLines', { lines: plural(left.value.length, 'line') })
})
/** What was shipped can come back, of a withdrawn order as well; without shipments, once the goods left. */
const mayReturn = computed(
  () =>
    session.may('clerk') &&
    props.order.status !== draftStatus &&
    (standing.value.length > 0 || props.order.suppliedOn !== null),
)
const returnWords = ({ state, quantity, credits }: OrderView['returns'][number]) =>
  [
    state === 'expected'
      ? t('shipping.pieces', { quantity })
      : state === 'back'
        ? t('returns.cameBack').toLowerCase()
        : t('returns.isWithdrawn'),
    ...credits,
  ].join(' · ')
const invoiced = computed(() =>
  props.order.papers.some(
    (paper) =>
      paper.kind === 'invoice' && paper.sourceId === props.order.id && paper.documentId && !paper.voided,
  ),
)

const asking = ref(false)
const busy = ref(false)
async function cancel() {
  busy.value = true
  const cancelled = await attempt(async () => {
    await cancelRest(props.order.id, props.order.version)
    const { total, currency } = await fetchOrder(props.order.id)
    toasts.say(t('shipping.restCancelled', { total: moneyWithSign(total, currency) }))
  })
  busy.value = false
  asking.value = false
  if (cancelled) emit('done')
}
</script>

<template>
  <section
    v-if="mayShip || mayReturn || order.shipments.length"
    class="shipping"
    :aria-label="t('shipping.shipping')"
  >
    <strong>{{ t('shipping.shipping') }}</strong>
    <NuxtLink
      v-for="one in order.shipments"
      :key="one.id"
      :to="`/shipments/${one.id}`"
      class="one"
      :class="{ gone: one.state === 'taken back' }"
      :data-test="`shipment-${one.number}`"
      ><span class="mono">/{{ one.number }}</span> {{ shortDay(one.day) }} ·
      {{ one.state === 'taken back' ? t('shipping.isTakenBack') : plural(one.parcels, 'parcel') }}</NuxtLink
    >
    <NuxtLink
      v-for="one in order.returns"
      :key="one.id"
      :to="`/shipments/returns/${one.id}`"
      class="one"
      :class="{ gone: one.state === 'withdrawn' }"
      :data-test="`return-${one.number}`"
      ><span class="mono">/R{{ one.number }}</span> {{ returnWords(one) }}</NuxtLink
    >
    <ParcelWays v-if="ways.length" :ways="ways" />
    <span class="soft" data-test="left-to-ship">{{ said }}</span>
    <button
      v-if="session.may('clerk') && standing.length && !invoiced"
      type="button"
      class="word"
      :disabled="dirty"
      data-test="bill-shipped"
      @click="emit('invoice')"
    >
      {{ t('shipping.invoiceWhatWasShipped') }}
    </button>
    <button
      v-if="mayShip && standing.length && !isAll && !invoiced"
      type="button"
      class="word"
      :disabled="dirty"
      data-test="cancel-rest"
      @click="asking = true"
    >
      {{ t('shipping.cancelTheRest') }}
    </button>
    <NuxtLink
      v-if="mayReturn"
      class="word"
      :to="`/shipments/returns/new?order=${order.id}`"
      data-test="goods-come-back"
      >{{ t('shipping.goodsComeBack') }}</NuxtLink
    >
    <VBtn
      v-if="mayShip && !isAll"
      class="push"
      height="30"
      :disabled="dirty"
      :to="`/shipments/new?order=${order.id}`"
      data-test="ship"
      >{{ t('shipping.shipWhatIsLeft') }}</VBtn
    >
    <Ask
      v-if="asking"
      v-model="asking"
      :title="t('shipping.cancelTheRestOfOrder', { order: order.number })"
      :go="t('shipping.cancelTheRestGo')"
      :leave="t('shipping.cancelKeepIt')"
      :busy="busy"
      danger
      @go="cancel"
    >
      <p>{{ t('shipping.whatIsCancelled', { lines: plural(left.length, 'line') }) }}</p>
    </Ask>
  </section>
</template>

<style scoped>
.shipping {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 10px;
}
.one {
  white-space: nowrap;
}
.gone {
  text-decoration: line-through;
  color: var(--soft-ink);
}
</style>
