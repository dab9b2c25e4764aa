/** The demo data: a made-up shop with made-up units and invented counts, one of each arrangement. */
import type {
  BoxDraft,
  Chosen,
  Coupler,
  CouplerPosition,
  DogFigures,
  FinalDrive,
  Gear,
  PatternId,
  RingFigures,
  SheetLine,
} from 'core'
import { buildPattern } from 'core'

import { createBox } from './boxes.ts'
import { db } from './db/client.ts'
import { seedDemoJobs } from './demoJob.ts'
import { seeds } from './db/tables/seeds.ts'

interface DemoBox {
  readonly name: string
  readonly pattern: PatternId
  readonly chosen: Chosen
  readonly counts: Readonly<Record<string, number>>
  readonly finalDrive?: FinalDrive
  readonly rollingRadiusMm?: number
  readonly sheet?: readonly SheetLine[]
  /** Part numbers by the ids of pieces. */
  readonly partNumbers?: Readonly<Record<string, string>>
  /** The teeth of the gears named, by pairs: what forces are worked out from. */
  readonly teeth?: readonly DemoTeeth[]
  /** What the rings are like, and the places that have two cones. */
  readonly rings?: RingFigures
  readonly twoCones?: readonly string[]
  /** What the dogs are like where there is no ring. */
  readonly dogs?: DogFigures
  /** Of shafts with all that turns with them, by id. */
  readonly inertiasKgM2?: Readonly<Record<string, number>>
}

interface DemoTeeth {
  /** Gears with right-hand and with left-hand teeth. */
  readonly right: readonly string[]
  readonly left: readonly string[]
  readonly moduleMm: number
  readonly helixAngleDeg: number
  readonly pressureAngleDeg: number
}

/** Both sides of a box with two countershafts have the same counts. */
function twice(counts: Readonly<Record<string, number>>): Readonly<Record<string, number>> {
  return Object.fromEntries(
    Object.entries(counts).flatMap(([id, count]) =>
      id.includes('*') ? ['a', 'b'].map((side) => [id.replace('*', side), count]) : [[id, count]],
    ),
  )
}

