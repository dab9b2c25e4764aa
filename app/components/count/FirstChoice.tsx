import type { PositionAnalysis } from 'core'

import type { CountFirst } from '~/views/count/countFirst.ts'
import { formatFirst, readFirst } from '~/views/count/countFirst.ts'

interface FirstChoiceProps {
  readonly first: CountFirst
  readonly positions: readonly PositionAnalysis[]
  readonly onFirst: (first: CountFirst) => void
}

/** Which gears are asked for first, and that any may be counted at any time. */
export function FirstChoice({ first, positions, onFirst }: FirstChoiceProps) {
  // What was asked for stays in the list when it is whole.
  const asked = first.kind === 'position' ? first.position : undefined
  const waiting = positions.filter((each) => each === asked || each.analysis.state === 'uncounted')
  const choices: readonly (readonly [CountFirst, string])[] = [
    [{ kind: 'shafts' }, 'shaft by shaft'],
    [{ kind: 'most' }, 'what finishes the most positions'],
    ...waiting.map((position): readonly [CountFirst, string] => [
      { kind: 'position', position },
      `what ${position.position.label} needs, then trace it`,
    ]),
  ]
  return (
    <div>
      <label className="flex flex-wrap items-center gap-x-2">
        <span className="font-semibold">Ask first for</span>
        <select
          className="field w-auto min-w-0 flex-1"
          value={formatFirst(first)}
          onChange={({ target }) => {
            onFirst(readFirst(target.value, positions))
          }}
        >
          {choices.map(([choice, title]) => (
            <option key={formatFirst(choice)} value={formatFirst(choice)}>
              {title}
            </option>
          ))}
        </select>
      </label>
      <p className="text-graphite mt-1 text-[0.86rem]">
        Any gear can be counted now: choose it in the drawing or in the list, or step with ↑ and ↓.
      </p>
    </div>
  )
}
