<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useActing } from '../../composables/useActing'
import { plural } from '../../composables/format'
import { fetchBrandUses, retireBrand } from '../../calls/brands'
import type { BrandUses, BrandView } from '../../contract'

/** Retires a brand, once it is said what still uses it, or takes it into use again. */
const props = defineProps<{ brand: BrandView }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSession()
const uses = shallowRef<BrandUses>()
const { busy, wrong, acting } = useActing()
const ask = () =>
  attempt(async () => {
    uses.value = await fetchBrandUses(props.brand.id)
  })
async function write(retired: boolean) {
  const done = await acting(async () => {
    await retireBrand(props.brand.id, { version: props.brand.version, retired })
    await session.load()
  })
  if (!done) return
  uses.value = undefined
  useToasts().say(
    t('brands.brandIsRetired', {
      brand: props.brand.name,
      retired: retired ? t('company.retired') : t('brands.inUseAgain'),
    }),
  )
  emit('kept')
}
const lines = computed(() => {
  const { openOrders, waiting, routines, people } = uses.value!
  return [
    openOrders && t('brands.ordersWithoutAnInvoice', { orders: plural(openOrders, 'order') }),
    waiting && t('brands.documentsToSendOrTo', { documents: plural(waiting, 'document') }),
    routines.length &&
      t('brands.routinesForItAloneRoutines2', {
        routines: plural(routines.length, 'routine'),
        routines2: routines.join(', '),
      }),
    people.length && t('brands.workingForItAlonePeople', { people: people.join(', ') }),
  ].filter(Boolean)
})
</script>

<template>
  <VBtn v-if="brand.retired" height="28" :loading="busy" data-test="use-again" @click="write(false)">{{
    t('brands.useAgain')
  }}</VBtn>
  <VBtn v-else height="28" data-test="retire-brand" @click="ask">{{ t('brands.retire') }}</VBtn>
  <p v-if="wrong && !uses" class="notice stuck" role="alert">{{ wrong }}</p>
  <Ask
    v-if="uses"
    :model-value="true"
    :title="t('brands.retireBrand', { brand: brand.name })"
    :go="t('brands.retire2')"
    danger
    :busy="busy"
    @update:model-value="uses = undefined"
    @go="write(true)"
  >
    <p>
      {{ t('brands.nothingNewBeginsWithIt') }}
    </p>
    <template v-if="lines.length">
      <p>{{ t('brands.itIsStillUsedBy') }}</p>
      <ul data-test="brand-uses">
        <li v-for="line in lines" :key="String(line)">{{ line }}</li>
      </ul>
    </template>
    <p v-else>{{ t('brands.nothingUsesItNow') }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>
