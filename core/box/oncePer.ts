/**
 * The same function, worked out once for each object that it is asked about and let go of
 * together with it. For what never changes once it is made: drafts, boxes, lists of parts.
 */
export function oncePer<Key extends object, Found>(find: (key: Key) => Found): (key: Key) => Found {
  const known = new WeakMap<Key, { readonly found: Found }>()
  return (key) => {
    const kept = known.get(key)
    if (kept) return kept.found
    const found = find(key)
    known.set(key, { found })
    return found
  }
}
