import { Suspense, lazy, useState } from 'react'
import { Link } from 'react-router'

import type { Analysis, BoxPosition, Drive, Gear, RatioFactor } from 'core'
import { compareRatios, finalPinionShaft, isDisputed, roadSpeedKmh, toNumber } from 'core'

import {
  formatExact,
  formatInverse,
  formatRatio,
  formatRatioFigure,
  formatRoadSpeed,
  formatSpeed,
  formatTorque,
} from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, gearName } from '~/words/names.ts'
import {
  balanceSentence,
  circulationSentence,
  engagementSentence,
  blockSentence,
  openSentence,
  opposedSentence,
  pathSentences,
  pedalSentence,
  ratioSentence,
} from '~/words/sentences.ts'
import { LINK_WORDS, inWords } from '~/words/vocabulary.ts'
import { axleOf } from '~/views/trace/bend.ts'
import type { TraceInput } from '~/views/trace/traceInput.ts'
import { Warning } from '~/components/Warning.tsx'
import { Explained } from '~/components/words/Explained.tsx'
import { Term } from '~/components/words/Term.tsx'

import { ShareFields } from './ShareFields.tsx'
import type { OpenTrace } from './traceContext.ts'

const Waiting = lazy(() => import('./Waiting.tsx'))
const BendFields = lazy(() => import('./BendFields.tsx'))

interface TraceResultProps {
  readonly trace: OpenTrace
  /** Why it is locked, where it is. */
  readonly lock?: string | undefined
  readonly countHref: (gearId: string) => string
  /** Where final drive and wheels are entered. */
  readonly ratiosHref: string
  /** Where torque and speed in are entered; they stand over torque and speed out. */
  readonly inputFields: React.ReactNode
}

/** Everything that is to be said of the selected position. */
export function TraceResult(props: TraceResultProps) {
  const { trace, lock, countHref, ratiosHref, inputFields } = props
  const { naming, input } = trace
  const { position, analysis } = trace.selected
  return (
    <div
      aria-live="polite"
      className="flex flex-col gap-3 print:block print:columns-2 print:[&>*]:mb-2"
    >
      <h2 className="text-graphite -mb-2 text-[1.05rem]">
        {trace.isByHand
          ? inWords(naming.words, 'Sleeves moved by hand')
          : `Position ${position.label}`}
        {trace.waiting && `, ${trace.waiting.position.label} waits`}
        {trace.isOverrun && (
          <>
            , the wheels drive: <Term id="overrun">overrun</Term>
          </>
        )}
      </h2>
      {input.isPedalDown && <p className="font-semibold">{pedalSentence(analysis, input)}</p>}
      {analysis.state === 'drive' ? (
        <DriveFigures
          naming={naming}
          position={position}
          drive={analysis}
          input={input}
          ratiosHref={ratiosHref}
        >
          {inputFields}
        </DriveFigures>
      ) : analysis.state === 'uncounted' ? (
        <Uncounted
          naming={naming}
          position={position}
          gears={analysis.gears}
          countHref={countHref}
        />
      ) : (
        <div>
          <p className="text-[1.9rem] font-bold">{STATES[analysis.state].title}</p>
          <p>
            {analysis.state === 'undetermined'
              ? openSentence(naming, analysis)
              : (opposedSentence(naming, analysis) ??
                // What the pedal does is said over it.
                (input.isPedalDown && analysis.state === 'neutral'
                  ? ''
                  : STATES[analysis.state].sentence))}
          </p>
          {lock !== undefined && (
            <Warning className="mt-2">
              <span data-testid="lock">{lock}</span>
            </Warning>
          )}
        </div>
      )}
      <Engaged naming={naming} analysis={analysis} />
      {analysis.state === 'drive' && <Bend trace={trace} drive={analysis} />}
      {trace.preselections.length > 0 && (
        <Suspense>
          <Waiting trace={trace} />
        </Suspense>
      )}
      {analysis.state === 'drive' && !input.isPedalDown && (
        <PathList naming={naming} drive={analysis} input={input}>
          <ShareFields trace={trace} />
        </PathList>
      )}
    </div>
  )
}

/** The bend that the wheels go round, where their axle has an open differential. */
function Bend({ trace, drive }: { readonly trace: OpenTrace; readonly drive: Drive }) {
  const [isOpen, setIsOpen] = useState(trace.search.bend !== null)
  const axle = axleOf(trace.naming.box.draft, drive)
  if (!axle) return null
  return (
    <details
      className="no-print"
      open={isOpen}
      onToggle={(event) => {
        setIsOpen(event.currentTarget.open)
      }}
    >
      <summary className="min-h-[44px] cursor-pointer content-center font-semibold">
        In a bend
      </summary>
      {isOpen && (
        <Suspense>
          <BendFields trace={trace} drive={drive} axle={axle} />
        </Suspense>
      )}
    </details>
  )
}

