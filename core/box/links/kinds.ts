/**
 * Every kind of link, once. A kind that is added to `Link` does not compile before it
 * stands here whole.
 *
 * Each law is Σ cᵢ·ωᵢ = 0 between the angular speeds ωᵢ of the bodies it touches, with
 * whole coefficients cᵢ:
 *
 *   external mesh     za·ωa + zb·ωb = 0          pitch-line speeds are opposite
 *   internal, chain   za·ωa − zb·ωb = 0
 *   bevel pair        za·ωa ± zb·ωb = 0          + where both cones narrow towards like ends
 *   worm and wheel    n·ω ∓ z·ωw = 0             n starts; − for a right-hand thread
 *   planetary set     zs·ωs + zr·ωr − (zs + zr)·ωc = 0      Willis's equation
 *   planets in pairs  zs·ωs − zr·ωr − (zs − zr)·ωc = 0
 *   stepped planets   zs·ωs + z₁·ωp − (zs + z₁)·ωc = 0 and zr·ωr − z₂·ωp − (zr − z₂)·ωc = 0
 *   differential      ωl + ωr − 2·ω_case = 0
 *   joined            ωa − ωb = 0
 *   held to the case  ω = 0
 */
import { meshStationMm } from '../mesh.ts'
import { TEETH } from '../fields/bounds.ts'
import type { Gear, LinkKind, MeshKind } from '../types.ts'

import {
  checkDistinct,
  checkPair,
  checkPlanetary,
  checkSet,
  checkStepped,
  checkWorm,
} from './checks.ts'
import type {
  Counted,
  EndField,
  EndKind,
  GearPair,
  LawForm,
  LinkDefinition,
  Parts,
} from './kind.ts'
import { threadEfficiency } from './thread.ts'
import { carrying, equalSpeeds, middleMm, nearestMm, partOf, plain, toothed } from './terms.ts'

/** Planets that a set may have, or pairs of them. */
const PLANETS = { type: 'whole', least: 1, most: 12, isOptional: true } as const
const end = (word: string, of: EndKind): EndField => ({ word, type: 'id', of })
const nothing = (): readonly [] => []
const noPicture = () => ({ as: 'nothing' }) as const

function lawOfPair(
  { gears }: Parts,
  { a: aId, b: bId }: Pick<GearPair, 'a' | 'b'>,
  signOfB: 1 | -1,
): readonly LawForm[] {
  const [a, b] = [partOf(gears, aId), partOf(gears, bId)]
  const stationMm = meshStationMm(a, b)
  return [{ part: '', terms: [toothed(a, 1, stationMm), toothed(b, signOfB, stationMm)] }]
}

/** Two gears on parallel axes. */
function parallelPair<K extends MeshKind>(
  touch: GearPair['touch'],
  contact: LinkDefinition<K>['contact'],
): LinkDefinition<MeshKind> {
  const pairOf = ({ a, b }: { readonly a: string; readonly b: string }): GearPair => ({
    a,
    b,
    touch,
  })
  return {
    ends:
      touch === 'inside'
        ? { a: end('pinion', 'gear'), b: end('ring', 'gear') }
        : { a: end('one', 'gear'), b: end('the other', 'gear') },
    fields: {},
    namedBy: ['a', 'b'],
    laws: (parts, link) => lawOfPair(parts, link, touch === 'outside' ? 1 : -1),
    rolling: { meshes: 1 },
    contact,
    pairs: (link) => [pairOf(link)],
    rings: ({ b }) => (touch === 'inside' ? [b] : []),
    picture: noPicture,
    check: (index, link, path) => checkPair(index, link.id, pairOf(link), path),
  }
}

const counts = (...each: readonly (readonly [Gear, 1 | -1])[]): readonly Counted[] =>
  each.map(([gear, sign]) => ({ gear, sign }))

