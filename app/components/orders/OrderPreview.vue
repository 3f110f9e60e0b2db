<script setup lang="ts">
import { t } from '../../words'
import { watchDebounced } from '@vueuse/core'
import PdfView from '../paper/PdfView.vue'
import { useNewest } from '../../composables/useNewest'
import { previewOrder } from '../../calls/orders'
import type { BodyOf } from '../../composables/api'

/** The confirmation of the order that is being written, as it will be; it follows a moment after the typing. */
const props = defineProps<{
  /** As it would be saved; undefined while no customer or no line is there. */
  order: BodyOf<'/api/orders', 'post'> | undefined
}>()
const bytes = shallowRef<Uint8Array>()
const wrong = ref('')
const newest = useNewest()
watchDebounced(
  () => JSON.stringify(props.order),
  async () => {
    const { order } = props
    if (!order) {
      await newest(() => Promise.resolve())
      bytes.value = undefined
      wrong.value = ''
      return
    }
    try {
      const found = await newest(() => previewOrder(order))
      if (!found) return
      bytes.value = found
      wrong.value = ''
    } catch (error) {
      wrong.value = (error as Error).message
    }
  },
  { debounce: 500, immediate: true },
)
</script>

<template>
  <div class="bar">
    <strong>{{ t('orders.orderConfirmation') }}</strong><span class="soft push">{{
      t('common.asItWillBe')
    }}</span>
  </div>
  <p v-if="wrong" class="notice wait" role="status" data-test="preview-wrong">{{ wrong }}</p>
  <PdfView v-if="bytes" :bytes="bytes" :label="t('orders.theOrderConfirmation')" data-test="order-preview" />
  <div v-else-if="!wrong" class="empty">
    <strong>{{ t('common.noDocumentYet') }}</strong>{{ t('orders.chooseACustomerAndWrite') }}
  </div>
</template>
