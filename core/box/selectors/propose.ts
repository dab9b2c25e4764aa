/**
 * What usually moves the couplers of a box, from its couplers and positions alone: a rod for each
 * coupler with its place in the gate and balls and pins between the rods, or a drum.
 * Common practice; every unit may have it otherwise.
 */
import { centreOf } from '../box.ts'
import { COUPLER_DEFINITIONS, USUAL_TRAVEL_MM, isClutch } from '../couplers.ts'
import { oncePer } from '../oncePer.ts'
import type {
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerPosition,
  Drum,
  DrumPoint,
  GateSlot,
  InterlockPart,
  Selector,
  SwitchRule,
} from '../types.ts'

/** What moves the forks: a lever in a gate, or a drum. */
export type MovedBy = 'lever' | 'drum'

/** From where dogs touch, and from where they are deep enough. */
const TOUCHES_FROM_MM = 2
const CARRIES_FROM_MM = 5
/** Of a groove: how far on either side of a stop it stays, and where between two its ramps end. */
const DWELL = 0.2
const MEETS = 0.45
const NEUTRAL_REACH_DEG = 6

const isReverse = ({ label }: BoxPosition): boolean => label.startsWith('R')

/** Whether a coupler carries in a position. */
function isAway({ id, positions }: Coupler, at: BoxPosition): boolean {
  return positions.some((place) => place.id === at.couplers[id] && place.engages.length > 0)
}

/** The places of a coupler away from its centre. */
function placesAway(coupler: Coupler): readonly CouplerPosition[] {
  return coupler.positions.filter((place) => place !== centreOf(coupler))
}

function signOf({ travel }: CouplerPosition): number {
  return travel === 'towards-input' ? -1 : travel === 'towards-output' ? 1 : 0
}

/** The first listed position that a place is in for. */
function firstUse({ positions }: BoxDraft, coupler: Coupler, place: CouplerPosition): number {
  const at = positions.findIndex(({ couplers }) => couplers[coupler.id] === place.id)
  return at < 0 ? Infinity : at
}

/** The box with what usually moves its couplers. */
export function withSelectors(draft: BoxDraft, by: MovedBy): BoxDraft {
  if (by === 'drum') {
    const drum = proposeDrum(draft)
    return drum ? { ...draft, drums: [drum] } : draft
  }
  const selectors = proposeSelectors(draft)
  if (selectors.length === 0) return draft
  const interlockParts = proposeInterlock(draft, selectors)
  return { ...draft, selectors, ...(interlockParts.length > 0 && { interlockParts }) }
}

/**
 * What switches a coupler that no lever moves. A range waits for the lever to pass neutral; one that
 * has a neutral of its own among the positions has a lever of its own too.
 */
function switchOf({ positions }: BoxDraft, coupler: Coupler): SwitchRule | undefined {
  const { switched: rule } = COUPLER_DEFINITIONS[coupler.kind]
  const canRest = positions.some((at) => !isAway(coupler, at))
  return rule === 'at-neutral' && canRest ? undefined : rule
}

/**
 * A rod for each coupler, and a lever for each set of them of which one is in at a time; where
 * clutches choose there is no lever.
 */
function proposeSelectors(draft: BoxDraft): readonly Selector[] {
  const isAutomated = draft.couplers.some(isClutch)
  const moved = draft.couplers.filter((coupler) => !isClutch(coupler))
  const byLever = moved.filter((coupler) => !isAutomated && !switchOf(draft, coupler))
  const inGate = leversOf(draft, byLever).flatMap((couplers, lever) =>
    couplers
      .map((coupler) => ({ coupler, first: forwardUse(draft, coupler) }))
      .sort((one, other) => one.first - other.first)
      .map(({ coupler }, at) => ({
        coupler,
        lever: lever + 1,
        slots: slotsOf(draft, coupler, at + 1),
      })),
  )
  // As they lie in the case: row by row, and what has no row after them.
  const inOrder = inGate.map(({ coupler }) => coupler)
  inOrder.push(...moved.filter((coupler) => !inOrder.includes(coupler)))
  return inOrder.flatMap((coupler): Selector[] => {
    const places = placesAway(coupler)
    const { slots, lever = 1 } = inGate.find((each) => each.coupler === coupler) ?? {}
    const switched = slots ? undefined : (COUPLER_DEFINITIONS[coupler.kind].switched ?? 'at-once')
    if (places.length === 0) return []
    return [
      {
        id: `rod-${coupler.id}`,
        places: places
          .map((place, at) => ({
            id: place.id,
            travelMm: signOf(place) * USUAL_TRAVEL_MM,
            couplers: { [coupler.id]: place.id },
            ...(slots?.[at] && { gate: slots[at] }),
          }))
          .sort((one, other) => isBack(one) - isBack(other)),
        ...(lever > 1 && { lever }),
        ...(switched && { switched }),
      },
    ]
  })
}

