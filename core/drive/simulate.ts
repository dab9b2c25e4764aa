/**
 * A box driven over a course in fixed steps: the same answer every time. Gears are chosen and
 * hands, feet and pistons moved at even ticks of time, the motion between them is that of
 * `dynamics.ts`. Teeth and bearings lose nothing here.
 */
import { isClutch } from '../box/couplers.ts'
import type { Car } from './car.ts'
import {
  FULL_FROM_M_S,
  GOVERNED_RPM,
  RAD_PER_S_OF_RPM,
  engineTorqueNm,
  fullTorqueNm,
  resistanceOf,
} from './car.ts'
import type { CourseRow, Moment } from './course.ts'
import { courseReader } from './course.ts'
import type { Acting, MotionState, Tally } from './dynamics.ts'
import { advance, joinAtOnce, kineticJ, newInstant, newTally } from './dynamics.ts'
import type { DriveWay, DrivenPosition, Entry, PlannedChange, Powertrain } from './powertrain.ts'
import { planChange } from './powertrain.ts'
import type { ShiftRules, ShiftTimes } from './rules.ts'
import { guessedGear, wantedGear } from './rules.ts'

/** A course to drive, in what and by which rules. */
interface DriveTask {
  readonly powertrain: Powertrain
  readonly car: Car
  readonly course: readonly CourseRow[]
  readonly way: DriveWay
  readonly rules: ShiftRules
  readonly times: ShiftTimes
  /** Steps of the motion in one tick. */
  readonly stepsATick: number
  /** Without samples only figures and changes come of it. */
  readonly isSampled?: boolean
}

/** One change of gear as it went. */
export interface DrivenChange {
  /** Labels of the two positions. */
  readonly from: string
  readonly to: string
  readonly startS: number
  readonly endS: number
  /** How long nothing led from the engine to the wheels. */
  readonly gapS: number
  /** How long it waited for what was not ready. */
  readonly waitedS: number
  /** Whether what was made ready was what was wanted; null where nothing is made ready. */
  readonly wasReady: boolean | null
  readonly clutchJ: number
  /** Of rings and dogs since the change before, since what is made ready ahead is for this one. */
  readonly ringJ: number
  /** Of rings that bring to speed what hangs on neither end; not in the balance, which has no such part. */
  readonly betweenJ: number
  readonly knockJ: number
}

/** What is shown of one instant, `SAMPLE_S` after the one before. */
export interface DriveSample {
  readonly timeS: number
  readonly mPerS: number
  readonly engineRpm: number
  /** Through each clutch, from the engine. */
  readonly clutchNm: readonly number[]
  readonly wheelNm: number
  /** Index of the position that carries among those of the result; −1 while none does. */
  readonly selected: number
  /** Of the one that waits on another shaft; −1 where none does. */
  readonly ready: number
}

/** Where the work of the engine has gone, in joules. */
interface EnergyBalance {
  readonly engineJ: number
  readonly airJ: number
  readonly rollingJ: number
  readonly gradeJ: number
  readonly brakeJ: number
  readonly clutchJ: readonly number[]
  readonly ringJ: number
  readonly knockJ: number
  /** What the car and all that turns have more than at the start. */
  readonly kineticJ: number
}

/** How it was driven. */
export interface DriveResult {
  /** Labels of the positions that samples speak of. */
  readonly labels: readonly string[]
  readonly samples: readonly DriveSample[]
  readonly changes: readonly DrivenChange[]
  readonly energy: EnergyBalance
  readonly distanceM: number
}

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

/** A car slower than this stands. */
const STANDING_M_S = 0.5
/** A clutch that carries less leads nothing. */
const LEAST_NM = 1
/** Nothing in a change may take longer; then it goes on as it is. */
const LONGEST_ACT_S = 4
/** A driver who changes without the pedal takes it where a ring gets nowhere for so long. */
const HELPED_AFTER_S = 0.5
/** Multiples of its idle speed at which the engine is when a clutch begins to close, and is closed. */
const CLOSING_FROM = 1.1
const CLOSED_FROM = 2.5
/** How fast a control brings the engine to a speed. */
const CONTROL_S = 0.04
/** What the opening clutch goes on carrying while the engine comes up, of what it carried. */
const LEAST_CARRIED = 0.3
const LEAST_HELD_NM = 15

