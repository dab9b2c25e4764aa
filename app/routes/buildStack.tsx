import { useMemo } from 'react'

import { timingsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { StackParts } from '~/components/build/StackFields.tsx'
import { StackAnswer, StackRoom } from '~/components/build/StackPanels.tsx'
import { TimingCards } from '~/components/build/TimingCards.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { useStack } from '~/components/build/useStack.ts'
import { useAddress } from '~/components/useAddress.ts'

/** A stack against its shaft: the end play that follows, the shim for it; and timed countershafts. */
export default function BuildStack() {
  const { draft } = useOpenBox()
  const become = useBecome()
  const { naming, groups, nameOf } = useBuild()
  const [search, change] = useAddress('stack')
  // The fullest shaft first: it is what most ask about.
  const benches = groups
    .filter(({ bench }) => bench !== null)
    .sort((one, other) => other.parts.length - one.parts.length)
  const group = benches.find(({ bench }) => bench === search.shaft) ?? benches[0]
  const open = useStack(group)
  const timings = useMemo(() => timingsOf(draft), [draft])
  const { turned } = open.stack
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
            <StackRoom
              open={open}
              bench={group.bench ?? ''}
              benches={benches.map(({ bench }) => bench ?? '')}
              naming={naming}
              onShaft={(bench) => {
                change({ shaft: bench })
              }}
            />
            <StackParts
              index={naming.box}
              rows={open.rows}
              unit={open.unit}
              isDisabled={open.isDisabled}
              nameOf={nameOf}
              onTurn={(part) => {
                const isTurned = turned.includes(part)
                open.keep({
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
        <StackAnswer open={open} nameOf={nameOf} />
        <TimingCards naming={naming} timings={timings} />
      </div>
    </main>
  )
}
