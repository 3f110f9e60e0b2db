import type { Ref } from 'vue'
import { api } from './api'
import type { Confirmed, OrderView } from '../contract'

/**
 * What was confirmed otherwise than an order is now; asked for whenever the order changed and something is confirmed.
 */
export function useConfirmed(order: Ref<OrderView | undefined>): Ref<Confirmed | null> {
  const confirmed = shallowRef<Confirmed | null>(null)
  const isConfirmed = ({ papers }: OrderView) =>
    papers.some((paper) => paper.kind === 'order confirmation' && paper.number && !paper.voided)
  const state = ({ id, version, papers }: OrderView) =>
    `${id} ${version} ${papers.map((paper) => paper.id + paper.state).join()}`
  watch(
    () => (order.value && isConfirmed(order.value) ? state(order.value) : ''),
    async (worth) => {
      if (!worth) confirmed.value = null
      else
        confirmed.value = (
          await api.get('/api/orders/{id}/confirmed', { path: { id: order.value!.id } })
        ).confirmed
    },
  )
  return confirmed
}
