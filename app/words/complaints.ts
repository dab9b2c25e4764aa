/** What goes wrong while shifting, as people tell it, and what this box answers. */
import type { Complaint, CouplerPosition } from 'core'
import { CHANGE_RPM, couplersWithRings } from 'core'

import type { TorqueUnit } from './format.ts'
import { formatForce, formatNumber, formatSpeed, formatTorque, NBSP } from './format.ts'
import type { Naming } from './names.ts'
import { placeName } from './names.ts'
import { openSetWords } from './shift.ts'

/** A lever that is pushed through is there after so long (common practice). */
const PUSHED_S = 0.1

const TITLES: Readonly<Record<Complaint['kind'], string>> = {
  fast: 'It crunches on a fast change',
  standing: 'It crunches when selecting at a stand',
  cold: 'It balks when the oil is cold',
  'jumps-out': 'It jumps out on the overrun',
  'two-in': 'It is stuck in two',
}

/** As people tell it. */
export function complaintTitle({ kind }: Complaint): string {
  return TITLES[kind]
}

const seconds = (timeS: number): string => `${formatNumber(timeS, 2)}${NBSP}s`

/** What this box has to do with it, and what to look at. */
export function complaintWords(naming: Naming, complaint: Complaint, unit: TorqueUnit): string {
  switch (complaint.kind) {
    case 'fast': {
      const { from, into, takesS } = complaint
      const change = `From ${from.label} to ${into.label} with the engine at ${formatSpeed(CHANGE_RPM)}`
      if (takesS === null)
        return `${change} the ring has the most to take away. Enter its figures to see how long it takes; one that is worn, wet with the wrong oil, or pushed through before it is done lets the teeth meet.`
      return takesS > PUSHED_S
        ? `${change} the ring takes ${seconds(takesS)}; pushed through in ${seconds(PUSHED_S)} the teeth are there before. Pause in the middle, or match the engine; if it crunches all the same, the ring or its teeth are worn.`
        : `${change} the ring takes ${seconds(takesS)}, less than the ${seconds(PUSHED_S)} of a lever pushed through: if it crunches, the ring is worn or the clutch drags.`
    }
    case 'standing': {
      const { into, hasRing } = complaint
      return hasRing
        ? `${into.label} has a ring, which has to stop what still turns with the driven side of the clutch. If it crunches, the clutch drags: it drives while the ring brakes.`
        : `${into.label} has no ring: with the clutch open, all that hangs on its driven side coasts on. Wait${couplersWithRings(naming.box.draft).size > 0 ? ', or touch a gear that has a ring first' : ''}; if it never stops, the clutch drags.`
    }
    case 'cold': {
      const { into, dragNm, warmS, coldS } = complaint
      const drag = formatTorque(dragNm, unit)
      if (warmS === null)
        return `Cold oil holds the shafts back. Changing down into ${into.label} the ring has to work against that; enter its figures to see by how much.`
      return coldS === null
        ? `With ${drag} of cold oil against it the ring of ${into.label} cannot bring the speeds together at all; warm it takes ${seconds(warmS)}.`
        : `With ${drag} of cold oil against it the ring of ${into.label} takes ${seconds(coldS)} instead of ${seconds(warmS)}. It goes when warm; the wrong oil stays so.`
    }
    case 'jumps-out': {
      const { place, loadNm, drawsInN } = complaint
      const load = formatTorque(loadNm, unit)
      if (drawsInN === null)
        return 'On the overrun the teeth carry on their other flanks. Flanks worn round push themselves out; a weak detent, end play or a worn fork lets them.'
      return drawsInN < 0
        ? `With ${load} on the overrun the worn faces of ${placeWords(naming, place)} push it out with ${formatForce(-drawsInN)}; the detent has to hold that.`
        : drawsInN > 0
          ? `With ${load} on the overrun back-taper draws ${placeWords(naming, place)} in with ${formatForce(drawsInN)}. If it jumps out, the faces are worn round, or end play and detent let it.`
          : `The dogs of ${placeWords(naming, place)} have no back-taper: only friction and the detent hold them in.`
    }
    case 'two-in': {
      const { set, parts } = complaint
      return `With ${parts === 1 ? 'the one part' : `one of the ${parts} parts`} of its interlock lost, ${openSetWords(naming, set)} Make sure of ${parts === 1 ? 'it' : 'them'} before the cover goes on.`
    }
  }
}

/** What of a job speaks for the parts that could bring a complaint about. */
export function goodEvidenceWords(job: number, goodCount: number, wrongCount: number): string {
  if (goodCount === 0) return wrongCount === 0 ? `Job ${job} has nothing yet that bears on it.` : ''
  const findings = goodCount === 1 ? '1 finding' : `${goodCount} findings`
  return wrongCount === 0
    ? `${findings} of job ${job} that could bear on it: good.`
    : `${findings} of job ${job} besides: good.`
}

function placeWords(naming: Naming, place: CouplerPosition): string {
  const coupler = [...naming.box.couplers.values()].find(({ positions }) =>
    positions.includes(place),
  )
  return coupler ? placeName(naming, coupler, place) : place.id
}
