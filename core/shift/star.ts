/**
 * A star wheel and the roller that a spring presses into it: where the drum comes to rest. Between
 * two stops the rim rises to a tip; each half of a notch is one arc from its bottom, on the ray of
 * its stop, to that tip. The middle of the roller runs on the outer envelope of what it can touch:
 * circles about arcs, tips and worn flats. Energy is in the spring alone; the drum rests wherever
 * its slope turns it less than friction holds it (statics; common practice for detents).
 */
import { oncePer } from '../box/oncePer.ts'
import type { Drum, DrumStop, StarFigures } from '../box/types.ts'

/** Figures of a star wheel that somebody may have measured, all filled in. */
export type FullStar = { readonly [Name in keyof StarFigures]-?: number }

/** Of a usual star, where nothing is measured (common practice). */
const USUAL: FullStar = {
  tipDiameterMm: 36,
  bottomDiameterMm: 28,
  rollerDiameterMm: 12,
  springForceN: 40,
  springRateNPerMm: 2,
  armLengthMm: 30,
  pivotMm: Math.hypot(30, 20),
  frictionNmm: 50,
}

/** A drum that is let go within this hangs on a tip (common practice: a foot stops it no finer). */
const HANGS_FROM_DEG = 3
/** How finely the turn is looked through, in degrees; two turning points within one step are not found. */
const GRID_DEG = 0.5
const HALVINGS = 24

const RAD = Math.PI / 180

/** Its size is told by the first of these that is said. */
const LENGTHS = [
  'tipDiameterMm',
  'bottomDiameterMm',
  'rollerDiameterMm',
  'armLengthMm',
  'pivotMm',
] as const

/**
 * The star of a drum with usual figures where none is said: as large as what is said of it, with an
 * arm that stands square to the roller's way as it lies in a notch.
 */
export function fullStar({ star = {} }: Pick<Drum, 'star'>): FullStar {
  const { tipDiameterMm, bottomDiameterMm, rollerDiameterMm, armLengthMm, pivotMm } = star
  const said = LENGTHS.find((name) => star[name] !== undefined)
  const size = said === undefined ? 1 : (star[said] ?? USUAL[said]) / USUAL[said]
  const bottom = bottomDiameterMm ?? USUAL.bottomDiameterMm * size
  const roller = rollerDiameterMm ?? USUAL.rollerDiameterMm * size
  const restMm = (bottom + roller) / 2
  const square = pivotMm === undefined ? 0 : pivotMm ** 2 - restMm ** 2
  const arm = armLengthMm ?? (square > 0 ? Math.sqrt(square) : USUAL.armLengthMm * size)
  return {
    tipDiameterMm: tipDiameterMm ?? USUAL.tipDiameterMm * size,
    bottomDiameterMm: bottom,
    rollerDiameterMm: roller,
    springForceN: star.springForceN ?? USUAL.springForceN,
    springRateNPerMm: star.springRateNPerMm ?? USUAL.springRateNPerMm,
    armLengthMm: arm,
    pivotMm: pivotMm ?? Math.hypot(arm, restMm),
    frictionNmm: star.frictionNmm ?? USUAL.frictionNmm,
  }
}

/** Why a star cannot be as it was entered. */
export type StarFault = 'no-stops' | 'no-notches' | 'arm-too-short' | 'arm-jams'

/** How far the middle of the roller is from the axis at an angle, and how fast that grows with it; null where it does not touch. */
type Run = (angleRad: number) => readonly [radiusMm: number, slopeMm: number] | null

/** Something that the roller can touch, and between which angles of its middle. */
interface Piece {
  readonly fromRad: number
  readonly toRad: number
  readonly run: Run
}

/** A star with what its roller can touch. */
export interface Star {
  readonly figures: FullStar
  readonly fault: StarFault | null
  /** How far the middle of the roller lies from the axis over an angle of the star, and the rise for a radian. */
  readonly pitch: (angleRad: number) => readonly [radiusMm: number, slopeMm: number]
  /** The rim of the star at an angle, in mm from its axis. */
  readonly rimMm: (angleRad: number) => number
}

