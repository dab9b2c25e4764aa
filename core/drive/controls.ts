/**
 * Hands, feet and pistons: how far clutches are closed and the throttle is open, what is engaged, and
 * the acts that change it, each begun, done for as long as it takes, and ended.
 */
import type { Act, Doing } from './acts.ts'
import type { Car } from './car.ts'
import { RAD_PER_S_OF_RPM, engineTorqueNm, fullTorqueNm } from './car.ts'
import type { Instant, MotionState, Tally } from './dynamics.ts'
import { joinAtOnce } from './dynamics.ts'
import type { DrivenPosition } from './powertrain.ts'
import type { ShiftTimes } from './rules.ts'

/** A clutch that carries less leads nothing. */
const LEAST_NM = 1
/** Nothing in a change may take longer; then it goes on as it is. */
const LONGEST_ACT_S = 4
/** A driver who changes without the pedal takes it where a ring gets nowhere for so long. */
const HELPED_AFTER_S = 0.5
/** Multiples of its idle speed at which the engine is when a clutch begins to close, and is closed. */
export const CLOSING_FROM = 1.1
const CLOSED_FROM = 2.5
/** How fast a control brings the engine to a speed. */
const CONTROL_S = 0.04
/** What the opening clutch goes on carrying while the engine comes up, of what it carried. */
const LEAST_CARRIED = 0.3
const LEAST_HELD_NM = 15

const clamp = (value: number, least: number, most: number): number =>
  Math.min(Math.max(value, least), most)

/** What they move, and how long they take for it. */
interface Controlled {
  readonly car: Car
  readonly times: ShiftTimes
  readonly positions: readonly DrivenPosition[]
  readonly state: MotionState
  readonly tally: Tally
  /** What clutches bear at this instant. */
  readonly here: Instant
  /** Between two looks at what is done. */
  readonly tickS: number
}

/** A class, since what it is made of changes at every tick. */
export class Controls {
  /** Which position carries, and which one is in on every shaft. */
  selected = 0
  readonly engaged: (number | null)[]
  private throttle = 1
  /** Acts of a change, and those that make the next one ready. */
  readonly main: Doing = { acts: [], sinceS: null }
  readonly side: Doing = { acts: [], sinceS: null }
  /** Part of the clutch’s law that is let through, and a torque that stands for it. */
  private readonly share: number[]
  private readonly held: (number | null)[]
  /** A speed that the engine is brought to, whatever the pedal says; null where it follows the pedal. */
  private target: number | null = null
  /** The position to which the driver matches the engine, until it is in. */
  private matching: number | null = null
  /** What an act that goes on began with. */
  private began = { carriedNm: 0, engineRadPerS: 0, isClosing: false }
  private closingS = 0
  private readonly controlled: Controlled

  constructor(controlled: Controlled) {
    const { state, positions } = controlled
    this.controlled = controlled
    this.engaged = state.shafts.map(() => null)
    this.share = state.shafts.map(() => 0)
    this.held = state.shafts.map(() => null)
    const { path = 0, ratio = null } = positions[0] ?? {}
    this.engaged[path] = 0
    this.share[path] = 1
    const shaft = state.shafts[path]
    if (shaft) shaft.ratio = ratio
  }

  /** What is done up to now; the driver sees where the engine has to be brought to. */
  tick(timeS: number, choose: () => void): void {
    if (this.matching !== null) this.target = this.speedIn(this.matching)
    choose()
    this.go(this.side, timeS)
    this.go(this.main, timeS)
  }

  engineNm(radPerS: number, pedal: number): number {
    const { engine } = this.controlled.car
    if (this.target !== null) {
      const wanted = ((this.target - radPerS) * engine.inertiaKgM2) / CONTROL_S
      return clamp(
        wanted + this.began.carriedNm,
        engineTorqueNm(engine, radPerS, 0),
        Math.max(fullTorqueNm(engine, radPerS), engineTorqueNm(engine, radPerS, 0)),
      )
    }
    return engineTorqueNm(engine, radPerS, pedal * this.throttle)
  }

  /** A clutch closes with the speed of the engine, from little over idle on, as a foot does it. */
  capacityNm(at: number, radPerS: number): number {
    const { clutchNm, engine } = this.controlled.car
    const held = this.held[at] ?? null
    if (held !== null) return held
    const share = this.share[at] ?? 0
    if (share === 0) return 0
    if (this.engaged[at] === null) return share * clutchNm
    const rpm = radPerS / RAD_PER_S_OF_RPM
    const over = rpm / engine.idleRpm - CLOSING_FROM
    return share * clutchNm * clamp(over / (CLOSED_FROM - CLOSING_FROM), 0, 1)
  }

  /** Whether anything leads from the engine to the wheels. */
  isLed(): boolean {
    return this.engaged.some(
      (gear, at) =>
        gear !== null && this.capacityNm(at, this.controlled.state.engineRadPerS) > LEAST_NM,
    )
  }

  /** What the shaft behind the clutch turns at in a position. */
  speedIn(position: number): number {
    return (this.controlled.positions[position]?.ratio ?? 0) * this.controlled.state.outputRadPerS
  }

  /** A position carries from now on. */
  arrive(to: number): void {
    this.selected = to
    this.throttle = 1
  }

  /** Gives up what is being made ready on a shaft. */
  giveUp(path: number): void {
    const shaft = this.controlled.state.shafts[path]
    if (shaft) shaft.ring = null
    this.side.acts.length = 0
    this.side.sinceS = null
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
    const { state } = this.controlled
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
      const path = this.controlled.positions[this.selected]?.path ?? 0
      this.began.carriedNm = this.controlled.here.clutchNm[path] ?? 0
      this.began.isClosing = false
    }
  }

  private takeOut(path: number): void {
    const shaft = this.controlled.state.shafts[path]
    this.engaged[path] = null
    if (!shaft) return
    shaft.ratio = null
    shaft.ring = null
  }

  private takeIn(to: number): void {
    const { path = 0, ratio = 0 } = this.controlled.positions[to] ?? {}
    const shaft = this.controlled.state.shafts[path]
    if (shaft && Math.abs((shaft.ratio ?? 0) / ratio - 1) > 1e-9)
      joinAtOnce(this.controlled.state, path, ratio, this.controlled.tally)
    this.engaged[path] = to
  }

  /** How far an act is; does what it does along the way. */
  private isDone(act: Act, forS: number): boolean {
    switch (act.kind) {
      case 'wait':
        return forS >= act.overS - this.controlled.tickS / 2
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
          this.main.acts.push({
            kind: 'close',
            path: act.path,
            overS: this.controlled.times.clutchUpS,
          })
        }
        return this.controlled.state.shafts[act.path]?.ring == null
      case 'match': {
        const apart = Math.abs(this.speedIn(act.to) - this.controlled.state.engineRadPerS)
        return apart < 20 * RAD_PER_S_OF_RPM || forS >= this.controlled.times.matchS
      }
      case 'ready':
        return this.engaged[this.controlled.positions[act.to]?.path ?? 0] === act.to
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
      const [from, to] = [
        this.controlled.positions[this.selected]?.path,
        this.controlled.positions[act.to]?.path,
      ]
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
    const { car } = this.controlled
    const { state } = this.controlled
    const { began } = this
    const opening = this.controlled.positions[this.selected]?.path ?? 0
    const closing = this.controlled.positions[to]?.path ?? 0
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
}
