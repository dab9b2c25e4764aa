import type { GearChange } from 'core'
import { USUAL_RING, forkWay } from 'core'

import type { Naming } from '~/words/names.ts'
import { forkWayWords } from '~/words/ring.ts'

interface LeverForcesProps {
  readonly naming: Naming
  readonly gear: GearChange
}

/** Forces from the knob to what goes in, where the lengths of lever and fork are known. */
export function LeverForces({ naming, gear }: LeverForcesProps) {
  return gear.steps.map((step, at) => {
    if (step.kind !== 'in') return null
    const { coupler, to } = step.move
    const said = to.ring?.leverForceN
    const way = forkWay(naming.box.draft, coupler, to, said ?? USUAL_RING.leverForceN)
    return way && <p key={at}>{forkWayWords(naming, coupler, way, said === undefined)}</p>
  })
}
