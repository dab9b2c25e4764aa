import { useMemo } from 'react'
import { Link } from 'react-router'

import type { MeasuredStack } from 'core'
import { boundsOf, limitFor, measuredOn, timingsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { EndPlayWords } from '~/components/build/EndPlayWords.tsx'
import { StackLength, StackParts } from '~/components/build/StackFields.tsx'
import { TimingCards } from '~/components/build/TimingCards.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { ShimPlanner } from '~/components/measure/ShimPlanner.tsx'
import { useViewState } from '~/components/useViewState.ts'
import { EMPTY_STACK, questionOf, stackAnswer, stackRows } from '~/views/build/stack.ts'
import { bodyName, capitalize } from '~/words/names.ts'

/** More than that is no play that shims are for. */
const MOST_PLAY_MM = 10

/** A stack against its shaft: the end play that follows, the shim for it; and timed countershafts. */
export default function BuildStack() {
  const { draft, words } = useOpenBox()
  const become = useBecome()
  const { job, current, shelf, rules, record } = useOpenJob()
  const { naming, groups, nameOf } = useBuild()
  const [search, change] = useViewState()
  const unit = words.lengthUnit
  // The fullest shaft first: it is what most ask about.
  const benches = groups
    .filter(({ bench }) => bench !== null)
    .sort((one, other) => other.parts.length - one.parts.length)
  const group = benches.find(({ bench }) => bench === search.get('shaft')) ?? benches[0]
  const timings = useMemo(() => timingsOf(draft), [draft])
  const shaft = `shaft:${group?.bench ?? ''}`
  const stack = job.stacks.get(shaft) ?? EMPTY_STACK
  const { turned, instead } = stack
  const isDisabled = current === undefined || job.isClosed
  const keep = (next: Partial<MeasuredStack>): void => {
    record({ kind: 'stack', shaft, stack: { ...stack, ...next } })
  }
  const rows = group ? stackRows(naming.box, group, turned) : []
  const question = questionOf(stack)
  const answer = question && stackAnswer(rows, question)
  const missing = rows.filter(({ isIn, lengthMm }) => isIn && lengthMm === undefined)
  const limit = limitFor(
    { limits: job.limits, sheet: draft.sheet ?? [], rules },
    shaft,
    'end-play',
    unit,
  )
  const bounds = boundsOf(limit)
  const measuredMm = measuredOn(job, shaft, 'end-play').at(-1)?.judgement.figures.figure
  const play = answer && (answer.after ?? answer.before)
  return (
    <main
      className="grid flex-1 content-start gap-x-8 gap-y-4 px-4 py-3 lg:min-h-0 lg:grid-cols-2 lg:overflow-auto"
      tabIndex={0}
    >
      <title>{`${draft.name} · Stack-up · Udrix`}</title>
      <section aria-label="Stack" className="flex flex-col gap-2">
        <h2 className="text-[1.35rem]">What a stack leaves of end play</h2>
        {group ? (
          <>
            <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
              <SelectField
                label="Shaft"
                value={group.bench ?? ''}
                options={benches.map(
                  ({ bench }) => [bench ?? '', capitalize(bodyName(naming, bench ?? ''))] as const,
                )}
                onChange={(bench) => {
                  change({ shaft: bench })
                }}
              />
              <StackLength
                key={`room ${shaft}`}
                label="Room between the stops"
                value={stack.room}
                unit={unit}
                isDisabled={isDisabled}
                onKeep={(room) => {
                  keep({ room })
                }}
              />
              <StackLength
                key={`room deviation ${shaft}`}
                label="Room, ±"
                value={stack.roomDeviation}
                unit={unit}
                isDisabled={isDisabled}
                onKeep={(length) => {
                  keep({ roomDeviation: length ?? EMPTY_STACK.roomDeviation })
                }}
              />
              <StackLength
                key={`part deviation ${shaft}`}
                label="Each part, ±"
                value={stack.partDeviation}
                unit={unit}
                isDisabled={isDisabled}
                onKeep={(length) => {
                  keep({ partDeviation: length ?? EMPTY_STACK.partDeviation })
                }}
              />
            </div>
            <StackParts
              index={naming.box}
              rows={rows}
              unit={unit}
              isDisabled={isDisabled}
              nameOf={nameOf}
              onTurn={(part) => {
                const isTurned = turned.includes(part)
                keep({
                  turned: isTurned ? turned.filter((each) => each !== part) : [...turned, part],
                })
              }}
              onChange={become}
            />
          </>
        ) : (
          <p>Nothing stands on a shaft that could be added up. List the parts on Lay out first.</p>
        )}
      </section>
      <div className="flex flex-col gap-4 lg:sticky lg:top-0 lg:self-start">
        <section
          aria-label="What follows"
          className="bg-sheet border-rule flex flex-col gap-2 border p-3"
        >
          {!question ? (
            <p>
              {current
                ? 'Measure the room from the shoulder to the ring or bearing that ends the stack, and enter it. It is kept in the job; the lengths stay with the parts.'
                : 'What is measured of a stack is kept in the job of a visit: open one above first.'}
            </p>
          ) : missing.length > 0 ? (
            <p>
              To be measured: {missing.map(({ part }) => nameOf(part)).join(', ')}. Or take out of
              the stack what does not bear.
            </p>
          ) : (
            answer && (
              <EndPlayWords
                answer={answer}
                limit={limit}
                bounds={bounds}
                measuredMm={measuredMm}
                unit={unit}
              />
            )
          )}
          <div className="grid grid-cols-2 gap-2">
            <SelectField
              label="Replaced"
              value={instead?.part ?? ''}
              isDisabled={isDisabled}
              options={[
                ['', 'nothing'],
                ...rows
                  .filter(({ isIn }) => isIn)
                  .map(({ part }) => [part.id, capitalize(nameOf(part))] as const),
              ]}
              onChange={(part) => {
                keep({ instead: part === '' ? undefined : { part, length: null } })
              }}
            />
            {instead && (
              <StackLength
                key={`${shaft} ${instead.part}`}
                label="The new one is long"
                value={instead.length}
                unit={unit}
                isDisabled={isDisabled}
                onKeep={(length) => {
                  keep({ instead: { ...instead, length } })
                }}
              />
            )}
          </div>
          <p className="text-graphite text-[0.9rem]">
            Worst case adds every deviation; the root of their squares is what many parts made
            independently come to.{' '}
            <Link
              to={`../measure?part=${encodeURIComponent(shaft)}`}
              relative="path"
              className="text-accent underline"
            >
              Measure the end play
            </Link>{' '}
            when it is together.
          </p>
          {play && play.mm >= 0 && play.mm <= MOST_PLAY_MM && (
            <ShimPlanner
              key={shaft}
              shelf={shelf}
              limit={limit}
              unit={unit}
              measuredMm={measuredMm ?? play.mm}
              done={job.shims.get(shaft)}
              isDisabled={isDisabled}
              onFit={(thicknesses, expected) => {
                record({ kind: 'shims', part: shaft, thicknesses, expected })
              }}
            />
          )}
        </section>
        <TimingCards naming={naming} timings={timings} />
      </div>
    </main>
  )
}
