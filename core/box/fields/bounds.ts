/** How much of anything a box may have, and how long or large it may be: more no box has that can be drawn. */
import { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT } from '../toothCount.ts'

/** The most of each, by what it is. */
export const LARGEST = {
  axes: 12,
  members: 60,
  gears: 120,
  links: 200,
  couplers: 24,
  couplerPositions: 8,
  engagements: 8,
  positions: 200,
  rules: 100,
  outputs: 8,
  leftWarnings: 500,
  pieces: 1_000,
  steps: 40,
  carried: 30,
  marks: 10,
  quantity: 999,
  sheet: 400,
  precedences: 400,
  /** More would be more rods than couplers, and a switch for each. */
  selectors: 12,
  selectorPlaces: 4,
  gateRows: 6,
  levers: 4,
  interlockParts: 24,
  travelMm: 60,
  clutches: 4,
  clutchStages: 8,
  drums: 4,
  drumTrain: 4,
  drumPoints: 200,
  drumStops: 24,
  inertiaKgM2: 100,
  /** Larger than any module of ISO 54. */
  moduleMm: 50,
  helixAngleDeg: 60,
  lengthMm: 100_000,
  /** Characters. */
  sheetText: 200,
  reference: 140,
  partNumberLength: 60,
  /** The id of a coupler's place is its name. */
  idLength: 60,
  warningLength: 300,
  initialsLength: 4,
  nameLength: 120,
  notesLength: 10_000,
} as const

/** A count of teeth. */
export const TEETH = {
  type: 'whole',
  least: LEAST_TOOTH_COUNT,
  most: MOST_TOOTH_COUNT,
} as const
