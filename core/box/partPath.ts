/**
 * How a part of a unit is told of where its place has to be kept: "shaft:main", "gear:main-3",
 * "piece:fork-1", "sleeve:3-4", "ring:3-4/towards-output". Written and read here, and nowhere else.
 */

/** What has a path by its own id. */
type PathKind = 'shaft' | 'gear' | 'piece' | 'sleeve'

/** A path as it is written. */
export type PartPath = `${PathKind}:${string}` | `ring:${string}/${string}`

/** The path of a part; of a sleeve the id is its coupler's. */
export function pathTo<K extends PathKind>(kind: K, id: string): `${K}:${string}` {
  return `${kind}:${id}`
}

/** The path of the ring that serves a place of a coupler. */
export function pathToRing(coupler: string, place: string): PartPath {
  return `ring:${coupler}/${place}`
}

/** What a path says; also what is ordered for a part has one, such as "bearings:counter". */
export interface PathParts {
  readonly kind: string
  /** The coupler, gear, member or piece. */
  readonly id: string
  /** The place of the coupler that a ring serves. */
  readonly place?: string
}

/** Reads a path; whatever it is, it is taken apart. */
export function readPath(path: string): PathParts {
  const at = path.indexOf(':')
  const [kind, id] = [path.slice(0, at), path.slice(at + 1)]
  const slash = kind === 'ring' ? id.indexOf('/') : -1
  return slash < 0 ? { kind, id } : { kind, id: id.slice(0, slash), place: id.slice(slash + 1) }
}
