/**
 * The motion of an engine, one shaft or more behind clutches, and an output: what is engaged turns
 * with the output at a ratio, what slips bears a torque of friction, what sticks bears what it has
 * to. A step is taken by the midpoint rule; where a clutch or a ring comes to rest within a step,
 * the step is divided there, so that nothing slips past zero.
 */

/** Between the engine and a shaft. */
interface ClutchState {
  isStuck: boolean
  /** Of the slip, engine before shaft; the last it had where it has none. */
  direction: 1 | -1
}

/** A ring between a shaft and the output that is to be engaged once their speeds agree. */
interface RingState {
  readonly torqueNm: number
  /** The slip at the ring is shaft · ofShaft + output · ofOutput. */
  readonly ofShaft: number
  readonly ofOutput: number
  readonly direction: 1 | -1
}

export interface ShaftState {
  radPerS: number
  readonly inertiaKgM2: number
  /** Turns for one of the output while a gear is in; null while none is. */
  ratio: number | null
  ring: RingState | null
  readonly clutch: ClutchState
}

export interface MotionState {
  engineRadPerS: number
  outputRadPerS: number
  readonly engineKgM2: number
  readonly outputKgM2: number
  readonly shafts: readonly ShaftState[]
}

/** What acts from outside. */
export interface Acting {
  /** Of the engine at its speed. */
  readonly engineNm: (radPerS: number) => number
  /** On the output at its speed; what holds it back is below 0. */
  readonly outputNm: (radPerS: number) => number
  /** What the clutch of a shaft can carry, at a speed of the engine. */
  readonly capacityNm: (shaft: number, radPerS: number) => number
}

/** Work done since it was begun. */
export interface Tally {
  engineJ: number
  /** Given to the output from outside; below 0 where it was held back. */
  outputJ: number
  /** Heat in the clutch of each shaft. */
  readonly clutchJ: number[]
  ringJ: number
  /** Lost where two parts that turned apart were joined at once. */
  knockJ: number
}

export function newTally(shafts: number): Tally {
  return {
    engineJ: 0,
    outputJ: 0,
    clutchJ: Array.from({ length: shafts }, () => 0),
    ringJ: 0,
    knockJ: 0,
  }
}

/** Accelerations and torques at one instant; filled anew at each look. */
export interface Instant {
  engine: number
  output: number
  readonly shafts: number[]
  /** Through the clutch of each shaft, from the engine. */
  readonly clutchNm: number[]
  engineNm: number
  outputNm: number
}

export function newInstant(shafts: number): Instant {
  const zeros = (): number[] => Array.from({ length: shafts }, () => 0)
  return { engine: 0, output: 0, shafts: zeros(), clutchNm: zeros(), engineNm: 0, outputNm: 0 }
}

/** How often a step is divided before what is left of it is taken as it is. */
const MOST_PARTS = 12
/** What slips no faster than this is at rest. */
const REST_RAD_PER_S = 1e-6

/** All that turns with the output, reduced to it. */
function boundInertia({ outputKgM2, shafts }: MotionState): number {
  let sum = outputKgM2
  for (const { ratio, inertiaKgM2 } of shafts)
    if (ratio !== null) sum += ratio * ratio * inertiaKgM2
  return sum
}

/**
 * Accelerations at given speeds. Each clutch that sticks bears what keeps its sides together:
 * their torques are the solution of as many linear equations.
 */
function look(
  state: MotionState,
  { engineNm, outputNm, capacityNm }: Acting,
  engineRadPerS: number,
  outputRadPerS: number,
  out: Instant,
): void {
  const { shafts, engineKgM2 } = state
  const bound = boundInertia(state)
  const torque = engineNm(engineRadPerS)
  let onOutput = outputNm(outputRadPerS)
  out.engineNm = torque
  out.outputNm = onOutput
  for (const { ring } of shafts)
    if (ring) onOutput -= ring.torqueNm * ring.direction * ring.ofOutput
  const { clutchNm } = out
  let slipping = 0
  shafts.forEach(({ clutch }, at) => {
    const carried = clutch.isStuck ? 0 : capacityNm(at, engineRadPerS) * clutch.direction
    clutchNm[at] = carried
    slipping += carried
    const ratio = shafts[at]?.ratio ?? null
    if (ratio !== null) onOutput += ratio * carried
  })
  // Without what sticks.
  out.engine = (torque - slipping) / engineKgM2
  out.output = onOutput / bound
  shafts.forEach(({ ratio, ring, inertiaKgM2 }, at) => {
    out.shafts[at] =
      ratio === null
        ? ((clutchNm[at] ?? 0) - (ring ? ring.torqueNm * ring.direction * ring.ofShaft : 0)) /
          inertiaKgM2
        : ratio * out.output
  })
  holdTogether(state, bound, out)
}

