import type { Address, ChangeAddress } from '~/views/addresses.ts'
import type { Engageable, Approach, BoxDraft, Job } from 'core'
import { engageables, contactOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { ContactFigure } from '~/components/shift/ContactFigure.tsx'
import { DogLoadFields, RingGapFields } from '~/components/shift/EngageFields.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import {
  depthOf,
  isRingCondemned,
  measuredGapMm,
  ringOf,
  travelOf,
} from '~/views/shift/contactView.ts'
import { MOST_LOAD_NM, USUAL_LOAD_NM, figureWithin } from '~/views/shift/shiftInput.ts'
import { contactWords } from '~/words/contact.ts'
import { capitalize, couplerName, placeName } from '~/words/names.ts'

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
  const triedMm = tried === null || !Number.isFinite(Number(tried)) ? null : Number(tried)
  const travelMm = travelOf(draft, chosen)
  const depthMm = depthOf(chosen, travelMm)
  const gapMm = triedMm ?? measuredMm
  return {
    way,
    measuredMm,
    triedMm,
    approach: { part: way / 100, hasRing, gapMm, travelMm, depthMm },
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
      isCondemned={isRingCondemned(naming.box, job, chosen)}
      triedMm={asked.triedMm}
      unit={settings.lengthUnit}
      measureHref={measureAddress(id, ringOf(chosen))}
      onTry={(gap) => {
        change({ gap: gap === null ? '' : `${gap}` })
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

/** One coupler large, at any part of its way: what touches, what slips, what grinds. */
export default function ShiftEngage() {
  const { settings } = useOpenBox()
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
  const { coupler, place, hasRing } = chosen
  const { lengthUnit } = settings
  const name = placeName(naming, coupler, place)
  const asked = approachOf(draft, job, chosen, search)
  const { way, approach } = asked
  const contact = contactOf(approach)
  const said = contactWords(contact, approach, lengthUnit)
  const { dogs = {} } = place
  return (
    <WorkArea title={`${name} half engaged · ${draft.name}`}>
      <WorkMain label={`${capitalize(couplerName(naming, coupler))}, on its way into ${name}`}>
        <h2 className="text-[1.3rem]">
          {capitalize(couplerName(naming, coupler))}, {way} % of the way into {name}
        </h2>
        <div className="min-h-[16rem] flex-1">
          <ContactFigure
            approach={approach}
            contact={contact}
            dogs={dogs}
            lengthUnit={lengthUnit}
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
        </div>
        <WaySlider
          way={way}
          said={said}
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
          Drawn to show what touches, not to scale. What a ring or dogs may wear is in the maker’s
          manual.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
