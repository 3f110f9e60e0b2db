/** The present, renewed now and then, for "2 h" and the like. */
export function useNow(everyMilliseconds = 10_000): Ref<number> {
  const now = ref(Date.now())
  const timer = setInterval(() => {
    now.value = Date.now()
  }, everyMilliseconds)
  onScopeDispose(() => clearInterval(timer))
  return now
}
