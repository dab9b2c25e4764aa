/** The figures of a drive that a person can set, and what the address calls them. */
import type { Car, Engine, ShiftRules, ShiftTimes } from 'core'

/** A figure that a person can set. */
export interface DriveField {
  /** In the address. */
  readonly key: string
  readonly title: string
  readonly unit: string
  readonly least: number
  readonly most: number
  /** What one of what is shown is of what is counted with. */
  readonly scale?: number
}

export type DriveFieldsOf<Figures> = {
  readonly [Key in keyof Figures]: DriveField
}

export const ENGINE_FIELDS = {
  idleRpm: { key: 'idle', title: 'Idle', unit: 'rev/min', least: 300, most: 3_000 },
  peakNm: { key: 'torque', title: 'Most torque', unit: 'N·m', least: 1, most: 5_000 },
  peakRpm: { key: 'torqueat', title: 'at', unit: 'rev/min', least: 500, most: 20_000 },
  mostRpm: { key: 'red', title: 'Most speed', unit: 'rev/min', least: 1_000, most: 25_000 },
  dragNm: { key: 'braking', title: 'Drag, throttle shut', unit: 'N·m', least: 0, most: 1_000 },
  inertiaKgM2: { key: 'flywheel', title: 'Inertia', unit: 'kg·m²', least: 0.005, most: 20 },
} as const satisfies DriveFieldsOf<Engine>

export const CAR_FIELDS = {
  massKg: { key: 'mass', title: 'Mass', unit: 'kg', least: 50, most: 60_000 },
  rollingRadiusMm: { key: 'wheel', title: 'Rolling radius', unit: 'mm', least: 100, most: 1_000 },
  finalRatio: { key: 'final', title: 'Output to wheels', unit: ': 1', least: 0.5, most: 20 },
  airM2: { key: 'air', title: 'Drag area', unit: 'm²', least: 0, most: 20 },
  rolling: {
    key: 'rolling',
    title: 'Rolling resistance',
    unit: '%',
    least: 0,
    most: 10,
    scale: 0.01,
  },
  brakeN: { key: 'brakes', title: 'All brakes', unit: 'N', least: 500, most: 500_000 },
  clutchNm: { key: 'clutch', title: 'Clutch carries', unit: 'N·m', least: 10, most: 10_000 },
  ringNm: { key: 'ringnm', title: 'Rings without figures', unit: 'N·m', least: 1, most: 2_000 },
} as const satisfies DriveFieldsOf<Omit<Car, 'engine'>>

export const RULE_FIELDS = {
  upLightRpm: {
    key: 'up',
    title: 'Up, pedal let go, over',
    unit: 'rev/min',
    least: 300,
    most: 25_000,
  },
  upFullRpm: {
    key: 'upfull',
    title: 'Up, pedal down, over',
    unit: 'rev/min',
    least: 300,
    most: 25_000,
  },
  downLightRpm: {
    key: 'down',
    title: 'Down, pedal let go, under',
    unit: 'rev/min',
    least: 300,
    most: 25_000,
  },
  downFullRpm: {
    key: 'downfull',
    title: 'Down, pedal down, under',
    unit: 'rev/min',
    least: 300,
    most: 25_000,
  },
  lowerFromBrake: {
    key: 'brake',
    title: 'Lower made ready from brake',
    unit: '%',
    least: 1,
    most: 100,
    scale: 0.01,
  },
  lowerFromPedal: {
    key: 'kick',
    title: 'Lower made ready from pedal',
    unit: '%',
    least: 1,
    most: 100,
    scale: 0.01,
  },
  restS: { key: 'rest', title: 'Between two changes', unit: 's', least: 0.1, most: 10 },
} as const satisfies DriveFieldsOf<ShiftRules>

export const TIME_FIELDS = {
  pedalS: { key: 'tpedal', title: 'Clutch opens', unit: 's', least: 0.01, most: 2 },
  clutchUpS: { key: 'tup', title: 'Clutch closes', unit: 's', least: 0.01, most: 3 },
  liftS: { key: 'tlift', title: 'Throttle lifted', unit: 's', least: 0.01, most: 2 },
  leverS: { key: 'tlever', title: 'One move of the lever', unit: 's', least: 0.01, most: 2 },
  drumS: { key: 'tdrum', title: 'Drum, one stop', unit: 's', least: 0.01, most: 2 },
  sleeveS: { key: 'tcoupler', title: 'One coupler, by a piston', unit: 's', least: 0.01, most: 2 },
  matchS: { key: 'tmatch', title: 'Engine left to match', unit: 's', least: 0.01, most: 3 },
  handOverS: { key: 'thand', title: 'Clutch to clutch', unit: 's', least: 0.05, most: 2 },
} as const satisfies DriveFieldsOf<ShiftTimes>

const ALL_FIELDS = { ...ENGINE_FIELDS, ...CAR_FIELDS, ...RULE_FIELDS, ...TIME_FIELDS }
export type DriveKey = (typeof ALL_FIELDS)[keyof typeof ALL_FIELDS]['key']
/** Every figure that an address can say of a drive. */
export const DRIVE_KEYS: readonly DriveKey[] = Object.values(ALL_FIELDS).map(({ key }) => key)
/** What an address says of the figures of a drive. */
export type DriveAddress = Readonly<Partial<Record<DriveKey, string | null>>>
