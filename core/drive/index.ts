/** A box driven over a course: engine, clutches, changes of gear, car and road. */
export type { Car, Engine } from './car.ts'
export { USUAL_CAR } from './car.ts'
export type { CourseRow } from './course.ts'
export type { DriveWay, Powertrain, PowertrainResult } from './powertrain.ts'
export { powertrainOf } from './powertrain.ts'
export type { ShiftRules, ShiftTimes } from './rules.ts'
export { USUAL_RULES, USUAL_TIMES } from './rules.ts'
export type {
  DriveResult,
  DriveSample,
  DriveTask,
  DrivenChange,
  EnergyBalance,
} from './simulate.ts'
export { SAMPLE_S, USUAL_STEPS, driveCourse, stepsFor } from './simulate.ts'
