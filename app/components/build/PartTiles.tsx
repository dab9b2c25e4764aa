import clsx from 'clsx'
import { memo, useEffect, useRef } from 'react'

import type { AssemblyPart, BoxIndex, Direction, Section } from 'core'

import { capitalize } from '~/words/names.ts'

import { PartPicture } from './PartPicture.tsx'

interface TilesProps {
  readonly index: BoxIndex
  readonly section: Section
  readonly nameOf: (part: AssemblyPart) => string
  readonly onChoose: (part: AssemblyPart) => void
}

interface PartTilesProps extends TilesProps {
  readonly parts: readonly AssemblyPart[]
  readonly off: ReadonlySet<string>
  readonly trays: ReadonlyMap<string, string>
  readonly chosen: string
  readonly direction: Direction
}

/**
 * What is put into the case and onto it, in the order in which it comes off. What is done leaves
 * for a list of its own, and the part in hand is in sight.
 */
export function PartTiles({ parts, direction, ...common }: PartTilesProps) {
  const { off, chosen } = common
  const tiles = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const held = tiles.current?.querySelector<HTMLElement>('[aria-pressed=true]')
    // By itself: the page around it stays where it is.
    if (tiles.current && held)
      tiles.current.scrollTop = held.offsetTop - tiles.current.clientHeight / 2
  }, [chosen])
  const isDone = (part: AssemblyPart): boolean => off.has(part.id) === (direction === 'down')
  const left = parts.filter((part) => !isDone(part) || part.id === chosen)
  const done = parts.filter((part) => isDone(part) && part.id !== chosen)
  return (
    <div ref={tiles} className="relative max-h-[15rem] min-h-[8rem] overflow-auto">
      <TileList {...common} label="Parts of the case" parts={left} />
      {done.length > 0 && (
        <details>
          <summary className="text-graphite">
            {done.length} {direction === 'down' ? 'off' : 'in'} already
          </summary>
          <TileList
            {...common}
            label={`Parts of the case that are ${direction === 'down' ? 'off' : 'in'}`}
            parts={done}
          />
        </details>
      )}
    </div>
  )
}

interface TileListProps extends Omit<PartTilesProps, 'direction'> {
  readonly label: string
}

function TileList({ label, parts, off, trays, chosen, ...common }: TileListProps) {
  return (
    <ul className="flex flex-wrap content-start gap-1" tabIndex={0} aria-label={label}>
      {parts.map((part) => (
        <li key={part.id}>
          <Tile
            {...common}
            part={part}
            isOff={off.has(part.id)}
            tray={trays.get(part.id)}
            isChosen={chosen === part.id}
          />
        </li>
      ))}
    </ul>
  )
}

interface TileProps extends TilesProps {
  readonly part: AssemblyPart
  readonly isOff: boolean
  readonly tray: string | undefined
  readonly isChosen: boolean
}

/** There are many, and a step changes two of them. */
const Tile = memo(function Tile(props: TileProps) {
  const { index, section, nameOf, onChoose, part, isOff, tray, isChosen } = props
  return (
    <button
      type="button"
      data-row={part.id}
      aria-pressed={isChosen}
      className={clsx(
        'border-accent text-accent hover:bg-accent-wash aria-pressed:bg-accent-wash bg-sheet flex min-h-11 items-center gap-1 border py-0.5 pr-2 pl-1 text-left text-[0.9rem] aria-pressed:border-2',
        isOff && 'tile-off',
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
        <span className="sr-only">{isOff ? ', off' : ', in'}</span>
        {tray !== undefined && <b className="tabular-nums"> {tray}</b>}
      </span>
    </button>
  )
})