/** An angle as one between −π and π. */
function around(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI))
}

/** A circle that the middle of the roller runs on: about a point outside (`side` −1) or from within (1). */
function circle(centreMm: number, radiusMm: number, side: -1 | 1): Run {
  return (at) => {
    const cosine = Math.cos(at)
    const across = centreMm * Math.sin(at)
    const square = radiusMm ** 2 - across ** 2
    if (square < 0) return null
    const root = Math.sqrt(square)
    // From within a notch the near side is touched, from outside the far one.
    const reach = centreMm * cosine - side * root
    if (reach <= 0) return null
    return [reach, root === 0 ? 0 : -across + (side * centreMm * across * cosine) / root]
  }
}

interface HalfNotch {
  readonly stopRad: number
  /** 1 where it goes on in the direction of the turn. */
  readonly side: -1 | 1
  /** To where the tip, worn or not, begins. */
  readonly widthRad: number
  /** Of the arc, from the axis along the ray of the stop; below 0 where the arc bulges. */
  readonly centreMm: number
}

/** The arc of half a notch: through its bottom, on the ray of its stop, and its tip. */
function centreOfArc(bottomMm: number, tipMm: number, widthRad: number): number {
  const rise = 2 * (tipMm * Math.cos(widthRad) - bottomMm)
  // All but straight.
  const steep = Math.abs(rise) < 1e-6 ? 1e-6 : rise
  return (tipMm ** 2 - bottomMm ** 2) / steep
}

/** From the ray of its stop to where an arc has come to a radius. */
function widthAt(bottomMm: number, centreMm: number, radiusMm: number): number {
  const cosine =
    (radiusMm ** 2 + 2 * centreMm * bottomMm - bottomMm ** 2) / (2 * radiusMm * centreMm)
  return Math.acos(Math.min(1, Math.max(-1, cosine)))
}

interface Tip {
  readonly fromRad: number
  readonly toRad: number
  readonly radiusMm: number
}

interface Profile {
  readonly halves: readonly HalfNotch[]
  readonly tips: readonly Tip[]
}

/** Where the rim rises between a stop and the next: half way, or where a notch is said to end. */
export function edgeAfter(one: DrumStop, gapDeg: number, other: DrumStop): number {
  const [near, far] = [one.reachDeg, other.reachDeg]
  const edge =
    near !== undefined && far !== undefined
      ? near + far > gapDeg
        ? (gapDeg * near) / (near + far)
        : (gapDeg + near - far) / 2
      : (near ?? (far === undefined ? gapDeg / 2 : gapDeg - far))
  return Math.min(Math.max(edge, 0), gapDeg)
}

function profileOf(stops: readonly DrumStop[], bottomMm: number, tipMm: number): Profile {
  const sorted = [...stops].sort((one, other) => one.angleDeg - other.angleDeg)
  const halves: HalfNotch[] = []
  const tips: Tip[] = []
  sorted.forEach((stop, at) => {
    const next = sorted[(at + 1) % sorted.length] ?? stop
    const gapDeg = (next.angleDeg - stop.angleDeg + 360) % 360 || 360
    const edge = edgeAfter(stop, gapDeg, next)
    const worn = Math.max(tipMm - (stop.tipWearMm ?? 0), bottomMm + 1e-6)
    const half = (of: DrumStop, side: -1 | 1, widthDeg: number): HalfNotch => {
      const widthRad = Math.max(widthDeg, 1e-3) * RAD
      const centreMm = centreOfArc(bottomMm, tipMm, widthRad)
      const isWorn = worn < tipMm
      return {
        stopRad: of.angleDeg * RAD,
        side,
        widthRad: isWorn ? widthAt(bottomMm, centreMm, worn) : widthRad,
        centreMm,
      }
    }
    const [before, after] = [half(stop, 1, edge), half(next, -1, gapDeg - edge)]
    halves.push(before, after)
    tips.push({
      fromRad: before.stopRad + before.widthRad,
      toRad: before.stopRad + gapDeg * RAD - after.widthRad,
      radiusMm: worn,
    })
  })
  return { halves, tips }
}

