import { attempt } from './api'
import { fetchBranches } from '../calls/branches'
import type { BranchView } from '../contract'

/** The branches of a brand, for where an order is sold from. */
export function useBranches(brandId: () => number | undefined) {
  const all = shallowRef<BranchView[]>([])
  onMounted(() =>
    attempt(async () => {
      all.value = (await fetchBranches()).branches
    }),
  )
  return computed(() => all.value.filter((one) => one.brandId === brandId()))
}