/** Adds what the clutches that stick bear, found by elimination, to an instant without them. */
function holdTogether({ shafts, engineKgM2 }: MotionState, bound: number, out: Instant): void {
  const stuck = shafts.flatMap(({ clutch }, at) => (clutch.isStuck ? [at] : []))
  if (stuck.length === 0) return
  const rows = stuck.map((row) => [
    ...stuck.map((column) => {
      const [one, other] = [shafts[row], shafts[column]]
      const together =
        one?.ratio != null && other?.ratio != null
          ? (one.ratio * other.ratio) / bound
          : row === column
            ? 1 / (one?.inertiaKgM2 ?? 1)
            : 0
      return 1 / engineKgM2 + together
    }),
    out.engine - (out.shafts[row] ?? 0),
  ])
  const found = eliminate(rows)
  stuck.forEach((at, index) => {
    const carried = found[index] ?? 0
    const shaft = shafts[at]
    out.clutchNm[at] = carried
    out.engine -= carried / engineKgM2
    if (shaft?.ratio != null) out.output += (shaft.ratio * carried) / bound
    else out.shafts[at] = (out.shafts[at] ?? 0) + carried / (shaft?.inertiaKgM2 ?? 1)
  })
  shafts.forEach(({ ratio }, at) => {
    if (ratio !== null) out.shafts[at] = ratio * out.output
  })
}

/** Solves as many equations as unknowns, each row with its right side at its end. */
function eliminate(rows: number[][]): readonly number[] {
  const size = rows.length
  for (let at = 0; at < size; at++) {
    const pivot = rows[at]
    const divisor = pivot?.[at]
    if (!pivot || !divisor) continue
    for (let other = 0; other < size; other++) {
      const row = rows[other]
      if (other === at || !row) continue
      const factor = (row[at] ?? 0) / divisor
      for (let column = at; column <= size; column++)
        row[column] = (row[column] ?? 0) - factor * (pivot[column] ?? 0)
    }
  }
  return rows.map((row, at) => (row[at] ? (row[size] ?? 0) / row[at] : 0))
}

const slipOfRing = (ring: RingState, shaft: number, output: number): number =>
  shaft * ring.ofShaft + output * ring.ofOutput

/** Goes on by `stepS`; what was slipping and comes to rest within it sticks, and rings let their gear in. */
export function advance(
  state: MotionState,
  acting: Acting,
  stepS: number,
  tally: Tally,
  here: Instant,
): void {
  let left = stepS
  for (let part = 0; left > 0; part++) {
    look(state, acting, state.engineRadPerS, state.outputRadPerS, here)
    // One after another: what one lets go no longer loads the next.
    while (letGo(state, acting, here))
      look(state, acting, state.engineRadPerS, state.outputRadPerS, here)
    const whole = part === MOST_PARTS ? left : partUntilRest(state, here, left)
    take(state, acting, whole, tally, here)
    left -= whole
    settle(state, here)
    if (left < stepS * 1e-9) return
  }
}

/** Of the clutches that cannot bear what they would have to, the worst begins to slip; whether there was any. */
function letGo({ shafts, engineRadPerS }: MotionState, acting: Acting, here: Instant): boolean {
  let worst: ClutchState | undefined
  let [most, direction]: [number, 1 | -1] = [1, 1]
  shafts.forEach(({ clutch }, at) => {
    const torque = here.clutchNm[at] ?? 0
    if (!clutch.isStuck || torque === 0) return
    const asked = Math.abs(torque) / acting.capacityNm(at, engineRadPerS)
    if (asked <= most) return
    most = asked
    worst = clutch
    direction = torque < 0 ? -1 : 1
  })
  if (!worst) return false
  worst.isStuck = false
  worst.direction = direction
  return true
}

/** How long until the first thing that slips would come to rest, at most `leftS`. */
function partUntilRest(state: MotionState, here: Instant, leftS: number): number {
  let until = leftS
  const reach = (slip: number, change: number, direction: number): void => {
    if (direction * change >= 0 || direction * (slip + change * leftS) >= 0) return
    until = Math.min(until, Math.max(-slip / change, 0))
  }
  state.shafts.forEach(({ clutch, ring, radPerS }, at) => {
    const rising = here.shafts[at] ?? 0
    if (!clutch.isStuck)
      reach(state.engineRadPerS - radPerS, here.engine - rising, clutch.direction)
    if (ring)
      reach(
        slipOfRing(ring, radPerS, state.outputRadPerS),
        slipOfRing(ring, rising, here.output),
        ring.direction,
      )
  })
  return until
}

