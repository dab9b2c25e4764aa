import clsx from 'clsx'

import type { AssemblyPart, BoxIndex, Section } from 'core'

import { capitalize } from '~/words/names.ts'

import { PartPicture } from './PartPicture.tsx'

/** What is put into the case and onto it, in the order in which it comes off. */
export function PartTiles({
  index,
  section,
  parts,
  off,
  trays,
  chosen,
  nameOf,
  onChoose,
}: {
  readonly index: BoxIndex
  readonly section: Section
  readonly parts: readonly AssemblyPart[]
  readonly off: ReadonlySet<string>
  readonly trays: ReadonlyMap<string, string>
  readonly chosen: string
  readonly nameOf: (part: AssemblyPart) => string
  readonly onChoose: (part: AssemblyPart) => void
}) {
  return (
    <ul className="flex flex-wrap gap-1">
      {parts.map((part) => (
        <li key={part.id}>
          <button
            type="button"
            data-row={part.id}
            aria-pressed={chosen === part.id}
            className={clsx(
              'button aria-pressed:bg-accent-wash h-auto gap-2 py-1 pr-2 pl-1 text-left text-[0.9rem]',
              off.has(part.id) && 'tile-off',
            )}
            onClick={() => {
              onChoose(part)
            }}
          >
            <span className="h-9 w-12 flex-none">
              <PartPicture index={index} section={section} part={part} width={48} height={36} />
            </span>
            <span>
              {capitalize(nameOf(part))}
              <span className="sr-only">{off.has(part.id) ? ', off' : ', in'}</span>
              {trays.get(part.id) !== undefined && (
                <b className="tabular-nums"> {trays.get(part.id)}</b>
              )}
            </span>
          </button>
        </li>
      ))}
    </ul>
  )
}
