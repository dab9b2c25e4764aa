import { useWords } from '~/components/useWords.ts'
import type { Layers } from '~/views/section/layers.ts'
import { USUAL_LAYERS } from '~/views/section/layers.ts'

interface LegendProps {
  readonly hasRibbon: boolean
  readonly hasGrips?: boolean
  readonly layers?: Layers
  /** Whether forces are drawn, and how many loaded gears they lack data of. */
  readonly hasForces?: boolean
  readonly missingForces?: number
}

/** How to read the drawing, in one line. */
export function Legend(props: LegendProps) {
  const { hasRibbon, hasGrips = false, layers = USUAL_LAYERS } = props
  const words = useWords()
  return (
    <p className="text-graphite flex flex-wrap gap-x-5 text-[0.86rem]">
      <span>■ turns with its shaft</span>
      <span>□ free on it</span>
      {!layers.has('speed') && !props.hasForces && <span>◀ ▶ engaged</span>}
      {hasRibbon && layers.has('torque') && !props.hasForces && (
        <span>━ as wide as its torque, at least a hairline</span>
      )}
      {layers.has('speed') && <span>↓ ↑ the near side goes, rev/min</span>}
      {props.hasForces && (
        <span>
          ▲ load on a bearing, → thrust of a shaft
          {(props.missingForces ?? 0) > 0 &&
            `; data are missing for loaded gears (${props.missingForces}), see Forces and losses`}
        </span>
      )}
      {hasGrips && <span>↔ pull a {words.couplers.synchronizer}</span>}
    </p>
  )
}
