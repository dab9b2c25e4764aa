import { Search, Square } from 'lucide-react'
import { useMemo, useState } from 'react'

import type { BoxDraft, CountLimits, PosedSearch, TurnCheck } from 'core'
import {
  LEAST_TOOTH_COUNT,
  MOST_TOOTH_COUNT,
  countSets,
  indexBox,
  poseSearch,
  withToothCounts,
} from 'core'

import { Table } from '~/components/Table.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { SearchState } from '~/components/turns/useCountSearch.ts'
import { useCountSearch } from '~/components/turns/useCountSearch.ts'
import { formatShare } from '~/words/format.ts'
import { capitalize, gearName } from '~/words/names.ts'
import { Warning } from '~/components/Warning.tsx'

const FIELDS = [
  ['leastTeeth', 'Least teeth of a gear'],
  ['mostTeeth', 'Most teeth of a gear'],
  ['leastSum', 'Least teeth of a pair together'],
  ['mostSum', 'Most teeth of a pair together'],
] as const satisfies readonly (readonly [keyof CountLimits, string])[]

const USUAL_LIMITS: Readonly<Record<keyof CountLimits, string>> = {
  leastTeeth: '12',
  mostTeeth: '60',
  leastSum: '50',
  mostSum: '70',
}

/** Seconds that a search may take. */
const TIMES = [
  ['10', '10 seconds'],
  ['60', 'one minute'],
  ['600', 'ten minutes'],
] as const

const WHOLE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 })

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** "8,031,224", and from ten million millions on "about 3.5 × 10¹³". */
function formatMany(count: number): string {
  if (count < 1e13) return WHOLE.format(count)
  const [size = '', power = ''] = count.toExponential(1).split('e+')
  return `about ${size} × 10${power.replace(/\d/g, (digit) => SUPERSCRIPTS[Number(digit)] ?? '')}`
}

function parseLimits(
  texts: Readonly<Record<keyof CountLimits, string>>,
):
  | { readonly ok: true; readonly limits: CountLimits }
  | { readonly ok: false; readonly sentence: string } {
  const values = Object.fromEntries(
    FIELDS.map(([key]) => [key, /^\d{1,3}$/.test(texts[key].trim()) ? Number(texts[key]) : NaN]),
  )
  const [leastTeeth = NaN, mostTeeth = NaN, leastSum = NaN, mostSum = NaN] = FIELDS.map(
    ([key]) => values[key],
  )
  const limits = { leastTeeth, mostTeeth, leastSum, mostSum }
  if (Object.values(limits).some(Number.isNaN))
    return { ok: false, sentence: 'Every limit is a whole number of teeth.' }
  if (leastTeeth < LEAST_TOOTH_COUNT || mostTeeth > MOST_TOOTH_COUNT)
    return {
      ok: false,
      sentence: `Gears have ${LEAST_TOOTH_COUNT} to ${MOST_TOOTH_COUNT} teeth.`,
    }
  if (leastTeeth > mostTeeth || leastSum > mostSum)
    return { ok: false, sentence: 'A least is more than its most. Exchange the two.' }
  return { ok: true, limits }
}

function refusalOf(posed: PosedSearch, labelOf: (position: string) => string): string | undefined {
  if (posed.ok) return undefined
  switch (posed.code) {
    case 'no-checks':
      return 'No turn check has been made yet. Make one in each position first.'
    case 'does-not-drive':
      return `Position ${labelOf(posed.position)} drives nothing in the drawing, so its turns say nothing of the counts.`
    case 'not-a-product':
      return `In position ${labelOf(posed.position)} power joins at several speeds, so its turns are no product of pairs. Take that check back.`
    case 'read-too-coarsely':
      return `In position ${labelOf(posed.position)} the output turned no further than it was read. Take that check back and turn the input more.`
    case 'not-well-formed':
      return 'The drawing does not hang together yet. Lay the box out first.'
  }
}

/** The box with nothing counted in it. */
function closed(draft: BoxDraft): BoxDraft {
  return { ...draft, gears: draft.gears.map((gear) => ({ ...gear, toothCount: null })) }
}

/** The search that these limits ask for, or what is wrong with them. */
function pose(
  draft: BoxDraft,
  checks: readonly TurnCheck[],
  texts: Readonly<Record<keyof CountLimits, string>>,
  isFromScratch: boolean,
): PosedSearch | string {
  const parsed = parseLimits(texts)
  if (!parsed.ok) return parsed.sentence
  return poseSearch(isFromScratch ? closed(draft) : draft, checks, parsed.limits)
}

/** The box without the counts that are looked for, and with those of the set that is shown. */
function filledIn(
  draft: BoxDraft,
  isFromScratch: boolean,
  state: SearchState,
  shownAt: number,
): BoxDraft {
  const known = isFromScratch ? closed(draft) : draft
  const shown = state.kind === 'found' ? state.found.likeliest[shownAt] : undefined
  if (state.kind !== 'found' || !shown) return known
  return withToothCounts(
    known,
    new Map(state.search.gears.map(({ gear }, at) => [gear, shown.counts[at] ?? 0])),
  )
}

