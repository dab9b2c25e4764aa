/**
 * The torque ribbon: the way of the power through the drawn section. Along a
 * shaft it lies on the axis; from gear to gear it crosses at their station, as
 * wide on each side of the pitch line as the torque there; from a free gear it
 * passes beside the shaft to the coupler and across it to the hub. In tubes, rings
 * and cases it lies in the wall. Through a planetary set it goes by way of a planet,
 * through a differential by way of its middle, each part with a torque of its own.
 */
import type { BoxIndex, Drive, PathEnd, PathStep, Section, SectionMember, SectionMesh } from 'core'
import { HOLLOW_WALL_MM, RIM_MM, SHAFT_RADIUS_MM, bodyOfGear, memberOfBody, toNumber } from 'core'

/** How far beside the axis the ribbon runs from a free gear to its coupler. */
const BESIDE_MM = SHAFT_RADIUS_MM + 6
/** How far beside its gears the ribbon passes a lane that lies between them. */
const ROUND_MM = 5
/** How far within the outside of a differential case the ribbon lies. */
const IN_CASE_MM = 4
/** Where on its radius the ribbon comes into a gear from one that it cannot touch. */
const ENTRY = 0.62

interface RibbonPiece {
  readonly fromXMm: number
  readonly fromYMm: number
  readonly toXMm: number
  readonly toYMm: number
  /** Torque for one unit of input torque; never negative. The power runs from "from" to "to". */
  readonly torque: number
}

type Point = readonly [xMm: number, yMm: number]

/** How far from its axis the ribbon lies in a member. */
function wallMm({ shape, radiusMm }: SectionMember): number {
  switch (shape) {
    case 'shaft':
      return 0
    case 'hollow':
      return SHAFT_RADIUS_MM + HOLLOW_WALL_MM / 2
    case 'ring':
      return radiusMm - RIM_MM / 2
    case 'case':
      return radiusMm - IN_CASE_MM
  }
}

type AddLine = (points: readonly Point[], torque: number) => void

/** The mesh that a step of the way goes through, where it is drawn as one. */
function meshOf(section: Section, step: PathStep): SectionMesh | undefined {
  return section.meshes.find(
    ({ link, a, b }) =>
      link.id === step.law.source &&
      [a, b].every((drawn) => step.law.terms.some(({ gear }) => gear?.id === drawn.gear.id)),
  )
}

/** The height of the ribbon in each body: on the side of its axis on which it is driven or drives. */
function heightsOf(box: BoxIndex, section: Section, drive: Drive): (body: string) => number {
  const sides = new Map<string, number>()
  for (const step of drive.path) {
    const mesh = meshOf(section, step)
    for (const [one, other] of mesh ? [[mesh.a, mesh.b] as const, [mesh.b, mesh.a] as const] : [])
      sides.set(bodyOfGear(one.gear), Math.sign(other.yMm - one.yMm))
  }
  return (body) => {
    const id = memberOfBody(box, body)?.id
    const member = section.members.find((each) => each.member.id === id)
    if (!member) return 0
    const offset = box.gears.has(body) ? BESIDE_MM : wallMm(member)
    return member.yMm + (sides.get(body) ?? -1) * offset
  }
}

/** The ribbon through one step of the way: a mesh, three that are joined, or two bodies side by side. */
function crossStep(
  section: Section,
  step: PathStep,
  bodyY: (body: string) => number,
  add: AddLine,
): void {
  const mesh = meshOf(section, step)
  const way = wayThrough(section, step)
  if (mesh) {
    for (const from of step.from) for (const to of step.to) crossMesh(mesh, from, to, bodyY, add)
    return
  }
  if (way) {
    for (const end of step.from) add(way(end, bodyY(end.body)), toNumber(end.torque))
    for (const end of step.to) add([...way(end, bodyY(end.body))].reverse(), toNumber(end.torque))
    return
  }
  const at = ({ stationMm, body }: PathEnd): Point => [stationMm, bodyY(body)]
  for (const from of step.from)
    for (const to of step.to) add([at(from), at(to)], toNumber(to.torque))
}

