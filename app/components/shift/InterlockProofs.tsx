import type { ChangeAddress } from '~/views/addresses.ts'
import { Fragment } from 'react'

import type { InterlockProof, PartOut } from 'core'

import { ALL_IN, formatMoved } from '~/views/shift/rodsView.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { interlockPartWords, openSetWords, rodPlaceName } from '~/words/shift.ts'

/** What can be in together with every part in its place. */
export function WithEveryPart({
  naming,
  open,
}: {
  readonly naming: Naming
  readonly open: InterlockProof['open']
}) {
  const locking = open.filter((each) => each.isLocked)
  return locking.length === 0 ? (
    <p>
      <b>
        {open.length === 0
          ? 'No two gears can be in together.'
          : 'What can be in together does not lock.'}
      </b>{' '}
      Every state of the rods was tried.
    </p>
  ) : (
    <ul className="list-disc pl-5">
      {locking.map((each) => (
        <li key={formatMoved(each.moved)} className="text-trouble font-semibold">
          {openSetWords(naming, each)}
        </li>
      ))}
    </ul>
  )
}

interface WithOneOutProps {
  readonly naming: Naming
  readonly without: InterlockProof['without']
  /** Ids of the parts that are out. */
  readonly out: ReadonlySet<string>
  readonly change: ChangeAddress<'interlock'>
}

/** Each part with what its loss makes possible; a tick takes it out and puts it back. */
export function WithOneOut({ naming, without, out, change }: WithOneOutProps) {
  return (
    <ul className="flex flex-col gap-2">
      {without.map((loss) => {
        const { id } = loss.part
        const isOut = out.has(id)
        return (
          <li key={id} className="border-rule border-t pt-1">
            <label className="flex min-h-[44px] cursor-pointer items-center gap-2 font-semibold">
              <input
                type="checkbox"
                className="accent-accent size-5"
                checked={!isOut}
                onChange={() => {
                  const next = isOut ? [...out].filter((each) => each !== id) : [...out, id]
                  change({ out: next.join('|') || ALL_IN, held: '' })
                }}
              />
              {capitalize(interlockPartWords(naming, loss.part))}
            </label>
            <Loss naming={naming} loss={loss} change={change} />
          </li>
        )
      })}
    </ul>
  )
}

function Loss({
  naming,
  loss: { part, opened },
  change,
}: {
  readonly naming: Naming
  readonly loss: PartOut
  readonly change: ChangeAddress<'interlock'>
}) {
  const bad = opened.filter((each) => each.isLocked)
  if (bad.length === 0) return <p className="text-graphite">Without it nothing more can lock.</p>
  return (
    <p>
      Without it:{' '}
      {bad.map((each, at) => (
        <Fragment key={formatMoved(each.moved)}>
          <span className="whitespace-nowrap">
            <button
              type="button"
              className="link-line min-w-[44px]"
              onClick={() => {
                change({ out: part.id, moved: formatMoved(each.moved), held: '' })
              }}
            >
              {each.moved.map((rod) => rodPlaceName(naming, rod)).join(' and ')}
            </button>
            {at < bad.length - 1 && ','}
          </span>{' '}
        </Fragment>
      ))}
      in together, and it locks.
    </p>
  )
}
