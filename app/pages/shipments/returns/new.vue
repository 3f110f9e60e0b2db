<script setup lang="ts">
import { t } from '../../../words'
import { said } from '../../../words/speech'
import CheckField from '../../../components/fields/CheckField.vue'
import DateField from '../../../components/fields/DateField.vue'
import FormField from '../../../components/fields/FormField.vue'
import WordPicker from '../../../components/list/WordPicker.vue'
import ReturnLines, { type ComingLine } from '../../../components/shipping/ReturnLines.vue'
import ShipParcels from '../../../components/shipping/ShipParcels.vue'
import ShipTo from '../../../components/shipping/ShipTo.vue'
import { addressOf, tidy } from '../../../components/shipping/goods-form'
import { useSession } from '../../../stores/session'
import { useToasts } from '../../../stores/toasts'
import { useMainKey } from '../../../composables/useMainKey'
import { usePacking } from '../../../composables/usePacking'
import { useUnsaved } from '../../../composables/useUnsaved'
import { moneyWithSign, plural } from '../../../composables/format'
import { agreeReturn, planReturn } from '../../../calls/returns'
import { Decimal } from '../../../../core/money/decimal'
import { offersFor, type Offer } from '../../../../core/shipping/carriers'
import type { ReturnPlan } from '../../../contract'

/** Agrees that goods of an order come back: how much of each line and why, from whom, how and until when. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const orderId = computed(() => Number(route.query.order))
const plan = shallowRef<ReturnPlan>()
const wrong = ref('')
const refused = ref('')
const busy = ref(false)
const coming = ref<Record<number, ComingLine>>({})
const until = ref('')
const remarks = ref('')
const withLabels = ref(true)
const write = ref(true)
const sender = ref(addressOf(null))
const delivery = ref(addressOf(null))
/** Everything that can be lost, as it was before anybody wrote. */
const written = () =>
  JSON.stringify([coming.value, parcels.value, until.value, remarks.value, sender.value, delivery.value])
const begun = ref('')
const done = ref(false)

const {
  parts: goes,
  packedLines,
  isWrong,
  parcels,
  propose,
} = usePacking(
  () => plan.value,
  () => Object.fromEntries(Object.entries(coming.value).map(([position, line]) => [position, line.quantity])),
)
const comes = computed(() =>
  goes.value.map((part) => ({ ...part, reason: coming.value[part.position]!.reason })),
)
/** What each service would cost for it as it is packed here, the cheapest first. */
const service = ref('')
const offers = computed(() =>
  offersFor(
    plan.value?.services ?? [],
    sender.value.country,
    parcels.value.map(({ box, weight }) => ({
      weight,
      size: plan.value?.boxes.find(({ name }) => name === box) ?? null,
    })),
  ),
)
const chosenOffer = computed(
  () => offers.value.find(({ name }) => name === service.value) ?? offers.value.find((one) => one.isCheapest),
)
const wordsOf = ({ name, carrier, price, currency, misfit, isCheapest }: Offer) =>
  price
    ? t(isCheapest ? 'shipping.offerCheapest' : 'shipping.offer', {
        service: name,
        carrier,
        price: moneyWithSign(price, currency),
      })
    : t('shipping.offerMisfit', { service: name, why: said(`failure/${misfit!}`) })
const offerChoices = computed(() => offers.value.map((one) => ({ value: one.name, words: wordsOf(one) })))
const offerWords = computed(() =>
  chosenOffer.value
    ? wordsOf(chosenOffer.value)
    : t('returns.noServiceForReturn', { why: said(`failure/${offers.value[0]!.misfit!}`) }),
)
const nothingLeft = computed(() => plan.value?.lines.every(({ left }) => new Decimal(left).isZero()))
function setComing(now: Record<number, ComingLine>) {
  coming.value = now
  propose()
}