/** The pieces of the ribbon in no particular order; empty where nothing drives. */
export function ribbonPieces(
  box: BoxIndex,
  section: Section,
  drive: Drive,
): readonly RibbonPiece[] {
  const bodyY = heightsOf(box, section, drive)
  const pieces: RibbonPiece[] = []
  /** A line of pieces that carries one torque. */
  const add: AddLine = (points, torque) => {
    points.forEach(([toXMm, toYMm], at) => {
      const [fromXMm, fromYMm] = points[at - 1] ?? [toXMm, toYMm]
      if (fromXMm !== toXMm || fromYMm !== toYMm)
        pieces.push({ fromXMm, fromYMm, toXMm, toYMm, torque: Math.abs(torque) })
    })
  }
  for (const { body, fromMm, toMm, torque } of drive.stretches) {
    const motion = drive.motions.get(body)
    // What is held bears torque and carries no power.
    if (motion?.kind !== 'turns') continue
    const isBackwards = torque.sign() * motion.speed.sign() < 0
    const ends: readonly Point[] = [
      [fromMm, bodyY(body)],
      [toMm, bodyY(body)],
    ]
    add(isBackwards ? [...ends].reverse() : ends, toNumber(torque))
  }
  for (const step of drive.path) crossStep(section, step, bodyY, add)
  return pieces
}

/** From a body, at its height, to where a planetary set or a differential brings its three together. */
function wayThrough(
  section: Section,
  { law }: PathStep,
): ((end: PathEnd, bodyYMm: number) => readonly Point[]) | undefined {
  const planetary = section.planetaries.find(({ link }) => link.id === law.source)
  if (planetary) {
    const { stationMm, yMm, sunRadiusMm, ringRadiusMm, carrierAtMm } = planetary
    const pinY = yMm - (sunRadiusMm + ringRadiusMm) / 2
    return (end, bodyYMm) =>
      end.gear
        ? [
            [stationMm, bodyYMm],
            [stationMm, pinY],
          ]
        : [
            [end.stationMm, bodyYMm],
            [carrierAtMm, bodyYMm],
            [carrierAtMm, pinY],
            [stationMm, pinY],
          ]
  }
  const differential = section.differentials.find(({ link }) => link.id === law.source)
  return (
    differential &&
    ((end, bodyYMm) => [
      [end.stationMm, bodyYMm],
      [differential.stationMm, differential.yMm],
    ])
  )
}

function crossMesh(
  mesh: SectionMesh,
  from: PathEnd,
  to: PathEnd,
  bodyY: (body: string) => number,
  add: (points: readonly Point[], torque: number) => void,
): void {
  const { a, b, stationMm: x } = mesh
  const isForwards = bodyOfGear(a.gear) === from.body
  const [endA, endB] = isForwards ? [from, to] : [to, from]
  const [yA, yB] = [bodyY(endA.body), bodyY(endB.body)]
  const halves = (ofA: readonly Point[], ofB: readonly Point[]): void => {
    if (isForwards) {
      add(ofA, toNumber(endA.torque))
      add(ofB, toNumber(endB.torque))
    } else {
      add([...ofB].reverse(), toNumber(endB.torque))
      add([...ofA].reverse(), toNumber(endA.torque))
    }
  }
  if (mesh.isTouching) {
    const pitchLine: Point = [x, a.yMm + Math.sign(b.yMm - a.yMm) * a.radiusMm]
    halves([[x, yA], pitchLine], [pitchLine, [x, yB]])
    return
  }
  const roundX = x + Math.max(a.widthMm, b.widthMm) / 2 + ROUND_MM
  const inY = b.yMm - Math.sign(yB - yA) * b.radiusMm * ENTRY
  const middle: Point = [roundX, (yA + inY) / 2]
  halves([[x, yA], [roundX, yA], middle], [middle, [roundX, inY], [x, inY], [x, yB]])
}
