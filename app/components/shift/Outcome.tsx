import { Link } from 'react-router'

import type { GearChange, Rational } from 'core'
import { rational, toNumber } from 'core'

import { formatPercent, formatSpeed } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { countedName } from '~/words/names.ts'
import { listed } from '~/words/sentences.ts'

/** What the engine does, in one line. */
export function Outcome({
  naming,
  gear,
  inputRpm,
  outputRpm,
  countHref,
}: {
  readonly naming: Naming
  readonly gear: GearChange
  readonly inputRpm: number
  /** As the wheels turn it, where nothing drives before the change; null where something does. */
  readonly outputRpm: number | null
  readonly countHref: string
}) {
  const { from, to, inputSpeed, isWithoutGap, uncounted } = gear
  const [first] = uncounted
  if (first)
    return (
      <p className="text-[1.1rem]">
        To say how fast anything turns, count{' '}
        <Link to={`${countHref}?gear=${first.id}`} className="text-accent underline">
          {listed(uncounted.map((each) => `the ${countedName(naming, each)}`))}
        </Link>
        .
      </p>
    )
  if (from.id === to.id) return <p className="text-[1.1rem]">It stays in {from.label}.</p>
  if (!inputSpeed)
    return (
      <p className="text-[1.1rem]">
        From {from.label} to {to.label} no speed follows for the engine: one of the two does not
        drive.
      </p>
    )
  if (inputSpeed.isZero())
    return (
      <p className="text-[1.1rem]">
        The wheels stand, so that what turns with the input has to stand too before {to.label} goes
        in.
      </p>
    )
  return (
    <div>
      <EngineSpeed inputSpeed={inputSpeed} inputRpm={inputRpm} outputRpm={outputRpm} />
      {isWithoutGap && <p>The torque is handed over from clutch to clutch, without a gap.</p>}
    </div>
  )
}

interface EngineSpeedProps {
  /** After the change, for 1 before. */
  readonly inputSpeed: Rational
  readonly inputRpm: number
  readonly outputRpm: number | null
}

function EngineSpeed({ inputSpeed, inputRpm, outputRpm }: EngineSpeedProps) {
  const after = toNumber(inputSpeed) * inputRpm
  const isBackwards = after < 0
  return (
    <>
      <p className="text-[1.15rem]">
        {outputRpm !== null && `With the output at ${formatSpeed(outputRpm)}, `}
        {outputRpm === null ? 'The' : 'the'} engine goes from {formatSpeed(inputRpm)} to{' '}
        <b className={isBackwards ? 'text-trouble' : undefined}>{formatSpeed(after)}</b>
        {!isBackwards && (
          <span className="text-graphite"> ({formatPercent(inputSpeed.sub(rational(1)))})</span>
        )}
        .
      </p>
    </>
  )
}
