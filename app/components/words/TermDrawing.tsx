import clsx from 'clsx'

import type { TermId } from '~/words/glossary.ts'

/** Heights of the two lines of shafts, in viewBox units. */
const MAIN_Y = 34
const COUNTER_Y = 88
const SHAFT_RADIUS = 6

interface Meant {
  /** Whether this is the part that the word means. */
  readonly isMeant?: boolean
}

function Shaft({ y, from, to, isMeant }: Meant & { y: number; from: number; to: number }) {
  return (
    <rect
      className={clsx(isMeant && 'meant')}
      x={from}
      y={y - SHAFT_RADIUS}
      width={to - from}
      height={2 * SHAFT_RADIUS}
    />
  )
}

/** A gear seen from the side; a free one leaves a gap round its shaft. */
function Gear(
  props: Meant & { x: number; y: number; radius: number; width?: number; isFree?: boolean },
) {
  const { x, y, radius, width = 22, isFree = false, isMeant } = props
  const bore = SHAFT_RADIUS + (isFree ? 4 : 0)
  return [-1, 1].map((side) => (
    <rect
      key={side}
      className={clsx(isMeant && 'meant')}
      x={x - width / 2}
      y={side < 0 ? y - radius : y + bore}
      width={width}
      height={radius - bore}
    />
  ))
}

type BoxPart = 'input-shaft' | 'main-shaft' | 'countershaft' | 'head-gear'

/** A box of three shafts, with the part that is meant. */
function ThreeShafts({ part }: { readonly part: BoxPart }) {
  const isOf = (each: BoxPart): boolean => each === part
  return (
    <>
      <Shaft y={MAIN_Y} from={8} to={84} isMeant={isOf('input-shaft')} />
      <Shaft y={MAIN_Y} from={92} to={232} isMeant={isOf('main-shaft')} />
      <Shaft y={COUNTER_Y} from={40} to={226} isMeant={isOf('countershaft')} />
      <Gear x={66} y={MAIN_Y} radius={20} isMeant={isOf('head-gear') || isOf('input-shaft')} />
      <Gear x={66} y={COUNTER_Y} radius={34} isMeant={isOf('head-gear') || isOf('countershaft')} />
      {(
        [
          [132, 25],
          [196, 33],
        ] as const
      ).map(([x, radius]) => (
        <g key={x}>
          <Gear x={x} y={MAIN_Y} radius={radius} isFree />
          <Gear x={x} y={COUNTER_Y} radius={54 - radius} isMeant={isOf('countershaft')} />
        </g>
      ))}
    </>
  )
}

type SynchronizerPart = 'hub' | 'sleeve' | 'dog-teeth' | 'blocker-ring' | 'all'

/** Hub, sleeve, ring and the gear beside them, cut along the shaft. */
function Synchronizer({ part }: { readonly part: SynchronizerPart }) {
  const meant = (each: SynchronizerPart) =>
    clsx((part === each || (part === 'all' && each !== 'dog-teeth')) && 'meant')
  return (
    <>
      <rect x={8} y={54} width={224} height={12} />
      {[-1, 1].map((side) => (
        <g key={side} transform={side < 0 ? undefined : 'matrix(1 0 0 -1 0 120)'}>
          <rect className={meant('hub')} x={66} y={28} width={40} height={26} />
          <rect className={meant('sleeve')} x={58} y={12} width={56} height={15} />
          <path className={meant('blocker-ring')} d="M120 16h9v14l-4 12h-5z" />
          <rect className={meant('dog-teeth')} x={134} y={16} width={8} height={16} />
          <path d="M132 33l-3 11v6h17v-17zM146 4h46v46h-46z" />
        </g>
      ))}
    </>
  )
}

function Rod({ y, isMoved = false }: { readonly y: number; readonly isMoved?: boolean }) {
  const notch = isMoved ? 150 : 120
  return (
    <path
      d={`M20 ${y - 12}H220V${y + 12}H20zM${notch - 9} ${y - 12}a9 9 0 0 0 18 0M${notch - 9} ${y + 12}a9 9 0 0 1 18 0`}
    />
  )
}

/** The pairs of a box in a row, with those that are meant before or behind the others. */
function PairsInARow({ meant }: { readonly meant: readonly number[] }) {
  return (
    <>
      <Shaft y={MAIN_Y} from={8} to={232} />
      <Shaft y={COUNTER_Y} from={24} to={216} />
      {[22, 26, 32, 27, 22, 33].map((radius, at) => {
        const x = 40 + at * 31
        const isMeant = meant.includes(at)
        return (
          <g key={x}>
            <Gear x={x} y={MAIN_Y} radius={radius} isMeant={isMeant} />
            <Gear x={x} y={COUNTER_Y} radius={54 - radius} isMeant={isMeant} />
          </g>
        )
      })}
    </>
  )
}

/** A tooth between two of its mate, leaning on the left one, and where that one pushes it. */
function Flanks({ children }: { readonly children: React.ReactNode }) {
  return (
    <>
      <path d="M20 106V78h34l8-44h22l8 44h60l8-44h22l8 44h30v28z" />
      <path
        className="meant"
        d="M60 6h150v14h-50l-7 44h-18l-7-44H60z"
        transform="translate(-32 0)"
      />
      {children}
    </>
  )
}

