/** Jobs, their parts and their log in words. */
import type {
  BoxIndex,
  Companion,
  Entered,
  Entry,
  Intake,
  Need,
  PartFamily,
  PartLine,
  StageState,
  Waiting,
} from 'core'
import { STACK_UNITS_PER_MM, pieceOfRef, piecesOfKey, readPath } from 'core'

import {
  CONE_NAMES,
  FOUND_NAMES,
  LOOK_GRADES,
  LOOK_NAMES,
  MEASURE_NAMES,
  UNIT_NAMES,
  VERDICT_NAMES,
  formatFigure,
  lineStateName,
  readingText,
  stageName,
} from './measures.ts'
import type { Naming } from './names.ts'
import { bodyName, couplerName, gearName, placeName } from './names.ts'
import { pieceKindWords, pieceName } from './pieces.ts'
import { spinEntryWords } from './spin.ts'
import { turnedWords } from './turns.ts'
import { inWords } from './vocabulary.ts'

export const FAMILY_NAMES: Readonly<Record<PartFamily, string>> = {
  rings: 'Rings',
  sleeves: 'Sleeves, dogs',
  gears: 'Gears',
  shafts: 'Shafts',
  bearings: 'Bearings',
  washers: 'Washers, spacers',
  hubs: 'Hubs, keys',
  selectors: 'Forks, rods',
  clutch: 'Clutch',
  case: 'Case, seals',
}

/** A map, since a reference may be any word, also one that every object knows. */
const KEEPSAKES: ReadonlyMap<string, string> = new Map([
  ['seals', 'oil seals and gaskets'],
  ['snap-rings', 'snap rings'],
  ['pilot-bearing', 'pilot bearing'],
])

/** What a part of a unit is called: "3 blocker ring", "2nd gear, main shaft". */
export function unitPartName(naming: Naming, ref: string): string {
  const { kind, id, place: placeId } = readPath(ref)
  const { gears, couplers }: BoxIndex = naming.box
  switch (kind) {
    case 'ring': {
      const coupler = couplers.get(id)
      const place = coupler?.positions.find((each) => each.id === placeId)
      return coupler && place
        ? `${naming.words.ring} for ${placeName(naming, coupler, place)}`
        : ref
    }
    case 'sleeve': {
      const coupler = couplers.get(id)
      return coupler ? couplerName(naming, coupler) : ref
    }
    case 'gear': {
      const gear = gears.get(id)
      return gear ? gearName(naming, gear) : ref
    }
    case 'shaft':
      return bodyName(naming, id)
    case 'bearings':
    case 'shims':
      return `${kind} of the ${bodyName(naming, id)}`
    case 'fork': {
      const coupler = couplers.get(id)
      return coupler ? `fork of the ${couplerName(naming, coupler)}` : ref
    }
    case 'thrust-washer': {
      const gear = gears.get(id)
      return gear ? `thrust washer of the ${gearName(naming, gear)}` : ref
    }
    case 'piece': {
      const piece = pieceOfRef(naming.box, ref)
      return piece ? pieceName(naming, piece) : 'part that was taken out'
    }
    case 'new': {
      const [piece] = piecesOfKey(naming.box, ref)
      return piece ? `${pieceKindWords(naming.words, piece.kind)}, new each time` : ref
    }
    default:
      return KEEPSAKES.get(ref) ?? ref
  }
}

/** What was found that asks for a part. */
export function needWords(naming: Naming, { key, finding }: Need): string {
  const { part } = finding
  const found = FOUND_NAMES[finding.what]
  return part === key
    ? `judged to be replaced: ${found}`
    : `${found} of the ${unitPartName(naming, part)}`
}

const WHY: Readonly<Record<Companion['why'], string>> = {
  mate: 'a gear is replaced with its mate',
  integral: 'it is cut into its shaft',
  'beside-cone': 'a new cone gets a new ring',
  race: 'a bearing goes with its race',
  matched: 'hub and sleeve are a matched pair',
  'spline-mate': 'it has worn with the spline that carries it',
  'runs-on-it': 'its needles run on the shaft itself',
  always: 'goes with every rebuild',
}

export function companionWords({ why }: Companion): string {
  return WHY[why]
}

function plural(count: number, one: string, many: string): string {
  return count === 1 ? `One ${one}` : `${count} ${many}`
}

/** Whether something is wrong, and not only still to come. */
export function isTrouble({ code }: Waiting): boolean {
  return code === 'counts-disagree' || code === 'turns-disagree' || code === 'to-replace'
}

/** What waits for the person, as a short phrase. */
export function waitingWords(waiting: Waiting): string {
  switch (waiting.code) {
    case 'counts-disagree':
      return waiting.count === 1
        ? 'Two counts of one gear disagree'
        : `Two counts disagree of ${waiting.count} gears`
    case 'turns-disagree':
      return `${plural(waiting.count, 'turn check disagrees', 'turn checks disagree')} with the counts`
    case 'to-replace':
      return `${plural(waiting.count, 'part is', 'parts are')} beyond the limit`
    case 'to-order':
      return `${plural(waiting.count, 'part', 'parts')} to order`
    case 'on-order':
      return `${plural(waiting.count, 'part has', 'parts have')} not arrived`
    case 'nothing-measured':
      return 'Nothing measured yet'
    case 'said':
      return `Waits for ${waiting.text}`
  }
}

/** How far a stage is. */
export function stageWords(state: StageState): string {
  const { done, total, isByHand, mark, isDone } = state
  if (mark === false) return 'opened again'
  if (isByHand) return isDone ? 'done' : 'say when it is done'
  if (total === 0) return isDone ? 'nothing to do here' : 'nothing found yet'
  if (mark === true && done < total) return `${done} of ${total}, called done`
  return `${done} of ${total}`
}

