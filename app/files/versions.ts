/**
 * Box files, archives and entries on their way say which version of their format they are of,
 * and are brought up when they are read; the database holds the newest, by its migrations. Whoever
 * changes a format raises its version, adds the step from the one before, and keeps an example
 * of that one beside the tests.
 */

/** What entries of jobs are of on their way; see `ENTRY_STEPS`. */
export const ENTRY_VERSION = 1

/** From each older version to the one after it. */
export type Steps<T> = ReadonlyMap<number, (content: T) => T>

/** The newest version: the one that the last step leads to, 1 where there is none. */
export function newestOf(steps: { readonly size: number }): number {
  return 1 + steps.size
}

/** Content of a version as the newest has it; null of a version that is not known. */
export function broughtUp<T>(steps: Steps<T>, version: number, content: T): T | null {
  if (!Number.isInteger(version) || version < 1 || version > newestOf(steps)) return null
  let up = content
  for (let from = version; from < newestOf(steps); from++) up = steps.get(from)?.(up) ?? up
  return up
}
