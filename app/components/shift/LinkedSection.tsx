/** The section with what moves its couplers over it: rods or a drum, forks, and what lies between. */
import type { ComponentProps } from 'react'
import { useMemo } from 'react'

import type { CouplerPosition, Drum, Selector } from 'core'

import { ScaledSection } from '~/components/section/ScaledSection.tsx'
import type { LeverWay } from '~/views/shift/moment.ts'
import type { Movers, Standing } from '~/views/shift/linkage.ts'
import { forked, linkageHeight } from '~/views/shift/linkage.ts'
import { AT_THEIR_PLACES } from '~/views/section/onTheWay.ts'
import type { Naming } from '~/words/names.ts'

import { Linkage } from './Linkage.tsx'

interface LinkedSectionProps extends Omit<ComponentProps<typeof ScaledSection>, 'above'> {
  readonly naming: Naming
  /** As they lie beside one another. */
  readonly rods: readonly Selector[]
  readonly drums?: readonly Drum[] | undefined
  readonly drumDegs?: ReadonlyMap<string, number> | undefined
  readonly levers?: ReadonlyMap<number, LeverWay>
  /** Of the interlock, what is taken out. */
  readonly out?: ReadonlySet<string>
  /** A rod, by its id, is dragged so far along, in units of the drawing. */
  readonly onDragRod?: ((rod: string, shift: number, standing: Standing) => void) | undefined
  /** The drum is turned by dragging it. */
  readonly onTurnDrum?: ((drum: string, angleDeg: number) => void) | undefined
}

const NO_DRUMS: readonly Drum[] = []
const NO_PARTS: ComponentProps<typeof Linkage>['parts'] = []

export function LinkedSection(props: LinkedSectionProps) {
  const {
    naming,
    rods,
    drums = NO_DRUMS,
    drumDegs,
    levers,
    out,
    onDragRod,
    onTurnDrum,
    ...section
  } = props
  const { state, onTheWay = AT_THEIR_PLACES } = section
  const movers: Movers = useMemo(
    () => ({ rods: drums.length > 0 ? [] : rods, drums }),
    [rods, drums],
  )
  const named = useMemo(() => forked(movers), [movers])
  const places = useMemo(
    () =>
      new Map<string, CouplerPosition>(
        state?.engaged.map(({ coupler, place }) => [coupler.id, place]) ?? [],
      ),
    [state],
  )
  const height = linkageHeight(movers)
  return (
    <ScaledSection
      {...section}
      above={
        height === 0
          ? undefined
          : {
              height,
              named,
              draw: (laidOut, scale) => (
                <Linkage
                  naming={naming}
                  movers={movers}
                  standing={{ section: laidOut, scale, places, onTheWay }}
                  parts={naming.box.draft.interlockParts ?? NO_PARTS}
                  out={out}
                  levers={levers}
                  drumDegs={drumDegs}
                  onDragRod={onDragRod}
                  onTurnDrum={onTurnDrum}
                />
              ),
            }
      }
    />
  )
}
