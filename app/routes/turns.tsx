import { useMemo } from 'react'
import { useNavigate } from 'react-router'

import {
  findSuspects,
  indexBox,
  judgeChecks,
  parseReading,
  ratioPlaces,
  rational,
  suggestCheck,
  turnablePositions,
} from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { CheckTable } from '~/components/turns/CheckTable.tsx'
import { Suspects } from '~/components/turns/Suspects.tsx'
import { TurnEntry } from '~/components/turns/TurnEntry.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import type { Address, ChangeAddress } from '~/views/addresses.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName } from '~/words/names.ts'

/** As finely as a mark is read by eye, in turns; common practice. */
const USUAL_ERROR = rational(1, 8)
const USUAL_TURNS = '10'

/** What the turns of the job say of the counts, and which check would say more. */
function useTurnChecks(at: string | undefined) {
  const { job, box } = useOpenJob()
  const checks = useMemo(() => job.checks.map(({ check }) => check), [job])
  const judged = useMemo(() => (box ? judgeChecks(box, checks) : []), [box, checks])
  const suspects = useMemo(() => (box ? findSuspects(box, checks) : []), [box, checks])
  const next = useMemo(
    () => suggestCheck(suspects, checks.at(-1)?.errorTurns ?? USUAL_ERROR, at),
    [suspects, checks, at],
  )
  return { checks, judged, suspects, next }
}

/** Where the output of this box can be read, and the place that the address names. */
function usePlacesRead({ at }: Address<'turns'>) {
  const { draft } = useOpenBox()
  const places = useMemo(() => {
    const { positions, solver } = analyseDraft(draft)
    return solver ? ratioPlaces(solver.box, positions) : []
  }, [draft])
  return { places, at: places.find((place) => place === at) }
}

interface CheckToEnterProps extends ReturnType<typeof usePlacesRead> {
  readonly naming: Naming
  readonly search: Address<'turns'>
  readonly change: ChangeAddress<'turns'>
}

/** The check to be entered, as the address has it. */
function CheckToEnter({ naming, places, at, search, change }: CheckToEnterProps) {
  const { box, current, record } = useOpenJob()
  const positions = useMemo(() => (box ? turnablePositions(box) : []), [box])
  const position =
    positions.find((each) => each.id === search.position)?.id ?? positions[0]?.id ?? ''
  const readAt = search.read ?? 'input'
  const given = readAt === 'input' ? 'output' : 'input'
  const givenTurns = search[given] ?? USUAL_TURNS
  return (
    <TurnEntry
      positions={positions}
      position={position}
      places={
        places.length > 1 ? places.map((place) => [place, bodyName(naming, place)] as const) : []
      }
      at={at}
      readAt={readAt}
      givenTurns={givenTurns}
      isDisabled={current === undefined || !parseReading(givenTurns).ok}
      onPosition={(chosen) => {
        change({ position: chosen })
      }}
      onAt={(body) => {
        change({ at: body ?? '' })
      }}
      onReadAt={(end) => {
        change({ read: end === 'output' ? end : '' })
      }}
      onGivenTurns={(turns) => {
        change({ [given]: turns })
      }}
      onKeep={record}
    />
  )
}

/** Counts checked by turning the box. */
export default function Turns() {
  const { id, draft, words } = useOpenBox()
  const { job, record } = useOpenJob()
  const [search, change] = useAddress('turns')
  const navigate = useNavigate()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const { places, at } = usePlacesRead(search)
  const { checks, judged, suspects, next } = useTurnChecks(at)
  const firstSuspect = suspects.find(({ miscounts }) => miscounts.length > 0)?.miscounts[0]?.gear.id
  const countHref = (gear: string): string => `/boxes/${id}/count?gear=${gear}&pass=second`
  return (
    <WorkArea title={`${draft.name} · Turns`}>
      <WorkMain label="Section along the shafts, and turn checks">
        <div className="min-h-[16rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            litGear={firstSuspect}
            title={`Section along the shafts of ${draft.name}${firstSuspect ? '; the likeliest miscount is lit' : ''}`}
            gearHref={countHref}
            onChooseGear={(gear) => void navigate(countHref(gear))}
          />
        </div>
        <Legend hasRibbon={false} />
        <CheckTable
          job={job}
          judged={judged}
          naming={naming}
          onWithdraw={(entry) => {
            record({ kind: 'withdraw', entry })
          }}
        />
      </WorkMain>
      <WorkPanel>
        <CheckToEnter naming={naming} places={places} at={at} search={search} change={change} />
        {suspects.length > 0 && (
          <Suspects
            suspects={suspects}
            next={next}
            checkCount={checks.length}
            naming={naming}
            output={at === undefined ? 'output' : bodyName(naming, at)}
            countHref={countHref}
            onTakeNext={({ position: chosen, outputTurns: turns }) => {
              change({ position: chosen.id, output: `${turns}`, read: '' })
            }}
          />
        )}
        {judged.length > 0 && suspects.length === 0 && (
          <p role="status" className="text-[1.1rem]">
            Counts and turns agree.
          </p>
        )}
      </WorkPanel>
    </WorkArea>
  )
}
