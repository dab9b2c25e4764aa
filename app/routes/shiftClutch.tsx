import { clutchWork, clutchesOf, fullClutch, withListedPlates } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { ClutchFields } from '~/components/shift/ClutchFields.tsx'
import { ClutchFigure } from '~/components/shift/ClutchFigure.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { clutchName, clutchSentences, usualClutchWords } from '~/words/clutch.ts'
import { formatNumber } from '~/words/format.ts'

const STEPS = 200
const CAUTION =
  'Gaps are drawn far wider than they are. Lengths and clearances are the maker’s to say.'

interface WayProps {
  readonly said: string
  /** Of the whole way. */
  readonly share: number
  /** In per cent of it. */
  readonly onChange: (percent: number) => void
}

/** How far the pedal or the actuator has gone. */
function Way({ said, share, onChange }: WayProps) {
  return (
    <>
      <label htmlFor="way" className="font-semibold">
        Pedal or actuator: {said}
      </label>
      <input
        id="way"
        type="range"
        className="accent-accent h-[44px] w-full"
        min={0}
        max={STEPS}
        value={share * STEPS}
        aria-valuetext={said}
        onChange={(event) => {
          onChange((Number(event.target.value) / STEPS) * 100)
        }}
      />
    </>
  )
}

/** A clutch from the pedal or the actuator to its plates, at each moment of its way. */
export default function ShiftClutch() {
  const { settings } = useOpenBox()
  const { draft, naming } = useShift()
  const [search, change] = useAddress('clutch')
  const become = useBecome()
  const { clutches, areSaid } = clutchesOf(draft)
  const chosen = clutches.find(({ id }) => id === search.clutch) ?? clutches[0]
  if (!chosen) return <NothingToShow title={`${draft.name} · Clutch`}>No clutch.</NothingToShow>
  const clutch = withListedPlates(draft, chosen)
  const name = clutchName(naming, clutch)
  const { inputTravelMm } = fullClutch(clutch)
  const asked = Number(search.at ?? '')
  const share = Number.isFinite(asked) ? Math.min(Math.max(asked, 0), 100) / 100 : 0
  const work = clutchWork(clutch, share * inputTravelMm)
  const usual = usualClutchWords(clutch)
  const said = `${formatNumber(share * inputTravelMm, 1)} mm of ${formatNumber(inputTravelMm, 1)} mm`
  return (
    <WorkArea title={`${draft.name} · Clutch`}>
      <WorkMain label="Clutch from the pedal or actuator to its plates">
        {clutches.length > 1 && (
          <ToggleRow
            label="Clutch"
            options={clutches.map((each) => [each.id, clutchName(naming, each)] as const)}
            selected={chosen.id}
            onSelect={(id) => {
              change({ clutch: id })
            }}
          />
        )}
        <div className="min-h-0 flex-1">
          <Zoomable>
            <div className="h-full content-center pb-11">
              <ClutchFigure clutch={clutch} work={work} title={`${name}, ${said}`} />
            </div>
          </Zoomable>
        </div>
        <Way
          said={said}
          share={share}
          onChange={(at) => {
            change({ at: at === 0 ? '' : `${at}` })
          }}
        />
        <p className="text-graphite text-[0.9rem]">{CAUTION}</p>
      </WorkMain>
      <WorkPanel label="What the clutch does">
        <h2 className="text-[1.35rem]">{name}</h2>
        <div role="status">
          {clutchSentences(clutch, work, settings.torqueUnit).map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </div>
        {areSaid ? (
          <button
            type="button"
            className="button self-start"
            onClick={() => {
              become({ ...draft, clutches: undefined })
            }}
          >
            Back to what is usual
          </button>
        ) : (
          <p className="text-graphite">Proposed as it usually is; it is kept once you change it.</p>
        )}
        {usual !== null && <p className="text-graphite text-[0.9rem]">{usual}</p>}
        <ClutchFields
          key={clutch.id}
          naming={naming}
          clutch={chosen}
          onChange={(next) => {
            become({
              ...draft,
              clutches: clutches.map((each) => (each === chosen ? next : each)),
            })
          }}
        />
      </WorkPanel>
    </WorkArea>
  )
}
