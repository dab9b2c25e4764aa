import type { Drive } from 'core'
import { toNumber } from 'core'

import { EntryField, SelectField } from '~/components/Fields.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'
import type { AxleSide } from '~/views/trace/bend.ts'
import { BEND, bendOfWheels, formatBend, parseBend } from '~/views/trace/bend.ts'
import { formatNumber } from '~/words/format.ts'
import { bodyName, capitalize } from '~/words/names.ts'

import type { OpenTrace } from './traceContext.ts'

const MOST_WHEEL_RPM = 10_000
/** A bend as it begins, of a car (common practice). */
const FIRST = { kind: 'radius', radiusM: 6, trackM: 1.5, inner: 'left' } as const

interface BendFieldsProps {
  readonly trace: OpenTrace
  readonly drive: Drive
  readonly axle: Drive['balanced'][number]
}

/** How fast the two wheels of an axle turn; what one is given leaves the other as it is. */
function WheelFields({ trace, drive, axle }: BendFieldsProps) {
  const { naming, change, input } = trace
  const speeds = axle.sides.map((side) => {
    const speed = drive.outputs.find(({ body }) => body === side)?.speed
    return speed ? Math.abs(toNumber(speed)) * input.speedRpm : 0
  })
  const keep = (at: number) => (text: string) => {
    const parsed = parseWithin(text, 0, MOST_WHEEL_RPM, 'The speed of a wheel')
    if (!parsed.ok) return parsed.sentence
    const [left = 0, right = 0] = speeds.map((speed, side) => (side === at ? parsed.value : speed))
    const wheels = bendOfWheels(left, right)
    if (!wheels) return 'One of the wheels has to turn.'
    const speed = Math.abs(toNumber(drive.ratio)) * wheels.mean
    change({ bend: wheels.bend ? formatBend(wheels.bend) : '', speed: formatNumber(speed, 1) })
    return null
  }
  return axle.sides.map((side, at) => (
    <EntryField
      key={`${side} ${speeds[at]}`}
      label={capitalize(bodyName(naming, side))}
      unit="rev/min"
      inputMode="decimal"
      value={formatNumber(speeds[at] ?? 0, 1)}
      onCommit={keep(at)}
    />
  ))
}

/** The bend that an axle goes round, by its radius or by how fast its two wheels turn. */
export default function BendFields({ trace, drive, axle }: BendFieldsProps) {
  const { naming, search, change } = trace
  const bend = parseBend(search.bend)
  const byRadius = bend?.kind === 'radius' ? bend : null
  const nameOf = (side: AxleSide): string => bodyName(naming, axle.sides[side === 'left' ? 0 : 1])
  const keepRadius = (
    next: Partial<typeof FIRST | NonNullable<typeof byRadius>>,
  ): string | null => {
    const text = formatBend({ ...FIRST, ...byRadius, ...next })
    if (!parseBend(text))
      return 'The middle of the axle goes round at half its track or further out.'
    change({ bend: text })
    return null
  }
  const figure =
    (most: number, what: string, keep: (value: number) => string | null) => (text: string) => {
      const parsed = parseWithin(text, BEND.leastM, most, what)
      return parsed.ok ? keep(parsed.value) : parsed.sentence
    }
  return (
    <div className="grid grid-cols-2 gap-2" role="group" aria-label="Bend">
      <EntryField
        key={`radius ${byRadius?.radiusM}`}
        label="Radius of the bend"
        unit="m"
        inputMode="decimal"
        value={byRadius ? `${byRadius.radiusM}` : ''}
        onCommit={(text) => {
          if (text.trim() === '') {
            change({ bend: '' })
            return null
          }
          return figure(BEND.mostRadiusM, 'The radius in metres', (radiusM) =>
            keepRadius({ radiusM }),
          )(text)
        }}
      />
      <EntryField
        key={`track ${byRadius?.trackM}`}
        label="Track"
        unit="m"
        inputMode="decimal"
        value={byRadius ? `${byRadius.trackM}` : ''}
        onCommit={figure(BEND.mostTrackM, 'The track in metres', (trackM) =>
          keepRadius({ trackM }),
        )}
      />
      <WheelFields trace={trace} drive={drive} axle={axle} />
      {byRadius && (
        <SelectField
          label="Inner side"
          value={byRadius.inner}
          options={[
            ['left', nameOf('left')],
            ['right', nameOf('right')],
          ]}
          onChange={(inner) => {
            keepRadius({ inner: inner === 'left' ? 'left' : 'right' })
          }}
        />
      )}
      {bend && (
        <button
          type="button"
          className="button self-end"
          onClick={() => {
            change({ bend: '' })
          }}
        >
          Straight ahead
        </button>
      )}
    </div>
  )
}