/** What each lever moves: what has to be in together is not moved by one. */
function leversOf(
  { positions }: BoxDraft,
  byLever: readonly Coupler[],
): readonly (readonly Coupler[])[] {
  const areTogether = (one: Coupler, other: Coupler): boolean =>
    positions.some((at) => isAway(one, at) && isAway(other, at))
  const levers: Coupler[][] = []
  for (const coupler of byLever.filter((each) => placesAway(each).length > 0)) {
    const lever = levers.find((moved) => !moved.some((each) => areTogether(each, coupler)))
    if (lever) lever.push(coupler)
    else levers.push([coupler])
  }
  return levers
}

function isBack({ gate }: Selector['places'][number]): number {
  return gate?.end === 'back' ? 1 : 0
}

/** Where a coupler stands among the rows: reverse by itself comes before all. */
function forwardUse(draft: BoxDraft, coupler: Coupler): number {
  const uses = placesAway(coupler).flatMap((place) => {
    const at = firstUse(draft, coupler, place)
    const position = draft.positions[at]
    return position && !isReverse(position) ? [at] : []
  })
  return uses.length === 0 ? -1 : Math.min(...uses)
}

/** The ends of a row in the order of the coupler's places: the earlier position lies forward. */
function slotsOf(draft: BoxDraft, coupler: Coupler, row: number): readonly GateSlot[] {
  const places = placesAway(coupler)
  const uses = places.map((place) => {
    const at = firstUse(draft, coupler, place)
    const position = draft.positions[at]
    const reverse = position !== undefined && isReverse(position)
    return { rank: reverse && places.length > 1 ? Infinity : at, reverse }
  })
  return uses.map(({ rank, reverse }, at): GateSlot => {
    const isBehind = uses.some(
      (other, which) => which !== at && (other.rank < rank || (other.rank === rank && which < at)),
    )
    return {
      row,
      end: isBehind ? 'back' : 'forward',
      ...(reverse && {
        guard: places.length > 1 ? ('inhibitor' as const) : ('lift' as const),
        isLampOn: true,
      }),
    }
  })
}

/** A ball between every two rods that lie beside one another, and a pin in each that has two neighbours. */
function proposeInterlock(
  { interlocks = [] }: BoxDraft,
  selectors: readonly Selector[],
): readonly InterlockPart[] {
  return interlocks.flatMap(({ id, couplers }): InterlockPart[] => {
    const rods = selectors
      .filter(({ places }) =>
        places.some((place) => Object.keys(place.couplers).some((each) => couplers.includes(each))),
      )
      .sort((one, other) => rowOf(one) - rowOf(other))
      .map((rod) => rod.id)
    return rods.flatMap((rod, at): InterlockPart[] => {
      const next = rods[at + 1]
      return [
        ...(next === undefined
          ? []
          : [{ id: `${id}-ball-${at + 1}`, kind: 'ball' as const, selectors: [rod, next] }]),
        ...(at > 0 && next !== undefined
          ? [{ id: `${id}-pin-${at}`, kind: 'pin' as const, selectors: [rod] }]
          : []),
      ]
    })
  })
}

/** What keeps some rods apart, and the couplers that those move. */
interface InterlockSet {
  readonly parts: readonly InterlockPart[]
  readonly couplers: ReadonlySet<string>
}

/** The interlock of a box, as it is stated or as is usual, by the rods that hang together through it. */
export const interlockSets = oncePer((draft: BoxDraft): readonly InterlockSet[] => {
  // A drum moves its forks by itself, and lets one of them out at a time.
  const selectors = draft.selectors ?? (draft.drums ? [] : proposeSelectors(draft))
  const couplersOf = (rod: string): readonly string[] =>
    selectors
      .filter(({ id }) => id === rod)
      .flatMap(({ places }) => places.flatMap(({ couplers }) => Object.keys(couplers)))
  return (draft.interlockParts ?? proposeInterlock(draft, selectors)).reduce<
    readonly InterlockSet[]
  >((sets, part) => {
    const couplers = part.selectors.flatMap(couplersOf)
    const isTied = (set: InterlockSet): boolean => couplers.some((id) => set.couplers.has(id))
    const tied = sets.filter(isTied)
    return [
      ...sets.filter((set) => !isTied(set)),
      {
        parts: [...tied.flatMap(({ parts }) => parts), part],
        couplers: new Set([...tied.flatMap((set) => [...set.couplers]), ...couplers]),
      },
    ]
  }, [])
})

