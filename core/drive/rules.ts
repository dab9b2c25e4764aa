/** By which rules gears are chosen, and how long hands and feet take. */

/** Speeds of the engine between which the pedal leads evenly: first with it let go, then down. */
export interface ShiftRules {
  readonly upLightRpm: number
  readonly upFullRpm: number
  readonly downLightRpm: number
  readonly downFullRpm: number
  /** From this brake on the next lower gear is made ready, and none higher is taken. */
  readonly lowerFromBrake: number
  /** From this pedal on the next lower gear is made ready. */
  readonly lowerFromPedal: number
  /** Between one change and the next. */
  readonly restS: number
}

/** A starting point, as a driver in town would do it. */
export const USUAL_RULES: ShiftRules = {
  upLightRpm: 2_000,
  upFullRpm: 5_500,
  downLightRpm: 1_150,
  downFullRpm: 2_600,
  lowerFromBrake: 0.15,
  lowerFromPedal: 0.8,
  restS: 0.6,
}

/** How long each thing takes that no law of motion settles. */
export interface ShiftTimes {
  /** The clutch down. */
  readonly pedalS: number
  /** The clutch up. */
  readonly clutchUpS: number
  /** The throttle lifted. */
  readonly liftS: number
  /** One move of the lever. */
  readonly leverS: number
  /** The drum from one stop to the next. */
  readonly drumS: number
  /** One coupler, out or in, where a hand or a piston moves it. */
  readonly sleeveS: number
  /** The most that the engine is given to come to its speed by itself. */
  readonly matchS: number
  /** From clutch to clutch. */
  readonly handOverS: number
}

/** Common practice, except the hand-over: about a quarter of a second. */
export const USUAL_TIMES: ShiftTimes = {
  pedalS: 0.15,
  clutchUpS: 0.4,
  liftS: 0.06,
  leverS: 0.12,
  drumS: 0.05,
  sleeveS: 0.06,
  matchS: 0.5,
  handOverS: 0.25,
}

/** What the rules look at. */
interface RuleInput {
  /** The engine’s speed in the gear that is in, clutch closed. */
  readonly rpm: number
  readonly pedal: number
  readonly brake: number
  /** Which of the forward gears is in, and how many there are. */
  readonly at: number
  readonly count: number
  /** How many times as fast the engine would turn in the next lower gear; 1 where there is none. */
  readonly lowerStep: number
}

const between = (light: number, full: number, pedal: number): number =>
  light + (full - light) * pedal

/**
 * The gear to be in, of those next to the one that is in. None lower is taken that would have to
 * be left again at once, as where gears lie far apart.
 */
export function wantedGear(rules: ShiftRules, input: RuleInput): number {
  const { rpm, pedal, brake, at, count, lowerStep } = input
  const upRpm = between(rules.upLightRpm, rules.upFullRpm, pedal)
  const downRpm = between(rules.downLightRpm, rules.downFullRpm, pedal)
  if (rpm > upRpm && brake < rules.lowerFromBrake) return Math.min(at + 1, count - 1)
  if (rpm < downRpm && rpm * lowerStep < upRpm) return Math.max(at - 1, 0)
  return at
}

/** The gear that is likely to be wanted next, to be made ready. */
export function guessedGear(
  rules: ShiftRules,
  { rpm, pedal, brake, at, count }: RuleInput,
): number {
  const middle =
    (between(rules.upLightRpm, rules.upFullRpm, pedal) +
      between(rules.downLightRpm, rules.downFullRpm, pedal)) /
    2
  const isLower = brake >= rules.lowerFromBrake || pedal >= rules.lowerFromPedal || rpm < middle
  if (at === 0) return Math.min(1, count - 1)
  return isLower || at === count - 1 ? at - 1 : at + 1
}
