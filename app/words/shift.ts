/** What happens in a change of gear, in sentences. */
import type {
  BoxPosition,
  ChangeCaution,
  ChangeSchool,
  ChangeStep,
  Coupler,
  CouplerPosition,
  Drum,
  GateEnd,
  GateGuard,
  HangsOn,
  InterlockPart,
  InterlockPartKind,
  LeverMove,
  Match,
  MovedRod,
  OpenSet,
  Rational,
  Selector,
  SelectorFault,
  SwitchRule,
  Actuator,
  ClutchKind,
  ClutchStageKind,
} from 'core'
import {
  FIRST_LEVER,
  fullPlaces,
  greatestSlip,
  isClutch,
  leverOf,
  rodsOf,
  slotsOf,
  standingOf,
  switchedOf,
  toNumber,
} from 'core'

import { formatNumber, formatSpeed } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, capitalize, couplerLabel, couplerName, placeName, written } from './names.ts'
import { listed } from './sentences.ts'
import { inWords, travelWords } from './vocabulary.ts'

export const SCHOOL_NAMES: Readonly<Record<ChangeSchool, string>> = {
  clutch: 'with the clutch',
  'without-clutch': 'without the clutch, throttle lifted',
  'double-declutch': 'double-declutching',
}

export const END_WORDS: Readonly<Record<GateEnd, string>> = { forward: 'forward', back: 'back' }

export const GUARD_NAMES: Readonly<Record<GateGuard, string>> = {
  lift: 'lift the collar',
  press: 'press the lever down',
  spring: 'push past the spring',
  inhibitor: 'inhibitor: through neutral first',
}

/** What pushes a rod or turns a drum. */
export const ACTUATOR_NAMES: Readonly<Record<Actuator, string>> = {
  linkage: 'by hand, through a linkage',
  cable: 'by hand, through a cable',
  piston: 'a piston',
  motor: 'a motor',
}

/** How a clutch carries. */
export const CLUTCH_KIND_NAMES: Readonly<Record<ClutchKind, string>> = {
  'single-dry': 'one dry plate',
  'twin-dry': 'two dry plates',
  'wet-pack': 'a pack in oil',
}

/** What hands a push on. */
export const CLUTCH_STAGE_NAMES: Readonly<Record<ClutchStageKind, string>> = {
  lever: 'lever',
  cable: 'cable',
  hydraulic: 'pistons in oil',
  spindle: 'spindle',
}

/** When what a switch asks for happens. */
export const SWITCH_NAMES: Readonly<Record<SwitchRule, string>> = {
  'at-once': 'by a control unit',
  'at-neutral': 'by a switch, when the lever passes neutral',
  'without-torque': 'by a switch, when the torque drops',
}

/** "the 1–2 rod". */
export function rodName(naming: Naming, { name, places }: Selector): string {
  if (name !== undefined) return written(naming, name)
  const moved = new Set(places.flatMap(({ couplers }) => Object.keys(couplers)))
  const couplers = [...moved].flatMap((id) => naming.box.couplers.get(id) ?? [])
  return couplers.length === 0
    ? 'rod that moves nothing'
    : `${couplers.map((coupler) => couplerLabel(naming, coupler)).join(' and ')} rod`
}

/** What a place of a rod makes: "2", or "centre" where it moves nothing. */
export function rodPlaceName(naming: Naming, { place }: Pick<MovedRod, 'place'>): string {
  const made = Object.entries(place.couplers).flatMap(([id, at]) => {
    const coupler = naming.box.couplers.get(id)
    const position = coupler?.positions.find((each) => each.id === at)
    return coupler && position ? [placeName(naming, coupler, position)] : []
  })
  return made.length === 0 ? place.id : made.join(' and ')
}

/** Which way a coupler goes: " towards the input end". */
function wayOf({ words }: Naming, from: CouplerPosition, to: CouplerPosition): string {
  const at = ({ travel }: CouplerPosition): number =>
    travel === 'towards-input' ? -1 : travel === 'towards-output' ? 1 : 0
  const way = at(to) - at(from)
  return way === 0 ? '' : ` ${travelWords(words, way < 0 ? 'towards-input' : 'towards-output')}`
}

