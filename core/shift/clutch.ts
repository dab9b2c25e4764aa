/**
 * A clutch from the foot or the actuator to its plates. Each stage hands on travel and force by one
 * ratio, and what one gains the other loses (statics, without friction in the linkage). A dry clutch is
 * held by its spring and runs free once every face has its lift; a pack runs free until its clearance
 * is taken up. Torque is friction × force × middle radius for each face (uniform wear, handbooks, from memory).
 */
import { hasPedal, isClutch } from '../box/couplers.ts'
import { LARGEST } from '../box/fields/bounds.ts'
import { PEDAL_STAGES } from '../box/selectors/pedal.ts'
import type {
  BoxDraft,
  Clutch,
  ClutchKind,
  ClutchStage,
  ClutchStageKind,
  PieceKind,
} from '../box/types.ts'

/** The figures of a clutch that somebody may have measured. */
type ClutchFigure = Exclude<keyof Clutch, 'id' | 'kind' | 'coupler' | 'stages' | 'brakeFromMm'>
/** All of them. */
export type FullClutch = Readonly<Record<ClutchFigure, number>>

const DRY: FullClutch = {
  inputTravelMm: 140,
  inputForceN: 100,
  liftPerFaceMm: 0.4,
  wearMm: 0,
  frictionPlateCount: 1,
  frictionPlateMm: 8,
  steelPlateCount: 1,
  steelPlateMm: 12,
  applyPlateMm: 15,
  roomMm: 40,
  springForceN: 4_500,
  meanDiameterMm: 190,
  friction: 0.3,
}

/** Of usual clutches, for what nobody measured (common practice). */
export const USUAL_CLUTCH: Readonly<Record<ClutchKind, FullClutch>> = {
  'single-dry': DRY,
  'twin-dry': { ...DRY, springForceN: 6_000, inputTravelMm: 160 },
  'wet-pack': {
    ...DRY,
    inputTravelMm: 3,
    inputForceN: 8_000,
    frictionPlateCount: 5,
    frictionPlateMm: 2,
    steelPlateCount: 5,
    steelPlateMm: 1.8,
    applyPlateMm: 5,
    roomMm: 25.2,
    springForceN: 600,
    meanDiameterMm: 130,
    friction: 0.12,
  },
}

/** Of usual stages (common practice). */
export const USUAL_STAGE: Readonly<
  Record<ClutchStageKind, { readonly inMm: number; readonly outMm: number }>
> = {
  lever: { inMm: 120, outMm: 60 },
  cable: { inMm: 10, outMm: 10 },
  hydraulic: { inMm: 19, outMm: 22 },
  spindle: { inMm: 30, outMm: 4 },
}

/** Of the clearance of a usual pack, for each of its friction plates (common practice). */
const CLEARANCE_A_PLATE_MM = 0.24

/** The clutch with usual figures where none is said; the usual room is that of the plates that it has. */
export function fullClutch(clutch: Clutch): FullClutch {
  const usual = USUAL_CLUTCH[clutch.kind]
  const names = Object.keys(usual) as readonly ClutchFigure[]
  const full = Object.fromEntries(
    names.map((name) => [name, clutch[name] ?? usual[name]]),
    // Each of the names and no other.
  ) as unknown as FullClutch
  const roomMm = thicknessMm(full) + CLEARANCE_A_PLATE_MM * full.frictionPlateCount
  return { ...full, roomMm: clutch.roomMm ?? Math.round(roomMm * 100) / 100 }
}

/** Of all that lies in the room of a pack. */
function thicknessMm(full: FullClutch): number {
  const { frictionPlateCount, frictionPlateMm, steelPlateCount, steelPlateMm, applyPlateMm } = full
  return frictionPlateCount * frictionPlateMm + steelPlateCount * steelPlateMm + applyPlateMm
}

/** The clutch with as many plates as its box lists for it, where it does not say how many itself. */
export function withListedPlates({ pieces = [] }: BoxDraft, clutch: Clutch): Clutch {
  if (clutch.coupler === undefined) return clutch
  const listed = (kind: PieceKind): number | undefined =>
    pieces.find((piece) => piece.kind === kind && piece.coupler === clutch.coupler)?.quantity
  return {
    ...clutch,
    frictionPlateCount: clutch.frictionPlateCount ?? listed('friction-plate'),
    steelPlateCount: clutch.steelPlateCount ?? listed('steel-plate'),
  }
}

/** A stage with usual lengths where none is said. */
export function fullStage({ kind, inMm, outMm }: ClutchStage) {
  const usual = USUAL_STAGE[kind]
  return { inMm: inMm ?? usual.inMm, outMm: outMm ?? usual.outMm }
}

/** Travel out for one in; force goes the other way. */
export function stageRatio(stage: ClutchStage): number {
  const { inMm, outMm } = fullStage(stage)
  switch (stage.kind) {
    case 'lever':
      return outMm / inMm
    case 'cable':
      return 1
    case 'hydraulic':
      return (inMm / outMm) ** 2
    case 'spindle':
      // A turn of its wheel goes its circumference, and the spindle one lead.
      return outMm / (Math.PI * inMm)
  }
}