/** What the roller touches of half a notch. */
function ofHalf(half: HalfNotch, bottomMm: number, rollerMm: number): Piece | null {
  const { centreMm, side, stopRad, widthRad } = half
  const arcMm = centreMm - bottomMm
  const isHollow = centreMm > 0
  // A roller that is larger than the notch lies on its edges.
  if (isHollow && arcMm <= rollerMm) return null
  const run = isHollow
    ? circle(centreMm, arcMm - rollerMm, 1)
    : circle(centreMm, bottomMm - centreMm + rollerMm, -1)
  // Where its middle is when it touches the far end of the arc: out along the radius of the arc.
  const endMm = rimOfArc(centreMm, bottomMm, widthRad)
  const [x, y] = [endMm * Math.cos(widthRad) - centreMm, endMm * Math.sin(widthRad)]
  const out = (isHollow ? arcMm - rollerMm : Math.abs(arcMm) + rollerMm) / Math.hypot(x, y)
  const lastRad = Math.atan2(y * out, x * out + centreMm) + 1e-9
  const [fromRad, toRad] = side > 0 ? [stopRad, stopRad + lastRad] : [stopRad - lastRad, stopRad]
  return {
    fromRad,
    toRad,
    run: (angle) => {
      const at = around(angle - stopRad)
      return at * side < -1e-12 || at * side > lastRad ? null : run(at)
    },
  }
}

/** The rim of the star on an arc, at an angle from the ray of its stop. */
function rimOfArc(centreMm: number, bottomMm: number, at: number): number {
  const root = Math.sqrt((centreMm - bottomMm) ** 2 - (centreMm * Math.sin(at)) ** 2)
  return centreMm * Math.cos(at) - Math.sign(centreMm) * root
}

/** What the roller touches of a tip: its two edges, and the flat that wear has left between them. */
function ofTip({ fromRad, toRad, radiusMm }: Tip, rollerMm: number): readonly Piece[] {
  const about = circle(radiusMm, rollerMm, -1)
  const reachRad = Math.asin(Math.min(1, rollerMm / radiusMm))
  const edge = (edgeRad: number): Piece => ({
    fromRad: edgeRad - reachRad,
    toRad: edgeRad + reachRad,
    run: (angle) => about(around(angle - edgeRad)),
  })
  if (toRad - fromRad < 1e-9) return [edge(fromRad)]
  const [middle, half] = [(fromRad + toRad) / 2, (toRad - fromRad) / 2]
  const flat: Run = (angle) =>
    Math.abs(around(angle - middle)) <= half ? [radiusMm + rollerMm, 0] : null
  return [edge(fromRad), edge(toRad), { fromRad, toRad, run: flat }]
}

/** So many parts of a turn, each with the pieces that the roller may touch in it. */
const PARTS = 180
const PART_RAD = (2 * Math.PI) / PARTS

/** The outermost that the roller touches at each angle. */
function envelopeOf(pieces: readonly Piece[], leastMm: number): Star['pitch'] {
  const parts = Array.from({ length: PARTS }, (): Run[] => [])
  const partAt = (at: number): Run[] | undefined => parts[((at % PARTS) + PARTS) % PARTS]
  for (const { fromRad, toRad, run } of pieces) {
    const first = Math.floor(fromRad / PART_RAD - 1e-6)
    const last = Math.min(Math.floor(toRad / PART_RAD + 1e-6), first + PARTS - 1)
    for (let at = first; at <= last; at++) partAt(at)?.push(run)
  }
  return (angleRad) => {
    let best: readonly [number, number] = [leastMm, 0]
    for (const run of partAt(Math.floor(angleRad / PART_RAD)) ?? []) {
      const found = run(angleRad)
      if (found && found[0] > best[0]) best = found
    }
    return best
  }
}