function isSameFigure(one: Entered | null, other: Entered | null | undefined): boolean {
  return one?.text === other?.text && one?.unit === other?.unit
}

/** One line of the parts list, as the log tells it. */
function lineWords(line: PartLine): string {
  const { quantity, what, state, price, partNumber, supplier, takenFrom, reason } = line
  const details = [
    partNumber,
    ...(supplier ? [`from ${supplier}`] : []),
    ...(takenFrom ? [`taken from ${takenFrom}`] : []),
    ...(price === null ? [] : [`${price} each`]),
    reason,
  ].filter(Boolean)
  const rest = details.length > 0 ? `, ${details.join(', ')}` : ''
  return `${quantity} × ${what}: ${lineStateName(state, line.isLabour === true)}${rest}`
}

/** An intake; of what was written before, only what is new is told again. */
function intakeWords(intake: Intake, before: Intake | undefined): string {
  const { reference, serial = '', complaint, distance, oil, cameWith, assignee = '' } = intake
  const news = [
    ...(complaint === before?.complaint ? [] : [complaint === '' ? '' : `“${complaint}”`]),
    ...(isSameFigure(distance, before?.distance)
      ? []
      : [distance ? `${distance.text} ${UNIT_NAMES[distance.unit]} run` : 'no distance']),
    ...(reference === (before?.reference ?? '') ? [] : [`reference ${reference}`]),
    ...(serial === (before?.serial ?? '') ? [] : [`serial ${serial}`]),
    ...(oil === (before?.oil ?? '') ? [] : [`oil: ${oil}`]),
    ...(cameWith === (before?.cameWith ?? '') ? [] : [`came with ${cameWith}`]),
    ...(assignee === (before?.assignee ?? '') ? [] : [`job of ${assignee || 'nobody yet'}`]),
  ].filter((each) => each !== '')
  const title = before ? 'Intake corrected' : 'Intake'
  return news.length === 0 ? title : `${title}: ${news.join(', ')}`
}

/** One line of the log; of an intake, `before` is the one that it corrects. */
export function entryWords(naming: Naming, { body }: Entry, before?: Intake): string {
  const part = (ref: string): string => unitPartName(naming, ref)
  switch (body.kind) {
    case 'intake':
      return intakeWords(body.intake, before)
    case 'note':
      return `Note${body.part === undefined ? '' : ` on ${part(body.part)}`}: ${body.text}`
    case 'waiting':
      return body.for === '' ? 'Waits for nothing any more' : `Waits for ${body.for}`
    case 'turn-check': {
      const label = naming.box.draft.positions.find(({ id }) => id === body.position)?.label
      return `Turn check in ${label ?? body.position}: ${turnedWords(naming, body)}`
    }
    case 'spin':
      return spinEntryWords(naming, body)
    case 'measurement':
      return `${MEASURE_NAMES[body.measure]} of ${part(body.part)}: ${body.readings.map(readingText).join(', ')} ${UNIT_NAMES[body.unit]}${body.tool === '' ? '' : `, with ${body.tool}`}${body.cones === undefined ? '' : `, ${CONE_NAMES[body.cones]}`}${body.phase === 'after' ? ', after the work' : ''}`
    case 'look':
      return `${LOOK_NAMES[body.look]} of ${part(body.part)}: ${LOOK_GRADES[body.look][body.grade]}`
    case 'overrule':
      return `Verdict overruled to “${VERDICT_NAMES[body.verdict]}”: ${body.reason}`
    case 'limit':
      return `Limit of ${MEASURE_NAMES[body.measure]}${body.part === null ? '' : ` of ${part(body.part)}`}: ${[body.limit.least, body.limit.most].map((end) => end ?? 'open').join(' to ')} ${UNIT_NAMES[body.limit.unit]}`
    case 'shims':
      return `Shims fitted to ${part(body.part)}: ${body.thicknesses.map((each) => formatFigure(each / STACK_UNITS_PER_MM, 'mm')).join(' + ')}, to leave ${formatFigure(body.expected / STACK_UNITS_PER_MM, 'mm')}`
    case 'stack': {
      const { room } = body.stack
      return room === null
        ? `Stack of ${part(body.shaft)}`
        : `Stack of ${part(body.shaft)}: ${inWords(naming.words, `${room.text} ${UNIT_NAMES[room.unit]} between its stops`)}`
    }
    case 'tray':
      return body.tray === ''
        ? `${part(body.part)} taken out of its tray`
        : `${part(body.part)} laid in tray ${body.tray}`
    case 'step': {
      if (body.part === null)
        return body.is === 'off' ? 'The unit is all in pieces' : 'The unit is together'
      return body.is === 'in'
        ? `${part(body.part)} put in`
        : `${part(body.part)} taken off${body.tray === undefined ? '' : `, into tray ${body.tray}`}`
    }
    case 'stage':
      return `${stageName(naming.words, body.stage)}: ${body.isDone ? 'called done' : 'opened again'}`
    case 'line':
      return inWords(naming.words, lineWords(body.line))
    case 'photo':
      return `Photograph${body.part === undefined ? '' : ` of ${part(body.part)}`}${body.caption === '' ? '' : `: ${body.caption}`}`
    case 'withdraw':
      return 'An entry taken back'
    case 'close':
      return `Job closed${body.leftOut === '' ? '' : `, left out: ${body.leftOut}`}`
    case 'reopen':
      return 'Job opened again'
  }
}