/** What a stop of the star is for. */
export function stopName({ box }: Naming, position: string | undefined): string {
  return position === undefined
    ? 'N'
    : (box.draft.positions.find(({ id }) => id === position)?.label ?? '?')
}

/**
 * Where the hand is in a position: as the gate has it, with what a switch of its own moves; as
 * somebody wrote it where the box has no gate, or the position stands in none of its ends.
 */
export function handWords(naming: Naming, { couplers, lever = '' }: BoxPosition): string {
  const { draft } = naming.box
  const rods = rodsOf(draft)
  const places = fullPlaces(draft.couplers, couplers)
  const levers = [...standingOf(slotsOf(rods), places)]
  const ends = levers.flatMap(([number, slot]) => {
    if (!slot) return []
    const end = `row ${slot.row}, ${END_WORDS[slot.end]}`
    return [levers.length > 1 ? `${leverName(naming, number)} in ${end}` : end]
  })
  const switched = [...switchedOf(rods, places)].flatMap(([rod, place]) =>
    place ? [`${rodName(naming, rod)} in ${rodPlaceName(naming, { place })}`] : [],
  )
  return ends.length === 0 ? lever : [...ends, ...switched].join('; ')
}

/** "lever", or "lever 2" in a box that has several. */
export function leverName({ box }: Naming, lever: number): string {
  const hasSeveral = rodsOf(box.draft).some(
    (rod) => rod.switched === undefined && leverOf(rod) !== FIRST_LEVER,
  )
  return hasSeveral ? `lever ${lever}` : 'lever'
}

/** "Gate", or "Gate of lever 2" in a box that has several. */
export function gateTitle(naming: Naming, lever: number): string {
  const name = leverName(naming, lever)
  return name === 'lever' ? 'Gate' : `Gate of ${name}`
}

function leverWords(naming: Naming, move: LeverMove): string {
  const lever = capitalize(leverName(naming, move.lever))
  switch (move.kind) {
    case 'out':
      return `${lever} ${END_WORDS[move.end === 'forward' ? 'back' : 'forward']}, out of row ${move.row} into neutral.`
    case 'across':
      return `${lever} across from row ${move.row} to row ${move.to}.`
    case 'in':
      return `${lever} ${END_WORDS[move.end]} in row ${move.row}${move.guard === null ? '' : ` (${GUARD_NAMES[move.guard]})`}.`
  }
}

function couplerNames(naming: Naming, couplers: readonly Coupler[]): string {
  return listed(couplers.map((coupler) => `the ${couplerName(naming, coupler)}`))
}

/** "the drum", or "drum 2" in a box that has several. */
function drumName({ box: { draft } }: Naming, { id }: Drum): string {
  const drums = draft.drums ?? []
  return drums.length < 2 ? 'the drum' : `drum ${drums.findIndex((each) => each.id === id) + 1}`
}

/** One step of a change in a sentence; `inputRpm` is the speed that the input had before it. */
export function changeStepWords(naming: Naming, step: ChangeStep, inputRpm: number): string {
  switch (step.kind) {
    case 'clutch':
      return step.is === 'down' ? 'Open the clutch.' : 'Close the clutch.'
    case 'lift':
      return 'Lift the throttle: without load the dogs let go.'
    case 'lever':
      return leverWords(naming, step.move)
    case 'turn': {
      const { from, to, over } = step
      const gears = over.filter(({ position }) => position !== undefined)
      const passed = listed(over.map(({ position }) => stopName(naming, position)))
      const way = over.length === 0 ? '' : `, over ${passed}`
      const each = gears.length === 0 ? '' : ': what lies between goes in one after another'
      return `Turn ${drumName(naming, step.drum)} from ${stopName(naming, from.position)} to ${stopName(naming, to.position)}${way}${each}.`
    }
    case 'out':
    case 'in': {
      const { coupler, from, to, selector } = step.move
      const what = `the ${couplerName(naming, coupler)}`
      if (isClutch(coupler))
        return `${capitalize(what)} ${step.kind === 'out' ? 'opens' : 'closes'}.`
      if (step.kind === 'out')
        return `${capitalize(what)} comes out of ${placeName(naming, coupler, from)}.`
      const does = selector
        ? `The ${rodName(naming, selector)} brings ${what}`
        : `${capitalize(what)} goes`
      return `${does}${wayOf(naming, from, to)} into ${placeName(naming, coupler, to)}.`
    }
    case 'stand':
      if (step.isBraked)
        return inWords(
          naming.words,
          'Push the pedal to the floor: the countershaft brake brings what turns with the input to a stand. Only at a stand of the vehicle.',
        )
      return step.what === 'input'
        ? 'Wait until what turns with the input stands.'
        : 'Stop first: it turns the wheels the other way.'
    case 'match':
      return `Bring the engine to ${formatSpeed(toNumber(step.inputSpeed) * inputRpm)}.`
    case 'ring':
      return `The ${naming.words.ring} of the ${couplerName(naming, step.coupler)} brings both sides to one speed.`
    case 'grind':
      return `The ${naming.words.ring} of the ${couplerName(naming, step.coupler)} stands on its gear and brakes nothing: the teeth grind as they go in.`
    case 'hand-over':
      return `${capitalize(couplerNames(naming, step.opening))} opens while ${couplerNames(naming, step.closing)} closes: the torque does not stop.`
  }
}