/**
 * The star of a drum: what its roller runs on, worked out once.
 * @returns With `fault` where no roller can run so; its profile is there to be drawn all the same.
 */
export const starOf = oncePer((drum: Pick<Drum, 'star' | 'stops'>): Star => {
  const figures = fullStar(drum)
  const { tipDiameterMm, bottomDiameterMm, rollerDiameterMm, armLengthMm, pivotMm } = figures
  const [tipMm, bottomMm, rollerMm] = [
    tipDiameterMm / 2,
    bottomDiameterMm / 2,
    rollerDiameterMm / 2,
  ]
  const isOut = (radiusMm: number): boolean =>
    radiusMm >= armLengthMm + pivotMm || radiusMm <= Math.abs(pivotMm - armLengthMm)
  const { halves, tips } = profileOf(drum.stops, bottomMm, Math.max(tipMm, bottomMm + 0.01))
  const pieces = [
    ...halves.flatMap((half) => ofHalf(half, bottomMm, rollerMm) ?? []),
    ...tips.flatMap((tip) => ofTip(tip, rollerMm)),
  ]
  const pitch = envelopeOf(pieces, bottomMm)
  const fault = (): StarFault | null => {
    if (drum.stops.length === 0) return 'no-stops'
    if (tipMm <= bottomMm) return 'no-notches'
    if (isOut(bottomMm + rollerMm) || isOut(tipMm + rollerMm)) return 'arm-too-short'
    return jams(pullOf({ figures, pitch })) ? 'arm-jams' : null
  }
  return { figures, fault: fault(), pitch, rimMm: rimOf(halves, tips, bottomMm) }
})

function rimOf(
  halves: readonly HalfNotch[],
  tips: readonly Tip[],
  bottomMm: number,
): Star['rimMm'] {
  return (angleRad) => {
    const tip = tips.find(({ fromRad, toRad }) => {
      const middle = (fromRad + toRad) / 2
      return Math.abs(around(angleRad - middle)) <= (toRad - fromRad) / 2 + 1e-12
    })
    if (tip) return tip.radiusMm
    for (const { stopRad, side, widthRad, centreMm } of halves) {
      const at = around(angleRad - stopRad)
      if (at * side < 0 || at * side > widthRad) continue
      return rimOfArc(centreMm, bottomMm, at)
    }
    return bottomMm
  }
}

/** What the spring does to a drum with its star at an angle. */
export interface StarPull {
  /** Of the drum; the arm swings a little as the roller rises. */
  readonly drumDeg: number
  /** Of the spring over what it holds in a notch, in N·mm. */
  readonly energyNmm: number
  /** That turns the drum; above 0 towards rising angles. */
  readonly torqueNmm: number
  /** How far the drum turns with the star, as its arm swings; at 0 or below it jams. */
  readonly drumPerStar: number
}

/** The cosine at a corner of a triangle, between two sides and across from the third. */
function cosineAt(one: number, other: number, across: number): number {
  const cosine = (one ** 2 + other ** 2 - across ** 2) / (2 * one * other)
  return Math.min(1, Math.max(-1, cosine))
}

const sineOf = (cosine: number): number => Math.sqrt(1 - cosine ** 2)