/** Counts of a box that stays closed, from its turns alone. */
export default function ClosedBox() {
  const { draft, words } = useOpenBox()
  const { job } = useOpenJob()
  const { state, start, stop } = useCountSearch()
  const [texts, setTexts] = useState(USUAL_LIMITS)
  const [problem, setProblem] = useState<string>()
  const [seconds, setSeconds] = useState<string>(TIMES[1][0])
  const [isFromScratch, setIsFromScratch] = useState(true)
  /** Which of the sets found is drawn. */
  const [shownAt, setShownAt] = useState(0)
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const labelOf = (position: string): string =>
    draft.positions.find(({ id }) => id === position)?.label ?? position
  const checks = useMemo(() => job.checks.map(({ check }) => check), [job])
  const posed = useMemo(
    () => pose(draft, checks, texts, isFromScratch),
    [draft, checks, texts, isFromScratch],
  )
  const ahead =
    typeof posed !== 'string' && posed.ok
      ? `${formatMany(countSets(posed.search))} combinations of the counts of ${posed.search.gears.length} gears to look through.`
      : ''
  const begin = (): void => {
    setProblem(typeof posed === 'string' ? posed : refusalOf(posed, labelOf))
    setShownAt(0)
    if (typeof posed !== 'string' && posed.ok) start(posed.search, Number(seconds))
  }
  const found = state.kind === 'found' ? state.found : undefined
  const filled = useMemo(
    () => filledIn(draft, isFromScratch, state, shownAt),
    [draft, isFromScratch, state, shownAt],
  )
  const best = found?.likeliest[0]?.score ?? 0
  return (
    <main className="flex-1 px-4 py-2 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · Only turns known · Udrix`}</title>
      <p className="py-1">
        The box stays closed: every set of tooth counts that fits the {checks.length}{' '}
        {checks.length === 1 ? 'turn check' : 'turn checks'} of this job, the likeliest first.
      </p>
      <form
        aria-label="Limits of the search"
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          begin()
        }}
      >
        {FIELDS.map(([key, label]) => (
          <label key={key} className="font-semibold">
            {label}
            <input
              className="field mt-1 block w-[7rem]"
              inputMode="numeric"
              autoComplete="off"
              value={texts[key]}
              onChange={(event) => {
                setTexts({ ...texts, [key]: event.target.value })
                setProblem(undefined)
              }}
            />
          </label>
        ))}
        <label className="flex min-h-[44px] items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={isFromScratch}
            onChange={(event) => {
              setIsFromScratch(event.target.checked)
            }}
          />
          Leave the counts entered out of it
        </label>
        <label className="font-semibold">
          For at most
          <select
            className="field mt-1 block"
            value={seconds}
            onChange={(event) => {
              setSeconds(event.target.value)
            }}
          >
            {TIMES.map(([value, title]) => (
              <option key={value} value={value}>
                {title}
              </option>
            ))}
          </select>
        </label>
        {state.kind === 'running' ? (
          // A button of its own: one that became the other would begin the search anew.
          <button key="stop" type="button" className="button" onClick={stop}>
            <Square aria-hidden /> Stop at {formatShare(state.done)}
          </button>
        ) : (
          <button key="find" className="button button-main">
            <Search aria-hidden /> Find the counts
          </button>
        )}
      </form>
      {problem && (
        <Warning role="alert" className="mt-2">
          {problem}
        </Warning>
      )}
      <p role="status" className="py-2 text-[1.1rem]">
        {state.kind === 'idle' && ahead}
        {state.kind === 'running' && `Searching… ${ahead}`}
        {state.kind === 'stopped' &&
          `${state.by === 'time' ? 'Stopped after the time given' : 'Stopped'}. Nothing is listed, because the search was not whole. Narrower sums, or more turns of the output, make it shorter.`}
        {found &&
          (found.total === 0
            ? `None of ${formatMany(found.combinations)} combinations fits. A limit is too narrow, or a turn check is misread.`
            : `${formatMany(found.total)} ${found.total === 1 ? 'set fits' : 'sets fit'}, of ${formatMany(found.combinations)} combinations.${found.total > found.likeliest.length ? ` The ${found.likeliest.length} likeliest are listed; more turns of the output, or narrower sums, leave fewer.` : ''}`)}
      </p>
      <div className="h-[17rem]">
        <SectionDrawing
          draft={filled}
          words={words}
          title={`Section along the shafts of ${draft.name}${found && found.total > 0 ? `, with set ${shownAt + 1} of those that fit` : ', counts to be found'}`}
        />
      </div>
      {state.kind === 'found' && state.found.total > 0 && (
        <div
          className="overflow-auto lg:max-h-[15rem]"
          tabIndex={0}
          role="region"
          aria-label="Sets that fit"
        >
          <Table
            caption="Sets of counts that fit, the likeliest first"
            className=""
            rows={state.found.likeliest}
            keyOf={(_, at) => at}
            columns={[
              {
                heading: 'Set',
                cell: (set) => {
                  const at = state.found.likeliest.indexOf(set)
                  return (
                    <button
                      type="button"
                      className="button-quiet aria-pressed:bg-accent-wash"
                      aria-pressed={at === shownAt}
                      onClick={() => {
                        setShownAt(at)
                      }}
                    >
                      Draw {at + 1}
                    </button>
                  )
                },
              },
              {
                heading: 'Against the best',
                cell: ({ score }) => formatShare(Math.exp(score - best)),
              },
              ...state.search.gears.map(({ gear }, at) => {
                const named = naming.box.gears.get(gear)
                return {
                  heading: named ? capitalize(gearName(naming, named)) : gear,
                  className: 'text-[1.1rem] font-semibold',
                  cell: ({ counts }: { readonly counts: readonly number[] }) => counts[at],
                }
              }),
            ]}
          />
        </div>
      )}
    </main>
  )
}
