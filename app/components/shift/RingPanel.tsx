import type { CouplerPosition, Finding, Match, RingFigures } from 'core'
import {
  MEMBER,
  RING,
  USUAL_FRICTION,
  forkWay,
  greatestSlip,
  namesOf,
  reducedInertia,
  ringFigures,
  ringWork,
  withUsualFigures,
  toNumber,
} from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { TorqueField } from '~/components/Fields.tsx'
import { Warning } from '~/components/Warning.tsx'
import { wearLeftMm } from '~/views/shift/contactView.ts'
import { MOST_DRAG_NM } from '~/views/shift/shiftInput.ts'
import { wearLeftWords } from '~/words/contact.ts'
import type { LengthUnit, TorqueUnit } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, placeName } from '~/words/names.ts'
import { leftOutWords, ringSentences, takenWords } from '~/words/ring.ts'

interface RingPanelProps {
  readonly naming: Naming
  readonly match: Match
  readonly place: CouplerPosition
  readonly inputRpm: number
  readonly dragNm: number
  /** As the job measured it; null where nobody did. */
  readonly gapMm: number | null
  /** By what the job has it that this ring is to be replaced. */
  readonly condemnedBy: Finding | undefined
  readonly lengthUnit: LengthUnit
  readonly torqueUnit: TorqueUnit
  readonly onRing: (ring: RingFigures) => void
  readonly onInertia: (kgM2: number | undefined) => void
  readonly onDrag: (dragNm: number) => void
}

const INERTIA_ONLY = { inertiaKgM2: MEMBER.inertiaKgM2 }

const RAD_PER_S = (2 * Math.PI) / 60

/** Figures of the ring, and what it has to move. */
function RingFigures(props: RingPanelProps) {
  const { naming, match, place, dragNm, torqueUnit, onRing, onInertia, onDrag } = props
  const { input, members } = naming.box.draft
  const inertiaKgM2 = members.find(({ id }) => id === input)?.inertiaKgM2
  return (
    <details className="no-print">
      <summary className="font-semibold">Figures of the ring</summary>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          key={`${match.coupler.id} ${place.id}`}
          naming={naming}
          fields={RING}
          of={place.ring ?? {}}
          names={namesOf(
            RING,
            forkWay(naming.box.draft, match.coupler, place, 1) ? ['leverRatio'] : [],
          )}
          onChange={(change) => {
            onRing({ ...place.ring, ...change })
            return null
          }}
        />
        <FieldEntries
          naming={naming}
          fields={INERTIA_ONLY}
          of={{ inertiaKgM2 }}
          names={['inertiaKgM2']}
          shown={{
            inertiaKgM2: { label: `Inertia of the ${bodyName(naming, input)} with clutch disc` },
          }}
          onChange={(change) => {
            onInertia(change.inertiaKgM2)
            return null
          }}
        />
        <TorqueField
          label="Drag against it, of clutch or cold oil"
          unit={torqueUnit}
          valueNm={dragNm}
          leastNm={-MOST_DRAG_NM}
          mostNm={MOST_DRAG_NM}
          onKeep={onDrag}
        />
      </div>
    </details>
  )
}

/** Whether the ring can bring the two sides together, and the figures that it takes to say so. */
export function RingPanel(props: RingPanelProps) {
  const { naming, match, place, inputRpm, dragNm, gapMm, condemnedBy, lengthUnit, torqueUnit } =
    props
  const ring = ringFigures(naming.box.draft, match.coupler, place)
  const slip = greatestSlip(match)
  const slipRpm = slip === null ? 0 : Math.abs(toNumber(slip)) * inputRpm
  const { kgM2, missing } = reducedInertia(naming.box, match.brought)
  const { figures, taken } = withUsualFigures(ring)
  const result = ringWork(figures, {
    slipRadPerS: slipRpm * RAD_PER_S,
    inertiaKgM2: kgM2,
    dragNm,
  })
  return (
    <section aria-label="Ring" className="flex flex-col gap-1">
      <h2 className="text-[1.15rem] font-semibold">
        Can the {naming.words.ring} of {placeName(naming, match.coupler, place)} do it?
      </h2>
      {gapMm !== null && gapMm <= 0 && (
        <Warning>
          {wearLeftWords(gapMm, null, true, lengthUnit)} What follows is of one that does.
        </Warning>
      )}
      {gapMm !== null && gapMm > 0 && (
        <p>{wearLeftWords(gapMm, wearLeftMm(ring, gapMm), true, lengthUnit, condemnedBy)}</p>
      )}
      {taken.length > 0 && <p className="font-semibold">{takenWords(taken)}</p>}
      {result.ok && (
        <>
          {ringSentences(result.work, { slipRpm, inertiaKgM2: kgM2, dragNm }, torqueUnit).map(
            (sentence) => (
              <p key={sentence}>{sentence}</p>
            ),
          )}
          {missing.length > 0 && <p className="text-graphite">{leftOutWords(naming, missing)}</p>}
          {ring.friction === undefined && (
            <p className="text-graphite">
              Friction {USUAL_FRICTION} is taken, as of brass in gear oil (common practice).
            </p>
          )}
        </>
      )}
      <RingFigures {...props} />
    </section>
  )
}