/** What the spring does with the star at each angle; the pivot of the arm lies on the side of rising angles. */
export function pullOf({
  figures,
  pitch,
}: Pick<Star, 'figures' | 'pitch'>): (angleRad: number) => StarPull {
  const { armLengthMm: arm, pivotMm: pivot, bottomDiameterMm, rollerDiameterMm } = figures
  const { springForceN, springRateNPerMm } = figures
  const restMm = (bottomDiameterMm + rollerDiameterMm) / 2
  const swungAtRest = Math.acos(cosineAt(arm, pivot, restMm))
  const seenAtRest = Math.acos(cosineAt(pivot, restMm, arm))
  return (angleRad) => {
    const [radiusMm, slopeMm] = pitch(angleRad)
    const swung = cosineAt(arm, pivot, radiusMm)
    const seen = cosineAt(pivot, radiusMm, arm)
    // Along the way of the roller, which is across its arm.
    const pressedMm = arm * (Math.acos(swung) - swungAtRest)
    const forceN = springForceN + springRateNPerMm * pressedMm
    const pressedPerMm = radiusMm / (pivot * sineOf(swung))
    const seenPerMm =
      -(radiusMm ** 2 - pivot ** 2 + arm ** 2) / (2 * pivot * radiusMm ** 2) / sineOf(seen)
    const drumPerStar = 1 - seenPerMm * slopeMm
    return {
      drumPerStar,
      drumDeg: (angleRad - (Math.acos(seen) - seenAtRest)) / RAD,
      energyNmm: (springForceN + (springRateNPerMm * pressedMm) / 2) * pressedMm,
      torqueNmm: (-forceN * pressedPerMm * slopeMm) / drumPerStar,
    }
  }
}

/** The angle of a drum whose star is at one, as the arm swings; the same where the star has a fault. */
export function drumByStar(drum: Pick<Drum, 'star' | 'stops'>): (starDeg: number) => number {
  const star = starOf(drum)
  if (star.fault !== null) return (starDeg) => starDeg
  const pull = pullOf(star)
  return (starDeg) => pull(starDeg * RAD).drumDeg
}

/** The angle of the star under the roller for one of the drum. */
export function starByDrum(drum: Pick<Drum, 'star' | 'stops'>): (drumDeg: number) => number {
  const drumDeg = drumByStar(drum)
  return (angleDeg) => {
    // The arm swings by a few degrees over the whole rise, and the less the further it is repeated.
    let starDeg = angleDeg
    for (let step = 0; step < 8; step++) starDeg += angleDeg - drumDeg(starDeg)
    return starDeg
  }
}

/**
 * Where a drum can rest: `notch` about the bottom of one, `tip` balanced on one by friction alone,
 * `flat` on one that is worn, `held` where friction holds it all the way over a tip.
 */
export interface StarRest {
  readonly kind: 'notch' | 'tip' | 'flat' | 'held'
  /** Held by friction from here to there, of the drum; `fromDeg` is at least 0 and below 360. */
  readonly fromDeg: number
  readonly toDeg: number
  /** Where the energy is least, without friction. */
  readonly restDeg: number
  /** Whether the drum stays there often enough to count: in a notch, on a flat, or on much of a tip. */
  readonly holds: boolean
}

interface Mark {
  readonly at: number
  readonly torque: number
  readonly isHeld: boolean
  /** What the torque does there: it is least energy, most, or nothing turns. */
  readonly is: 'least' | 'most' | 'flat' | null
}

/** A stretch of the star over which friction holds it. */
interface HeldStretch {
  from: number
  to: number
  readonly marks: Mark[]
}