type Act =
  | { readonly kind: 'wait'; readonly overS: number }
  | { readonly kind: 'lift'; readonly overS: number }
  | { readonly kind: 'open'; readonly path: number; readonly overS: number }
  | { readonly kind: 'close'; readonly path: number; readonly overS: number }
  | { readonly kind: 'out'; readonly path: number }
  | { readonly kind: 'ring'; readonly path: number; readonly entry: Entry }
  | { readonly kind: 'in'; readonly to: number }
  | { readonly kind: 'match'; readonly to: number }
  | { readonly kind: 'ready'; readonly to: number }
  | { readonly kind: 'hand-over'; readonly to: number; readonly overS: number }

/** Acts one after another. */
interface Doing {
  readonly acts: Act[]
  /** When the first of them was begun; null before. */
  sinceS: number | null
}

interface Running {
  readonly from: number
  readonly to: number
  readonly startS: number
  readonly wasReady: boolean | null
  readonly clutchBeforeJ: number
  readonly betweenJ: number
  gapS: number
  waitedS: number
}

const total = (each: readonly number[]): number => each.reduce((sum, one) => sum + one, 0)
const clamp = (value: number, least: number, most: number): number =>
  Math.min(Math.max(value, least), most)

/** Drives the course from standstill in the lowest gear to its last row. */
export function driveCourse(task: DriveTask): DriveResult {
  const run = new Run(task)
  const { course, isSampled = true } = task
  const endS = course.at(-1)?.timeS ?? 0
  const ticks = Math.round(endS / TICK_S)
  const every = Math.round(SAMPLE_S / TICK_S)
  const samples: DriveSample[] = []
  for (let tick = 0; tick < ticks; tick++) {
    run.tick(tick * TICK_S)
    if (isSampled && tick % every === 0) samples.push(run.sample(tick * TICK_S))
  }
  return run.result(samples)
}

/** The state of one drive. A class, since what it is made of changes at every tick. */
class Run {
  private readonly task: DriveTask
  private readonly positions: readonly DrivenPosition[]
  private readonly state: MotionState
  private readonly tally: Tally
  private readonly here
  private readonly readMoment: (timeS: number) => Moment
  private readonly plans = new Map<string, PlannedChange>()
  private readonly lost = { airJ: 0, rollingJ: 0, gradeJ: 0, brakeJ: 0 }
  private readonly startJ: number
  private readonly done: DrivenChange[] = []
  private distanceM = 0

  /** Which position carries, and which one is in on every shaft. */
  private selected = 0
  private readonly engaged: (number | null)[]
  /** Part of the clutch’s law that is let through, and a torque that stands for it. */
  private readonly share: number[]
  private readonly held: (number | null)[]
  private throttle = 1
  /** A speed that the engine is brought to, whatever the pedal says; null where it follows the pedal. */
  private target: number | null = null
  /** The position to which the driver matches the engine, until it is in. */
  private matching: number | null = null
  private readonly main: Doing = { acts: [], sinceS: null }
  private readonly side: Doing = { acts: [], sinceS: null }
  private running: Running | null = null
  /** What has been told of rings and dogs by the changes that are done. */
  private told = { ringJ: 0, knockJ: 0 }
  private restedS = Infinity
  private moment: Moment
  private readonly acting: Acting
  /** What an act that goes on began with. */
  private began = { carriedNm: 0, engineRadPerS: 0, isClosing: false }