const DRAWINGS: Readonly<Partial<Record<TermId, React.ReactNode>>> = {
  ratio: (
    <>
      <circle cx={70} cy={60} r={26} />
      <circle className="meant" cx={148} cy={60} r={52} />
      <path className="line" d="M50 26a38 38 0 0 1 40 0m-2-9l3 10l-10 1" />
    </>
  ),
  'input-shaft': <ThreeShafts part="input-shaft" />,
  'main-shaft': <ThreeShafts part="main-shaft" />,
  countershaft: <ThreeShafts part="countershaft" />,
  'head-gear': <ThreeShafts part="head-gear" />,
  integral: <path className="meant" d="M20 54H100V14H140V54H220V66H140V106H100V66H20z" />,
  free: (
    <>
      <Shaft y={60} from={20} to={220} />
      <Gear x={120} y={60} radius={46} width={40} isFree isMeant />
      {[108, 120, 132].map((x) => (
        <g key={x}>
          <circle cx={x} cy={52} r={2} />
          <circle cx={x} cy={68} r={2} />
        </g>
      ))}
    </>
  ),
  idler: (
    <>
      <circle cx={52} cy={60} r={34} />
      <circle className="meant" cx={108} cy={60} r={22} />
      <circle cx={174} cy={60} r={44} />
    </>
  ),
  hub: <Synchronizer part="hub" />,
  sleeve: <Synchronizer part="sleeve" />,
  'dog-teeth': <Synchronizer part="dog-teeth" />,
  'blocker-ring': <Synchronizer part="blocker-ring" />,
  synchronizer: <Synchronizer part="all" />,
  planetary: (
    <>
      <circle className="line" cx={120} cy={60} r={56} />
      <circle className="line" cx={120} cy={60} r={48} />
      <circle className="meant" cx={120} cy={60} r={18} />
      {[90, 210, 330].map((deg) => (
        <circle
          key={deg}
          cx={120 + 33 * Math.cos((deg * Math.PI) / 180)}
          cy={60 - 33 * Math.sin((deg * Math.PI) / 180)}
          r={15}
        />
      ))}
    </>
  ),
  clutch: (
    <>
      <Shaft y={60} from={10} to={100} />
      <Shaft y={60} from={140} to={230} />
      <rect x={92} y={14} width={16} height={92} />
      <rect className="meant" x={112} y={20} width={9} height={80} />
      <rect x={125} y={14} width={16} height={92} />
    </>
  ),
  interlock: (
    <>
      <Rod y={28} isMoved />
      <Rod y={92} />
      {/* The ball is pushed out of the rod that moved, into the notch of the other. */}
      <circle className="meant" cx={120} cy={62} r={21} />
    </>
  ),
  gate: (
    <>
      <path
        className="meant"
        d="M68 11h16v43h28v-43h16v43h28v-43h16v102h-16v-43h-28v43h-16v-43h-28v43h-16z"
      />
      <circle cx={120} cy={22} r={12} />
    </>
  ),
  drum: (
    <>
      <path className="meant" d="M30 40H210V112H30z" />
      <path className="line" strokeWidth={6} d="M30 92H96L124 64H210" />
      <path d="M104 8h12v70h-12z" />
    </>
  ),
  'star-wheel': (
    <>
      <path
        className="meant"
        d="M144 30L149 55L168 72L149 89L144 114L120 106L96 114L91 89L72 72L91 55L96 30L120 38z"
      />
      <circle cx={120} cy={26} r={13} />
      <path className="line" d="M120 13V2" />
    </>
  ),
  'false-neutral': (
    <>
      <path d="M120 34L135 52L158 56L150 78L158 100L135 104L120 122L105 104L82 100L90 78L82 56L105 52z" />
      <circle className="meant" cx={120} cy={20} r={13} />
      <path
        className="line"
        d="M148 14q22 6 28 26m0 0l-9-6m9 6l5-9M92 14q-22 6-28 26m0 0l9-6m-9 6l-5-9"
      />
    </>
  ),
  'back-taper': (
    <>
      <path d="M10 8H50V116H10zM190 8H230V116H190z" />
      <path className="meant" d="M50 30L112 20V60L50 50z" />
      <path d="M190 70L128 60V104L190 94z" />
      <path className="line" d="M60 76h52m-8-7l8 7l-8 7" />
    </>
  ),
  backlash: (
    <Flanks>
      <path className="line" d="M127 42h31m-6-5l6 5l-6 5m-19-10l-6 5l6 5" />
    </Flanks>
  ),
  overrun: (
    <Flanks>
      {/* The mate comes from behind: the tooth leans on the flank that is free under power. */}
      <path className="line" strokeWidth={3} d="M40 92h64m-10-7l10 7l-10 7" />
    </Flanks>
  ),
  range: <PairsInARow meant={[4, 5]} />,
  splitter: <PairsInARow meant={[0, 1]} />,
  'end-play': (
    <>
      <rect x={14} y={20} width={20} height={80} />
      <rect x={206} y={20} width={20} height={80} />
      <rect className="meant" x={36} y={48} width={152} height={24} />
      <path className="line" d="M188 88h18m-5-4l5 4l-5 4m-8-8l-5 4l5 4" />
    </>
  ),
  'run-out': (
    <>
      <path className="line" strokeDasharray="10 4 2 4" d="M10 78H230" />
      <path className="meant" d="M20 72Q120 46 220 72V86Q120 60 20 86z" />
      <circle cx={120} cy={22} r={18} />
      <path className="line" d="M120 40V58M120 22l8-10" />
    </>
  ),
}

/** A small drawing of what a word means, with the part in question in colour; none for some. */
export function TermDrawing({ id }: { readonly id: TermId }) {
  const drawing = DRAWINGS[id]
  return drawing ? (
    <svg viewBox="0 0 240 124" className="term-drawing" aria-hidden>
      {drawing}
    </svg>
  ) : null
}
