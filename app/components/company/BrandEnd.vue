<script setup lang="ts">
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
  useToasts().say(`${props.brand.name} is ${retired ? 'retired' : 'in use again'}.`)
  emit('kept')
}
const lines = computed(() => {
  const { openOrders, waiting, routines, people } = uses.value!
  return [
    openOrders && `${plural(openOrders, 'order')} without an invoice`,
    waiting && `${plural(waiting, 'document')} to send or to check`,
    routines.length && `${plural(routines.length, 'routine')} for it alone: ${routines.join(', ')}`,
    people.length && `working for it alone: ${people.join(', ')}`,
  ].filter(Boolean)
})
</script>

<template>
  <VBtn v-if="brand.retired" height="28" :loading="busy" data-test="use-again" @click="write(false)"
    >Use again</VBtn
  >
  <VBtn v-else height="28" data-test="retire-brand" @click="ask">Retire…</VBtn>
  <p v-if="wrong && !uses" class="notice stuck" role="alert">{{ wrong }}</p>
  <Ask
    v-if="uses"
    :model-value="true"
    :title="`Retire ${brand.name}?`"
    go="Retire"
    danger
    :busy="busy"
    @update:model-value="uses = undefined"
    @go="write(true)"
  >
    <p>
      Nothing new begins with it. What was begun is brought to its end in its name, and it can be used again.
    </p>
    <template v-if="lines.length">
      <p>It is still used by:</p>
      <ul data-test="brand-uses">
        <li v-for="line in lines" :key="String(line)">{{ line }}</li>
      </ul>
    </template>
    <p v-else>Nothing uses it now.</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>
