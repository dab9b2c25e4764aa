import clsx from 'clsx'

import type { Seen, Spin } from 'core'
import { SEEN, bodyOfGear, expectedOf, toNumber } from 'core'

import { Table } from '~/components/Table.tsx'
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
  const isWrong = ({ id }: { readonly id: string }): boolean => {
    const ticked = seen.get(id)
    const expected = expectedOf(box, result, id)
    return ticked !== undefined && expected !== undefined && ticked !== expected
  }
  return (
    <Table
      caption="What moves, in turns for one turn of the part turned"
      isCaptionShown
      rows={parts}
      keyOf={({ id }) => id}
      rowClassName={(part) => (isWrong(part) ? 'bg-trouble-wash' : undefined)}
      columns={[
        {
          heading: 'Part',
          isName: true,
          className: ({ isGear }) => (isGear ? 'pl-3' : 'font-bold!'),
          cell: ({ name }) => name,
        },
        { heading: 'As drawn', className: 'text-graphite', cell: ({ body }) => drawn(body) },
        {
          heading: 'On the bench',
          className: 'whitespace-nowrap',
          cell: ({ id, name }) => (
            <SeenKeys
              label={`${name} on the bench`}
              ticked={seen.get(id)}
              isDisabled={isDisabled}
              onTick={(what) => {
                onTick(id, what)
              }}
            />
          ),
        },
      ]}
    />
  )
}

interface SeenKeysProps {
  readonly label: string
  readonly ticked: Seen | undefined
  readonly isDisabled: boolean
  readonly onTick: (what: Seen | null) => void
}

function SeenKeys({ label, ticked, isDisabled, onTick }: SeenKeysProps) {
  return (
    <span role="group" aria-label={label} className="inline-flex">
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
            onTick(ticked === what ? null : what)
          }}
        >
          {what}
        </button>
      ))}
    </span>
  )
}
