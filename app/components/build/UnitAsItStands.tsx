/** The unit as far as it is together, and the parts of one of its rows. */
import { memo, useCallback, useEffect, useMemo, useRef } from 'react'

import type { AssemblyPart, BoxDraft, Direction } from 'core'

import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Group, Standing } from '~/views/build/buildView.ts'
import { bareParts, neighboursOf, partsDrawn } from '~/views/build/buildView.ts'
import type { Layer, Layers } from '~/views/section/layers.ts'
import { bodyName, capitalize } from '~/words/names.ts'

import { ExplodedRow } from './ExplodedRow.tsx'
import { PartTiles } from './PartTiles.tsx'
import type { OpenBuild } from './useBuild.ts'

const LAYERS: Layers = new Set<Layer>(['parts', 'names'])

interface UnitAsItStandsProps {
  readonly draft: BoxDraft
  readonly build: OpenBuild
  readonly standing: Standing
  readonly direction: Direction
  /** The row that a person chose; empty for that of the part in hand. */
  readonly row: string
  readonly onRow: (row: string) => void
  readonly onChoose: (part: AssemblyPart) => void
}

/** How each drawn part is marked: in hand, off the unit, or touching what is in hand. */
function useClassOf(
  { naming, assembly, groups }: OpenBuild,
  { off, inHand }: Standing,
): (drawn: string) => string | undefined {
  const held = inHand?.part
  const touched = useMemo(
    () => new Set(held ? neighboursOf(groups, held, off) : []),
    [groups, held, off],
  )
  const bare = useMemo(() => bareParts(groups, off), [groups, off])
  const drawnParts = useMemo(() => partsDrawn(naming.box, assembly), [naming, assembly])
  return useCallback(
    (drawn) => {
      const part = drawnParts.get(drawn)
      if (!part) return undefined
      if (part === held) return 'in-hand'
      if (bare.has(part.id)) return 'is-off'
      return touched.has(part) ? 'touched' : undefined
    },
    [drawnParts, bare, held, touched],
  )
}

interface RowChooserProps {
  readonly build: OpenBuild
  readonly off: ReadonlySet<string>
  readonly shown: Group | undefined
  readonly onRow: (row: string) => void
}

/** The rows that the parts lie in, each with how many of its parts are in; the one shown is in sight. */
function RowChooser({ build: { naming, groups }, off, shown, onRow }: RowChooserProps) {
  const list = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const pressed = list.current?.querySelector<HTMLElement>('[aria-pressed=true]')
    if (list.current && pressed)
      list.current.scrollTop = pressed.offsetTop - list.current.clientHeight / 2
  }, [shown])
  return (
    <div
      ref={list}
      role="group"
      aria-label="Rows of parts"
      className="relative flex flex-wrap gap-x-1 lg:max-h-full lg:flex-none lg:flex-col lg:flex-nowrap lg:overflow-y-auto"
    >
      {groups.map(({ bench, parts }) => (
        <button
          key={bench ?? 'case'}
          type="button"
          aria-pressed={shown?.bench === bench}
          className="button-quiet aria-pressed:bg-accent-wash lg:justify-between lg:pointer-fine:min-h-8"
          onClick={() => {
            onRow(bench ?? 'case')
          }}
        >
          {capitalize(bench === null ? 'case' : bodyName(naming, bench))}{' '}
          <span className="text-graphite tabular-nums">
            {parts.filter((part) => !off.has(part.id)).length}/{parts.length}
          </span>
        </button>
      ))}
    </div>
  )
}

export const UnitAsItStands = memo(function UnitAsItStands(props: UnitAsItStandsProps) {
  const { draft, build, standing, direction, row, onRow, onChoose } = props
  const { naming, section, groups, nameOf } = build
  const { off, inHand, trays } = standing
  const group =
    groups.find(({ bench }) => (bench ?? 'case') === row) ??
    groups.find(({ bench }) => bench === (inHand?.part.bench ?? null)) ??
    groups[0]
  const classOf = useClassOf(build, standing)
  const shown = group && {
    index: naming.box,
    section,
    parts: group.parts,
    off,
    trays,
    chosen: inHand?.part.id ?? '',
    nameOf,
    onChoose,
  }
  return (
    <>
      <div className="flex min-h-[17rem] flex-1 gap-2 max-lg:flex-col">
        {/* Out of the flow, so that a step does not lay the whole drawing out again. */}
        <div className="build relative min-h-[17rem] flex-1">
          <div className="absolute inset-0">
            <SectionDrawing
              draft={draft}
              words={naming.words}
              layers={LAYERS}
              classOf={classOf}
              title={`Section along the shafts of ${draft.name}; what is off is drawn pale`}
            />
          </div>
        </div>
        <RowChooser build={build} off={off} shown={group} onRow={onRow} />
      </div>
      {shown && group.bench === null && <PartTiles {...shown} direction={direction} />}
      {shown && group.bench !== null && (
        <div className="flex-none overflow-x-auto">
          <div className="build h-[13.5rem] min-w-[44rem]">
            <ExplodedRow
              {...shown}
              title={`Parts of the ${bodyName(naming, group.bench)} in a row`}
            />
          </div>
        </div>
      )}
    </>
  )
})
