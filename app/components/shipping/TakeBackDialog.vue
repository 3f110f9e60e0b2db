<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { useToasts } from '../../stores/toasts'
import { ApiRefusal } from '../../composables/api'
import { takeShipmentBack } from '../../calls/shipments'

/** Takes a shipment back; documents that are issued for it and labels that are bought are named before. */
const props = defineProps<{ shipment: { id: number; label: string; version: number } }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [] }>()
const toasts = useToasts()
const busy = ref(false)
/** What is issued and stays, once the first answer said so. */
const stays = ref('')
const wrong = ref('')

async function go() {
  busy.value = true
  try {
    await takeShipmentBack(props.shipment.id, {
      version: props.shipment.version,
      despite: stays.value !== '',
    })
    toasts.say(t('shipping.wasTakenBack', { shipment: props.shipment.label }))
    open.value = false
    emit('done')
  } catch (error) {
    if (!(error instanceof ApiRefusal)) throw error
    if (['shipment-documented', 'labels-stand'].includes(error.code)) stays.value = error.message
    else wrong.value = error.message
  }
  busy.value = false
}
</script>

<template>
  <Ask
    v-model="open"
    :title="t('shipping.takeBackShipment', { shipment: shipment.label })"
    :go="t('shipping.takeBackGo')"
    :leave="t('shipping.keepShipment')"
    :busy="busy"
    danger
    @go="go"
  >
    <p>{{ t('shipping.allIsLeftAgain') }}</p>
    <p v-if="stays" class="notice wait" role="alert">{{ stays }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>
