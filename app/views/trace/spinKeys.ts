/** The spin tests, and what the address calls what was seen in each. */
import type { Seen } from 'core'

/** Turn the input with the output held, turn the output with the input held, or as the person likes. */
export const SPIN_TESTS = ['input', 'output', 'own'] as const
export type SpinTest = (typeof SPIN_TESTS)[number]

export function seenKey<T extends SpinTest, S extends Seen>(test: T, what: S): `${T}-${S}` {
  return `${test}-${what}`
}