/** Where something changes between two angles, by halving. */
function halved(from: number, to: number, isBefore: (at: number) => boolean): number {
  let [low, high] = [from, to]
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2
    if (isBefore(middle)) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** The turn in marks: the grid, and between its lines every place where the torque turns over. */
function marksOf(torqueAt: (at: number) => number, frictionNmm: number): readonly Mark[] {
  const marks: Mark[] = []
  const still = 1e-9
  let before: number | undefined
  const count = Math.round(360 / GRID_DEG)
  for (let step = 0; step <= count; step++) {
    const at = (step * GRID_DEG + GRID_DEG / 3) * RAD
    const torque = torqueAt(at)
    const last = marks.at(-1)
    if (last && before !== undefined && before * torque < 0 && Math.abs(before) > still) {
      const sign = Math.sign(before)
      const zero = halved(last.at, at, (middle) => torqueAt(middle) * sign > 0)
      marks.push({ at: zero, torque: 0, isHeld: true, is: sign > 0 ? 'least' : 'most' })
    }
    const isStill = Math.abs(torque) < still
    marks.push({
      at,
      torque,
      isHeld: Math.abs(torque) <= frictionNmm,
      is: isStill ? 'flat' : null,
    })
    before = torque
  }
  return marks
}

/** Whether an arm stands so that a turn of the drum presses its roller to where it cannot go. */
function jams(pull: (angleRad: number) => StarPull): boolean {
  for (let deg = 0; deg < 360; deg += 2) if (pull(deg * RAD).drumPerStar <= 0) return true
  return false
}

/**
 * Where a drum can come to rest, all round, in the order of the turn.
 * @returns Nothing where the star has a fault.
 */
export function starRests(drum: Pick<Drum, 'star' | 'stops'>): readonly StarRest[] {
  const star = starOf(drum)
  if (star.fault !== null) return []
  const pull = pullOf(star)
  const { frictionNmm } = star.figures
  const torqueAt = (at: number): number => pull(at).torqueNmm
  const marks = marksOf(torqueAt, frictionNmm)
  const held = (at: number): boolean => Math.abs(torqueAt(at)) <= frictionNmm
  return joined(heldStretches(marks, held), marks).map(({ from, to, marks: inside }) =>
    restOf(pull(from).drumDeg, pull(to).drumDeg, inside, (at) => pull(at).drumDeg),
  )
}

/** From mark to mark, where friction holds. */
function heldStretches(marks: readonly Mark[], held: (at: number) => boolean): HeldStretch[] {
  const found: HeldStretch[] = []
  let open: HeldStretch | null = null
  let before: Mark | undefined
  for (const mark of marks) {
    if (mark.isHeld) {
      const from = before ? halved(before.at, mark.at, (middle) => !held(middle)) : mark.at
      open ??= { from, to: mark.at, marks: [] }
      open.to = mark.at
      open.marks.push(mark)
    } else if (open && before) {
      open.to = halved(before.at, mark.at, held)
      found.push(open)
      open = null
    }
    before = mark
  }
  return open ? [...found, open] : found
}

/** What goes on over the end of the turn is one rest. */
function joined(found: readonly HeldStretch[], marks: readonly Mark[]): readonly HeldStretch[] {
  const [first] = found
  const last = found.at(-1)
  const end = marks.at(-1)
  const start = marks[0]
  if (!first || !last || !end || !start || first === last) return found
  if (first.from !== start.at || last.to !== end.at) return found
  const turned = first.marks.map((mark) => ({ ...mark, at: mark.at + 2 * Math.PI }))
  return [
    ...found.slice(1, -1),
    { from: last.from, to: first.to + 2 * Math.PI, marks: [...last.marks, ...turned] },
  ]
}

function restOf(
  fromDeg: number,
  toDeg: number,
  marks: readonly Mark[],
  drumAt: (at: number) => number,
): StarRest {
  const least = marks.filter(({ is }) => is === 'least')
  const most = marks.some(({ is }) => is === 'most')
  const flat = marks.some(({ is }) => is === 'flat')
  const kind = least.length > 0 ? (most || flat ? 'held' : 'notch') : flat ? 'flat' : 'tip'
  const middle = least[0]
  const rest = middle ? drumAt(middle.at) : (fromDeg + toDeg) / 2
  const turns = Math.floor(fromDeg / 360) * 360
  return {
    kind,
    fromDeg: fromDeg - turns,
    toDeg: toDeg - turns,
    restDeg: rest - turns,
    holds: kind !== 'tip' || toDeg - fromDeg >= HANGS_FROM_DEG,
  }
}
