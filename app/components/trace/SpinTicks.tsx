import clsx from 'clsx'

import type { Seen, Spin } from 'core'
import { SEEN, bodyOfGear, expectedOf, toNumber } from 'core'

import { formatNumber } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'

interface SpinTicksProps {
  readonly naming: Naming
  readonly result: Spin
  readonly seen: ReadonlyMap<string, Seen>
  readonly isDisabled: boolean
  readonly onTick: (part: string, what: Seen | null) => void
}

/** Every part: what it does as drawn, and what it did on the bench. */
export function SpinTicks({ naming, result, seen, isDisabled, onTick }: SpinTicksProps) {
  const { box } = naming
  const parts = box.draft.members.flatMap((member) => [
    {
      id: member.id,
      body: member.id,
      name: capitalize(bodyName(naming, member.id)),
      isGear: false,
    },
    ...box.draft.gears
      .filter((gear) => gear.member === member.id)
      .sort((one, other) => one.stationMm - other.stationMm)
      .map((gear) => ({
        id: gear.id,
        body: bodyOfGear(gear),
        name: `${capitalize(gear.label)}, ${naming.words.mounts[gear.mount]}`,
        isGear: true,
      })),
  ])
  const drawn = (body: string): string => {
    const motion = result.motions.get(body)
    switch (motion?.kind) {
      case 'turns':
        return result.isCounted
          ? `${formatNumber(Math.abs(toNumber(motion.speed)), 2)} ${motion.speed.sign() < 0 ? 'against' : 'with'}`
          : 'moves'
      case 'still':
        return 'stands'
      case 'uncounted':
        return 'as counts have it'
      default:
        return 'free'
    }
  }
  return (
    <table className="w-full border-collapse text-left">
      <caption className="text-left text-[1.05rem] font-semibold">
        What moves, in turns for one turn of the part turned
      </caption>
      <thead>
        <tr className="border-ink border-b-2">
          <th scope="col">Part</th>
          <th scope="col">As drawn</th>
          <th scope="col">On the bench</th>
        </tr>
      </thead>
      <tbody>
        {parts.map(({ id, body, name, isGear }) => {
          const expected = expectedOf(box, result, id)
          const ticked = seen.get(id)
          const isWrong = ticked !== undefined && expected !== undefined && ticked !== expected
          return (
            <tr key={id} className={clsx('border-rule border-b', isWrong && 'bg-trouble-wash')}>
              <th
                scope="row"
                className={clsx('py-0.5 pr-2', isGear ? 'pl-3 font-normal' : 'font-bold')}
              >
                {name}
              </th>
              <td className="text-graphite pr-2">{drawn(body)}</td>
              <td className="whitespace-nowrap">
                <span role="group" aria-label={`${name} on the bench`} className="inline-flex">
                  {SEEN.map((what) => (
                    <button
                      key={what}
                      type="button"
                      aria-pressed={ticked === what}
                      disabled={isDisabled}
                      className={clsx(
                        'min-h-[44px] cursor-pointer border px-2.5',
                        ticked === what
                          ? 'border-accent bg-accent text-accent-ink'
                          : 'border-steel text-ink hover:bg-accent-wash',
                      )}
                      onClick={() => {
                        onTick(id, ticked === what ? null : what)
                      }}
                    >
                      {what}
                    </button>
                  ))}
                </span>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
