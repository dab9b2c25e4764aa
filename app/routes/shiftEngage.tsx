import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { Pause, Play } from 'lucide-react'

import type { Engageable, Approach, BoxDraft, Job } from 'core'
import { engageables, contactOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { ContactFigure } from '~/components/shift/ContactFigure.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import { DogLoadFields, RingGapFields } from '~/components/shift/EngageFields.tsx'
import { useEngaging } from '~/components/shift/useEngaging.ts'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import {
  depthOf,
  ringCondemnedBy,
  measuredGapMm,
  ringOf,
  travelOf,
} from '~/views/shift/contactView.ts'
import { MOST_LOAD_NM, USUAL_LOAD_NM, figureWithin } from '~/views/shift/shiftInput.ts'
import { slipAt } from '~/views/shift/engaging.ts'
import { contactWords } from '~/words/contact.ts'
import { capitalize, couplerName, placeName } from '~/words/names.ts'

/** In the address: the ring is not there at all. */
const RING_OUT = 'out'

/** Of the way, in a hundredth, where the page opens. */
const HALF = 50

interface AskedApproach {
  /** In hundredths. */
  readonly way: number
  /** What the job says of the ring’s gap, and what is tried in its place. */
  readonly measuredMm: number | null
  readonly triedMm: number | null
  readonly approach: Approach
}

/** How far the coupler is on its way, by what the address asks and the job has measured. */
function approachOf(
  draft: BoxDraft,
  job: Job,
  chosen: Engageable,
  search: Address<'engage'>,
): AskedApproach {
  const { hasRing } = chosen
  const asked = Number(search.way ?? HALF)
  const way = Number.isFinite(asked) ? Math.min(Math.max(Math.round(asked), 0), 100) : HALF
  const measuredMm = hasRing ? measuredGapMm(job, chosen) : null
  const tried = search.gap
  const isRingOut = hasRing && tried === RING_OUT
  const triedMm = tried === null || !Number.isFinite(Number(tried)) ? null : Number(tried)
  const travelMm = travelOf(draft, chosen)
  const depthMm = depthOf(chosen, travelMm)
  const gapMm = triedMm ?? measuredMm
  return {
    way,
    measuredMm,
    triedMm,
    approach: { part: way / 100, hasRing, gapMm, travelMm, depthMm, isRingOut },
  }
}

interface WaySliderProps {
  readonly way: number
  /** What touches there. */
  readonly said: string
  readonly onWay: (way: string) => void
}

function WaySlider({ way, said, onWay }: WaySliderProps) {
  return (
    <>
      <label htmlFor="way" className="font-semibold">
        {said}
      </label>
      <input
        id="way"
        type="range"
        className="accent-accent no-print h-[44px] w-full flex-none"
        min={0}
        max={100}
        value={way}
        aria-valuetext={`${way} % of the way. ${said}`}
        onChange={(event) => {
          onWay(event.target.value)
        }}
      />
    </>
  )
}

interface FiguresOfPlaceProps {
  readonly chosen: Engageable
  readonly asked: AskedApproach
  readonly search: Address<'engage'>
  readonly change: ChangeAddress<'engage'>
}

/** The gap of its ring, or what its dogs bear. */
function FiguresOfPlace({ chosen, asked, search, change }: FiguresOfPlaceProps) {
  const { id, settings } = useOpenBox()
  const { naming } = useShift()
  const { job } = useOpenJob()
  const { coupler, place, hasRing } = chosen
  return hasRing ? (
    <RingGapFields
      ring={place.ring}
      measuredMm={asked.measuredMm}
      condemnedBy={ringCondemnedBy(naming.box, job, chosen)}
      triedMm={asked.triedMm}
      unit={settings.lengthUnit}
      measureHref={measureAddress(id, ringOf(chosen))}
      isOut={asked.approach.isRingOut === true}
      onTry={(gap) => {
        change({ gap: gap === null ? '' : gap === 'out' ? RING_OUT : `${gap}` })
      }}
    />
  ) : (
    <DogLoadFields
      dogs={place.dogs ?? {}}
      name={placeName(naming, coupler, place)}
      torqueNm={figureWithin(search.load, USUAL_LOAD_NM, [0, MOST_LOAD_NM])}
      unit={settings.torqueUnit}
      onTorque={(torqueNm) => {
        change({ load: `${torqueNm}` })
      }}
    />
  )
}

interface EngageStageProps {
  readonly chosen: Engageable
  readonly asked: AskedApproach
  readonly onWay: (way: string) => void
}

/** The coupler on its way, as far as it is set, or as it goes in by itself. */
function EngageStage({ chosen, asked, onWay }: EngageStageProps) {
  const { settings } = useOpenBox()
  const { naming } = useShift()
  const { coupler, place, hasRing } = chosen
  const { lengthUnit } = settings
  const { played, play, stop } = useEngaging(asked.approach, () => {
    onWay('100')
  })
  const approach = played ? { ...asked.approach, part: played.part } : asked.approach
  const contact = contactOf(approach)
  const said = contactWords(contact, approach, lengthUnit)
  const name = placeName(naming, coupler, place)
  return (
    <>
      <div className="min-h-[18rem] flex-1">
        <Zoomable>
          <ContactFigure
            approach={approach}
            contact={contact}
            dogs={place.dogs ?? {}}
            lengthUnit={lengthUnit}
            slip={played?.slip ?? slipAt(approach)}
            turned={played?.turned}
            coneCount={place.ring?.coneCount}
            names={{
              hub: naming.words.hub,
              coupler: naming.words.couplers[coupler.kind],
              ring: naming.words.ring,
            }}
            title={
              hasRing
                ? `Section of hub, ring, cone and gear for ${name}. ${said}`
                : `Dogs of ${name} unrolled, seen from outside. ${said}`
            }
          />
        </Zoomable>
      </div>
      <WaySlider
        way={Math.round(approach.part * 100)}
        said={said}
        onWay={(next) => {
          stop()
          onWay(next)
        }}
      />
      <button
        type="button"
        className="button button-main no-print self-start"
        onClick={played ? stop : play}
      >
        {played ? <Pause aria-hidden /> : <Play aria-hidden />}
        {played ? 'Stop' : 'Play'}
      </button>
    </>
  )
}

/** One coupler large, at any part of its way: what touches, what slips, what grinds. */
export default function ShiftEngage() {
  const { draft, naming } = useShift()
  const { job } = useOpenJob()
  const [search, change] = useAddress('engage')
  const all = engageables(draft)
  const chosen = all.find(({ key }) => key === search.at) ?? all[0]
  if (!chosen)
    return (
      <NothingToShow title={`${draft.name} · Half engaged`}>
        <p>Nothing in this box locks anything. Draw its couplers on Lay out.</p>
      </NothingToShow>
    )
  const { coupler, place } = chosen
  const name = placeName(naming, coupler, place)
  const asked = approachOf(draft, job, chosen, search)
  const { way } = asked
  return (
    <WorkArea title={`${name} half engaged · ${draft.name}`}>
      <WorkMain label={`${capitalize(couplerName(naming, coupler))}, on its way into ${name}`}>
        <h2 className="text-[1.3rem]">
          {capitalize(couplerName(naming, coupler))}, {way} % of the way into {name}
        </h2>
        <EngageStage
          key={chosen.key}
          chosen={chosen}
          asked={asked}
          onWay={(next) => {
            change({ way: next })
          }}
        />
      </WorkMain>
      <WorkPanel label="Which, and its figures">
        <SelectField
          label="Place"
          value={chosen.key}
          options={all.map((each) => [
            each.key,
            `${placeName(naming, each.coupler, each.place)}, ${couplerName(naming, each.coupler)}`,
          ])}
          onChange={(at) => {
            change({ at, gap: '' })
          }}
        />
        <FiguresOfPlace chosen={chosen} asked={asked} search={search} change={change} />
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          The way, and the gap of a ring, are drawn to scale; all else to show what touches. What a
          ring or dogs may wear is in the maker’s manual.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