/** The last of these is the first on the bench. */
const DEMO: readonly DemoBox[] = [
  {
    name: 'Drumlow transfer case, unit 40',
    pattern: 'transfer-case',
    chosen: { transfer: 'chain' },
    counts: {
      'transfer-sun': 33,
      'transfer-ring-gear': 57,
      'transfer-sprocket': 35,
      'axle-sprocket': 35,
    },
  },
  {
    name: 'Solvane dual-clutch, unit 17',
    pattern: 'dual-clutch',
    chosen: { speeds: '7', axles: 'one' },
    counts: {
      'odd-1': 14,
      'upper-1': 46,
      'even-2': 20,
      'upper-2': 40,
      'odd-3': 26,
      'upper-3': 34,
      'lower-5': 28,
      'even-4': 30,
      'upper-4': 30,
      'lower-6': 24,
      'odd-7': 32,
      'lower-7': 22,
      'odd-R': 13,
      'idler-R': 20,
      'lower-R': 37,
      'upper-final': 16,
      'lower-final': 21,
      'final-ring': 69,
    },
    rings: {
      meanDiameterMm: 68,
      halfAngleDeg: 6.5,
      coneWidthMm: 9,
      sleeveDiameterMm: 82,
      tipAngleDeg: 110,
      leverForceN: 500,
      leverRatio: 1,
    },
    twoCones: ['1', '2', '3'],
    inertiasKgM2: { odd: 0.0092, even: 0.0085 },
  },
  {
    name: 'Grimsound eighteen-speed, unit 33',
    pattern: 'heavy',
    chosen: { speeds: '18', range: 'countershaft' },
    counts: twice({
      'input-slow': 29,
      'counter-*-slow': 37,
      'input-fast': 32,
      'counter-*-fast': 34,
      'main-3': 38,
      'counter-*-3': 28,
      'main-2': 43,
      'counter-*-2': 23,
      'main-1': 48,
      'counter-*-1': 18,
      'main-C': 52,
      'counter-*-C': 14,
      'main-R': 45,
      'counter-*-R': 17,
      'idler-*-R': 19,
      'main-range': 25,
      'range-*-drive': 41,
      'range-*-low': 18,
      'output-low': 48,
    }),
  },
  {
    name: 'Grimsound ten-speed, unit 31',
    pattern: 'heavy',
    chosen: { speeds: '10', range: 'planetary' },
    counts: twice({
      'input-head': 30,
      'counter-*-head': 36,
      'main-4': 35,
      'counter-*-4': 31,
      'main-3': 39,
      'counter-*-3': 27,
      'main-2': 44,
      'counter-*-2': 22,
      'main-1': 48,
      'counter-*-1': 18,
      'main-R': 45,
      'counter-*-R': 17,
      'idler-*-R': 18,
      'main-sun': 24,
      'ring-gear': 76,
    }),
  },
  {
    name: 'Wrenfield motorcycle six-speed, unit 8',
    pattern: 'motorcycle',
    chosen: { speeds: '6', primary: 'gear' },
    dogs: { count: 5, freeAngleDeg: 28, depthMm: 4, meanDiameterMm: 48, backTaperDeg: -7 },
    counts: {
      'crank-primary': 33,
      'input-primary': 61,
      'input-1': 13,
      'output-1': 31,
      'input-2': 17,
      'output-2': 27,
      'input-3': 20,
      'output-3': 24,
      'input-4': 22,
      'output-4': 22,
      'input-5': 23,
      'output-5': 21,
      'input-6': 25,
      'output-6': 19,
      'output-chain': 15,
      'wheel-chain': 41,
    },
    rollingRadiusMm: 312,
  },
  {
    name: 'Kestwick racing five-speed, unit 21',
    pattern: 'racing',
    chosen: { speeds: '5' },
    inertiasKgM2: { input: 0.0105 },
    dogs: { count: 5, freeAngleDeg: 34, depthMm: 4.5, meanDiameterMm: 70, backTaperDeg: 7 },
    counts: {
      'input-1': 14,
      'output-1': 32,
      'input-2': 17,
      'output-2': 29,
      'input-3': 20,
      'output-3': 26,
      'input-4': 22,
      'output-4': 24,
      'input-5': 24,
      'output-5': 22,
      'input-reverse': 13,
      'idler-reverse': 18,
      'output-reverse': 29,
    },
    finalDrive: { drivingToothCount: 11, drivenToothCount: 35 },
  },
  {
    name: 'Morrick transaxle, unit 6',
    pattern: 'longitudinal-transaxle',
    chosen: { integral: 'first' },
    counts: {
      'input-1': 11,
      'output-1': 39,
      'input-2': 17,
      'output-2': 33,
      'input-3': 22,
      'output-3': 28,
      'input-4': 27,
      'output-4': 23,
      'input-reverse': 12,
      'idler-reverse': 18,
      'output-reverse': 34,
      'output-final': 9,
      'final-ring': 37,
    },
  },
  {
    name: 'Calder transaxle five-speed, unit 14',
    pattern: 'transverse-transaxle',
    chosen: { speeds: '5', couplers: 'both' },
    counts: {
      'input-1': 13,
      'output-1': 45,
      'input-2': 20,
      'output-2': 38,
      'input-3': 25,
      'output-3': 33,
      'input-4': 29,
      'output-4': 29,
      'input-5': 33,
      'output-5': 25,
      'input-reverse': 13,
      'idler-reverse': 24,
      'output-reverse': 41,
      'output-final': 17,
      'final-ring': 65,
    },
    rollingRadiusMm: 288,
  },
  {
    name: 'Tarn dog-clutch three-speed, unit 4',
    pattern: 'dog-clutch-three-shaft',
    chosen: { speeds: '3' },
    dogs: { count: 24, freeAngleDeg: 2, depthMm: 7, meanDiameterMm: 74 },
    counts: {
      'input-head': 18,
      'counter-head': 31,
      'counter-2': 22,
      'main-2': 27,
      'counter-1': 15,
      'main-1': 34,
      'counter-reverse': 14,
      'idler-reverse': 18,
      'main-reverse': 31,
    },
  },
  {
    name: 'Brackwell sliding-gear three-speed, unit 2',
    pattern: 'sliding-gear',
    chosen: { second: 'constant-mesh' },
    counts: {
      'input-head': 16,
      'counter-head': 30,
      'counter-2': 20,
      'main-2': 26,
      'counter-1': 14,
      'main-1': 32,
      'counter-reverse': 12,
      'idler-reverse': 17,
    },
  },
  {
    name: 'Sedgeley four-speed, unit 3',
    pattern: 'sleeve-teeth-reverse',
    chosen: {},
    counts: {
      'input-head': 19,
      'counter-head': 33,
      'counter-3': 28,
      'main-3': 24,
      'counter-2': 21,
      'main-2': 31,
      'counter-1': 15,
      'main-1': 37,
      'counter-reverse': 16,
      'idler-reverse': 20,
      'main-reverse': 32,
    },
  },
  {
    name: 'Fenwold five-speed, unit 5',
    pattern: 'countershaft-couplers',
    chosen: { speeds: '5' },
    counts: {
      'input-head': 23,
      'counter-head': 35,
      'counter-3': 31,
      'main-3': 27,
      'counter-2': 24,
      'main-2': 34,
      'counter-1': 17,
      'main-1': 41,
      'counter-5': 38,
      'main-5': 20,
      'counter-reverse': 16,
      'idler-reverse': 20,
      'main-reverse': 38,
    },
    finalDrive: { drivingToothCount: 10, drivenToothCount: 39 },
  },
  {
    name: 'Harrowgap six-speed, unit 9',
    pattern: 'three-shaft',
    chosen: { speeds: '6', overdrives: '1', reverse: 'sleeve-teeth' },
    counts: {
      'input-head': 25,
      'counter-head': 35,
      'counter-6': 38,
      'main-6': 22,
      'counter-4': 32,
      'main-4': 28,
      'counter-3': 27,
      'main-3': 33,
      'counter-2': 22,
      'main-2': 38,
      'counter-1': 17,
      'main-1': 43,
      'counter-reverse': 18,
      'idler-reverse': 21,
      'main-reverse': 37,
    },
    finalDrive: { drivingToothCount: 12, drivenToothCount: 41 },
  },
  {
    name: 'Quillmoor four-speed, unit 7',
    pattern: 'three-shaft',
    chosen: { speeds: '4', overdrives: '0', reverse: 'sliding-idler' },
    counts: {
      'input-head': 19,
      'counter-head': 32,
      'counter-1': 14,
      'main-1': 37,
      'counter-2': 20,
      'main-2': 31,
      'counter-3': 27,
      'main-3': 24,
      'counter-reverse': 14,
      'idler-reverse': 19,
      'main-reverse': 33,
    },
    finalDrive: { drivingToothCount: 9, drivenToothCount: 40 },
  },
  {
    name: 'Ostrel five-speed, unit 12',
    pattern: 'three-shaft',
    chosen: { speeds: '5', overdrives: '1', reverse: 'constant-mesh' },
    counts: {
      'input-head': 24,
      'counter-head': 37,
      'counter-1': 17,
      'main-1': 44,
      'counter-2': 24,
      'main-2': 37,
      'counter-3': 31,
      'main-3': 30,
      'counter-5': 40,
      'main-5': 21,
      'counter-reverse': 16,
      'idler-reverse': 22,
      'main-reverse': 41,
    },
    finalDrive: { drivingToothCount: 11, drivenToothCount: 43 },
    rollingRadiusMm: 296,
    sheet: [
      { id: 'line-1', kind: 'serial', text: 'OS 5 0412', from: 'plate on the case' },
      {
        id: 'line-2',
        kind: 'casting-number',
        of: 'piece:case-1',
        text: '7 311 K',
        from: 'the case',
      },
      {
        id: 'line-3',
        kind: 'oil-kind',
        text: 'thin mineral gear oil',
        from: 'shop manual, page 4',
      },
      { id: 'line-4', kind: 'oil-quantity', text: '1.9 l', from: 'shop manual, page 4' },
      {
        id: 'line-5',
        kind: 'fastener',
        of: 'piece:nut-1',
        text: '118 N·m',
        from: 'shop manual, page 36',
      },
      {
        id: 'line-6',
        kind: 'fastener',
        of: 'piece:bolt-1',
        text: '24 N·m',
        from: 'shop manual, page 36',
      },
      {
        id: 'line-7',
        kind: 'limit',
        measure: 'ring-gap',
        least: '0.80',
        unit: 'mm',
        from: 'shop manual, page 31',
      },
      {
        id: 'line-8',
        kind: 'limit',
        measure: 'end-play',
        of: 'shaft:main',
        least: '0.05',
        most: '0.2',
        unit: 'mm',
        from: 'shop manual, page 33',
      },
    ],
    partNumbers: {
      'ball-bearing-1': 'B 1472',
      'ball-bearing-2': 'B 1480',
      'roller-bearing-1': 'RB 1452',
      'roller-bearing-2': 'RB 1452',
    },
    teeth: [
      {
        right: ['input-head', 'main-1', 'main-2', 'main-3', 'main-5'],
        left: ['counter-head', 'counter-1', 'counter-2', 'counter-3', 'counter-5'],
        moduleMm: 2.25,
        helixAngleDeg: 26,
        pressureAngleDeg: 20,
      },
      {
        right: [],
        left: ['counter-reverse', 'idler-reverse', 'main-reverse'],
        moduleMm: 2.5,
        helixAngleDeg: 0,
        pressureAngleDeg: 20,
      },
    ],
    rings: {
      meanDiameterMm: 62,
      halfAngleDeg: 6.5,
      friction: 0.1,
      coneWidthMm: 9,
      sleeveDiameterMm: 74,
      tipAngleDeg: 110,
      leverForceN: 60,
      leverRatio: 7,
    },
    twoCones: ['1', '2'],
    inertiasKgM2: { input: 0.0048 },
  },
]