  constructor(task: DriveTask) {
    const { powertrain, car, course } = task
    const { paths, forward, backward } = powertrain
    const radiusM = car.rollingRadiusMm / 1_000 / car.finalRatio
    this.task = task
    this.positions = [...forward, ...backward]
    this.state = {
      engineRadPerS: car.engine.idleRpm * RAD_PER_S_OF_RPM,
      outputRadPerS: 0,
      engineKgM2: car.engine.inertiaKgM2,
      outputKgM2: powertrain.outputKgM2 + car.massKg * radiusM * radiusM,
      shafts: paths.map(({ inertiaKgM2 }) => ({
        radPerS: 0,
        inertiaKgM2,
        ratio: null,
        ring: null,
        clutch: { isStuck: false, direction: 1 },
      })),
    }
    this.tally = newTally(paths.length)
    this.here = newInstant(paths.length)
    this.readMoment = courseReader(course)
    this.moment = this.readMoment(0)
    this.engaged = paths.map(() => null)
    this.share = paths.map(() => 0)
    this.held = paths.map(() => null)
    const first = forward[0]?.path ?? 0
    this.engaged[first] = 0
    this.share[first] = 1
    const shaft = this.state.shafts[first]
    if (shaft) shaft.ratio = forward[0]?.ratio ?? null
    this.startJ = kineticJ(this.state)
    this.acting = {
      engineNm: (radPerS) => this.engineNm(radPerS),
      outputNm: (radPerS) => {
        const { airN, rollingN, gradeN, brakeN } = this.resistance(radPerS)
        return -(airN + rollingN + gradeN + brakeN) * radiusM
      },
      capacityNm: (at, radPerS) => this.capacityNm(at, radPerS),
    }
  }

  private get radiusM(): number {
    const { rollingRadiusMm, finalRatio } = this.task.car
    return rollingRadiusMm / 1_000 / finalRatio
  }

  private resistance(outputRadPerS: number) {
    const { brake, grade } = this.moment
    return resistanceOf(this.task.car, outputRadPerS * this.radiusM, brake, grade)
  }

  private engineNm(radPerS: number): number {
    const { engine } = this.task.car
    if (this.target !== null) {
      const wanted = ((this.target - radPerS) * engine.inertiaKgM2) / CONTROL_S
      return clamp(
        wanted + this.began.carriedNm,
        engineTorqueNm(engine, radPerS, 0),
        Math.max(fullTorqueNm(engine, radPerS), engineTorqueNm(engine, radPerS, 0)),
      )
    }
    return engineTorqueNm(engine, radPerS, this.moment.pedal * this.throttle)
  }

  /** A clutch closes with the speed of the engine, from little over idle on, as a foot does it. */
  private capacityNm(at: number, radPerS: number): number {
    const { clutchNm, engine } = this.task.car
    const held = this.held[at] ?? null
    if (held !== null) return held
    const share = this.share[at] ?? 0
    if (share === 0) return 0
    if (this.engaged[at] === null) return share * clutchNm
    const rpm = radPerS / RAD_PER_S_OF_RPM
    const over = rpm / engine.idleRpm - CLOSING_FROM
    return share * clutchNm * clamp(over / (CLOSED_FROM - CLOSING_FROM), 0, 1)
  }

  private plan(from: number, to: number): PlannedChange {
    const { powertrain, car } = this.task
    const way = this.wayTo(to)
    const key = `${way} ${from} ${to}`
    const known = this.plans.get(key)
    if (known) return known
    const [one, other] = [this.positions[from], this.positions[to]]
    if (!one || !other) throw new Error('a change between positions that are not there')
    const made = planChange(powertrain, one, other, way, car.ringNm)
    this.plans.set(key, made)
    return made
  }

  /** Where the engine could not turn so slowly, the clutch has to be open. */
  private wayTo(to: number): DriveWay {
    const { way, car } = this.task
    const least = car.engine.idleRpm * CLOSING_FROM * RAD_PER_S_OF_RPM
    return way === 'without-clutch' && this.speedIn(to) < least ? 'clutch' : way
  }