/** What the speed of a side follows while the coupler is out. */
function hangsOnWords({ input, output, free }: HangsOn): string {
  const ends = input && output ? 'engine and wheels' : input ? 'the engine' : output && 'the wheels'
  if (!ends) return 'nothing, and goes on as it turned'
  return free ? `${ends} and what turns freely between` : ends
}

/** What `sideWords` is asked of: at which speed of the input, and how far its difference is gone. */
interface SideMoment {
  readonly inputRpm: number
  /** The share of the difference that is still there. */
  readonly left: number
  /** Then what hangs on the input alone is turned by no engine. */
  readonly isPedalDown?: boolean
}

/**
 * The sides of what is to match: "3rd gear, main shaft: 1500 rev/min, follows the engine". A speed is
 * below 0 where that side turns against the first.
 */
export function sideWords(
  naming: Naming,
  { sides, inputSpeed }: Pick<Match, 'sides' | 'inputSpeed'>,
  { inputRpm, left, isPedalDown = false }: SideMoment,
): readonly string[] {
  const first = sides.flatMap(({ speed }) => (speed && !speed.isZero() ? [speed.sign()] : []))[0]
  return sides.map(({ body, hangsOn, speed, ofInput }) => {
    const brought = inputSpeed ? toNumber(ofInput) * (toNumber(inputSpeed) - 1) * (1 - left) : 0
    const perTurn = speed && (first ?? 1) * (toNumber(speed) + brought)
    const turns = perTurn === null ? '' : `${formatSpeed(perTurn * inputRpm)}, `
    return `${capitalize(bodyName(naming, body))}: ${turns}${isPedalDown && hangsOn.input && !hangsOn.output ? 'runs on by itself, the pedal is down' : `follows ${hangsOnWords(hangsOn)}`}`
  })
}

/** The difference that has to go: "143 rev/min", or teeth that pass; the most of it where something coasts. */
export function slipText(match: Match, inputRpm: number, share = 1): string {
  if (match.law.uncounted.length > 0) return 'not counted'
  const slip = greatestSlip(match)
  if (slip === null) return 'as the road turns it'
  const apart = differenceText(match, slip, inputRpm * share)
  if (match.slip) return apart
  return match.coasting.length > 1 ? `up to ${apart}` : `${apart} if it stands`
}

function differenceText({ law }: Match, slip: Rational, inputRpm: number): string {
  const perMinute = Math.abs(toNumber(slip)) * inputRpm
  return law.kind === 'lock' || law.kind === 'held'
    ? formatSpeed(perMinute)
    : `${formatNumber(perMinute, 0)}\u00a0teeth/min`
}

