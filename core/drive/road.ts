/** The road under the car: what holds it back at a moment of the course, and where that work has gone. */
import type { Car } from './car.ts'
import { resistanceOf } from './car.ts'
import type { Moment } from './course.ts'

export class Road {
  /** Rolled for a radian of the output. */
  readonly radiusM: number
  readonly lost = { airJ: 0, rollingJ: 0, gradeJ: 0, brakeJ: 0 }
  distanceM = 0
  moment: Moment
  private readonly car: Car

  constructor(car: Car, moment: Moment) {
    this.car = car
    this.moment = moment
    this.radiusM = car.rollingRadiusMm / 1_000 / car.finalRatio
  }

  private resistance(outputRadPerS: number) {
    const { brake, grade } = this.moment
    return resistanceOf(this.car, outputRadPerS * this.radiusM, brake, grade)
  }

  /** On the output at its speed; what holds it back is below 0. */
  outputNm(outputRadPerS: number): number {
    const { airN, rollingN, gradeN, brakeN } = this.resistance(outputRadPerS)
    return -(airN + rollingN + gradeN + brakeN) * this.radiusM
  }

  /** Rolls on for a step, at its middle speed. */
  roll(outputRadPerS: number, stepS: number): void {
    const overM = outputRadPerS * this.radiusM * stepS
    const { airN, rollingN, gradeN, brakeN } = this.resistance(outputRadPerS)
    this.distanceM += overM
    this.lost.airJ += airN * overM
    this.lost.rollingJ += rollingN * overM
    this.lost.gradeJ += gradeN * overM
    this.lost.brakeJ += brakeN * overM
  }
}
