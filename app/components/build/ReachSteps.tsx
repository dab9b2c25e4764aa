import { Link } from 'react-router'

import type { AssemblyPart } from 'core'
import { isJudged } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import type { Reach } from '~/views/build/reach.ts'
import { openingOf } from '~/views/build/reach.ts'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import { stepWords } from '~/words/build.ts'

import { PartPicture } from './PartPicture.tsx'
import type { OpenBuild } from './useBuild.ts'

interface ReachStepsProps {
  readonly build: OpenBuild
  readonly reach: Reach
  /** What is wanted, told from what only comes off before it. */
  readonly targets: readonly AssemblyPart[]
}

/** What comes off to get at some parts, what that costs, and what to look at meanwhile. */
export function ReachSteps({ build, reach, targets }: ReachStepsProps) {
  const { nameOf } = build
  const { steps, pressed, once, isLeast } = reach
  const opening = openingOf(steps, targets)
  const listed = { build, targets }
  return (
    <>
      <h2 className="text-[1.35rem] leading-tight">
        {steps.length === 1 ? 'It comes off by itself' : `${steps.length} parts come off`}
      </h2>
      {!isLeast && (
        <p>Fewer might do: to find the fewest of so many that may go either way takes too long.</p>
      )}
      <p>
        {pressed.length === 0
          ? 'None of them is pressed.'
          : `Press work: ${pressed.length} (${pressed.map(nameOf).join(', ')}).`}{' '}
        {once.length === 0
          ? 'All of them go in again.'
          : `New each time: ${once.map(nameOf).join(', ')}.`}
      </p>
      {opening.length > 0 && (
        <details>
          <summary className="border-rule border-t font-semibold">
            Open the case: {opening.length} parts come off first
          </summary>
          <StepList {...listed} steps={opening} start={1} />
        </details>
      )}
      <StepList {...listed} steps={steps.slice(opening.length)} start={opening.length + 1} />
      <WhileOpen steps={steps} nameOf={nameOf} />
    </>
  )
}

interface StepListProps extends Pick<ReachStepsProps, 'build' | 'targets'>, Pick<Reach, 'steps'> {
  /** The number of its first step. */
  readonly start: number
}

/** What comes off one after another, each with its picture. */
function StepList({ build: { naming, section }, targets, steps, start }: StepListProps) {
  return (
    <ol className="flex flex-col" start={start}>
      {steps.map((step, at) => (
        <li key={step.part.id} className="border-rule flex items-center gap-2 border-t py-1">
          <span className="text-graphite w-7 flex-none text-right tabular-nums">{start + at}</span>
          <span className="h-9 w-12 flex-none">
            <PartPicture
              index={naming.box}
              section={section}
              part={step.part}
              width={48}
              height={36}
            />
          </span>
          <span className={targets.includes(step.part) ? 'font-bold' : undefined}>
            {stepWords(naming, step, 'down')}
          </span>
        </li>
      ))}
    </ol>
  )
}

/** What comes off anyway and was not judged yet. */
function WhileOpen({ steps, nameOf }: Pick<Reach, 'steps'> & Pick<OpenBuild, 'nameOf'>) {
  const { id } = useOpenBox()
  const { job } = useOpenJob()
  const toLookAt = steps.filter(
    ({ part: { part } }) => part.looks.length > 0 && part.kind !== 'shaft' && !isJudged(job, part),
  )
  if (toLookAt.length === 0) return null
  return (
    <section aria-label="Look at while it is open">
      <h3 className="font-semibold">Look at while it is open</h3>
      <ul className="flex flex-wrap gap-x-3">
        {toLookAt.map(({ part }) => (
          <li key={part.id}>
            <Link to={measureAddress(id, part.part.ref)} className="text-accent underline">
              {nameOf(part)}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
