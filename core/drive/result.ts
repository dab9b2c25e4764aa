/** What is told of a drive. */

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
export interface EnergyBalance {
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
