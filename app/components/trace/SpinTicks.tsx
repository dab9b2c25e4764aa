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

interface TickedPart {
  readonly id: string
  /** What it turns with. */
  readonly body: string
  readonly name: string
  readonly isGear: boolean
}

/** The members, each with its gears after it as they stand along it. */
function tickedParts(naming: Naming): readonly TickedPart[] {
  const { members, gears } = naming.box.draft
  return members.flatMap(({ id }) => [
    { id, body: id, name: capitalize(bodyName(naming, id)), isGear: false },
    ...gears
      .filter(({ member }) => member === id)
      .sort((one, other) => one.stationMm - other.stationMm)
      .map((gear) => ({
        id: gear.id,
        body: bodyOfGear(gear),
        name: `${capitalize(gear.label)}, ${naming.words.mounts[gear.mount]}`,
        isGear: true,
      })),
  ])
}

/** What a body does as the box is drawn. */
function asDrawn({ motions, dividing, isCounted }: Spin, body: string): string {
  if (dividing.has(body)) return 'as it divides'
  const motion = motions.get(body)
  switch (motion?.kind) {
    case 'turns':
      return isCounted
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

/** Every part: what it does as drawn, and what it did on the bench. */
export function SpinTicks({ naming, result, seen, isDisabled, onTick }: SpinTicksProps) {
  const isWrong = ({ id }: TickedPart): boolean => {
    const ticked = seen.get(id)
    const expected = expectedOf(naming.box, result, id)
    return ticked !== undefined && expected !== undefined && ticked !== expected
  }
  return (
    <Table
      caption="What moves, in turns for one turn of the part turned"
      isCaptionShown
      rows={tickedParts(naming)}
      keyOf={({ id }) => id}
      rowClassName={(part) => (isWrong(part) ? 'bg-trouble-wash' : undefined)}
      columns={[
        {
          heading: 'Part',
          isName: true,
          className: ({ isGear }) => (isGear ? 'pl-3' : 'font-bold!'),
          cell: ({ name }) => name,
        },
        {
          heading: 'As drawn',
          className: 'text-graphite',
          cell: ({ body }) => asDrawn(result, body),
        },
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
