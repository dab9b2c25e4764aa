/** What is counted on this page, and the way from one gear to the next. */
import { useCallback, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import type { BoxDraft, Gear } from 'core'
import { applyEdit, countedGears, countedTogether, countsFor, isDisputed } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useAddress } from '~/components/useAddress.ts'
import type { AnalysedBox } from '~/views/box/analysis.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import type { CountFirst } from '~/views/count/countFirst.ts'
import { firstGear, formatFirst, readFirst } from '~/views/count/countFirst.ts'
import { parseCount } from '~/views/count/parseCount.ts'
import type { WhichCount } from '~/views/count/reading.ts'
import { editOfCount, isOpenFor, nextGear } from '~/views/count/reading.ts'

interface Typed {
  readonly gear: string
  readonly text: string
}

/** Where to go on this page: another gear, another pass, something else first. */
interface Going {
  readonly gear?: string | undefined
  readonly pass?: WhichCount
  readonly first?: string
}

/** The gear that is asked for, and everything that the page does with it. */
export interface Counting extends Pick<AnalysedBox, 'positions' | 'issues'> {
  /** The gear that is asked for; undefined where there is none to count. */
  readonly gear: Gear | undefined
  /** All gears that are counted, in the order of counting. */
  readonly order: readonly Gear[]
  readonly reading: WhichCount
  readonly first: CountFirst
  /** The box with what is being typed. */
  readonly preview: BoxDraft
  readonly traceHref: (position: string) => string
  readonly type: (typed: Typed) => void
  readonly go: (to: Going) => void
  /** Asks for what comes first from now on, beginning with its first gear. */
  readonly putFirst: (first: CountFirst) => void
  /** Goes on from a gear whose count was kept. */
  readonly goOn: (from: string) => void
}

/** The box with a count that is being typed; as it is where that is none. */
function withTyped(draft: BoxDraft, typed: Typed | undefined, reading: WhichCount): BoxDraft {
  const entry = typed && parseCount(typed.text)
  const gear = draft.gears.find(({ id }) => id === typed?.gear)
  if (!gear || !entry?.ok || reading === 'second') return draft
  const result = applyEdit(draft, editOfCount(gear, reading, entry.toothCount))
  return result.ok ? result.draft : draft
}

const IN_FORMS = { enableOnFormTags: true, preventDefault: true } as const

/** The arrow keys go from gear to gear, also out of the field. */
function useStepping(order: readonly Gear[], gear: Gear | undefined, go: Counting['go']): void {
  const step = (by: number): void => {
    const at = order.findIndex((candidate) => candidate.id === gear?.id)
    go({ gear: order[Math.min(Math.max(at + by, 0), order.length - 1)]?.id })
  }
  useHotkeys(
    'up, down',
    (_, { hotkey }) => {
      step(hotkey === 'up' ? -1 : 1)
    },
    IN_FORMS,
  )
}

export function useCounting(): Counting {
  const { id, draft } = useOpenBox()
  const [search, change, leave] = useAddress('count')
  const order = useMemo(() => countedGears(draft), [draft])
  const reading: WhichCount = search.pass === 'second' ? 'second' : 'first'
  const chosen = draft.gears.find(({ id }) => id === search.gear)
  const gear =
    order.find((candidate) => chosen && candidate === countedTogether(draft, chosen)[0]) ??
    order.find(isDisputed) ??
    order.find((candidate) => isOpenFor(candidate, reading)) ??
    order[0]
  const [typed, setTyped] = useState<Typed>()
  const preview = useMemo(() => withTyped(draft, typed, reading), [draft, typed, reading])
  const { positions, issues } = useMemo(() => analyseDraft(preview), [preview])
  const first = readFirst(search.first, positions)
  const traceHref = (position: string) =>
    `/boxes/${id}/trace?position=${encodeURIComponent(position)}`
  const go = useCallback(
    (to: Going) => {
      setTyped(undefined)
      change({ ...to })
    },
    [change],
  )
  const goOn = (from: string): void => {
    // What was typed last is in the preview, and nowhere else yet. A count entered once more, or
    // after the position was whole, leads nowhere else.
    if (first.kind === 'position' && countsFor(preview, first.position).length === 0) {
      const { id: wantedId } = first.position.position
      const before = analyseDraft(draft).positions.find(({ position }) => position.id === wantedId)
      if (before && countsFor(draft, before).some((each) => each.id === from)) {
        leave(traceHref(wantedId))
        return
      }
    }
    const wanted = reading === 'first' ? firstGear(preview, positions, first) : undefined
    const next = wanted ?? nextGear(preview, order, from, reading)
    if (next) go({ gear: next.id })
  }
  useStepping(order, gear, go)
  return {
    gear,
    order,
    reading,
    first,
    preview,
    positions,
    issues,
    traceHref,
    go,
    goOn,
    type: setTyped,
    putFirst: (next) => {
      go({ first: formatFirst(next), gear: firstGear(preview, positions, next)?.id, pass: 'first' })
    },
  }
}