async function load() {
  try {
    const found = await planReturn(orderId.value)
    plan.value = found
    until.value = found.until
    sender.value = structuredClone(
      found.sender ?? { name: found.customerName, lines: [], country: session.house!.company.country },
    )
    delivery.value = structuredClone(found.delivery)
    withLabels.value = found.services.length > 0
    service.value = ''
    begun.value = written()
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(orderId, load, { immediate: true })

const unsaved = useUnsaved(
  computed(() => begun.value !== '' && written() !== begun.value && !done.value),
  t('returns.theNewReturn'),
)
const mayAgree = computed(
  () =>
    session.may('clerk') &&
    !busy.value &&
    !!plan.value &&
    !plan.value.refused &&
    comes.value.length > 0 &&
    !isWrong.value,
)
async function agree() {
  if (!mayAgree.value) return
  busy.value = true
  refused.value = ''
  try {
    const { returnId } = await unsaved(() =>
      agreeReturn(orderId.value, {
        lines: comes.value,
        parcels: parcels.value,
        until: until.value,
        remarks: remarks.value,
        sender: tidy(sender.value),
        delivery: tidy(delivery.value),
        withLabels: withLabels.value,
        ...(withLabels.value && service.value ? { service: service.value } : {}),
        write: write.value,
      }),
    )
    done.value = true
    toasts.say(t('returns.returnIsAgreed', { order: plan.value!.orderNumber }))
    await navigateTo(`/shipments/returns/${returnId}`, { replace: true })
  } catch (error) {
    refused.value = (error as Error).message
    busy.value = false
  }
}
useMainKey(() => void agree())
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('orders.noSuchOrder') }}</strong>{{ wrong }}
      <NuxtLink to="/orders">{{ t('orders.allOrders') }}</NuxtLink>
    </div>
    <div v-else-if="plan" class="split">
      <section class="left" :aria-label="t('returns.returnOfOrder', { order: plan.orderNumber })">
        <div class="bar">
          <NuxtLink :to="`/orders/${plan.orderId}`" class="soft">{{ t('orders.orders') }}</NuxtLink>
          <h1 class="title">{{ t('returns.returnOfOrder', { order: plan.orderNumber }) }}</h1>
          <strong class="cut">{{ plan.customerName }}</strong>
        </div>
        <div v-if="nothingLeft" class="empty">
          <strong>{{ t('returns.nothingCanComeBack') }}</strong>{{ t('returns.onlyWhatWasShipped') }}
          <NuxtLink :to="`/orders/${plan.orderId}`">{{ t('shipping.toTheOrder') }}</NuxtLink>
        </div>
        <div v-else class="body">
          <p v-if="plan.refused" class="notice stuck" role="alert">{{ plan.refused }}</p>
          <p v-if="refused" class="notice stuck" role="alert" data-test="refused">{{ refused }}</p>
          <ReturnLines
            :model-value="coming"
            :lines="plan.lines"
            :disabled="!session.may('clerk')"
            @update:model-value="setComing"
          />
          <div class="how">
            <div><DateField v-model="until" :label="t('returns.returnBy')" /></div>
            <FormField v-model="remarks" :label="t('shipping.remarks')" maxlength="400" data-test="remarks" />
            <CheckField
              v-model="withLabels"
              class="wide"
              :disabled="plan.services.length === 0"
              data-test="with-labels"
              >{{
                t(plan.services.length ? 'returns.labelForReturnAlone' : 'returns.noCarrierForReturn')
              }}</CheckField
            >
            <p v-if="withLabels && comes.length" class="wide sentence price">
              <WordPicker
                v-if="offers.length"
                :label="t('shipping.service')"
                :words="offerWords"
                :choices="offerChoices"
                :value="chosenOffer?.name ?? ''"
                data-test="return-service"
                @pick="service = $event"
              />
            </p>
            <CheckField v-model="write" class="wide" data-test="write">{{
              t('returns.writeToCustomer')
            }}</CheckField>
          </div>
        </div>
        <footer v-if="!nothingLeft" class="foot-bar">
          <span class="soft">{{
            comes.length ? plural(comes.length, 'line') : t('returns.chooseWhatComes')
          }}</span>
          <span class="push" />
          <VBtn :to="`/orders/${plan.orderId}`">{{ t('common.cancel') }}</VBtn>
          <VBtn
            v-if="session.may('clerk')"
            variant="flat"
            class="go"
            :disabled="!mayAgree"
            data-test="agree"
            @click="agree"
            >{{ t(write ? 'returns.agreeAndWrite' : 'returns.agreeReturn') }}</VBtn
          >
        </footer>
      </section>
      <aside v-if="!nothingLeft" class="right" :aria-label="t('shipping.parcels')">
        <div class="body">
          <h2>{{ t('returns.comesFrom') }}</h2>
          <ShipTo v-model="sender" :disabled="!session.may('clerk')" />
          <h2>{{ t('returns.comesTo') }}</h2>
          <ShipTo v-model="delivery" :disabled="!session.may('clerk')" />
          <h2>{{ t('shipping.parcels') }}</h2>
          <p v-if="parcels.length === 0" class="soft">{{ t('returns.chooseWhatComes') }}</p>
          <ShipParcels
            v-model="parcels"
            :lines="packedLines"
            :boxes="plan.boxes"
            :disabled="!session.may('clerk')"
          />
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped src="../../../components/shipping/goods-page.css"></style>
<style scoped>
p.price {
  margin: -10px 0 0 31px;
}
</style>
