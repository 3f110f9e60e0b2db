/** Groups values by a key, keeping their order. (Map.groupBy is not in the Node.js this runs on.) */
export function groupBy<K, T>(values: Iterable<T>, key: (value: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const value of values) {
    const name = key(value)
    const group = groups.get(name)
    if (group) group.push(value)
    else groups.set(name, [value])
  }
  return groups
}
