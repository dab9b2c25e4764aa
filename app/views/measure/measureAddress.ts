import type { Look, Measure } from 'core'
import { MEASURES } from 'core'

/** Where a part of a unit is measured and looked at, and by what first; what is looked at needs no choosing. */
export function measureAddress(boxId: string, part: string, what?: Measure | Look): string {
  const measure = MEASURES.find((each) => each === what)
  const address = `/boxes/${boxId}/measure?part=${encodeURIComponent(part)}`
  return measure === undefined ? address : `${address}&measure=${measure}`
}