  tick(timeS: number): void {
    this.moment = this.readMoment(timeS)
    if (this.matching !== null) this.target = this.speedIn(this.matching)
    this.choose(timeS)
    this.go(this.side, timeS)
    this.go(this.main, timeS)
    if (this.running && this.main.acts.length === 0) this.finish(timeS)
    const { running, state } = this
    if (running && !this.isLed()) running.gapS += TICK_S
    if (running && this.main.acts[0]?.kind === 'ready') running.waitedS += TICK_S
    const stepS = TICK_S / this.task.stepsATick
    for (let step = 0; step < this.task.stepsATick; step++) {
      const before = state.outputRadPerS
      advance(state, this.acting, stepS, this.tally, this.here)
      const middle = (before + state.outputRadPerS) / 2
      const overM = middle * this.radiusM * stepS
      const { airN, rollingN, gradeN, brakeN } = this.resistance(middle)
      this.distanceM += overM
      this.lost.airJ += airN * overM
      this.lost.rollingJ += rollingN * overM
      this.lost.gradeJ += gradeN * overM
      this.lost.brakeJ += brakeN * overM
    }
  }

  /** Whether anything leads from the engine to the wheels. */
  private isLed(): boolean {
    return this.engaged.some(
      (gear, at) => gear !== null && this.capacityNm(at, this.state.engineRadPerS) > LEAST_NM,
    )
  }

  /** What the shaft behind the clutch turns at in a position. */
  private speedIn(position: number): number {
    return (this.positions[position]?.ratio ?? 0) * this.state.outputRadPerS
  }

  /** Begins a change where one is wanted, and makes ready what is likely to be wanted next. */
  private choose(timeS: number): void {
    this.restedS += TICK_S
    if (this.running) return
    const { powertrain, rules, way } = this.task
    const count = powertrain.forward.length
    const { pedal, brake, ask } = this.moment
    const mPerS = this.state.outputRadPerS * this.radiusM
    const asked = this.positions.findIndex(({ position }) => position.label === ask)
    const ratioOf = (position: number): number => this.positions[position]?.ratio ?? 0
    const input = {
      rpm: this.speedIn(this.selected) / RAD_PER_S_OF_RPM,
      pedal,
      brake,
      at: this.selected,
      count,
      lowerStep: this.selected > 0 ? ratioOf(this.selected - 1) / ratioOf(this.selected) : 1,
    }
    let wanted = this.selected
    if (asked >= 0) wanted = this.towards(asked, mPerS)
    else if (this.selected >= count) wanted = Math.abs(mPerS) < STANDING_M_S ? 0 : this.selected
    else if (this.restedS >= rules.restS) wanted = wantedGear(rules, input)
    if (wanted !== this.selected) {
      this.begin(timeS, wanted)
      return
    }
    if (way === 'ready' && this.selected < count) this.makeReady(guessedGear(rules, input))
  }

  /** The next gear on the way to one that is asked for; the way back waits until the car stands. */
  private towards(asked: number, mPerS: number): number {
    const { forward } = this.task.powertrain
    const isTurning = asked >= forward.length !== this.selected >= forward.length
    if (isTurning) return Math.abs(mPerS) < STANDING_M_S ? asked : this.selected
    // Over the stops of a drum one goes one by one.
    const isBySteps = this.plan(this.selected, asked).steps.some(
      (step) => step.kind === 'turn' && step.over.length > 0,
    )
    if (!isBySteps || asked === this.selected) return asked
    return this.selected + Math.sign(asked - this.selected)
  }

  /** What has to move on the other shaft until `to` waits there. */
  private readying(to: number): readonly Act[] | null {
    const plan = this.plan(this.selected, to)
    const path = this.positions[to]?.path ?? 0
    if (!plan.isHandOver) return null
    if (this.engaged[path] === to) return []
    const { sleeveS } = this.task.times
    const out: Act[] =
      this.engaged[path] === null
        ? []
        : [
            { kind: 'wait', overS: sleeveS },
            { kind: 'out', path },
          ]
    return [
      ...out,
      ...this.entering(plan, to),
      { kind: 'wait', overS: sleeveS },
      { kind: 'in', to },
    ]
  }