/** The definition of each kind of link. */
export const LINK_KINDS: { readonly [K in LinkKind]: LinkDefinition<K> } = {
  'external-mesh': parallelPair('outside', 'outside'),
  'internal-mesh': parallelPair('inside', 'inside'),
  chain: parallelPair('sprockets', 'chain'),
  bevel: {
    ends: { a: end('one', 'gear'), b: end('the other', 'gear') },
    fields: {
      aNarrows: { word: 'the one narrows towards', type: 'choice', choice: 'end' },
      bNarrows: { word: 'the other narrows towards', type: 'choice', choice: 'end' },
    },
    namedBy: ['a', 'b'],
    laws: (parts, link) => lawOfPair(parts, link, link.aNarrows === link.bNarrows ? 1 : -1),
    rolling: { meshes: 1 },
    contact: 'cone',
    pairs: ({ a, b, aNarrows, bNarrows }) => [
      { a, b, touch: 'cones', narrows: [aNarrows, bNarrows] },
    ],
    rings: nothing,
    picture: noPicture,
    check: (index, { id, a, b }, path) => checkPair(index, id, { a, b, touch: 'cones' }, path),
  },
  worm: {
    ends: { worm: end('worm on', 'body'), wheel: end('wheel', 'gear') },
    fields: {
      starts: { word: 'starts of the worm', type: 'whole', least: 1, most: 24 },
      hand: { word: 'hand of the thread', type: 'choice', choice: 'hand' },
      leadAngleDeg: {
        word: 'lead angle',
        type: 'number',
        unit: 'deg',
        least: 1,
        most: 60,
        isOptional: true,
      },
      friction: {
        word: 'friction at the thread',
        type: 'number',
        least: 0.01,
        most: 0.3,
        isOptional: true,
      },
    },
    namedBy: ['worm', 'wheel'],
    laws: (parts, { worm, wheel, starts, hand }) => {
      const gear = partOf(parts.gears, wheel)
      const stationMm = nearestMm(parts, worm, gear.stationMm)
      return [
        {
          part: '',
          terms: [plain(worm, starts, stationMm), toothed(gear, hand === 'right' ? -1 : 1)],
        },
      ]
    },
    rolling: {
      handsOn: ({ gears }, link, from) =>
        threadEfficiency(
          link,
          gears.get(link.wheel)?.pressureAngleDeg,
          from === 0 ? 'worm' : 'wheel',
        ),
    },
    contact: 'thread',
    pairs: nothing,
    rings: nothing,
    picture: ({ worm, wheel }) => ({ as: 'thread', worm, wheel }),
    check: checkWorm,
  },
  planetary: {
    ends: { sun: end('sun', 'gear'), ring: end('ring', 'gear'), carrier: end('carrier', 'member') },
    fields: {
      planetCount: { word: 'planets', ...PLANETS },
      planetToothCount: {
        word: 'teeth of a planet',
        ...TEETH,
        isNullable: true,
        isOptional: true,
      },
    },
    namedBy: ['sun', 'ring'],
    laws: ({ gears }, link) => {
      const [sun, ring] = [partOf(gears, link.sun), partOf(gears, link.ring)]
      const carrier = carrying(link.carrier, counts([sun, -1], [ring, -1]), sun.stationMm)
      return [{ part: '', terms: [toothed(sun, 1), toothed(ring, 1), carrier] }]
    },
    rolling: { meshes: 2 },
    contact: 'all-round',
    pairs: nothing,
    rings: ({ ring }) => [ring],
    picture: ({ sun, ring, carrier }) => ({ as: 'set', sun, ring, carrier, planetsBetween: 1 }),
    check: checkPlanetary,
  },
  'double-planetary': {
    ends: { sun: end('sun', 'gear'), ring: end('ring', 'gear'), carrier: end('carrier', 'member') },
    fields: { pairCount: { word: 'pairs of planets', ...PLANETS } },
    namedBy: ['sun', 'ring'],
    laws: ({ gears }, link) => {
      const [sun, ring] = [partOf(gears, link.sun), partOf(gears, link.ring)]
      const carrier = carrying(link.carrier, counts([sun, -1], [ring, 1]), sun.stationMm)
      return [{ part: '', terms: [toothed(sun, 1), toothed(ring, -1), carrier] }]
    },
    rolling: { meshes: 3 },
    contact: 'all-round',
    pairs: nothing,
    rings: ({ ring }) => [ring],
    picture: ({ sun, ring, carrier }) => ({ as: 'set', sun, ring, carrier, planetsBetween: 2 }),
    check: checkSet,
  },
  'stepped-planetary': {
    ends: {
      sun: end('sun', 'gear'),
      ring: end('ring', 'gear'),
      carrier: end('carrier', 'member'),
      sunPlanet: end('planet at the sun', 'gear'),
      ringPlanet: end('planet at the ring', 'gear'),
    },
    fields: { planetCount: { word: 'planets', ...PLANETS } },
    namedBy: ['sun', 'ring'],
    laws: ({ gears }, link) => {
      const [sun, ring] = [partOf(gears, link.sun), partOf(gears, link.ring)]
      const [one, other] = [partOf(gears, link.sunPlanet), partOf(gears, link.ringPlanet)]
      return [
        {
          part: 'sun',
          terms: [
            toothed(sun, 1),
            toothed(one, 1),
            carrying(link.carrier, counts([sun, -1], [one, -1]), one.stationMm),
          ],
        },
        {
          part: 'ring',
          terms: [
            toothed(ring, 1),
            toothed(other, -1),
            carrying(link.carrier, counts([ring, -1], [other, 1]), other.stationMm),
          ],
        },
      ]
    },
    rolling: { meshes: 1 },
    contact: 'all-round',
    pairs: ({ sun, sunPlanet, ringPlanet, ring }) => [
      { a: sun, b: sunPlanet, touch: 'outside' },
      { a: ringPlanet, b: ring, touch: 'inside' },
    ],
    rings: ({ ring }) => [ring],
    picture: ({ carrier, sunPlanet }) => ({ as: 'arm', carrier, planet: sunPlanet }),
    check: checkStepped,
  },
  differential: {
    ends: {
      case: end('case', 'body'),
      left: end('left side', 'body'),
      right: end('right side', 'body'),
    },
    fields: {},
    namedBy: ['case'],
    laws: (parts, link) => {
      const at = middleMm(parts, link.case)
      return [
        {
          part: '',
          terms: [plain(link.left, 1, at), plain(link.right, 1, at), plain(link.case, -2, at)],
        },
      ]
    },
    rolling: { meshes: 2 },
    contact: 'none',
    pairs: nothing,
    rings: nothing,
    picture: (link) => ({ as: 'differential', case: link.case }),
    balances: ({ left, right }) => [left, right],
    check: (_index, link, path) => checkDistinct(link.id, [link.left, link.right, link.case], path),
  },
  joined: {
    ends: { a: end('one', 'body'), b: end('the other', 'body') },
    fields: {},
    namedBy: ['a', 'b'],
    laws: (parts, { a, b }) => [
      {
        part: '',
        terms: equalSpeeds(
          a,
          nearestMm(parts, a, middleMm(parts, b)),
          b,
          nearestMm(parts, b, middleMm(parts, a)),
        ),
      },
    ],
    rolling: 'none',
    contact: 'none',
    pairs: nothing,
    rings: nothing,
    picture: noPicture,
    check: (_index, { id, a, b }, path) => checkDistinct(id, [a, b], path),
  },
  held: {
    ends: { body: end('held', 'body') },
    fields: {},
    namedBy: ['body'],
    laws: (parts, { body }) => [{ part: '', terms: [plain(body, 1, middleMm(parts, body))] }],
    rolling: 'none',
    contact: 'none',
    pairs: nothing,
    rings: nothing,
    picture: noPicture,
    check: nothing,
  },
}
