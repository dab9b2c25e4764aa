import clsx from 'clsx'

import type { GearFigure, GearIdentity, GearTexts } from '~/views/count/gearFigures.ts'
import type { PicturedGear } from '~/views/count/gearPicture.ts'
import { onWheel, outline, pictureGear } from '~/views/count/gearPicture.ts'
import type { LengthUnit } from '~/words/format.ts'

interface GearPictureProps {
  readonly texts: GearTexts
  readonly found: GearIdentity
  readonly unit: LengthUnit
  /** The figure that is being typed; its mark is lit. */
  readonly at: GearFigure | undefined
}

/** Room beside the gears for what is written, and the width of all, in viewBox units. */
const MARGIN = 56
const WIDTH = 640
const HEIGHT = 520

type Point = readonly [x: number, y: number]

/** The gear from the front, with what is measured on it marked where it is measured. */
export function GearPicture({ texts, found, unit, at }: GearPictureProps) {
  const { gear, mate, width, height, spanned, steps, isCountGuessed } = pictureGear(found)
  const scale = Math.min((WIDTH - 2 * MARGIN) / width, (HEIGHT - 2 * MARGIN) / height)
  const left = (WIDTH - width * scale) / 2 + gear.tipRadius * scale
  const put = ([x, y]: Point): Point => [left + x * scale, HEIGHT / 2 + y * scale]
  const text = (figure: GearFigure, name: string): string =>
    texts[figure] === '' ? name : `${name} ${texts[figure]} ${unit}`
  const mark = (figure: GearFigure, from: Point, to: Point, words: string, away: Point) => (
    <Mark
      key={figure}
      from={put(from)}
      to={put(to)}
      words={words}
      away={away}
      isLit={at === figure}
      isMeasured={texts[figure] !== ''}
    />
  )
  const { tipRadius, pitchRadius } = gear
  // The caliper lies across the top, the broken gear's chord at the left.
  const quarter = -gear.toothCount / 4
  const span = (teeth: number): readonly [Point, Point] => [
    onWheel(gear, pitchRadius, quarter - teeth / 2 + 0.25),
    onWheel(gear, pitchRadius, quarter + teeth / 2 - 0.25),
  ]
  const half = gear.toothCount / 2
  const isOf = (...figures: readonly GearFigure[]): boolean =>
    figures.some((figure) => figure === at || texts[figure] !== '')
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="gear-picture"
      role="img"
      aria-label={`A gear${isCountGuessed ? '' : ` of ${gear.toothCount} teeth`}${mate ? ` with a mate of ${mate.toothCount}` : ''}, with what is measured on it`}
    >
      <Wheel gear={gear} put={put} scale={scale} isGuessed={isCountGuessed} />
      {mate && <Wheel gear={mate} put={put} scale={scale} isMate />}
      <text x={put([0, 0])[0]} y={put([0, 0])[1] - 10} className="figure">
        {isCountGuessed ? '?' : gear.toothCount}
      </text>
      {mate && (
        <text x={put(mate.centre)[0]} y={put(mate.centre)[1] - 10} className="figure">
          {mate.toothCount}
        </text>
      )}
      {mark('outside', [0, tipRadius], [0, -tipRadius], text('outside', 'outside'), [
        8,
        height * scale * 0.2,
      ])}
      {isOf('span', 'longerSpan') &&
        mark(
          at === 'longerSpan' ? 'longerSpan' : 'span',
          ...span(at === 'longerSpan' ? spanned + 1 : spanned),
          text(
            at === 'longerSpan' ? 'longerSpan' : 'span',
            `over ${at === 'longerSpan' ? spanned + 1 : spanned} teeth`,
          ),
          [0, -pitchRadius * scale * 0.12 - 26],
        )}
      {isOf('chord', 'pitches') &&
        mark(
          at === 'pitches' ? 'pitches' : 'chord',
          onWheel(gear, tipRadius, half - steps / 2),
          onWheel(gear, tipRadius, half + steps / 2),
          texts.chord === ''
            ? `tip to tip, ${steps} steps`
            : `${texts.chord} ${unit}, ${steps} steps`,
          [12, 30],
        )}
      {mate && mark('centre', [0, 0], mate.centre, text('centre', 'centres'), [0, 24])}
      {mate &&
        isOf('mateOutside') &&
        mark(
          'mateOutside',
          [mate.centre[0], mate.tipRadius],
          [mate.centre[0], -mate.tipRadius],
          text('mateOutside', 'outside'),
          [8, mate.tipRadius * scale * 0.5],
        )}
    </svg>
  )
}

interface WheelProps {
  readonly gear: PicturedGear
  readonly put: (point: Point) => Point
  readonly scale: number
  readonly isMate?: boolean
  readonly isGuessed?: boolean
}

function Wheel({ gear, put, scale, isMate = false, isGuessed = false }: WheelProps) {
  const [cx, cy] = put(gear.centre)
  const points = outline(gear)
    .map(put)
    .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ')
  return (
    <>
      <polygon points={points} className={clsx(isMate && 'mate', isGuessed && 'guessed')} />
      <circle cx={cx} cy={cy} r={gear.pitchRadius * scale} className="pitch" />
      <circle cx={cx} cy={cy} r={Math.min(12, gear.rootRadius * scale * 0.3)} className="bore" />
    </>
  )
}

interface MarkProps {
  readonly from: Point
  readonly to: Point
  readonly words: string
  /** Where the words stand, from the middle of the line. */
  readonly away: Point
  readonly isLit: boolean
  readonly isMeasured: boolean
}

/** A measured line with its ends, and what it is. */
function Mark({ from, to, words, away, isLit, isMeasured }: MarkProps) {
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI
  return (
    <g className={clsx('mark', isLit && 'lit', !isMeasured && 'wanted')}>
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} />
      {[from, to].map((end, at) => (
        <path
          key={at}
          d="M0 -9V9"
          transform={`translate(${end[0].toFixed(1)} ${end[1].toFixed(1)}) rotate(${angle.toFixed(1)})`}
        />
      ))}
      <text
        x={middle[0] + away[0]}
        y={middle[1] + away[1]}
        textAnchor={away[0] === 0 ? 'middle' : away[0] < 0 ? 'end' : 'start'}
      >
        {words}
      </text>
    </g>
  )
}
