/**
 * The car around a box, as plain as it can be and still show what a change of gear does: an engine
 * whose torque falls to both sides of its peak like a parabola, air and rolling resistance, grade
 * and brake (Bosch Automotive Handbook, resistance to motion; from memory).
 */

export interface Engine {
  readonly idleRpm: number
  readonly peakNm: number
  readonly peakRpm: number
  /** From here on it is held back. */
  readonly mostRpm: number
  /** What it takes to turn it at `mostRpm` with the throttle shut; half of it near standstill. */
  readonly dragNm: number
  readonly inertiaKgM2: number
}

/** What the box moves, and what holds it back. */
export interface Car {
  readonly engine: Engine
  readonly massKg: number
  readonly rollingRadiusMm: number
  /** Turns of the box’s output for one of the wheels. */
  readonly finalRatio: number
  /** Drag coefficient times frontal area. */
  readonly airM2: number
  /** Rolling resistance as a part of the weight. */
  readonly rolling: number
  /** Of all brakes, pedal down. */
  readonly brakeN: number
  /** What a clutch can carry, closed. */
  readonly clutchNm: number
  /** What a ring has where the box does not say its figures. */
  readonly ringNm: number
}

/** A middling car that does not exist; every figure is to be replaced by the unit’s own. */
export const USUAL_CAR: Car = {
  engine: {
    idleRpm: 850,
    peakNm: 180,
    peakRpm: 3_600,
    mostRpm: 6_200,
    dragNm: 35,
    inertiaKgM2: 0.15,
  },
  massKg: 1_300,
  rollingRadiusMm: 300,
  finalRatio: 4,
  airM2: 0.65,
  rolling: 0.012,
  brakeN: 10_000,
  clutchNm: 300,
  ringNm: 45,
}

/** Radians a second for one turn a minute. */
export const RAD_PER_S_OF_RPM = (2 * Math.PI) / 60
const GRAVITY_M_S2 = 9.81
const AIR_KG_M3 = 1.2
/** How much the torque has fallen at standstill and at twice the speed of its peak. */
const FALL = 0.35
/** The governor gives all it has when the engine is so far below idle. */
export const GOVERNED_RPM = 150
/** Brake and rolling resistance come in over this speed, so that a standing car stands. */
export const FULL_FROM_M_S = 0.1

/** What the engine can give at a speed in radians a second, throttle open. */
export function fullTorqueNm({ peakNm, peakRpm, mostRpm }: Engine, radPerS: number): number {
  const rpm = radPerS / RAD_PER_S_OF_RPM
  const held = Math.min(Math.max((mostRpm + 100 - rpm) / 100, 0), 1)
  return Math.max(peakNm * (1 - FALL * ((rpm - peakRpm) / peakRpm) ** 2), 0) * held
}

/** What it takes to turn the engine at a speed, throttle shut. */
export function dragTorqueNm({ dragNm, mostRpm }: Engine, radPerS: number): number {
  return dragNm * (0.5 + (0.5 * Math.max(radPerS, 0)) / (mostRpm * RAD_PER_S_OF_RPM))
}

/** Torque of the engine for a pedal between 0 and 1; near idle it keeps itself running. */
export function engineTorqueNm(engine: Engine, radPerS: number, pedal: number): number {
  const asked = pedal * fullTorqueNm(engine, radPerS) - (1 - pedal) * dragTorqueNm(engine, radPerS)
  const below = (engine.idleRpm - radPerS / RAD_PER_S_OF_RPM) / GOVERNED_RPM
  return asked + Math.min(Math.max(below + 0.2, 0), 1) * engine.peakNm
}

/** What holds a car back, in newtons; below 0 it pushes. */
interface Resistance {
  readonly airN: number
  readonly rollingN: number
  readonly gradeN: number
  readonly brakeN: number
}

/** At a speed in m/s, a brake pedal between 0 and 1 and a grade as rise over run. */
export function resistanceOf(car: Car, mPerS: number, brake: number, grade: number): Resistance {
  const weightN = car.massKg * GRAVITY_M_S2
  const along = Math.tanh(mPerS / FULL_FROM_M_S)
  const cosine = 1 / Math.hypot(1, grade)
  return {
    airN: 0.5 * AIR_KG_M3 * car.airM2 * mPerS * Math.abs(mPerS),
    rollingN: car.rolling * weightN * cosine * along,
    gradeN: weightN * grade * cosine,
    brakeN: car.brakeN * brake * along,
  }
}
