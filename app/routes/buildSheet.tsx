import { X } from 'lucide-react'
import { useMemo, useState } from 'react'

import type { BoxDraft, Direction, Step } from 'core'
import { freshId, handlingOf, LARGEST } from 'core'

import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { BenchCheckTable } from '~/components/build/BenchCheckTable.tsx'
import { PartPicture } from '~/components/build/PartPicture.tsx'
import type { OpenBuild } from '~/components/build/useBuild.ts'
import { useBuild } from '~/components/build/useBuild.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { benchCheckOf } from '~/views/build/benchCheck.ts'
import { CAUTION_WORDS, faceWords, partNotes, precedenceWords, stepWords } from '~/words/build.ts'
import { CAUTIONS, DEFERENCE } from '~/words/cautions.ts'
import type { TorqueUnit } from '~/words/format.ts'
import { TORQUE_UNIT_NAMES } from '~/words/format.ts'
import { capitalize } from '~/words/names.ts'

interface StepLineProps {
  readonly build: OpenBuild
  readonly number: number
  readonly step: Step
  /** The latest step before it that needed the case on a face. */
  readonly before: Step | undefined
  readonly direction: Direction
  readonly torqueUnit: TorqueUnit
}

/** A step to tick, with its part, what is to be known of it, and places for its figures. */
function StepLine({ build, number, step, before, direction, torqueUnit }: StepLineProps) {
  const { naming, section } = build
  const handling = handlingOf(naming.box, step.part)
  const turnTo = before?.face === step.face ? null : step.face
  return (
    <li className="border-rule flex break-inside-avoid items-start gap-2 border-t py-1">
      <span aria-hidden className="border-ink mt-1 size-4 flex-none border-2" />
      <span className="w-7 flex-none text-right tabular-nums">{number}</span>
      <span className="h-9 w-12 flex-none">
        <PartPicture index={naming.box} section={section} part={step.part} width={48} height={36} />
      </span>
      <span className="min-w-0">
        {turnTo && <b>Turn the case: {faceWords(naming.words, turnTo)}. </b>}
        <span data-step>{stepWords(naming, step, direction)}.</span>{' '}
        <span className="text-graphite text-[0.9em]">
          {[
            ...(handling.isNewEachTime && direction === 'up' ? ['A new one.'] : []),
            ...partNotes(naming, step.part),
            ...handling.cautions
              .filter((caution) => caution !== 'heavy')
              .map((caution) => CAUTION_WORDS[caution]),
          ].join(' ')}
        </span>
        {direction === 'up' && handling.tools.includes('torque-wrench') && (
          <span className="whitespace-nowrap">
            {' '}
            Torque: ________ {TORQUE_UNIT_NAMES[torqueUnit]}
          </span>
        )}
        {direction === 'up' && step.part.part.kind === 'shaft' && (
          <span className="whitespace-nowrap"> End play: ________ {naming.words.lengthUnit}</span>
        )}
      </span>
    </li>
  )
}

