import type { Finding, Section, Verdict } from 'core'
import { USUAL_TRAVEL_MM, sleeveShiftMm, standingVerdict, readPath } from 'core'

import type { Scale } from '~/views/section/scale.ts'
import { unitPartName } from '~/words/jobs.ts'
import { verdictWords } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

const SIZE = 11

interface VerdictMarksProps {
  readonly section: Section
  readonly scale: Scale
  readonly naming: Naming
  readonly worst: ReadonlyMap<string, Finding>
  readonly hrefOf: (part: string) => string
  readonly onChoose: (part: string) => void
}

/** Where the mark of a part stands; undefined where the drawing does not show the part. */
function placeOf(
  section: Section,
  scale: Scale,
  ref: string,
): readonly [number, number] | undefined {
  const { kind, id, place: placeId } = readPath(ref)
  if (kind === 'gear') {
    const drawn = section.gears.find(({ gear }) => gear.id === id)
    return (
      drawn && [
        scale.x(drawn.gear.stationMm + drawn.widthMm / 2) - SIZE,
        scale.y(drawn.yMm) - drawn.radiusMm * scale.perMmY + SIZE,
      ]
    )
  }
  if (kind === 'shaft') {
    const drawn = section.members.find(({ member }) => member.id === id)
    return drawn && [scale.x(drawn.member.fromMm) + 2 * SIZE, scale.y(drawn.yMm)]
  }
  if (kind === 'piece') {
    const drawn = section.pieces.find(({ piece }) => piece.id === id)
    return (
      drawn && [
        scale.x((drawn.fromMm + drawn.toMm) / 2),
        scale.y(drawn.yMm + drawn.outerMm) + SIZE * 0.6,
      ]
    )
  }
  const drawn = section.couplers.find(({ coupler }) => coupler.id === id)
  if (!drawn) return undefined
  const place = drawn.coupler.positions.find((each) => each.id === placeId)
  const shiftMm = place ? Math.sign(sleeveShiftMm(place)) * (USUAL_TRAVEL_MM + 4) : 0
  const lift = (drawn.baseRadiusMm + 26) * scale.perMmY
  return [
    scale.x(drawn.coupler.stationMm + shiftMm),
    scale.y(drawn.yMm) + (place ? 1 : -1) * (place ? lift - 12 : lift),
  ]
}

/** The verdict on each part, by shape, sign and word besides its colour. */
export function VerdictMarks(props: VerdictMarksProps) {
  const { section, scale, naming, worst, hrefOf, onChoose } = props
  return [...worst].map(([part, finding]) => {
    const place = placeOf(section, scale, part)
    const verdict = standingVerdict(finding)
    if (!place || !verdict) return null
    const name = `${capitalize(unitPartName(naming, part))}: ${verdictWords(naming.box, finding, verdict)}`
    return (
      <a
        key={part}
        href={hrefOf(part)}
        aria-label={name}
        onClick={(event) => {
          if (event.metaKey || event.ctrlKey) return
          event.preventDefault()
          onChoose(part)
        }}
      >
        <title>{name}</title>
        <VerdictShape verdict={verdict} x={place[0]} y={place[1]} />
      </a>
    )
  })
}

/** A round tick, an upright warning, a crossed square. */
function VerdictShape({
  verdict,
  x,
  y,
}: {
  readonly verdict: Verdict
  readonly x: number
  readonly y: number
}) {
  const at = `translate(${x.toFixed(1)} ${y.toFixed(1)})`
  switch (verdict) {
    case 'good':
      return (
        <g transform={at} className="verdict good">
          <circle r={SIZE} />
          <path d="M-5 0l4 4l7 -8" />
        </g>
      )
    case 'watch':
      return (
        <g transform={at} className="verdict watch">
          <path d={`M0 ${-SIZE - 2}L${SIZE + 2} ${SIZE}H${-SIZE - 2}Z`} />
          <path d="M0 -5V3M0 6V8" />
        </g>
      )
    case 'replace':
      return (
        <g transform={at} className="verdict replace">
          <rect x={-SIZE} y={-SIZE} width={2 * SIZE} height={2 * SIZE} />
          <path d="M-5 -5L5 5M5 -5L-5 5" />
        </g>
      )
  }
}

/** A verdict in a line of text. */
export function VerdictSign({ verdict }: { readonly verdict: Verdict }) {
  return (
    <svg viewBox="-14 -15 28 30" className="inline-block size-6 flex-none" aria-hidden>
      <VerdictShape verdict={verdict} x={0} y={0} />
    </svg>
  )
}