function rowOf({ places }: Selector): number {
  return Math.min(...places.map(({ gate }) => gate?.row ?? Infinity))
}

/** What a drum is cut to. */
export interface DrumCut {
  /** From one stop to the next. */
  readonly stepDeg: number
  /** Of every fork, to either side of its middle. */
  readonly travelMm: number
}

/** The positions that a drum has stops for: those in which something is moved. */
function positionsOnDrum({ couplers, positions }: BoxDraft): readonly BoxPosition[] {
  return positions.filter(
    (position) =>
      position.isHidden !== true &&
      couplers.some((coupler) =>
        placesAway(coupler).some(({ id }) => position.couplers[coupler.id] === id),
      ),
  )
}

/** The usual cut of a box’s drum; stops can be nearer to one another, and no further apart. */
export function usualCut(draft: BoxDraft): DrumCut {
  return {
    stepDeg: 360 / Math.max(positionsOnDrum(draft).length, 4),
    travelMm: USUAL_TRAVEL_MM,
  }
}

/** The box with a drum, cut so, in the place of its rods; as it is where nothing in it is moved. */
export function withDrum(draft: BoxDraft, cut: DrumCut): BoxDraft {
  const drum = proposeDrum(draft, cut)
  const { selectors: _rods, interlockParts: _between, ...rest } = draft
  return drum ? { ...rest, drums: [drum] } : draft
}

/** A drum with a stop for each listed position, and neutral in a shallow notch between two of them. */
function proposeDrum(draft: BoxDraft, cut = usualCut(draft)): Drum | undefined {
  const couplers = draft.couplers.filter((coupler) => placesAway(coupler).length > 0)
  const positions = positionsOnDrum(draft)
  if (positions.length === 0 || couplers.length === 0) return undefined
  const { stepDeg: step, travelMm: fullMm } = cut
  const travelAt = (coupler: Coupler, at: number): number => {
    const place = coupler.positions.find(({ id }) => id === positions[at]?.couplers[coupler.id])
    return place ? signOf(place) * fullMm : 0
  }
  // Neutral lies after the first position of which nothing stays in for the one after it.
  const neutralAfter = positions.findIndex((_, at) =>
    couplers.every((coupler) => {
      const travelMm = travelAt(coupler, at)
      return travelMm === 0 || travelMm !== travelAt(coupler, at + 1)
    }),
  )
  return {
    id: 'drum',
    stops: positions.flatMap(({ id }, at) => [
      { angleDeg: round(at * step), position: id },
      ...(at === neutralAfter
        ? [{ angleDeg: round((at + 0.5) * step), reachDeg: Math.min(NEUTRAL_REACH_DEG, step / 4) }]
        : []),
    ]),
    tracks: couplers.map(({ id }, which) => {
      const coupler = couplers[which]
      const points = positions.flatMap((_, at): DrumPoint[] => {
        const travelMm = coupler ? travelAt(coupler, at) : 0
        if (travelMm === 0) return []
        // What is in for two stops on end stays in between them.
        const before = coupler && at > 0 ? travelAt(coupler, at - 1) : 0
        const after = coupler && at < positions.length - 1 ? travelAt(coupler, at + 1) : 0
        const turn = (share: number): number => round((at + share) * step)
        return [
          ...(before === travelMm
            ? []
            : [
                { angleDeg: turn(-MEETS), travelMm: 0 },
                { angleDeg: turn(-DWELL), travelMm },
              ]),
          ...(after === travelMm
            ? []
            : [
                { angleDeg: turn(DWELL), travelMm },
                { angleDeg: turn(MEETS), travelMm: 0 },
              ]),
        ]
      })
      return {
        coupler: id,
        points: inTurn(points),
        touchesFromMm: round((TOUCHES_FROM_MM * fullMm) / USUAL_TRAVEL_MM),
        carriesFromMm: round((CARRIES_FROM_MM * fullMm) / USUAL_TRAVEL_MM),
      }
    }),
  }
}

function round(value: number): number {
  return Math.round(value * 100) / 100
}

/** Points from 0° on; what lies before it stands at the end of the turn. */
function inTurn(points: readonly DrumPoint[]): readonly DrumPoint[] {
  return points
    .map(({ angleDeg, travelMm }) => ({ angleDeg: round((angleDeg + 360) % 360), travelMm }))
    .sort((one, other) => one.angleDeg - other.angleDeg)
}