/** A caution of a change in a sentence. */
export function changeCautionWords(
  naming: Naming,
  caution: ChangeCaution,
  into: BoxPosition,
  inputRpm: number,
): string {
  switch (caution.kind) {
    case 'backwards':
      return `${into.label} turns the wheels the other way: stop first. Going in while it rolls breaks teeth.`
    case 'overspeed':
      return `${into.label} would turn the engine at ${formatSpeed(caution.rpm)}; it bears ${formatSpeed(caution.mostRpm)}. Slow down first: no ring and no throttle keeps it from that once the clutch is closed.`
    case 'unlike': {
      const { match } = caution
      const what = couplerName(naming, match.coupler)
      return `Nothing brings the ${what} and what it meets to one speed: ${slipText(match, inputRpm)} go past. Pushed in, teeth chip and corners round off. Match the speeds, or wait until both turn alike.`
    }
    case 'lowest-rolling':
      return `Into ${into.label} while it rolls the engine has to come up to ${formatSpeed(caution.rpm)}. Come nearly to a stand first, or match it; what is dragged up by force wears most here.`
    case 'may-balk':
      return 'If it balks, wait with a light hand. Forced through, the points of its teeth and of the ring wear off, and nothing holds the next change back until the speeds agree.'
  }
}

/** What the difference is at either end of what a coasting side may have come to; null where there is only a stand. */
export function coastingWords(naming: Naming, match: Match, inputRpm: number): string | null {
  if (match.coasting.length < 2) return null
  const cases = match.coasting.map(({ draggedBy, slip }) => {
    const apart = differenceText(match, slip, inputRpm)
    return draggedBy === null
      ? `${apart} apart if it stands`
      : `${apart} if the open ${couplerName(naming, draggedBy)} drags it along`
  })
  const coasts = match.sides.find(({ hangsOn }) => !hangsOn.input && !hangsOn.output)
  const what = coasts ? capitalize(`the ${bodyName(naming, coasts.body)}`) : 'What coasts'
  return `${what} slows down from its last gear: ${listed(cases)}.`
}

/** A set of rods that can be out together. */
export function openSetWords(naming: Naming, { moved, isLocked, cause }: OpenSet): string {
  const names = listed(moved.map((rod) => rodPlaceName(naming, rod)))
  if (!isLocked) return `${names} can be in together; it turns all the same.`
  const couplers = (cause?.couplers ?? []).flatMap((id) => naming.box.couplers.get(id) ?? [])
  return `${names} can be in together, and the box is locked${couplers.length > 0 ? `: ${couplerNames(naming, couplers)} want different speeds` : ''}.`
}

/** One of each part of an interlock. */
export const INTERLOCK_PART_WORDS: Readonly<Record<InterlockPartKind, string>> = {
  ball: 'ball',
  pin: 'pin',
  plate: 'plate',
}

/** "ball between the 1–2 rod and the 3–4 rod". */
export function interlockPartWords(naming: Naming, part: InterlockPart): string {
  const rods = part.selectors.map((id) => {
    const selector = naming.box.draft.selectors?.find((each) => each.id === id)
    return selector ? `the ${rodName(naming, selector)}` : 'a rod that is gone'
  })
  return `${INTERLOCK_PART_WORDS[part.kind]} ${LIES[part.kind]} ${listed(rods)}`
}

const LIES: Readonly<Record<InterlockPartKind, string>> = {
  ball: 'between',
  pin: 'in',
  plate: 'over',
}

/** What is wrong with rods and gate, and what to do. */
export function selectorFaultWords(naming: Naming, fault: SelectorFault): string {
  const rod = (id: string): string => {
    const selector = naming.box.draft.selectors?.find((each) => each.id === id)
    return selector ? `the ${rodName(naming, selector)}` : id
  }
  switch (fault.code) {
    case 'moves-nothing':
      return `${capitalize(rod(fault.selector))} moves nothing in its place ${fault.place}. Say what it moves, or take it out.`
    case 'slot-twice': {
      const [one, other] = fault.selectors
      const whose = one === other ? `two places of ${rod(one)}` : `${rod(one)} and ${rod(other)}`
      const gate = leverName(naming, fault.lever)
      const row = gate === 'lever' ? 'Row' : `${capitalize(gate)}, row`
      return `${row} ${fault.row}, ${END_WORDS[fault.end]}, is said of ${whose}. A lever picks one there: give the other an end of its own.`
    }
    case 'travel-twice':
      return `${capitalize(rod(fault.selector))} has two places at ${formatNumber(fault.travelMm, 1)}\u00a0mm. Measure them again.`
  }
}