  private entering({ entries }: PlannedChange, to: number): readonly Act[] {
    const path = this.positions[to]?.path ?? 0
    return entries.flatMap((entry): Act[] =>
      entry.ringNm === null ? [] : [{ kind: 'ring', path, entry }],
    )
  }

  private makeReady(to: number): void {
    if (this.side.acts.length > 0) return
    const acts = this.readying(to)
    if (acts) this.side.acts.push(...acts)
  }

  private begin(timeS: number, to: number): void {
    const from = this.selected
    const plan = this.plan(from, to)
    const path = this.positions[to]?.path ?? 0
    const wasReady = plan.isHandOver ? this.engaged[path] === to : null
    this.running = {
      from,
      to,
      startS: timeS,
      wasReady,
      clutchBeforeJ: total(this.tally.clutchJ),
      betweenJ: (plan.betweenKgM2 * this.speedIn(from) ** 2) / 2,
      gapS: 0,
      waitedS: 0,
    }
    if (!plan.isHandOver) {
      this.main.acts.push(...this.gapActs(plan, from, to))
      return
    }
    const isComing = this.side.acts.some((act) => act.kind === 'in' && act.to === to)
    if (!wasReady && !isComing) {
      // What was being made ready is given up.
      const shaft = this.state.shafts[path]
      if (shaft) shaft.ring = null
      this.side.acts.length = 0
      this.side.sinceS = null
      this.side.acts.push(...(this.readying(to) ?? []))
    }
    this.main.acts.push(
      { kind: 'ready', to },
      { kind: 'hand-over', to, overS: this.task.times.handOverS },
    )
  }

  /** The steps of a change with a gap, each with the time that it takes. */
  private gapActs(plan: PlannedChange, from: number, to: number): readonly Act[] {
    const { pedalS, clutchUpS, liftS, leverS, drumS, sleeveS } = this.task.times
    const [left, taken] = [this.positions[from]?.path ?? 0, this.positions[to]?.path ?? 0]
    const isMoved = plan.steps.some(({ kind }) => kind === 'lever' || kind === 'turn')
    const ins = plan.steps.filter(
      (step) => step.kind === 'in' && !isClutch(step.move.coupler),
    ).length
    let inBefore = 0
    const acts = plan.steps.flatMap((step): Act[] => {
      switch (step.kind) {
        case 'clutch':
          return step.is === 'down'
            ? [{ kind: 'open', path: left, overS: pedalS }]
            : [{ kind: 'close', path: taken, overS: clutchUpS }]
        case 'lift':
          return [{ kind: 'lift', overS: liftS }]
        case 'lever':
          return [{ kind: 'wait', overS: leverS }]
        case 'turn':
          return [{ kind: 'wait', overS: drumS * (step.over.length + 1) }]
        case 'out':
          if (isClutch(step.move.coupler)) return [{ kind: 'open', path: left, overS: pedalS }]
          return [...wait(isMoved ? 0 : sleeveS), { kind: 'out', path: left }]
        case 'ring': {
          const entry = plan.entries.find(({ coupler }) => coupler === step.coupler)
          return entry ? [{ kind: 'ring', path: taken, entry }] : wait(sleeveS)
        }
        case 'in':
          if (isClutch(step.move.coupler)) return [{ kind: 'close', path: taken, overS: clutchUpS }]
          inBefore++
          return [...wait(sleeveS), ...(inBefore === ins ? [{ kind: 'in', to } as const] : [])]
        case 'match':
          return [{ kind: 'match', to }]
        case 'stand':
        case 'grind':
        case 'hand-over':
          return []
      }
    })
    // A range alone, or a splitter, joins again what the lever left in.
    return ins === 0 ? [...acts, { kind: 'in', to }] : acts
  }