function teethOf(id: string, teeth: readonly DemoTeeth[]): Partial<Gear> {
  for (const { right, left, ...data } of teeth)
    if (right.includes(id) || left.includes(id))
      return data.helixAngleDeg === 0
        ? data
        : { ...data, hand: right.includes(id) ? 'right' : 'left' }
  return {}
}

function withFigures(coupler: Coupler, { rings, twoCones = [], dogs }: DemoBox): Coupler {
  const figures = (place: string): Partial<CouplerPosition> =>
    coupler.kind === 'synchronizer'
      ? rings
        ? { ring: { ...rings, coneCount: twoCones.includes(place) ? 2 : 1 } }
        : {}
      : dogs
        ? { dogs }
        : {}
  return {
    ...coupler,
    positions: coupler.positions.map((place) =>
      place.engages.some(({ kind }) => kind === 'lock')
        ? { ...place, ...figures(place.id) }
        : place,
    ),
  }
}

function draftOf(box: DemoBox): BoxDraft {
  const { name, pattern, chosen, counts, finalDrive, rollingRadiusMm, teeth = [], sheet } = box
  const numbers = box.partNumbers ?? {}
  const draft = buildPattern(pattern, name, chosen)
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const toothCount = counts[gear.id]
      if (toothCount === undefined) throw new Error(`${name} has no count for "${gear.id}"`)
      return { ...gear, toothCount, ...teethOf(gear.id, teeth) }
    }),
    couplers: draft.couplers.map((coupler) => withFigures(coupler, box)),
    members: draft.members.map((member) => {
      const inertiaKgM2 = box.inertiasKgM2?.[member.id]
      return inertiaKgM2 === undefined ? member : { ...member, inertiaKgM2 }
    }),
    pieces: draft.pieces?.map((piece) => {
      const partNumber = numbers[piece.id]
      return partNumber === undefined ? piece : { ...piece, partNumber }
    }),
    ...(sheet && { sheet }),
    ...(finalDrive ? { finalDrive } : {}),
    ...(rollingRadiusMm === undefined ? {} : { rollingRadiusMm }),
  }
}

export function demoBoxes(): readonly BoxDraft[] {
  return DEMO.map(draftOf)
}

/** Puts the demo boxes in, once in a database's life. */
export async function seedDemo(): Promise<void> {
  const [isNew] = await db.insert(seeds).values({ name: 'demo' }).onConflictDoNothing().returning()
  if (!isNew) return
  let first: string | undefined
  for (const draft of demoBoxes()) first = await createBox(draft, { isDemo: true })
  if (first !== undefined) await seedDemoJobs(first)
}
