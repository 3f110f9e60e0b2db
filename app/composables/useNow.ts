import { useIntervalFn, useTimestamp } from '@vueuse/core'

/** The present in milliseconds, renewed now and then, for "2 h" and the like. */
export const useNow = (everyMilliseconds = 10_000) =>
  useTimestamp({ scheduler: (renew) => useIntervalFn(renew, everyMilliseconds) })