  /** Does what is first in a row, and what comes after it as far as that takes no time. */
  private go(doing: Doing, timeS: number): void {
    for (;;) {
      const [act] = doing.acts
      if (!act) return
      if (doing.sinceS === null) {
        doing.sinceS = timeS
        this.start(act)
      }
      const forS = timeS - doing.sinceS
      if (!this.isDone(act, forS) && forS < LONGEST_ACT_S) return
      this.end(act)
      doing.acts.shift()
      doing.sinceS = null
    }
  }

  private start(act: Act): void {
    const { state } = this
    this.began.engineRadPerS = state.engineRadPerS
    if (act.kind === 'out') this.takeOut(act.path)
    else if (act.kind === 'ring') {
      const { path, entry } = act
      const shaft = state.shafts[path]
      if (!shaft || entry.ringNm === null || this.engaged[path] !== null) return
      const slip = shaft.radPerS * entry.ofShaft + state.outputRadPerS * entry.ofOutput
      shaft.ring = { ...entry, torqueNm: entry.ringNm, direction: slip < 0 ? -1 : 1 }
    } else if (act.kind === 'in') this.takeIn(act.to)
    else if (act.kind === 'match') {
      this.began.carriedNm = 0
      this.matching = act.to
      this.target = this.speedIn(act.to)
    } else if (act.kind === 'hand-over') {
      const path = this.positions[this.selected]?.path ?? 0
      this.began.carriedNm = this.here.clutchNm[path] ?? 0
      this.began.isClosing = false
    }
  }

  private takeOut(path: number): void {
    const shaft = this.state.shafts[path]
    this.engaged[path] = null
    if (!shaft) return
    shaft.ratio = null
    shaft.ring = null
  }

  private takeIn(to: number): void {
    const { path = 0, ratio = 0 } = this.positions[to] ?? {}
    const shaft = this.state.shafts[path]
    if (shaft && Math.abs((shaft.ratio ?? 0) / ratio - 1) > 1e-9)
      joinAtOnce(this.state, path, ratio, this.tally)
    this.engaged[path] = to
  }

  /** How far an act is; does what it does along the way. */
  private isDone(act: Act, forS: number): boolean {
    switch (act.kind) {
      case 'wait':
        return forS >= act.overS - TICK_S / 2
      case 'lift':
        this.throttle = clamp(1 - forS / act.overS, 0, 1)
        return forS >= act.overS
      case 'open':
        this.share[act.path] = clamp(1 - forS / act.overS, 0, 1)
        this.throttle = Math.min(this.throttle, clamp(1 - forS / act.overS, 0, 1))
        return forS >= act.overS
      case 'close': {
        const part = clamp(forS / act.overS, 0, 1)
        this.share[act.path] = part
        this.throttle = part
        return part >= 1
      }
      case 'ring':
        if (forS > HELPED_AFTER_S && (this.share[act.path] ?? 0) > 0) {
          // The engine holds against it: the pedal helps.
          this.share[act.path] = 0
          this.main.acts.push({ kind: 'close', path: act.path, overS: this.task.times.clutchUpS })
        }
        return this.state.shafts[act.path]?.ring == null
      case 'match': {
        const apart = Math.abs(this.speedIn(act.to) - this.state.engineRadPerS)
        return apart < 20 * RAD_PER_S_OF_RPM || forS >= this.task.times.matchS
      }
      case 'ready':
        return this.engaged[this.positions[act.to]?.path ?? 0] === act.to
      case 'hand-over':
        return this.handOver(act, forS)
      case 'out':
      case 'in':
        return true
    }
  }

  private end(act: Act): void {
    if (act.kind === 'in' && this.matching === act.to) {
      this.matching = null
      this.target = null
    }
    if (act.kind === 'hand-over') {
      const [from, to] = [this.positions[this.selected]?.path, this.positions[act.to]?.path]
      this.target = null
      for (const path of [from, to]) if (path !== undefined) this.held[path] = null
      if (from !== undefined) this.share[from] = 0
      if (to !== undefined) this.share[to] = 1
    }
  }

