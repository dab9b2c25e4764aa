/**
 * The torque ribbon: the way of the power through the drawn section. Along a
 * shaft it lies on the axis; from gear to gear it crosses at their station, as
 * wide on each side of the pitch line as the torque there; from a free gear it
 * passes beside the shaft to the coupler and across it to the hub.
 */
import type { BoxIndex, Drive, PathEnd, PathStep, Section, SectionMesh } from 'core'
import { SHAFT_RADIUS_MM, bodyOfGear, memberOfBody, toNumber } from 'core'

/** How far beside the axis the ribbon runs from a free gear to its coupler. */
const BESIDE_MM = SHAFT_RADIUS_MM + 6
/** How far beside its gears the ribbon passes a lane that lies between them. */
const ROUND_MM = 5
/** Where on its radius the ribbon comes into a gear from one that it cannot touch. */
const ENTRY = 0.62

export interface RibbonPiece {
  readonly fromXMm: number
  readonly fromYMm: number
  readonly toXMm: number
  readonly toYMm: number
  /** Torque for one unit of input torque; never negative. The power runs from "from" to "to". */
  readonly torque: number
}

/** The pieces of the ribbon in no particular order; empty where nothing drives. */
export function ribbonPieces(
  box: BoxIndex,
  section: Section,
  drive: Drive,
): readonly RibbonPiece[] {
  const laneY = new Map(section.lanes.map(({ axis, yMm }) => [axis.id, yMm]))
  const axisY = (body: string): number => laneY.get(memberOfBody(box, body)?.axis ?? '') ?? 0
  const meshOf = (step: PathStep): SectionMesh | undefined =>
    section.meshes.find(({ link }) => link.id === step.law.source)

  /** Beside the axis for a free gear, on the side of the mate that drives or is driven. */
  const besideY = new Map<string, number>()
  for (const step of drive.path) {
    const mesh = meshOf(step)
    for (const [one, other] of mesh ? [[mesh.a, mesh.b] as const, [mesh.b, mesh.a] as const] : [])
      if (one.gear.mount === 'free')
        besideY.set(bodyOfGear(one.gear), one.yMm + Math.sign(other.yMm - one.yMm) * BESIDE_MM)
  }
  const bodyY = (body: string): number => besideY.get(body) ?? axisY(body)

  const pieces: RibbonPiece[] = []
  const add = (
    [fromXMm, fromYMm]: readonly [number, number],
    [toXMm, toYMm]: readonly [number, number],
    torque: number,
  ): void => {
    if (fromXMm !== toXMm || fromYMm !== toYMm)
      pieces.push({ fromXMm, fromYMm, toXMm, toYMm, torque: Math.abs(torque) })
  }

  for (const { body, fromMm, toMm, torque } of drive.stretches) {
    const motion = drive.motions.get(body)
    const isBackwards = motion?.kind === 'turns' && torque.sign() * motion.speed.sign() < 0
    const ends = [
      [fromMm, bodyY(body)],
      [toMm, bodyY(body)],
    ] as const
    add(isBackwards ? ends[1] : ends[0], isBackwards ? ends[0] : ends[1], toNumber(torque))
  }

  for (const step of drive.path) {
    const mesh = meshOf(step)
    for (const from of step.from)
      for (const to of step.to)
        if (mesh) crossMesh(mesh, from, to, bodyY, add)
        else {
          const share = toNumber(to.torque)
          add([from.stationMm, bodyY(from.body)], [to.stationMm, bodyY(to.body)], share)
        }
  }
  return pieces
}

function crossMesh(
  mesh: SectionMesh,
  from: PathEnd,
  to: PathEnd,
  bodyY: (body: string) => number,
  add: (from: readonly [number, number], to: readonly [number, number], torque: number) => void,
): void {
  const [driving, driven] =
    bodyOfGear(mesh.a.gear) === from.body ? [mesh.a, mesh.b] : [mesh.b, mesh.a]
  const [fromTorque, toTorque] = [toNumber(from.torque), toNumber(to.torque)]
  const fromY = bodyY(from.body)
  const toY = bodyY(to.body)
  const x = mesh.stationMm
  if (mesh.isTouching) {
    const pitchLineY = driving.yMm + Math.sign(driven.yMm - driving.yMm) * driving.radiusMm
    add([x, fromY], [x, pitchLineY], fromTorque)
    add([x, pitchLineY], [x, toY], toTorque)
    return
  }
  const roundX = x + Math.max(driving.widthMm, driven.widthMm) / 2 + ROUND_MM
  const inY = driven.yMm - Math.sign(toY - fromY) * driven.radiusMm * ENTRY
  const middleY = (fromY + inY) / 2
  add([x, fromY], [roundX, fromY], fromTorque)
  add([roundX, fromY], [roundX, middleY], fromTorque)
  add([roundX, middleY], [roundX, inY], toTorque)
  add([roundX, inY], [x, inY], toTorque)
  add([x, inY], [x, toY], toTorque)
}
