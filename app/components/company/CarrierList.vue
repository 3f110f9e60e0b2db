<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CarrierDialog from './CarrierDialog.vue'
import RecordList from '../list/RecordList.vue'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { dayTime, plural } from '../../composables/format'
import { fetchCarriers, removeCarrier } from '../../calls/carriers'
import type { CarrierView } from '../../contract'

/** The carriers that labels are bought of. */
const carriers = shallowRef<CarrierView[]>()
const load = () =>
  attempt(async () => {
    carriers.value = await fetchCarriers()
  })
onMounted(load)
useLive(['house'], () => void load())
const editing = shallowRef<CarrierView | 'new'>()
const removing = shallowRef<CarrierView>()
const remove = () =>
  attempt(async () => {
    await removeCarrier(removing.value!.id, removing.value!.version)
    useToasts().say(t('carriers.carrierIsDeleted', { name: removing.value!.name }))
    removing.value = undefined
    await load()
  })
</script>

<template>
  <RecordList
    :rows="carriers"
    :add="t('carriers.addCarrier')"
    add-test="add-carrier"
    columns="minmax(0, 1.2fr) minmax(0, 1.6fr) 170px"
    @add="editing = 'new'"
  >
    <template #intro>{{ t('carriers.carriersHint') }}</template>
    <template #row="{ row: carrier }">
      <span class="what"
        ><strong>{{ carrier.name }}</strong
        ><span class="soft cut">{{ carrier.address }}</span></span
      >
      <span
        ><span v-if="carrier.downSince" class="tag stuck">{{
          t('carriers.noAnswerSince', { time: dayTime(carrier.downSince) })
        }}</span
        ><span v-else class="soft"
          >{{ plural(carrier.services.length, 'service') }}:
          {{ carrier.services.map(({ name }) => name).join(', ') }}</span
        ></span
      >
      <span class="acts"
        ><VBtn height="30" @click="editing = carrier">{{ t('common.open') }}</VBtn
        ><VBtn height="30" @click="removing = carrier">{{ t('mail.delete') }}</VBtn></span
      >
    </template>
    <template #empty
      ><strong>{{ t('carriers.noCarriers') }}</strong
      >{{ t('carriers.whatACarrierIsFor') }}</template
    >
  </RecordList>
  <CarrierDialog
    v-if="editing"
    :carrier="editing === 'new' ? undefined : editing"
    @leave="editing = undefined"
    @kept="load"
  />
  <Ask
    v-if="removing"
    :model-value="true"
    :title="t('carriers.deleteCarrier', { name: removing.name })"
    :go="t('mail.delete2')"
    danger
    @update:model-value="removing = undefined"
    @go="remove"
    ><p>{{ t('carriers.itsKeyIsDeletedToo') }}</p></Ask
  >
</template>