  /**
   * One clutch takes over from the other. Where the engine has to slow down the torque goes over
   * first and the closing clutch then brings it down; where it has to speed up, the opening clutch
   * slips while it does, and the torque goes over once the speeds agree.
   */
  private handOver({ to, overS }: Extract<Act, { kind: 'hand-over' }>, forS: number): boolean {
    const { car } = this.task
    const { state, began } = this
    const opening = this.positions[this.selected]?.path ?? 0
    const closing = this.positions[to]?.path ?? 0
    const half = overS / 2
    const aim = this.speedIn(to)
    const carried = Math.min(Math.abs(began.carriedNm), car.clutchNm)
    const isUp = aim <= began.engineRadPerS
    const toldNm = (car.engine.inertiaKgM2 * Math.abs(aim - began.engineRadPerS)) / half
    if (isUp) {
      const part = clamp(forS / half, 0, 1)
      this.held[opening] = Math.max(carried * 1.05, LEAST_HELD_NM) * (1 - part)
      this.held[closing] = Math.min(part < 1 ? carried * part : carried + toldNm, car.clutchNm)
      return part >= 1 && state.shafts[closing]?.clutch.isStuck === true
    }
    if (!began.isClosing) {
      const full = fullTorqueNm(car.engine, state.engineRadPerS)
      const kept = clamp(full - toldNm, LEAST_CARRIED * carried, carried)
      this.held[opening] = Math.max(kept, LEAST_HELD_NM)
      this.held[closing] = 0
      const part = clamp(forS / half, 0, 1)
      this.target = began.engineRadPerS + (aim - began.engineRadPerS) * part
      began.carriedNm = kept
      // The aim moves on with the car: near it is at it.
      if (part >= 1 && state.engineRadPerS >= aim - 20 * RAD_PER_S_OF_RPM) {
        began.isClosing = true
        this.closingS = forS
        this.target = null
      }
      return false
    }
    const part = clamp((forS - this.closingS) / half, 0, 1)
    this.held[opening] = Math.max(carried, LEAST_HELD_NM) * (1 - part)
    this.held[closing] = part * car.clutchNm
    return part >= 1 && state.shafts[closing]?.clutch.isStuck === true
  }

  private closingS = 0

  private finish(timeS: number): void {
    const { running, tally } = this
    if (!running) return
    const { clutchBeforeJ, betweenJ, from, to, startS, gapS, waitedS, wasReady } = running
    this.done.push({
      from: this.positions[from]?.position.label ?? '',
      to: this.positions[to]?.position.label ?? '',
      startS,
      endS: timeS,
      gapS,
      waitedS,
      wasReady,
      clutchJ: total(tally.clutchJ) - clutchBeforeJ,
      ringJ: tally.ringJ - this.told.ringJ,
      betweenJ,
      knockJ: tally.knockJ - this.told.knockJ,
    })
    this.told = { ringJ: tally.ringJ, knockJ: tally.knockJ }
    this.selected = to
    this.running = null
    this.restedS = 0
    this.throttle = 1
  }

  sample(timeS: number): DriveSample {
    const { state, here, selected, engaged, positions } = this
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
      mPerS: state.outputRadPerS * this.radiusM,
      engineRpm: state.engineRadPerS / RAD_PER_S_OF_RPM,
      clutchNm: [...here.clutchNm],
      wheelNm: wheelNm * this.task.car.finalRatio,
      selected: engaged[path] === selected ? selected : -1,
      ready: engaged.find((gear, at) => at !== path && gear !== null) ?? -1,
    }
  }

  result(samples: readonly DriveSample[]): DriveResult {
    const { engineJ, clutchJ, ringJ, knockJ } = this.tally
    return {
      labels: this.positions.map(({ position }) => position.label),
      samples,
      changes: this.done,
      energy: {
        engineJ,
        ...this.lost,
        clutchJ,
        ringJ,
        knockJ,
        kineticJ: kineticJ(this.state) - this.startJ,
      },
      distanceM: this.distanceM,
    }
  }
}

function wait(overS: number): Act[] {
  return overS > 0 ? [{ kind: 'wait', overS }] : []
}
