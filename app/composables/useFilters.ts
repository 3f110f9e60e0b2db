/** Filters kept in the URL, so that a list can be sent to a colleague and found again with "back". */
export function useFilters<Names extends string>(defaults: Record<Names, string>) {
  const route = useRoute()
  const router = useRouter()
  const filters = computed(
    () =>
      Object.fromEntries(
        Object.entries(defaults).map(([name, standard]) => [
          name,
          (route.query[name] as string | undefined) ?? standard,
        ]),
      ) as Record<Names, string>,
  )

  function set(change: Partial<Record<Names, string>>): void {
    const query: Record<string, string | undefined> = { ...(route.query as Record<string, string>) }
    for (const [name, value] of Object.entries(change) as [Names, string][])
      query[name] = value === defaults[name] ? undefined : value
    void router.replace({ query })
  }
  return { filters, set, standard: defaults }
}
