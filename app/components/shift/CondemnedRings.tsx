import type { Engageable } from 'core'

import { useOpenJob } from '~/components/job/jobContext.ts'
import { Warning } from '~/components/Warning.tsx'
import { ringCondemnedBy } from '~/views/shift/contactView.ts'
import { condemnedRingWords } from '~/words/contact.ts'
import type { Naming } from '~/words/names.ts'

interface CondemnedRingsProps {
  readonly naming: Naming
  /** The places that are gone into. */
  readonly of: readonly Pick<Engageable, 'coupler' | 'place'>[]
}

/** The rings that would have to brake and are judged to be replaced, each with its limit. */
export function CondemnedRings({ naming, of }: CondemnedRingsProps) {
  const { job } = useOpenJob()
  return of.map((at) => {
    const finding = ringCondemnedBy(naming.box, job, at)
    const said = finding && condemnedRingWords(naming, at, finding)
    return said === undefined ? null : <Warning key={said}>{said}</Warning>
  })
}