/** Every step with its part, to tick and to fill in, for print. */
export default function BuildSheet() {
  const { draft, settings } = useOpenBox()
  const { job } = useOpenJob()
  const build = useBuild()
  const { order, assembly, nameOf } = build
  const [search, change] = useAddress('steps')
  const direction: Direction = search.way === 'down' ? 'down' : 'up'
  const steps = direction === 'down' ? order.down : [...order.down].reverse()
  const rows = useMemo(() => benchCheckOf(draft, job), [draft, job])
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Sheet of steps · Udrix`}</title>
      <div className="mx-auto grid max-w-[70rem] grid-cols-[minmax(0,1fr)] gap-4 print:gap-2 print:text-[0.8rem]">
        <div className="border-ink flex flex-wrap items-center gap-x-6 gap-y-1 border-b-2 pb-1">
          <h2 className="text-[1.5rem]">
            {draft.name}: {direction === 'down' ? 'taking apart' : 'putting together'}
          </h2>
          <span className="text-graphite">
            {steps.length} steps; the case is turned over{' '}
            {order.turns === 1 ? 'once' : `${order.turns} times`}
          </span>
          <div className="no-print ml-auto flex flex-wrap gap-2">
            {(['up', 'down'] as const).map((way) => (
              <button
                key={way}
                type="button"
                aria-pressed={way === direction}
                className="button aria-pressed:bg-accent-wash"
                onClick={() => {
                  change({ way })
                }}
              >
                {way === 'up' ? 'Together' : 'Apart'}
              </button>
            ))}
            <PrintButton />
          </div>
        </div>
        <p className="text-[0.9em]">
          {CAUTIONS.slice(0, 3).join(' ')} {DEFERENCE}
        </p>
        <ol
          aria-label="Steps"
          className="grid grid-cols-[minmax(0,1fr)] gap-x-6 md:grid-cols-2 print:grid-cols-2"
        >
          {steps.map((step, at) => (
            <StepLine
              build={build}
              key={step.part.id}
              number={at + 1}
              step={step}
              before={steps.slice(0, at).findLast(({ face }) => face !== null)}
              direction={direction}
              torqueUnit={settings.torqueUnit}
            />
          ))}
        </ol>
        {order.stuck.length > 0 && (
          <Warning role="status">
            Without a place in the order: {order.stuck.map(nameOf).join(', ')}. See Take apart for
            what holds them.
          </Warning>
        )}
        <BenchCheckTable draft={draft} job={job} rows={rows} />
        <Stated draft={draft} />
        <p className="sr-only">{assembly.parts.length} parts in all.</p>
      </div>
    </main>
  )
}

/** What people state of the order, besides what the parts themselves tell. */
function Stated({ draft }: { readonly draft: BoxDraft }) {
  const become = useBecome()
  const { naming } = useBuild()
  const stated = draft.precedences ?? []
  return (
    <section aria-label="What you state of the order" className="no-print">
      <h3 className="text-[1.15rem]">What you state of the order</h3>
      <p className="text-graphite">
        The order follows from where the parts stand. Where you know better, state which part goes
        in first.
      </p>
      <ul>
        {stated.map((each) => (
          <li key={each.id} className="flex items-center gap-2">
            {capitalize(precedenceWords(naming, each))}
            <button
              type="button"
              className="button-quiet"
              aria-label={`Take back: ${precedenceWords(naming, each)}`}
              onClick={() => {
                become({ ...draft, precedences: stated.filter(({ id }) => id !== each.id) })
              }}
            >
              <X aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <StateForm draft={draft} />
    </section>
  )
}

/** Two parts to choose, the one that goes in before the other. */
function StateForm({ draft }: { readonly draft: BoxDraft }) {
  const become = useBecome()
  const { assembly, nameOf } = useBuild()
  const [first, setFirst] = useState('')
  const [then, setThen] = useState('')
  const options = [
    ['', 'choose a part'],
    ...assembly.parts
      .map((part) => [part.id, capitalize(nameOf(part))] as const)
      .sort(([, one], [, other]) => one.localeCompare(other)),
  ] as const
  const isReady = first !== '' && then !== '' && first !== then
  const state = (): void => {
    const named = `${first} ${then}`
    const id = named.length > LARGEST.idLength ? freshId(draft, 'order') : named
    const others = (draft.precedences ?? []).filter((each) => each.id !== id)
    become({ ...draft, precedences: [...others, { id, first, then }] })
    setFirst('')
    setThen('')
  }
  return (
    <div className="grid items-end gap-2 sm:grid-cols-[1fr_1fr_auto]">
      <SelectField label="Goes in first" value={first} options={options} onChange={setFirst} />
      <SelectField label="Goes in after it" value={then} options={options} onChange={setThen} />
      <button type="button" className="button" disabled={!isReady} onClick={state}>
        State it
      </button>
    </div>
  )
}
