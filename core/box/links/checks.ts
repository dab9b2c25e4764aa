/** What contradicts itself in a link; each says all that it finds. */
import type { BoxIndex } from '../box.ts'
import { bodyOfGear, memberOfBody } from '../box.ts'
import type { BoxIssue } from '../issues.ts'
import type { DoublePlanetary, Gear, Path, Planetary, SteppedPlanetary, Worm } from '../types.ts'

import type { GearPair } from './kind.ts'

function axisOf(index: BoxIndex, gear: Gear): string {
  return index.members.get(gear.member)?.axis ?? ''
}

/** Two gears in mesh turn as two bodies, on two axes, and a ring is larger than what runs in it. */
export function checkPair(
  index: BoxIndex,
  link: string,
  { a: aId, b: bId, touch }: GearPair,
  path: Path,
): readonly BoxIssue[] {
  const [a, b] = [index.gears.get(aId), index.gears.get(bId)]
  if (!a || !b) return []
  const issues: BoxIssue[] = []
  if (bodyOfGear(a) === bodyOfGear(b))
    issues.push({ code: 'mesh-within-one-body', path, link, body: bodyOfGear(a) })
  else if (axisOf(index, a) === axisOf(index, b))
    issues.push({ code: 'mesh-on-one-axis', path, link, axis: axisOf(index, a) })
  return touch === 'inside' ? [...issues, ...checkRing(link, b, a, path)] : issues
}

function checkRing(link: string, ring: Gear, inner: Gear, path: Path): readonly BoxIssue[] {
  return ring.toothCount !== null &&
    inner.toothCount !== null &&
    ring.toothCount <= inner.toothCount
    ? [
        {
          code: 'ring-not-larger',
          path,
          link,
          ringToothCount: ring.toothCount,
          innerToothCount: inner.toothCount,
        },
      ]
    : []
}

/** The counts of sun and ring, or what is wrong between them; nothing while one is uncounted. */
function countsOfSet(
  index: BoxIndex,
  link: Planetary | DoublePlanetary | SteppedPlanetary,
  path: Path,
): { readonly issues: readonly BoxIssue[]; readonly counts?: readonly [number, number] } {
  const [sun, ring] = [index.gears.get(link.sun), index.gears.get(link.ring)]
  if (!sun || !ring || sun.toothCount === null || ring.toothCount === null) return { issues: [] }
  const issues = checkRing(link.id, ring, sun, path)
  return issues.length > 0 ? { issues } : { issues, counts: [sun.toothCount, ring.toothCount] }
}

/**
 * Coaxial sun, planets and ring of one module touch when zr = zs + 2·zp, and N
 * equally spaced planets go in when N divides zs + zr (Machinery's Handbook,
 * epicyclic gearing, from memory).
 */
export function checkPlanetary(index: BoxIndex, link: Planetary, path: Path): readonly BoxIssue[] {
  const { issues, counts } = countsOfSet(index, link, path)
  if (!counts) return issues
  const [sun, ring] = counts
  const found: BoxIssue[] = []
  const { id, planetToothCount, planetCount } = link
  const fittingToothCount = (ring - sun) / 2
  if (typeof planetToothCount === 'number' && planetToothCount !== fittingToothCount)
    found.push({ code: 'planet-does-not-fit', path, link: id, planetToothCount, fittingToothCount })
  if (planetCount !== undefined && (sun + ring) % planetCount !== 0)
    found.push({
      code: 'planets-cannot-be-spaced',
      path,
      link: id,
      toothSum: sun + ring,
      planetCount,
    })
  return found
}

/** A ring is larger than its sun, whatever runs between them. */
export function checkSet(index: BoxIndex, link: DoublePlanetary, path: Path): readonly BoxIssue[] {
  return countsOfSet(index, link, path).issues
}

/** Both steps of a planet turn as one; each is in mesh on an axis beside that of sun and ring. */
export function checkStepped(
  index: BoxIndex,
  link: SteppedPlanetary,
  path: Path,
): readonly BoxIssue[] {
  const [one, other] = [index.gears.get(link.sunPlanet), index.gears.get(link.ringPlanet)]
  const { sun, sunPlanet, ring, ringPlanet } = link
  return [
    ...(one && other && bodyOfGear(one) !== bodyOfGear(other)
      ? [{ code: 'planet-steps-apart', path, link: link.id } as const]
      : []),
    ...checkPair(index, link.id, { a: sun, b: sunPlanet, touch: 'outside' }, path),
    ...checkPair(index, link.id, { a: ringPlanet, b: ring, touch: 'inside' }, path),
  ]
}

/** A worm and its wheel turn as two bodies, on axes that cross. */
export function checkWorm(
  index: BoxIndex,
  { id: link, worm, wheel }: Worm,
  path: Path,
): readonly BoxIssue[] {
  const gear = index.gears.get(wheel)
  if (!gear) return []
  if (bodyOfGear(gear) === worm) return checkDistinct(link, [worm, worm], path)
  const axis = axisOf(index, gear)
  return memberOfBody(index, worm)?.axis === axis
    ? [{ code: 'mesh-on-one-axis', path, link, axis }]
    : []
}

/** Bodies that a link joins must differ. */
export function checkDistinct(
  link: string,
  bodies: readonly string[],
  path: Path,
): readonly BoxIssue[] {
  const twice = bodies.find((body, at) => bodies.indexOf(body) !== at)
  return twice === undefined ? [] : [{ code: 'link-joins-one-body', path, link, body: twice }]
}
