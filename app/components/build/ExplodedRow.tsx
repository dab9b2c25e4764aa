/** The parts of one shaft in a row, to one scale and apart from one another, as on the bench. */
import { useMemo } from 'react'

import type { AssemblyPart, BoxIndex, Section } from 'core'

import { drawableOf, extentOf } from '~/views/build/drawables.ts'

import { PartFigure } from './PartFigure.tsx'

interface ExplodedRowProps {
  readonly index: BoxIndex
  readonly section: Section
  readonly parts: readonly AssemblyPart[]
  readonly off: ReadonlySet<string>
  readonly trays: ReadonlyMap<string, string>
  /** The part in hand. */
  readonly chosen: string
  readonly title: string
  readonly nameOf: (part: AssemblyPart) => string
  readonly onChoose: (part: AssemblyPart) => void
}

const WIDTH = 1000
const HEIGHT = 250
const MARGIN = 12
/** Between two parts, and for what is written under them. */
const GAP = 9
const FOOT = 26
/** No part is drawn larger, however few there are. */
const MOST_PER_MM = 3.4
/** A target for a finger. */
const LEAST_TARGET = 26

/** Where each part of a row is drawn, in units of the drawing. */
function layOutRow(index: BoxIndex, section: Section, parts: readonly AssemblyPart[]) {
  const drawn = parts.map((part) => ({ part, drawable: drawableOf(index, section, part) }))
  const extents = drawn.map(({ drawable }) => extentOf(drawable))
  const lengthMm = extents.reduce((sum, each) => sum + each.lengthMm, 0)
  const highMm = Math.max(1, ...extents.map(({ radiusMm }) => radiusMm))
  const free = WIDTH - 2 * MARGIN - GAP * Math.max(0, parts.length - 1)
  const perMm = Math.min(MOST_PER_MM, free / lengthMm, (HEIGHT - FOOT - MARGIN) / (2 * highMm))
  const widths = extents.map((each) => each.lengthMm * perMm)
  const used = widths.reduce((sum, width) => sum + width, 0) + GAP * (parts.length - 1)
  const starts = widths.map(
    (_, at) =>
      (WIDTH - used) / 2 + widths.slice(0, at).reduce((sum, width) => sum + width + GAP, 0),
  )
  return { drawn, starts, widths, perMm, axis: (HEIGHT - FOOT) / 2 + 4 }
}

export function ExplodedRow(props: ExplodedRowProps) {
  const { index, section, parts, off, trays, chosen, title, nameOf, onChoose } = props
  const { drawn, starts, widths, axis, perMm } = useMemo(
    () => layOutRow(index, section, parts),
    [index, section, parts],
  )
  return (
    <svg className="section row" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label={title}>
      <path className="centre-line" d={`M2 ${axis}H${WIDTH - 2}`} />
      {drawn.map(({ part, drawable }, at) => {
        const [x, width] = [starts[at] ?? 0, widths[at] ?? 0]
        const target = Math.max(width, LEAST_TARGET)
        const isOff = off.has(part.id)
        const tray = trays.get(part.id)
        return (
          <g key={part.id}>
            <g className={isOff ? 'is-off' : undefined}>
              <PartFigure drawable={drawable} x={x} y={axis} perMm={perMm} />
            </g>
            {tray !== undefined && (
              <text className="tray" x={x + width / 2} y={HEIGHT - 6 - (at % 2) * 12}>
                {tray}
              </text>
            )}
            <rect
              className={chosen === part.id ? 'hit chosen' : 'hit'}
              data-row={part.id}
              x={x + (width - target) / 2}
              y={4}
              width={target}
              height={HEIGHT - FOOT}
              role="button"
              tabIndex={0}
              aria-label={`${nameOf(part)}, ${isOff ? 'off' : 'in'}`}
              aria-pressed={chosen === part.id}
              onClick={() => {
                onChoose(part)
              }}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return
                event.preventDefault()
                onChoose(part)
              }}
            />
          </g>
        )
      })}
    </svg>
  )
}
