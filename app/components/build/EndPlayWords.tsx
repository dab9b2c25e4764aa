import type { Bounds, EndPlay, EnteredLimit } from 'core'
import { shimRange } from 'core'

import type { StackAnswer } from '~/views/build/stack.ts'
import type { LengthUnit } from '~/words/format.ts'
import { formatLength } from '~/words/format.ts'
import { boundsWords } from '~/words/measures.ts'

interface EndPlayWordsProps {
  readonly answer: StackAnswer
  /** What is asked for of this shaft, where anybody has said it. */
  readonly limit: EnteredLimit | null
  readonly bounds: Bounds | null
  /** As the job measured it; what the lengths make of it is asked only where nobody did. */
  readonly measuredMm: number | undefined
  readonly unit: LengthUnit
}

/** The end play that a stack leaves, before and after, and the shim for it. */
export function EndPlayWords({ answer, limit, bounds, measuredMm, unit }: EndPlayWordsProps) {
  const { before, after } = answer
  return (
    <>
      <PlayWords title="End play" play={before} unit={unit} />
      {after && <PlayWords title="With the part replaced" play={after} unit={unit} />}
      {limit && bounds ? (
        <>
          <p>Asked for: {boundsWords(bounds, limit.unit)}</p>
          {measuredMm === undefined && (
            <ShimWords play={after ?? before} bounds={bounds} unit={unit} />
          )}
        </>
      ) : (
        <p className="text-graphite">
          The maker’s range of the end play of this shaft is not known: enter it on the data sheet,
          and the shim follows.
        </p>
      )}
      {measuredMm !== undefined && (
        <p>
          Measured in this job: {formatLength(measuredMm, unit)}. It counts before what the lengths
          make of it.
        </p>
      )}
    </>
  )
}

function PlayWords({
  title,
  play,
  unit,
}: {
  readonly title: string
  readonly play: EndPlay
  readonly unit: LengthUnit
}) {
  return (
    <p className="text-[1.1rem]">
      {title}: <b>{formatLength(play.mm, unit)}</b>
      {play.mm < 0 && ' (preload: the stack is longer than its room)'}, ±{' '}
      {formatLength(play.rootMm, unit)} to be expected, ± {formatLength(play.worstMm, unit)} in the
      worst case.
    </p>
  )
}

function ShimWords({
  play,
  bounds: { least: leastMm, most: mostMm },
  unit,
}: {
  readonly play: EndPlay
  readonly bounds: Bounds
  readonly unit: LengthUnit
}) {
  if (leastMm === undefined || mostMm === undefined) return null
  const range = shimRange(play, leastMm, mostMm)
  if (!range)
    return (
      <p>
        It is less than the least that is asked for: a thinner part is needed, by{' '}
        {formatLength(leastMm - play.mm, unit)} at least.
      </p>
    )
  return range.leastMm === 0 ? (
    <p>It is within the range without a shim.</p>
  ) : (
    <p>
      Shim: from <b>{formatLength(range.leastMm, unit)}</b> to{' '}
      <b>{formatLength(range.mostMm, unit)}</b> brings it in.
    </p>
  )
}
