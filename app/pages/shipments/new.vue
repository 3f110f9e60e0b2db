<script setup lang="ts">
import { t } from '../../words'
import DateField from '../../components/fields/DateField.vue'
import FormField from '../../components/fields/FormField.vue'
import ShipLines from '../../components/shipping/ShipLines.vue'
import ShipParcels from '../../components/shipping/ShipParcels.vue'
import ShipTo from '../../components/shipping/ShipTo.vue'
import { tidy } from '../../components/shipping/goods-form'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useMainKey } from '../../composables/useMainKey'
import { usePacking } from '../../composables/usePacking'
import { useUnsaved } from '../../composables/useUnsaved'
import { plural } from '../../composables/format'
import { makeShipment, planShipment } from '../../calls/shipments'
import { Decimal } from '../../../core/money/decimal'
import { isShipped } from '../../../core/shipping/quantities'
import type { Address } from '../../../core/documents/facts'
import type { ShipmentPlan } from '../../contract'

/** Packs what of an order goes: how much of each line, in which parcels, where to and how. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const orderId = computed(() => Number(route.query.order))
const plan = shallowRef<ShipmentPlan>()
const wrong = ref('')
const refused = ref('')
const busy = ref(false)
const going = ref<Record<number, string>>({})
const day = ref('')
const service = ref('')
const remarks = ref('')
const delivery = ref<Address>()
const touched = ref(false)
const done = ref(false)

const {
  parts: goes,
  packedLines,
  isWrong,
  parcels,
  propose,
} = usePacking(
  () => plan.value,
  () => going.value,
)
function setAll(all: boolean) {
  touched.value = true
  going.value = Object.fromEntries(
    plan
      .value!.lines.filter((line) => !new Decimal(line.left).isZero())
      .map((line) => [line.position, all ? line.left : '0']),
  )
  propose()
}
function setGoing(now: Record<number, string>) {
  touched.value = true
  going.value = now
  propose()
}

async function load() {
  try {
    const found = await planShipment(orderId.value)
    plan.value = found
    day.value = found.day
    delivery.value = found.delivery ?? undefined
    setAll(true)
    touched.value = false
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(orderId, load, { immediate: true })

const unsaved = useUnsaved(
  computed(() => touched.value && !done.value),
  t('shipping.theNewShipment'),
)
const mayPack = computed(
  () =>
    session.may('clerk') &&
    !busy.value &&
    !!plan.value &&
    !plan.value.refused &&
    goes.value.length > 0 &&
    !isWrong.value,
)
async function pack() {
  if (!mayPack.value) return
  busy.value = true
  refused.value = ''
  try {
    const { shipmentId } = await unsaved(() =>
      makeShipment(orderId.value, {
        lines: goes.value,
        parcels: parcels.value,
        day: day.value,
        service: service.value,
        remarks: remarks.value,
        ...(delivery.value ? { delivery: tidy(delivery.value) } : {}),
      }),
    )
    done.value = true
    toasts.say(
      t('shipping.benchDone', {
        order: plan.value!.orderNumber,
        parcels: plural(parcels.value.length, 'parcel'),
      }),
    )
    await navigateTo(`/shipments/${shipmentId}`, { replace: true })
  } catch (error) {
    refused.value = (error as Error).message
    busy.value = false
  }
}
useMainKey(() => void pack())
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('orders.noSuchOrder') }}</strong>{{ wrong }}
      <NuxtLink to="/orders">{{ t('orders.allOrders') }}</NuxtLink>
    </div>
    <div v-else-if="plan" class="split">
      <section class="left" :aria-label="t('shipping.shipOrder', { order: plan.orderNumber })">
        <div class="bar">
          <NuxtLink :to="`/orders/${plan.orderId}`" class="soft">{{ t('orders.orders') }}</NuxtLink>
          <h1 class="title">{{ t('shipping.shipOrder', { order: plan.orderNumber }) }}</h1>
          <strong class="cut">{{ plan.customerName }}</strong>
        </div>
        <div v-if="isShipped(plan.lines)" class="empty">
          <strong>{{ t('shipping.nothingIsLeft') }}</strong>{{ t('shipping.everythingShipped') }}
          <NuxtLink :to="`/orders/${plan.orderId}`">{{ t('shipping.toTheOrder') }}</NuxtLink>
        </div>
        <div v-else class="body">
          <p v-if="plan.refused" class="notice stuck" role="alert">{{ plan.refused }}</p>
          <p v-if="refused" class="notice stuck" role="alert" data-test="refused">{{ refused }}</p>
          <div class="how">
            <div>
              <DateField v-model="day" :label="t('shipping.day')" @update:model-value="touched = true" />
            </div>
            <FormField
              v-model="service"
              :label="t('shipping.service')"
              :suggest="plan.services"
              :placeholder="t('shipping.serviceExample')"
              maxlength="60"
              data-test="service"
              @update:model-value="touched = true"
            />
            <FormField
              v-model="remarks"
              class="wide"
              :label="t('shipping.remarks')"
              maxlength="400"
              @update:model-value="touched = true"
            />
          </div>
          <div class="words">
            <strong>{{ t('shipping.whatGoes') }}</strong>
            <button type="button" class="word" data-test="ship-all" @click="setAll(true)">
              {{ t('shipping.shipAll') }}
            </button>
            <button type="button" class="word" data-test="ship-none" @click="setAll(false)">
              {{ t('shipping.shipNone') }}
            </button>
          </div>
          <ShipLines
            :model-value="going"
            :lines="plan.lines"
            :disabled="!session.may('clerk')"
            @update:model-value="setGoing"
          />
        </div>
        <footer class="foot-bar">
          <span class="soft">{{
            goes.length ? plural(goes.length, 'line') : t('shipping.chooseWhatGoes')
          }}</span>
          <span class="push" />
          <VBtn :to="`/orders/${plan.orderId}`">{{ t('common.cancel') }}</VBtn>
          <VBtn
            v-if="session.may('clerk')"
            variant="flat"
            class="go"
            :disabled="!mayPack"
            data-test="pack"
            @click="pack"
            >{{ t('shipping.packIt', { parcels: plural(parcels.length, 'parcel') }) }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('shipping.parcels')">
        <div class="body">
          <h2>{{ t('shipping.shipTo') }}</h2>
          <ShipTo
            v-if="delivery"
            v-model="delivery"
            :disabled="!session.may('clerk')"
            @update:model-value="touched = true"
          />
          <div class="words">
            <h2>{{ t('shipping.parcels') }}</h2>
            <button v-if="parcels.length" type="button" class="word push" @click="propose">
              {{ t('shipping.proposeAgain') }}
            </button>
          </div>
          <ShipParcels
            v-model="parcels"
            :lines="packedLines"
            :boxes="plan.boxes"
            :disabled="!session.may('clerk')"
            @update:model-value="touched = true"
          />
        </div>
      </aside>
    </div>
  </div>
</template>

<style scoped src="../../components/shipping/goods-page.css"></style>
<style scoped>
.words {
  display: flex;
  align-items: baseline;
  gap: 16px;
  margin: 10px 0 4px;
}
</style>