/** Faces that carry: two of each plate. */
function faceCount(clutch: Clutch): number {
  switch (clutch.kind) {
    case 'single-dry':
      return 2
    case 'twin-dry':
      return 4
    case 'wet-pack':
      return 2 * fullClutch(clutch).frictionPlateCount
  }
}

/** What a clutch does with its pedal or actuator gone so far. */
export interface ClutchWork {
  /** After each stage, and with what force. */
  readonly stages: readonly {
    readonly stage: ClutchStage
    readonly travelMm: number
    readonly forceN: number
  }[]
  /** Travel at the plates, and the force there. */
  readonly travelMm: number
  readonly forceN: number
  /** That the plates need to run free, or have to go to bite: of a pack from its parts. */
  readonly clearanceMm: number
  /** What is left of it over all faces, and on each. */
  readonly gapMm: number
  readonly gapPerFaceMm: number
  readonly isFree: boolean
  /** Pressing the plates together, and what they carry. */
  readonly clampN: number
  readonly torqueNm: number
  /** Of the way in at which it begins to carry, or to run free. */
  readonly bitesAtMm: number
  /** By how much wear has moved that, where oil does not take it up. */
  readonly takenUpMm: number
  /** Whether the brake of the countershaft is pressed on; undefined where there is none. */
  readonly isBraking?: boolean
}

/** The clearance of a pack, from its parts; below 0 where they do not go in. */
export function packClearanceMm(clutch: Clutch): number {
  const full = fullClutch(clutch)
  return full.roomMm + full.wearMm - thicknessMm(full)
}

/** The force that is put in: it grows evenly from where something stands against it to the end. */
function inputForceN(full: FullClutch, fromMm: number, inputMm: number): number {
  const share = (inputMm - fromMm) / Math.max(full.inputTravelMm - fromMm, 1e-9)
  return full.inputForceN * Math.min(1, Math.max(0, share))
}

/** What a clutch does with its pedal or actuator so far from its rest. */
export function clutchWork(clutch: Clutch, inputMm: number): ClutchWork {
  const full = fullClutch(clutch)
  const isPack = clutch.kind === 'wet-pack'
  const faces = faceCount(clutch)
  const clearanceMm = isPack ? packClearanceMm(clutch) : faces * full.liftPerFaceMm
  const ratio = clutch.stages.reduce((product, stage) => product * stageRatio(stage), 1)
  let [travelMm, forceN] = [inputMm, inputForceN(full, isPack ? clearanceMm / ratio : 0, inputMm)]
  const stages = clutch.stages.map((stage) => {
    const by = stageRatio(stage)
    travelMm *= by
    forceN /= by
    return { stage, travelMm, forceN }
  })
  const gapMm = isPack ? Math.max(0, clearanceMm - travelMm) : Math.min(travelMm, clearanceMm)
  const isFree = isPack ? gapMm > 0 : travelMm >= clearanceMm
  // A spring that holds a dry clutch is lifted evenly over what its plates need.
  const clampN = isPack
    ? isFree
      ? 0
      : Math.max(0, forceN - full.springForceN)
    : full.springForceN * Math.max(0, 1 - travelMm / clearanceMm)
  const isTakenUp = isPack || clutch.stages.some(({ kind }) => kind === 'hydraulic')
  return {
    stages,
    travelMm,
    forceN,
    clearanceMm,
    gapMm,
    gapPerFaceMm: gapMm / faces,
    isFree,
    clampN,
    torqueNm: (full.friction * clampN * faces * full.meanDiameterMm) / 2_000,
    bitesAtMm: clearanceMm / ratio,
    takenUpMm: isTakenUp ? 0 : full.wearMm / ratio,
    ...(clutch.brakeFromMm !== undefined && { isBraking: inputMm >= clutch.brakeFromMm }),
  }
}

/** What a box usually has: one dry plate with a pedal before its input, or two where one between them is listed, and a pack for each clutch of its own. */
export function proposedClutches(draft: BoxDraft): readonly Clutch[] {
  const hasTwo = draft.pieces?.some(({ kind }) => kind === 'middle-plate') === true
  const before: readonly Clutch[] = hasPedal(draft)
    ? [{ id: 'clutch-dry', kind: hasTwo ? 'twin-dry' : 'single-dry', stages: PEDAL_STAGES }]
    : []
  const own = draft.couplers.filter(isClutch).map(({ id }): Clutch => ({
    id: `clutch-${id}`,
    kind: 'wet-pack',
    coupler: id,
    stages: [{ id: 'piston', kind: 'hydraulic', name: 'piston', inMm: 20, outMm: 20 }],
  }))
  return [...before, ...own].slice(0, LARGEST.clutches)
}

/** The clutches of a box, and whether somebody said them. */
export function clutchesOf(draft: BoxDraft): {
  readonly clutches: readonly Clutch[]
  readonly areSaid: boolean
} {
  const said = draft.clutches ?? []
  return said.length > 0
    ? { clutches: said, areSaid: true }
    : { clutches: proposedClutches(draft), areSaid: false }
}
