import clsx from 'clsx'
import { Check, CheckCheck, TriangleAlert } from 'lucide-react'
import { useEffect, useRef } from 'react'

import type { Gear } from 'core'
import { indexBox, isConfirmed, isDisputed } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { capitalize, countedName } from '~/words/names.ts'

import type { WhichCount } from '~/views/count/reading.ts'

interface GearListProps {
  readonly order: readonly Gear[]
  readonly selected: string
  readonly reading: WhichCount
  readonly onChoose: (gearId: string) => void
}

/** All gears in counting order, with what is known of each. */
export function GearList({ order, selected, reading, onChoose }: GearListProps) {
  const { draft, words } = useOpenBox()
  const naming = { box: indexBox(draft), words }
  const current = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    current.current?.scrollIntoView({ block: 'nearest' })
  }, [selected])
  return (
    <ol
      className="border-rule min-h-[12rem] flex-1 overflow-auto border-t-2 pt-1"
      aria-label="Gears in counting order"
    >
      {order.map((gear) => {
        const isSelected = gear.id === selected
        return (
          <li key={gear.id}>
            <button
              ref={isSelected ? current : undefined}
              type="button"
              aria-current={isSelected ? 'step' : undefined}
              onClick={() => {
                onChoose(gear.id)
              }}
              className={clsx(
                'hover:bg-accent-wash flex min-h-[44px] w-full cursor-pointer items-center gap-2 px-2 text-left',
                isSelected && 'bg-accent-wash font-bold',
              )}
            >
              <span className="flex-1">{capitalize(countedName(naming, gear))}</span>
              <GearState gear={gear} isHidden={isSelected && reading === 'second'} />
            </button>
          </li>
        )
      })}
    </ol>
  )
}

function GearState({ gear, isHidden }: { readonly gear: Gear; readonly isHidden: boolean }) {
  if (gear.toothCount === null) return <span className="text-graphite">not counted</span>
  if (isDisputed(gear))
    return (
      <span className="trouble items-center">
        <TriangleAlert aria-hidden /> {gear.toothCount} or {gear.recount}
      </span>
    )
  if (isHidden && !isConfirmed(gear)) return <span className="text-graphite">1st count hidden</span>
  return (
    <span className="flex items-center gap-1.5">
      <b className="text-[1.15rem]">{gear.toothCount}</b>
      {isConfirmed(gear) ? (
        <CheckCheck aria-label="confirmed" className="size-5" />
      ) : (
        <Check aria-label="counted once" className="size-5" />
      )}
    </span>
  )
}
