/**
 * A box driven over a course in fixed steps: the same answer every time. Gears are chosen and
 * hands, feet and pistons moved at even ticks of time, the motion between them is that of
 * `dynamics.ts`. Teeth and bearings lose nothing here.
 */
import type { Car } from './car.ts'
import { FULL_FROM_M_S, GOVERNED_RPM, RAD_PER_S_OF_RPM } from './car.ts'
import { Controls } from './controls.ts'
import { courseReader } from './course.ts'
import type { DriveTask } from './driver.ts'
import { Driver } from './driver.ts'
import type { Acting, MotionState } from './dynamics.ts'
import { advance, kineticJ, newInstant, newTally } from './dynamics.ts'
import { Ledger } from './ledger.ts'
import type { DriveResult, DriveSample } from './result.ts'
import { Road } from './road.ts'

/** Between two looks of the driver or the control unit. */
const TICK_S = 0.01
/** Between two samples of a result, in seconds. */
export const SAMPLE_S = 0.02
/** Two steps of the motion in a tick: halving them changes nothing that is told. */
export const USUAL_STEPS = 2

/** A step this much of the shortest time in which anything answers is short enough. */
const SHORT_ENOUGH = 0.5
const MOST_STEPS = 100

/** How many steps a tick takes with a car: more where a light engine or a hard brake answers faster. */
export function stepsFor({ engine, massKg, brakeN }: Car): number {
  const governedPerS = engine.peakNm / (GOVERNED_RPM * RAD_PER_S_OF_RPM) / engine.inertiaKgM2
  const brakedPerS = brakeN / massKg / FULL_FROM_M_S
  const wanted = (Math.max(governedPerS, brakedPerS) * TICK_S) / SHORT_ENOUGH
  return Math.min(Math.max(Math.ceil(wanted), USUAL_STEPS), MOST_STEPS)
}

/** Between two words of how far a drive is, in ticks. */
const TELL_TICKS = 250

/**
 * Drives the course from standstill in the lowest gear to its last row. `onProgress` hears the
 * part done, 0 to 1, now and then.
 */
export function driveCourse(task: DriveTask, onProgress?: (done: number) => void): DriveResult {
  const run = new Run(task)
  const { course, isSampled = true } = task
  const endS = course.at(-1)?.timeS ?? 0
  const ticks = Math.round(endS / TICK_S)
  const every = Math.round(SAMPLE_S / TICK_S)
  const samples: DriveSample[] = []
  for (let tick = 0; tick < ticks; tick++) {
    if (tick % TELL_TICKS === 0) onProgress?.(tick / ticks)
    run.tick(tick * TICK_S)
    if (isSampled && tick % every === 0) samples.push(run.sample(tick * TICK_S))
  }
  return run.result(samples)
}

/** Engine, shafts and car at rest, the engine at its idle. */
function atRest({ powertrain, car }: DriveTask, radiusM: number): MotionState {
  return {
    engineRadPerS: car.engine.idleRpm * RAD_PER_S_OF_RPM,
    outputRadPerS: 0,
    engineKgM2: car.engine.inertiaKgM2,
    outputKgM2: powertrain.outputKgM2 + car.massKg * radiusM * radiusM,
    shafts: powertrain.paths.map(({ inertiaKgM2 }) => ({
      radPerS: 0,
      inertiaKgM2,
      ratio: null,
      ring: null,
      clutch: { isStuck: false, direction: 1 },
    })),
  }
}

/** One drive: the road, the driver, the hands, and what is written down, around one motion. */
class Run {
  private readonly task: DriveTask
  private readonly positions
  private readonly road: Road
  private readonly state: MotionState
  private readonly tally
  private readonly here
  private readonly controls: Controls
  private readonly driver: Driver
  private readonly ledger: Ledger
  private readonly readMoment
  private readonly startJ: number
  private readonly acting: Acting

  constructor(task: DriveTask) {
    const { powertrain, car, course, times } = task
    const { paths, forward, backward } = powertrain
    this.task = task
    this.positions = [...forward, ...backward]
    this.readMoment = courseReader(course)
    this.road = new Road(car, this.readMoment(0))
    this.state = atRest(task, this.road.radiusM)
    this.tally = newTally(paths.length)
    this.here = newInstant(paths.length)
    const { positions, state, tally, here, road } = this
    this.controls = new Controls({ car, times, positions, state, tally, here, tickS: TICK_S })
    this.ledger = new Ledger(positions, tally)
    this.driver = new Driver(task, this.controls, this.ledger, TICK_S)
    this.startJ = kineticJ(this.state)
    this.acting = {
      engineNm: (radPerS) => this.controls.engineNm(radPerS, road.moment.pedal),
      outputNm: (radPerS) => road.outputNm(radPerS),
      capacityNm: (at, radPerS) => this.controls.capacityNm(at, radPerS),
    }
  }

  tick(timeS: number): void {
    const { task, road, state, controls, ledger } = this
    road.moment = this.readMoment(timeS)
    controls.tick(timeS, () => {
      this.driver.choose(timeS, road.moment, state.outputRadPerS * road.radiusM)
    })
    if (ledger.running && controls.main.acts.length === 0) {
      controls.arrive(ledger.running.to)
      ledger.finish(timeS)
      this.driver.rest()
    }
    ledger.tick(TICK_S, {
      isLed: controls.isLed(),
      isWaiting: controls.main.acts[0]?.kind === 'ready',
    })
    const stepS = TICK_S / task.stepsATick
    for (let step = 0; step < task.stepsATick; step++) {
      const before = state.outputRadPerS
      advance(state, this.acting, stepS, this.tally, this.here)
      road.roll((before + state.outputRadPerS) / 2, stepS)
    }
  }

  sample(timeS: number): DriveSample {
    const { state, here, positions, road } = this
    const { selected, engaged } = this.controls
    const path = positions[selected]?.path ?? 0
    const wheelNm = state.shafts.reduce(
      (sum, { ratio, ring }, at) =>
        sum +
        (ratio === null ? 0 : ratio * (here.clutchNm[at] ?? 0)) -
        (ring ? ring.torqueNm * ring.direction * ring.ofOutput : 0),
      0,
    )
    return {
      timeS,
      mPerS: state.outputRadPerS * road.radiusM,
      engineRpm: state.engineRadPerS / RAD_PER_S_OF_RPM,
      clutchNm: [...here.clutchNm],
      wheelNm: wheelNm * this.task.car.finalRatio,
      selected: engaged[path] === selected ? selected : -1,
      ready: engaged.find((gear, at) => at !== path && gear !== null) ?? -1,
    }
  }

  result(samples: readonly DriveSample[]): DriveResult {
    const { engineJ, clutchJ, ringJ, knockJ } = this.tally
    const { lost, distanceM } = this.road
    const kineticGainJ = kineticJ(this.state) - this.startJ
    return {
      labels: this.positions.map(({ position }) => position.label),
      samples,
      changes: this.ledger.done,
      energy: { engineJ, ...lost, clutchJ, ringJ, knockJ, kineticJ: kineticGainJ },
      distanceM,
    }
  }
}
