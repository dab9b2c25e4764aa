/** The driver, or the control unit: which gear is wanted, how it is come by, what is made ready. */
import { gapActs, readying } from './acts.ts'
import type { Car } from './car.ts'
import { RAD_PER_S_OF_RPM } from './car.ts'
import type { Controls } from './controls.ts'
import { CLOSING_FROM } from './controls.ts'
import type { CourseRow, Moment } from './course.ts'
import type { Ledger } from './ledger.ts'
import type { DriveWay, DrivenPosition, PlannedChange, Powertrain } from './powertrain.ts'
import { planChange } from './powertrain.ts'
import type { ShiftRules, ShiftTimes } from './rules.ts'
import { guessedGear, wantedGear } from './rules.ts'

/** A course to drive, in what and by which rules. */
export interface DriveTask {
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

/** A car slower than this stands. */
const STANDING_M_S = 0.5

export class Driver {
  private readonly plans = new Map<string, PlannedChange>()
  private readonly positions: readonly DrivenPosition[]
  private restedS = Infinity

  constructor(
    private readonly task: DriveTask,
    private readonly controls: Controls,
    private readonly ledger: Ledger,
    private readonly tickS: number,
  ) {
    this.positions = [...task.powertrain.forward, ...task.powertrain.backward]
  }

  /** A change is done, and for a while no other is begun. */
  rest(): void {
    this.restedS = 0
  }

  /** Begins a change where one is wanted, and makes ready what is likely to be wanted next. */
  choose(timeS: number, { pedal, brake, ask }: Moment, mPerS: number): void {
    this.restedS += this.tickS
    if (this.ledger.running) return
    const { powertrain, rules, way } = this.task
    const { selected } = this.controls
    const count = powertrain.forward.length
    const asked = this.positions.findIndex(({ position }) => position.label === ask)
    const ratioOf = (position: number): number => this.positions[position]?.ratio ?? 0
    const input = {
      rpm: this.controls.speedIn(selected) / RAD_PER_S_OF_RPM,
      pedal,
      brake,
      at: selected,
      count,
      lowerStep: selected > 0 ? ratioOf(selected - 1) / ratioOf(selected) : 1,
    }
    let wanted = selected
    if (asked >= 0) wanted = this.towards(asked, mPerS)
    else if (selected >= count) wanted = Math.abs(mPerS) < STANDING_M_S ? 0 : selected
    else if (this.restedS >= rules.restS) wanted = wantedGear(rules, input)
    if (wanted !== selected) this.begin(timeS, wanted)
    else if (way === 'ready' && selected < count) this.makeReady(guessedGear(rules, input))
  }

  /** The next gear on the way to one that is asked for; the way back waits until the car stands. */
  private towards(asked: number, mPerS: number): number {
    const { forward } = this.task.powertrain
    const { selected } = this.controls
    const isTurning = asked >= forward.length !== selected >= forward.length
    if (isTurning) return Math.abs(mPerS) < STANDING_M_S ? asked : selected
    // Over the stops of a drum one goes one by one.
    const isBySteps = this.plan(selected, asked).steps.some(
      (step) => step.kind === 'turn' && step.over.length > 0,
    )
    if (!isBySteps || asked === selected) return asked
    return selected + Math.sign(asked - selected)
  }

  private pathOf(position: number): number {
    return this.positions[position]?.path ?? 0
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
    return way === 'without-clutch' && this.controls.speedIn(to) < least ? 'clutch' : way
  }

  private makeReady(to: number): void {
    const { side, selected, engaged } = this.controls
    if (side.acts.length > 0) return
    const plan = this.plan(selected, to)
    if (plan.isHandOver && engaged[this.pathOf(to)] !== to) this.ready(plan, to)
  }

  /** Begins to make ready what is to wait on the other shaft. */
  private ready(plan: PlannedChange, to: number): void {
    const { side, engaged } = this.controls
    const taken = this.pathOf(to)
    side.acts.push(...readying(plan, { taken, to }, engaged[taken] === null, this.task.times))
  }

  private begin(timeS: number, to: number): void {
    const { controls } = this
    const { selected: from, main, side, engaged } = controls
    const plan = this.plan(from, to)
    const taken = this.pathOf(to)
    const wasReady = plan.isHandOver ? engaged[taken] === to : null
    const betweenJ = (plan.betweenKgM2 * controls.speedIn(from) ** 2) / 2
    this.ledger.begin({ from, to, startS: timeS, wasReady, betweenJ })
    if (!plan.isHandOver) {
      main.acts.push(...gapActs(plan, { left: this.pathOf(from), taken, to }, this.task.times))
      return
    }
    const isComing = side.acts.some((act) => act.kind === 'in' && act.to === to)
    if (!wasReady && !isComing) {
      controls.giveUp(taken)
      this.ready(plan, to)
    }
    main.acts.push(
      { kind: 'ready', to },
      { kind: 'hand-over', to, overS: this.task.times.handOverS },
    )
  }
}
