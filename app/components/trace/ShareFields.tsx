import type { Split, SplitPart } from 'core'
import { toNumber } from 'core'

import { formatShare } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, shareName } from '~/words/names.ts'
import type { WantedShare } from '~/views/trace/traceState.ts'
import { LEAST_SHARE_PERCENT, MOST_SHARE_PERCENT, withShare } from '~/views/trace/traceState.ts'

import type { OpenTrace } from './traceContext.ts'

/** How parallel paths share the load: by assumption, or as a person has set it. */
export function ShareFields({ trace }: { readonly trace: OpenTrace }) {
  if (trace.splits.length === 0) return null
  return (
    <div className="mt-2 flex flex-col gap-2" data-testid="shares">
      {trace.splits.map((split) => (
        <ShareField key={split.body} split={split} trace={trace} />
      ))}
    </div>
  )
}

interface DivisionProps {
  readonly naming: Naming
  readonly split: Split
  readonly nameOf: (part: SplitPart) => string
}

/** How torque divides at a body, and what that rests on. */
function Division({ naming, split: { body, parts, isSet }, nameOf }: DivisionProps) {
  const isLoad = parts.some(({ laws }) => laws.some(({ kind }) => kind === 'load'))
  return (
    <p className="text-[0.92rem]">
      {isSet
        ? `From the ${bodyName(naming, body)}, as set: `
        : isLoad
          ? `How the load divides at the ${bodyName(naming, body)} is up to the road; here it is taken to be: `
          : `From the ${bodyName(naming, body)}, as an assumption: `}
      <b>{parts.map((part) => `${nameOf(part)} ${formatShare(toNumber(part.part))}`).join(', ')}</b>
      {!isSet && !isLoad && (
        <span className="text-graphite">
          {' '}
          No count settles it. Taken is the division with the least sum of squares of the tooth
          forces: equal paths share equally, and of unequal ones the one whose gears are larger
          takes more.
        </span>
      )}
    </p>
  )
}

function ShareField({ split, trace }: { readonly split: Split; readonly trace: OpenTrace }) {
  const { naming, search, change } = trace
  const { body, parts, isSet } = split
  const [first, ...others] = parts
  if (!first) return null
  const nameOf = ({ laws }: SplitPart): string =>
    [...new Set(laws.map((law) => shareName(naming, law, body)))].join(' with ')
  const percent = Math.round(toNumber(first.part) * 100)
  const isEqual = parts.every(({ part }) => part.equals(first.part))
  const setTo = (value: WantedShare | null): void => {
    change({ share: withShare(search.share, body, value) })
  }
  return (
    <div>
      <Division naming={naming} split={split} nameOf={nameOf} />
      <div className="no-print flex items-center gap-2">
        <input
          type="range"
          className="accent-accent h-11 min-w-0 flex-1 cursor-pointer"
          aria-label={`Share of ${nameOf(first)}`}
          aria-valuetext={`${nameOf(first)} ${percent} %, ${others.map(nameOf).join(' and ')} the rest`}
          min={LEAST_SHARE_PERCENT}
          max={MOST_SHARE_PERCENT}
          value={percent}
          onChange={(event) => {
            setTo(Number(event.target.value))
          }}
        />
        {!isEqual && (
          <button
            type="button"
            className="button-quiet"
            onClick={() => {
              setTo('equal')
            }}
          >
            Equal torque
          </button>
        )}
        {isSet && (
          <button
            type="button"
            className="button-quiet"
            onClick={() => {
              setTo(null)
            }}
          >
            As assumed
          </button>
        )}
      </div>
    </div>
  )
}
