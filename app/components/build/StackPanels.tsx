/** What is entered of a stack, and what follows from it. */
import { Link } from 'react-router'

import type { AssemblyPart } from 'core'
import { boundsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { ShimPlanner } from '~/components/measure/ShimPlanner.tsx'
import { EMPTY_STACK } from '~/views/build/stack.ts'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'

import { EndPlayWords } from './EndPlayWords.tsx'
import { StackLength } from './StackFields.tsx'
import type { OpenStack } from './useStack.ts'

/** More than that is no play that shims are for. */
const MOST_PLAY_MM = 10

interface StackRoomProps {
  readonly open: OpenStack
  readonly bench: string
  readonly benches: readonly string[]
  readonly naming: Naming
  readonly onShaft: (bench: string) => void
}

/** The shaft, the room on it, and how far lengths may be off. */
export function StackRoom({ open, bench, benches, naming, onShaft }: StackRoomProps) {
  const { shaft, stack, unit, isDisabled, keep } = open
  const common = { unit, isDisabled }
  return (
    <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
      <SelectField
        label="Shaft"
        value={bench}
        options={benches.map((each) => [each, capitalize(bodyName(naming, each))] as const)}
        onChange={onShaft}
      />
      <StackLength
        {...common}
        key={`room ${shaft}`}
        label="Room between the stops"
        value={stack.room}
        onKeep={(room) => {
          keep({ room })
        }}
      />
      <StackLength
        {...common}
        key={`room deviation ${shaft}`}
        label="Room, ±"
        value={stack.roomDeviation}
        onKeep={(length) => {
          keep({ roomDeviation: length ?? EMPTY_STACK.roomDeviation })
        }}
      />
      <StackLength
        {...common}
        key={`part deviation ${shaft}`}
        label="Each part, ±"
        value={stack.partDeviation}
        onKeep={(length) => {
          keep({ partDeviation: length ?? EMPTY_STACK.partDeviation })
        }}
      />
    </div>
  )
}

interface StackAnswerProps {
  readonly open: OpenStack
  readonly nameOf: (part: AssemblyPart) => string
}

/** The end play that follows, what a replaced part makes of it, and the shim that brings it in. */
export function StackAnswer({ open, nameOf }: StackAnswerProps) {
  const { shaft, answer, limit, measuredMm, unit, isDisabled } = open
  const { id } = useOpenBox()
  const { job, shelf, record } = useOpenJob()
  const play = answer && (answer.after ?? answer.before)
  return (
    <section
      aria-label="What follows"
      className="bg-sheet border-rule flex flex-col gap-2 border p-3"
    >
      <EndPlayOf open={open} nameOf={nameOf} />
      <Replaced open={open} nameOf={nameOf} />
      <p className="text-graphite text-[0.9rem]">
        Worst case adds every deviation; the root of their squares is what many parts made
        independently come to.{' '}
        <Link to={measureAddress(id, shaft, 'end-play')} className="text-accent underline">
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
  )
}

/** The end play, or what is still missing for it. */
function EndPlayOf({ open, nameOf }: StackAnswerProps) {
  const { rows, isAsked, isInJob, answer, limit, measuredMm, unit } = open
  const missing = rows.filter(({ isIn, lengthMm }) => isIn && lengthMm === undefined)
  if (!isAsked)
    return (
      <p>
        {isInJob
          ? 'Measure the room from the shoulder to the ring or bearing that ends the stack, and enter it. It is kept in the job; the lengths stay with the parts.'
          : 'What is measured of a stack is kept in the job of a visit: open one above first.'}
      </p>
    )
  if (missing.length > 0)
    return (
      <p>
        To be measured: {missing.map(({ part }) => nameOf(part)).join(', ')}. Or take out of the
        stack what does not bear.
      </p>
    )
  return (
    answer && (
      <EndPlayWords
        answer={answer}
        limit={limit}
        bounds={boundsOf(limit)}
        measuredMm={measuredMm}
        unit={unit}
      />
    )
  )
}

/** A part of the stack that another is put in for. */
function Replaced({
  open: { shaft, stack, rows, unit, isDisabled, keep },
  nameOf,
}: StackAnswerProps) {
  const { instead } = stack
  const inStack = rows.filter(({ isIn }) => isIn)
  return (
    <div className="grid grid-cols-2 gap-2">
      <SelectField
        label="Replaced"
        value={instead?.part ?? ''}
        isDisabled={isDisabled}
        options={[
          ['', 'nothing'],
          ...inStack.map(({ part }) => [part.id, capitalize(nameOf(part))] as const),
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
  )
}