/** One step by the midpoint rule, nothing changing between slipping and sticking. */
function take(
  state: MotionState,
  acting: Acting,
  stepS: number,
  tally: Tally,
  here: Instant,
): void {
  const { shafts } = state
  const half = stepS / 2
  const [engine, output] = [state.engineRadPerS, state.outputRadPerS]
  look(state, acting, engine + here.engine * half, output + here.output * half, here)
  const [midEngine, midOutput] = [engine + here.engine * half, output + here.output * half]
  tally.engineJ += here.engineNm * midEngine * stepS
  tally.outputJ += here.outputNm * midOutput * stepS
  state.engineRadPerS = engine + here.engine * stepS
  state.outputRadPerS = output + here.output * stepS
  shafts.forEach((shaft, at) => {
    const rising = here.shafts[at] ?? 0
    const middle = shaft.radPerS + rising * half
    const { ring } = shaft
    tally.clutchJ[at] =
      (tally.clutchJ[at] ?? 0) + (here.clutchNm[at] ?? 0) * (midEngine - middle) * stepS
    if (ring)
      tally.ringJ += ring.torqueNm * ring.direction * slipOfRing(ring, middle, midOutput) * stepS
    shaft.radPerS =
      shaft.ratio === null ? shaft.radPerS + rising * stepS : shaft.ratio * state.outputRadPerS
  })
}

/** What has come to rest sticks, and what a ring has brought to speed is in; what comes apart does neither. */
function settle(state: MotionState, here: Instant): void {
  for (const [at, shaft] of state.shafts.entries()) {
    const { ring, clutch } = shaft
    const rising = here.shafts[at] ?? 0
    if (ring) {
      const slip = slipOfRing(ring, shaft.radPerS, state.outputRadPerS)
      const isClosing = slipOfRing(ring, rising, here.output) * ring.direction < 0
      if (isClosing && slip * ring.direction <= REST_RAD_PER_S) {
        shaft.ratio = -ring.ofOutput / ring.ofShaft
        shaft.radPerS = shaft.ratio * state.outputRadPerS
        shaft.ring = null
      }
    }
    const slip = state.engineRadPerS - shaft.radPerS
    const isClosing = (here.engine - rising) * clutch.direction < 0
    if (clutch.isStuck) state.engineRadPerS = shaft.radPerS
    else if (isClosing && slip * clutch.direction <= REST_RAD_PER_S) {
      clutch.isStuck = true
      state.engineRadPerS = shaft.radPerS
    }
  }
}

/**
 * A gear goes in at once, whatever the speeds: they become one, and what two bodies lose that
 * collide and go on together is lost. The same holds whatever hangs on the shaft by a clutch,
 * which slips from then on.
 */
export function joinAtOnce(state: MotionState, at: number, ratio: number, tally: Tally): void {
  const shaft = state.shafts[at]
  if (!shaft) return
  const bound = boundInertia(state)
  const { inertiaKgM2, radPerS } = shaft
  const before = bound * state.outputRadPerS ** 2 + inertiaKgM2 * radPerS ** 2
  const both = bound + ratio * ratio * inertiaKgM2
  const output = (bound * state.outputRadPerS + ratio * inertiaKgM2 * radPerS) / both
  tally.knockJ += (before - both * output * output) / 2
  state.outputRadPerS = output
  shaft.ratio = ratio
  shaft.ring = null
  for (const each of state.shafts) {
    if (each.ratio !== null) each.radPerS = each.ratio * output
    const slip = state.engineRadPerS - each.radPerS
    if (slip !== 0) {
      each.clutch.isStuck = false
      each.clutch.direction = slip < 0 ? -1 : 1
    }
  }
}

/** Energy of all that turns, the car included. */
export function kineticJ(state: MotionState): number {
  const { engineKgM2, outputKgM2, engineRadPerS, outputRadPerS, shafts } = state
  return (
    shafts.reduce(
      (sum, { inertiaKgM2, radPerS }) => sum + inertiaKgM2 * radPerS ** 2,
      engineKgM2 * engineRadPerS ** 2 + outputKgM2 * outputRadPerS ** 2,
    ) / 2
  )
}
