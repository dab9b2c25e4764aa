import { useCallback, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import { applyEdit, countedGears, countedTogether, countsFor, indexBox, isDisputed } from 'core'
import type { BoxDraft, Gear } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { CautionsGate } from '~/components/count/CautionsGate.tsx'
import { CountPanel } from '~/components/count/CountPanel.tsx'
import { CountsFile } from '~/components/count/CountsFile.tsx'
import { FirstChoice } from '~/components/count/FirstChoice.tsx'
import { GearList } from '~/components/count/GearList.tsx'
import { RatioStrip } from '~/components/count/RatioStrip.tsx'
import type { CountFirst } from '~/views/count/countFirst.ts'
import { firstGear, formatFirst, readFirst } from '~/views/count/countFirst.ts'
import { parseCount } from '~/views/count/parseCount.ts'
import type { WhichCount } from '~/views/count/reading.ts'
import { editOfCount, isOpenFor } from '~/views/count/reading.ts'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useViewState } from '~/components/useViewState.ts'

/** The gear to ask for after `gearId`: the next one still open, or simply the next. */
function nextGear(
  draft: BoxDraft,
  order: readonly Gear[],
  gearId: string,
  reading: WhichCount,
): Gear | undefined {
  const at = order.findIndex(({ id }) => id === gearId)
  const following = [...order.slice(at + 1), ...order.slice(0, at)].map(
    ({ id }) => draft.gears.find((gear) => gear.id === id) ?? order[0],
  )
  return following.find((gear) => gear && isOpenFor(gear, reading)) ?? order[at + 1]
}

export default function Count() {
  const { id, draft, words, edit } = useOpenBox()
  const [search, change, leave] = useViewState()
  const order = useMemo(() => countedGears(draft), [draft])
  const reading: WhichCount = search.get('pass') === 'second' ? 'second' : 'first'
  const chosen = draft.gears.find(({ id }) => id === search.get('gear'))
  const gear =
    order.find((candidate) => chosen && candidate === countedTogether(draft, chosen)[0]) ??
    order.find(isDisputed) ??
    order.find((candidate) => isOpenFor(candidate, reading)) ??
    order[0]
  const [typed, setTyped] = useState<{ readonly gear: string; readonly text: string }>()

  const preview = useMemo(() => {
    const entry = typed && parseCount(typed.text)
    const typedGear = draft.gears.find((candidate) => candidate.id === typed?.gear)
    if (!typedGear || !entry?.ok || reading === 'second') return draft
    const result = applyEdit(draft, editOfCount(typedGear, reading, entry.toothCount))
    return result.ok ? result.draft : draft
  }, [draft, typed, reading])
  const { positions, issues } = useMemo(() => analyseDraft(preview), [preview])
  const first = readFirst(search.get('first'), positions)

  const go = useCallback(
    (changes: {
      readonly gear?: string | undefined
      readonly pass?: WhichCount
      readonly first?: string
    }) => {
      setTyped(undefined)
      change(changes)
    },
    [change],
  )
  const traceHref = (position: string) =>
    `/boxes/${id}/trace?position=${encodeURIComponent(position)}`
  /** Asks for what comes first from now on, beginning with its first gear. */
  const put = (next: CountFirst): void => {
    go({ first: formatFirst(next), gear: firstGear(preview, positions, next)?.id, pass: 'first' })
  }
  const goOn = (from: string): void => {
    // What was typed last is in the preview, and nowhere else yet. A count entered once more, or
    // after the position was whole, leads nowhere else.
    if (first.kind === 'position' && countsFor(preview, first.position).length === 0) {
      const { id: wantedId } = first.position.position
      const before = analyseDraft(draft).positions.find(({ position }) => position.id === wantedId)
      if (before && countsFor(draft, before).some((gear) => gear.id === from)) {
        leave(traceHref(wantedId))
        return
      }
    }
    const wanted = reading === 'first' ? firstGear(preview, positions, first) : undefined
    const next = wanted ?? nextGear(preview, order, from, reading)
    if (next) go({ gear: next.id })
  }
  const step = (by: number): void => {
    const at = order.findIndex((candidate) => candidate.id === gear?.id)
    go({ gear: order[Math.min(Math.max(at + by, 0), order.length - 1)]?.id })
  }
  useHotkeys(
    'up',
    () => {
      step(-1)
    },
    { enableOnFormTags: true, preventDefault: true },
  )
  useHotkeys(
    'down',
    () => {
      step(1)
    },
    { enableOnFormTags: true, preventDefault: true },
  )

  if (!gear)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Count · Udrix`}</title>
        <p className="text-lg">This box has no gears to count.</p>
      </main>
    )
  return (
    <main className="work-area lg:grid-cols-[minmax(0,1fr)_20rem] xl:grid-cols-[minmax(0,1fr)_25rem]">
      <title>{`${draft.name} · Count · Udrix`}</title>
      <CautionsGate />
      <section
        aria-label="Section along the shafts"
        className="flex min-h-0 flex-col gap-1 px-4 pt-2 pb-3"
      >
        <div className="min-h-0 flex-1">
          <SectionDrawing
            draft={preview}
            words={words}
            litGear={gear.id}
            title={`Section along the shafts of ${draft.name}; the gear to count is lit`}
            gearHref={(id) => `?gear=${id}&pass=${reading}`}
            onChooseGear={(id) => {
              go({ gear: id })
            }}
          />
        </div>
        <Legend hasRibbon={false} />
        <RatioStrip
          positions={positions}
          naming={{ box: indexBox(preview), words }}
          traceHref={traceHref}
          first={first}
          onFirst={put}
        />
      </section>
      <aside className="border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-auto border-l-2 p-4">
        <CountPanel
          key={`${gear.id} ${reading} ${formatFirst(first)}`}
          gear={gear}
          place={order.indexOf(gear) + 1}
          first={first}
          reading={reading}
          onType={(text) => {
            setTyped({ gear: gear.id, text })
          }}
          onKeep={(toothCount) => {
            edit(editOfCount(gear, reading, toothCount))
          }}
          onSettle={(toothCount) => {
            edit({
              kind: 'settle',
              gear: gear.id,
              toothCount,
              base: { first: gear.toothCount, second: gear.recount ?? null },
            })
          }}
          onNext={() => {
            goOn(gear.id)
          }}
          onPass={(pass) => {
            go({ pass, gear: gear.id })
          }}
        />
        <IssueList draft={preview} issues={issues} words={words} />
        {reading === 'first' && positions.some((each) => countsFor(draft, each).length > 0) && (
          <FirstChoice first={first} positions={positions} onFirst={put} />
        )}
        <GearList
          order={order}
          selected={gear.id}
          reading={reading}
          onChoose={(id) => {
            go({ gear: id })
          }}
        />
        <CountsFile />
      </aside>
    </main>
  )
}