const STATES = {
  neutral: {
    title: 'Neutral',
    sentence: 'The input turns; the output is free of it and no torque passes.',
  },
  locked: {
    title: 'Locked',
    sentence: 'Neither input nor output can turn: two gears are in at once. Do not force it.',
  },
  'input-locked': {
    title: 'Input locked',
    sentence: 'The input cannot turn; the output is free.',
  },
  'output-locked': {
    title: 'Output locked',
    sentence: 'The output cannot turn; the input is free.',
  },
  undetermined: { title: 'Not settled', sentence: '' },
} as const satisfies Record<
  Exclude<Analysis['state'], 'drive' | 'uncounted'>,
  { readonly title: string; readonly sentence: string }
>

interface UncountedProps {
  readonly naming: Naming
  readonly position: BoxPosition
  readonly gears: readonly Gear[]
  readonly countHref: (gear: string) => string
}

function Uncounted({ naming, position, gears, countHref }: UncountedProps) {
  return (
    <div>
      <p className="text-[1.6rem] font-bold">Not counted yet</p>
      <p>The ratio of {position.label} needs the teeth of:</p>
      <ul className="mt-1 list-disc pl-5">
        {gears.map((gear) => (
          <li key={gear.id}>
            <Link className="text-accent underline" to={countHref(gear.id)}>
              {gearName(naming, gear)}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  )
}

interface AtOutputsProps {
  readonly naming: Naming
  readonly drive: Drive
  readonly input: TraceInput
  /** Whether it has to be said which output is meant. */
  readonly isNamed: boolean
}

/** Torque and speed at each output. */
function AtOutputs({ naming, drive, input, isNamed }: AtOutputsProps) {
  const where = drive.isOverrun ? 'at the output' : 'out'
  return (
    <table className="w-full text-left">
      <thead className="text-graphite">
        <tr>
          <th className="w-1/2 font-normal">Torque {where}</th>
          <th className="font-normal">Speed {where}</th>
        </tr>
      </thead>
      <tbody className="border-rule border-b-2">
        {drive.outputs.map(({ body, speed, torque }) => (
          <tr key={body} className="align-baseline">
            <td className="pr-3 text-[1.5rem] font-bold" data-testid="torque-out">
              {formatTorque(Math.abs(toNumber(torque)) * input.torqueNm, input.torqueUnit)}
            </td>
            <td className="text-[1.5rem] font-bold" data-testid="speed-out">
              {formatSpeed(Math.abs(toNumber(speed)) * input.speedRpm)}
              {isNamed && (
                <span className="text-graphite block text-[0.86rem] font-normal">
                  {bodyName(naming, body)}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

interface OverallProps {
  readonly naming: Naming
  readonly position: BoxPosition
  readonly drive: Drive
}

/** Down to the wheels, where a final drive is known; before one that the box holds, what its shaft turns. */
function Overall({ naming, position, drive }: OverallProps) {
  const { draft } = naming.box
  const at = finalPinionShaft(draft, drive)
  const [row] = compareRatios([{ position, analysis: drive }], draft, at)
  if (!row?.ratio || !row.overall || (at === undefined && !draft.finalDrive)) return null
  return (
    <p data-testid="overall">
      {at !== undefined && (
        <>
          <b>{formatRatio(row.ratio)}</b> at the {bodyName(naming, at)},{' '}
        </>
      )}
      <b>{formatRatio(row.overall)}</b> overall, with the final drive
    </p>
  )
}

function DriveFigures({
  naming,
  position,
  drive,
  input,
  ratiosHref,
  children,
}: OverallProps & {
  readonly input: TraceInput
  readonly ratiosHref: string
  readonly children: React.ReactNode
}) {
  const { ratio } = drive
  const [first] = drive.outputs
  const isElsewhere = first !== undefined && first.body !== naming.box.draft.outputs[0]
  const elsewhere = isElsewhere ? bodyName(naming, first.body) : undefined
  const balance = balanceSentence(naming, drive)
  const disputed = drive.path
    .flatMap((step) => [...step.from, ...step.to])
    .map(({ gear }) => gear)
    .find((gear) => gear !== undefined && isDisputed(gear))
  return (
    <>
      <div>
        <p
          className="text-[3.4rem] leading-none font-bold tracking-tight print:text-[2.4rem]"
          data-testid="ratio"
        >
          {formatRatio(ratio)}
        </p>
        <p className="text-graphite mt-1 text-[1.1rem]">
          inverse <b className="text-ink">{formatInverse(ratio)}</b>, exactly{' '}
          <b className="text-ink" data-testid="exact">
            {formatExact(ratio)}
          </b>
        </p>
        <p className="mt-1 font-semibold">{ratioSentence(naming.words, ratio, elsewhere)}</p>
        <Overall naming={naming} position={position} drive={drive} />
      </div>
      {disputed && (
        <Warning>
          Rests on a count in dispute: {gearName(naming, disputed)}. Settle it under Count.
        </Warning>
      )}
      <Factors naming={naming} factors={drive.factors} ratio={formatRatioFigure(ratio)} />
      {children}
      <AtOutputs
        naming={naming}
        drive={drive}
        input={input}
        isNamed={drive.outputs.length > 1 || isElsewhere}
      />
      <RoadSpeed naming={naming} drive={drive} input={input} ratiosHref={ratiosHref} />
      {balance && <p className="text-graphite text-[0.86rem]">{balance}</p>}
    </>
  )
}

function RoadSpeed({
  naming,
  drive,
  input,
  ratiosHref,
}: {
  readonly naming: Naming
  readonly drive: Drive
  readonly input: TraceInput
  readonly ratiosHref: string
}) {
  const { finalDrive = null, rollingRadiusMm } = naming.box.draft
  const [output] = drive.outputs
  // The wheels hang on the first output; another one has no road speed.
  if (output && output.body !== naming.box.draft.outputs[0]) return null
  if (!rollingRadiusMm || !output)
    return (
      <p className="text-graphite -mt-2 text-[0.86rem]">
        <Link to={ratiosHref} className="text-accent underline">
          Enter the rolling radius of the wheels
        </Link>{' '}
        to see the road speed.
      </p>
    )
  // In a bend the middle of the axle goes as its two wheels do in the mean.
  const rpm = input.speedRpm / toNumber(drive.ratio)
  return (
    <p className="-mt-2">
      Road speed{' '}
      <b data-testid="road-speed">
        {formatRoadSpeed(roadSpeedKmh(rpm, rollingRadiusMm, finalDrive), input.roadSpeedUnit)}
      </b>{' '}
      <span className="text-graphite text-[0.86rem]">
        {finalDrive ? 'with the final drive' : 'with the output at the wheels'}
      </span>
    </p>
  )
}

/** What a factor that is no pair of gears comes from: "planetary set". */
function setWords(naming: Naming, { law }: RatioFactor): string {
  const link = naming.box.links.get(law.source)
  return link ? LINK_WORDS[link.kind] : ''
}

/** The pairs that multiply into the ratio, driven over driving, as they are counted. */
function Factors({
  naming,
  factors,
  ratio,
}: {
  readonly naming: Naming
  readonly factors: readonly RatioFactor[] | undefined
  readonly ratio: string
}) {
  if (factors === undefined)
    return <p>The power splits and joins at different speeds: the ratio is no product of pairs.</p>
  if (factors.length === 0) return <p>No pair in the way: input and output turn as one.</p>
  return (
    <p className="flex flex-wrap items-center gap-x-2 text-[1.25rem]" data-testid="factors">
      {factors.map((factor, at) => (
        <span key={factor.law.source} className="flex items-center gap-2">
          {at > 0 && <span>×</span>}
          {factor.pair ? (
            <span className="inline-flex flex-col items-center leading-tight font-semibold">
              <span className="border-ink border-b-2 px-1">{factor.pair.driven.toothCount}</span>
              <span className="px-1">{factor.pair.driving.toothCount}</span>
            </span>
          ) : (
            <span className="inline-flex flex-col items-center leading-tight font-semibold">
              {formatExact(factor.ratio)}
              <span className="text-graphite text-[0.86rem] font-normal">
                {setWords(naming, factor)}
              </span>
            </span>
          )}
        </span>
      ))}
      <span>= {ratio}</span>
      {factors.some(({ pair }) => pair) && (
        <span className="text-graphite text-[0.86rem]">driven over driving teeth</span>
      )}
    </p>
  )
}

function Engaged({ naming, analysis }: { readonly naming: Naming; readonly analysis: Analysis }) {
  return (
    <section>
      <h3 className="text-[1.05rem]">What engages</h3>
      {analysis.engaged.length === 0 ? (
        <p>{inWords(naming.words, 'Nothing: every sleeve and slider is at its centre.')}</p>
      ) : (
        <Explained
          texts={analysis.engaged.map((engaged) => engagementSentence(naming, engaged))}
          terms={['sleeve', 'dog-teeth', 'range', 'splitter', 'clutch', 'main-shaft']}
        >
          {(text) => <p data-testid="engaged">{text}</p>}
        </Explained>
      )}
    </section>
  )
}

function PathList({
  naming,
  drive,
  input,
  children,
}: {
  readonly naming: Naming
  readonly drive: Drive
  readonly input: TraceInput
  readonly children: React.ReactNode
}) {
  const block = blockSentence(naming, drive)
  return (
    <section>
      <h3 className="text-[1.05rem]">The way of the torque</h3>
      <ol className="list-decimal space-y-1 pl-5" data-testid="path">
        <Explained
          texts={pathSentences(naming, drive, input)}
          terms={['input-shaft', 'countershaft', 'head-gear', 'idler', 'planetary']}
        >
          {(text) => <li>{text}</li>}
        </Explained>
      </ol>
      {block && <p className="mt-1">{block}</p>}
      {drive.circulations.map((circulation, at) => (
        <p key={at} className="mt-1">
          {circulationSentence(naming, circulation)}
        </p>
      ))}
      {children}
    </section>
  )
}
