<script setup lang="ts">
import { t } from '../../words'
import DateField from '../../components/fields/DateField.vue'
import FormField from '../../components/fields/FormField.vue'
import GoodsLabels from '../../components/shipping/GoodsLabels.vue'
import GoodsPapers from '../../components/shipping/GoodsPapers.vue'
import ShipParcels from '../../components/shipping/ShipParcels.vue'
import ShipTo from '../../components/shipping/ShipTo.vue'
import TakeBackDialog from '../../components/shipping/TakeBackDialog.vue'
import { addressOf, parcelsOf, tidy } from '../../components/shipping/goods-form'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useNewest } from '../../composables/useNewest'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { useForm } from '../../composables/useForm'
import { useMainKey } from '../../composables/useMainKey'
import { dayTime, longDay, plural } from '../../composables/format'
import { changeShipment, fetchShipment } from '../../calls/shipments'
import { shipmentKinds } from '../../../core/documents/kinds'
import type { ParcelFacts } from '../../../core/shipping/parcels'
import type { Address } from '../../../core/documents/facts'
import type { ShipmentView } from '../../contract'

/** One shipment: how it goes and is packed, with its packing slip and delivery note beside it. */
const route = useRoute()
const session = useSession()
const toasts = useToasts()
const id = computed(() => Number(route.params.id))
const shipment = shallowRef<ShipmentView>()
const wrong = ref('')
const busy = ref(false)
const takingBack = ref(false)

interface Form {
  day: string
  service: string
  remarks: string
  delivery: Address
  parcels: ParcelFacts[]
}
const formOf = (one: ShipmentView | undefined): Form => ({
  day: one?.day ?? '',
  service: one?.service ?? '',
  remarks: one?.remarks ?? '',
  delivery: addressOf(one?.delivery),
  parcels: parcelsOf(one),
})
const { form, base, dirty, save, take } = useForm(() => shipment.value, formOf, t('shipping.theShipment'))
const disabled = computed(() => !session.may('clerk') || shipment.value?.state !== 'packed')

const goods = computed(
  () => shipment.value && { ...shipment.value, isReturn: false, stands: shipment.value.state === 'packed' },
)
const { country } = session.house!.company
/** Customs asks about what goes abroad. */
const kinds = computed(() =>
  shipmentKinds.filter((kind) => kind !== 'customs invoice' || shipment.value?.delivery.country !== country),
)

const newest = useNewest()
async function load() {
  try {
    const found = await newest(() => fetchShipment(id.value))
    if (found) shipment.value = found
    wrong.value = ''
  } catch (error) {
    wrong.value = (error as Error).message
  }
}
watch(id, load, { immediate: true })
useLive(['order', 'line'], () => void load(), 250)

async function keep() {
  if (!base.value || !dirty.value || busy.value) return
  busy.value = true
  const { version } = base.value
  const { delivery, ...rest } = form.value
  await attempt(async () => {
    await save(() =>
      changeShipment(id.value, {
        ...rest,
        version,
        delivery: tidy(delivery),
      }),
    )
    await load()
    toasts.say(t('shipping.shipmentIsSaved'))
  })
  busy.value = false
}
useMainKey(() => void keep())
</script>

<template>
  <div class="page">
    <div v-if="wrong" class="empty">
      <strong>{{ t('shipping.noSuchShipment') }}</strong>{{ wrong }}
      <NuxtLink to="/shipments">{{ t('shipping.allShipments') }}</NuxtLink>
    </div>
    <div v-else-if="shipment" class="split">
      <section class="left" :aria-label="t('shipping.shipmentShipment', { shipment: shipment.label })">
        <div class="bar">
          <NuxtLink to="/shipments" class="soft">{{ t('shipping.shipments') }}</NuxtLink>
          <h1 class="title mono">{{ shipment.label }}</h1>
          <strong class="cut">{{ shipment.customerName }}</strong>
          <span class="soft">{{ longDay(shipment.day) }} · {{ session.brandName(shipment.brand) }}</span>
          <span v-if="shipment.state === 'taken back'" class="tag stuck">{{ t('shipping.takenBack') }}</span>
          <NuxtLink class="mono push" :to="`/orders/${shipment.orderId}`">{{
            shipment.orderNumber
          }}</NuxtLink>
        </div>
        <div class="body">
          <div class="how">
            <div><DateField v-model="form.day" :label="t('shipping.day')" :disabled="disabled" /></div>
            <FormField
              v-model="form.service"
              :label="t('shipping.service')"
              :suggest="shipment.services"
              :disabled="disabled"
              :placeholder="t('shipping.serviceExample')"
              maxlength="60"
              data-test="service"
            />
            <FormField
              v-model="form.remarks"
              class="wide"
              :label="t('shipping.remarks')"
              :disabled="disabled"
              maxlength="400"
              data-test="remarks"
            />
          </div>
          <h2>{{ t('shipping.shipTo') }}</h2>
          <ShipTo v-model="form.delivery" :disabled="disabled" />
          <h2>{{ t('shipping.parcels') }}</h2>
          <ShipParcels
            v-model="form.parcels"
            :lines="shipment.lines"
            :boxes="shipment.boxes"
            :disabled="disabled"
          />
          <GoodsLabels :goods="goods!" :dirty="dirty" @done="load" />
          <p class="soft">
            {{ t('shipping.packedBy', { name: shipment.madeBy, time: dayTime(shipment.madeAt) }) }}
          </p>
        </div>
        <footer class="foot-bar">
          <span v-if="dirty" class="tag wait">{{ t('common.notSavedYet') }}</span>
          <span v-else class="soft"
            >{{ plural(shipment.lines.length, 'line') }},
            {{ plural(shipment.parcels.length, 'parcel') }}</span
          >
          <span class="push" />
          <VBtn v-if="dirty" @click="take">{{ t('common.discardChanges') }}</VBtn>
          <VBtn v-else-if="!disabled" data-test="take-back" @click="takingBack = true">{{
            t('shipping.takeBack')
          }}</VBtn>
          <VBtn
            v-if="!disabled"
            variant="flat"
            class="go"
            :disabled="!dirty || busy"
            data-test="keep-shipment"
            @click="keep"
            >{{ t('common.save') }}</VBtn
          >
        </footer>
      </section>
      <aside class="right" :aria-label="t('shipping.theShipmentsDocuments')">
        <GoodsPapers
          :key="id"
          :goods="goods!"
          :kinds="kinds"
          :label="t('shipping.theShipmentsDocuments')"
          :dirty="dirty"
          @done="load"
        />
      </aside>
      <TakeBackDialog v-if="takingBack" v-model="takingBack" :shipment="shipment" @done="load" />
    </div>
  </div>
</template>

<style scoped src="../../components/shipping/goods-page.css"></style>
