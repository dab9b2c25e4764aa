import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { Link } from 'react-router'

import type { BoxDraft, Coupler, CouplerPosition, GearChange, Match } from 'core'
import { couplersWithRings, fullPlaces, isClutch, placeKey } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { formatAddress } from '~/views/addresses.ts'
import { withPart } from '~/views/layout/withPart.ts'
import { ringCondemnedBy, measuredGapMm } from '~/views/shift/contactView.ts'
import {
  COUPLER_M_S,
  MOST_DRAG_NM,
  MOST_LOAD_NM,
  USUAL_LOAD_NM,
  figureWithin,
} from '~/views/shift/shiftInput.ts'
import type { Naming } from '~/words/names.ts'
import { couplerName } from '~/words/names.ts'

import { DogPanel } from './DogPanel.tsx'
import { RingPanel } from './RingPanel.tsx'

interface EngagePanelsProps {
  readonly naming: Naming
  readonly gear: GearChange
  readonly inputRpm: number
  readonly search: Address<'shift'>
  readonly change: ChangeAddress<'shift'>
}

const USUAL_SPEED_M_S = 0.15

/** What goes in and is brought to speed: over a ring, or by dogs alone. */
function engagingOf(draft: BoxDraft, gear: GearChange) {
  const ringed = couplersWithRings(draft)
  const endPlaces = fullPlaces(draft.couplers, gear.to.couplers)
  const engaging = gear.matches.flatMap((match) => {
    const place = match.coupler.positions.find(({ id }) => id === endPlaces[match.coupler.id])
    return place && match.brought.size > 0 ? [{ match, place }] : []
  })
  const rings = engaging.filter(({ match }) => ringed.has(match.coupler.id))
  // Whose two sides both hang on an end, or on several things at once.
  const untold = gear.matches.filter(
    ({ coupler, brought, slip }) =>
      ringed.has(coupler.id) && brought.size === 0 && slip?.isZero() !== true,
  )
  const dogs = engaging.filter(
    ({ match }) =>
      !ringed.has(match.coupler.id) && !isClutch(match.coupler) && match.law.kind === 'lock',
  )
  return { rings, dogs, untold }
}

interface HalfEngagedProps {
  readonly href: string
  readonly coupler: Coupler
  readonly place: CouplerPosition
}

function HalfEngaged({ href, coupler, place }: HalfEngagedProps) {
  const address = formatAddress('engage', { at: placeKey(coupler, place) })
  return (
    <p className="no-print">
      <Link className="link-line" to={href + address}>
        See it half engaged
      </Link>
    </p>
  )
}

/** For everything that goes in and hangs on the engine: whether its ring can, or its dogs catch. */
export function EngagePanels(props: EngagePanelsProps) {
  const { naming, gear, inputRpm, search, change } = props
  const { id, draft, settings } = useOpenBox()
  const become = useBecome()
  const { job } = useOpenJob()
  const { rings, dogs, untold } = engagingOf(draft, gear)
  const setPlace = ({ coupler }: Match, place: CouplerPosition): void => {
    const positions = coupler.positions.map((each) => (each.id === place.id ? place : each))
    become(withPart(draft, 'couplers', { ...coupler, positions }))
  }
  const [first] = [...rings, ...dogs]
  return (
    <>
      {rings.map(({ match, place }) => (
        <RingPanel
          key={match.law.id}
          naming={naming}
          match={match}
          place={place}
          inputRpm={inputRpm}
          dragNm={figureWithin(search.drag, 0, [-MOST_DRAG_NM, MOST_DRAG_NM])}
          gapMm={measuredGapMm(job, { coupler: match.coupler, place })}
          condemnedBy={ringCondemnedBy(naming.box, job, { coupler: match.coupler, place })}
          lengthUnit={settings.lengthUnit}
          torqueUnit={settings.torqueUnit}
          onRing={(ring) => {
            setPlace(match, { ...place, ring })
          }}
          onInertia={(inertiaKgM2) => {
            become({
              ...draft,
              members: draft.members.map((member) =>
                member.id === draft.input ? { ...member, inertiaKgM2 } : member,
              ),
            })
          }}
          onDrag={(drag) => {
            change({ drag: drag === 0 ? '' : `${drag}` })
          }}
        />
      ))}
      {untold.map(({ law, coupler }) => (
        <p key={law.id} className="pt-1">
          What the {naming.words.ring} of the {couplerName(naming, coupler)} has to bring along is
          not settled: both its sides hang on an end of the box, or on several parts that turn
          freely. Its time and heat are not among these.
        </p>
      ))}
      {dogs.map(({ match, place }) => (
        <DogPanel
          key={match.law.id}
          naming={naming}
          match={match}
          place={place}
          inputRpm={inputRpm}
          speedMPerS={figureWithin(search.coupler, USUAL_SPEED_M_S, COUPLER_M_S)}
          torqueNm={figureWithin(search.load, USUAL_LOAD_NM, [0, MOST_LOAD_NM])}
          torqueUnit={settings.torqueUnit}
          onDogs={(next) => {
            setPlace(match, { ...place, dogs: next })
          }}
          onSpeed={(mPerS) => {
            change({ coupler: `${mPerS}` })
          }}
          onTorque={(torqueNm) => {
            change({ load: `${torqueNm}` })
          }}
        />
      ))}
      {first && (
        <HalfEngaged
          href={`/boxes/${id}/shift/engage`}
          coupler={first.match.coupler}
          place={first.place}
        />
      )}
    </>
  )
}
