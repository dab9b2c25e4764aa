/** What the core and the services find wrong, in words: what, where, by how much, what to do. */
import type { BoxDraft, BoxIssue, Change, EditConflict, EditRefusal, FinalDrive, Path } from 'core'
import {
  BOX,
  LEAST_TOOTH_COUNT,
  LARGEST,
  MOST_TOOTH_COUNT,
  PART_LISTS,
  indexBox,
  namingEnds,
  partsOf,
  readPath,
} from 'core'

import { LIST_WORDS, changedPartName } from './changedPart.ts'
import { formatLength } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, capitalize, couplerName, gearName } from './names.ts'
import { pieceNameById } from './pieces.ts'
import { PLAIN_WORDS } from './vocabulary.ts'
import type { Vocabulary } from './vocabulary.ts'

export const TOOTH_COUNT_ADVICE = `A tooth count is a whole number from ${LEAST_TOOTH_COUNT} to ${MOST_TOOTH_COUNT}.`

const ID_WORDS: Readonly<Record<Extract<BoxIssue, { code: 'unknown-id' }>['expected'], string>> = {
  axis: 'axis',
  member: 'member',
  gear: 'gear',
  body: 'member or free gear',
  link: 'link',
  coupler: 'coupler',
  'coupler-position': 'position of that coupler',
}

/** How sentences on a box name its parts. */
function namesIn(draft: BoxDraft, words: Vocabulary) {
  const naming: Naming = { box: indexBox(draft), words }
  const gear = (id: string): string => {
    const found = naming.box.gears.get(id)
    return found ? gearName(naming, found) : id
  }
  const pair = (id: string): string => {
    const link = naming.box.links.get(id)
    return link
      ? namingEnds(link)
          .map((end) => (end.expected === 'gear' ? gear(end.id) : bodyName(naming, end.id)))
          .join(' with ')
      : id
  }
  const position = (id: string): string =>
    draft.positions.find((candidate) => candidate.id === id)?.label ?? id
  const coupler = (id: string): string => {
    const found = naming.box.couplers.get(id)
    return found ? couplerName(naming, found) : id
  }
  const piece = (id: string): string => pieceNameById(naming, id)
  const partOf = (ref: string): string => {
    const { kind, id } = readPath(ref)
    return kind === 'gear' ? gear(id) : piece(id)
  }
  const body = (id: string): string => bodyName(naming, id)
  const reason = (rule: string): string =>
    draft.rules?.find(({ id }) => id === rule)?.reason ?? rule
  const length = (mm: number): string => formatLength(mm, words.lengthUnit)
  /** The part at a path, or the end of the box that stands there. */
  const ownerOf = ([first, at]: Path): string => {
    const list = PART_LISTS.find((each) => each === first)
    const place = Number(at)
    const part = list && partsOf(draft, list)[place]
    if (!list || !part) return `the ${first === 'outputs' ? 'output' : 'input'}`
    const change = {
      kind: 'part',
      list,
      id: part.id,
      at: place,
      before: null,
      after: part,
    } as const
    return changedPartName(naming, change)
  }
  return { gear, pair, position, coupler, piece, partOf, body, reason, length, ownerOf }
}
type Names = ReturnType<typeof namesIn>

type IssueCode = BoxIssue['code']
type IssueOf<Code extends IssueCode> = Extract<BoxIssue, { readonly code: Code }>

/** One sentence or two on each problem of a box. */
const ISSUE_WORDS: {
  readonly [Code in IssueCode]: (issue: IssueOf<Code>, names: Names) => string
} = {
  'unknown-id': (issue, { ownerOf }) =>
    `There is no ${ID_WORDS[issue.expected]} "${issue.id}" in this box, though ${ownerOf(issue.path)} names it. Correct the id, or add the part.`,
  'duplicate-id': (issue) =>
    `The id "${issue.id}" is given twice. Give each part an id of its own.`,
  'tooth-count-out-of-range': (issue, { gear }) =>
    `${issue.toothCount} teeth on ${gear(issue.gear)}: a gear has ${issue.least} to ${issue.most}. Count it again.`,
  'twin-of-a-twin': (issue, { gear }) =>
    `${gear(issue.gear)} is said to be alike with ${gear(issue.twin)}, which is itself, or itself a twin. Choose the gear that all of them are alike with.`,
  'twins-differ': (issue, { gear }) =>
    `${gear(issue.gear)} has ${issue.toothCount} teeth and ${gear(issue.twin)} ${issue.twinToothCount}, though they are said to be alike. Count both again, or say on Lay out that the shafts are no twins.`,
  'tooth-count-not-whole': (issue, { gear }) =>
    `${issue.toothCount} teeth on ${gear(issue.gear)}: teeth are counted in whole numbers. Count it again.`,
  'mesh-within-one-body': (issue, { pair }) =>
    `The pair ${pair(issue.link)} turns as one part, so it cannot drive itself. Make one of the gears free, or mesh it with another.`,
  'planet-steps-apart': (issue, { pair }) =>
    `The two steps of the planets between ${pair(issue.link)} do not turn as one. Put both on one shaft.`,
  'mesh-on-one-axis': (issue, { pair }) =>
    `The pair ${pair(issue.link)} is on one axis; gears in mesh are on two. Move one of them to another shaft.`,
  'ring-not-larger': (issue) =>
    `A ring of ${issue.ringToothCount} teeth cannot go round a gear of ${issue.innerToothCount}. Count both again.`,
  'planet-does-not-fit': (issue) =>
    `Planets of ${issue.planetToothCount} teeth do not fit: ring and sun leave room for ${issue.fittingToothCount}. Count sun, planet and ring again.`,
  'planets-cannot-be-spaced': (issue) =>
    `${issue.planetCount} planets cannot be spaced evenly: sun and ring have ${issue.toothSum} teeth together, which ${issue.planetCount} does not divide.`,
  'link-joins-one-body': (issue, { body }) =>
    `A link joins the ${body(issue.body)} with itself. Choose two different parts.`,
  'coupler-engages-own-hub': (issue, { body, coupler }) =>
    `The ${coupler(issue.coupler)} locks the ${body(issue.body)} to itself. Choose the part that it is to lock.`,
  'coupler-has-two-centres': (issue, { coupler }) =>
    `The ${coupler(issue.coupler)} has two positions that do nothing. One centre is enough.`,
  'coupler-place-not-named': (issue, { position, coupler }) =>
    `Position ${position(issue.position)} does not say where the ${coupler(issue.coupler)} stands, which has no centre.`,
  'position-repeats': (issue, { position }) =>
    `Positions ${position(issue.other)} and ${position(issue.position)} put every coupler in the same place.`,
  'output-is-input': (issue, { body }) =>
    `The ${body(issue.body)} is both input and output. Choose another output.`,
  'ends-reversed': (issue, { body, length }) =>
    `The ${body(issue.member)} begins at ${length(issue.fromMm)} and ends at ${length(issue.toMm)}. It must end further on than it begins.`,
  'gear-without-mesh': (issue, { gear }) =>
    `${gear(issue.gear)} meshes with nothing. Mesh it, or take it out.`,
  'gear-off-its-member': (issue, { gear, length }) =>
    `${gear(issue.gear)} stands at ${length(issue.stationMm)}, but its shaft runs from ${length(issue.fromMm)} to ${length(issue.toMm)}.`,
  'position-interlocked': (issue, { position, coupler }) =>
    `No lever reaches ${position(issue.position)}: the interlock keeps the ${coupler(issue.couplers[1])} at its centre while the ${coupler(issue.couplers[0])} is engaged. Change the position, or the interlock.`,
  'position-forbidden': (issue, { position, reason }) =>
    `Position ${position(issue.position)} is forbidden: ${reason(issue.rule)} Change the position, or the rule.`,
  'modules-differ': (issue, { pair }) =>
    `${pair(issue.link)} state modules of ${issue.moduleMm[0]} mm and ${issue.moduleMm[1]} mm; gears in mesh share one. Measure both again.`,
  'centre-distance-differs': (issue, { pair, length }) =>
    `${pair(issue.link)} need a centre distance of ${length(issue.centreDistanceMm)}; ${pair(issue.other)} between the same shafts need ${length(issue.otherCentreDistanceMm)}. Check teeth, module and helix of both pairs.`,
  'tooth-sums-differ': (issue, { pair }) =>
    `${pair(issue.link)} have ${issue.toothSum} teeth together; the other pair between these shafts, ${pair(issue.other)}, ${issue.otherToothSum}. Count both pairs again.`,
  'tooth-sum-differs': (issue, { pair }) =>
    `${pair(issue.link)} have ${issue.toothSum} teeth together; the other pairs between these shafts have about ${issue.usualToothSum}. Count both again.`,
  'gears-touch': (issue, { gear }) =>
    `${gear(issue.gears[0])} and ${gear(issue.gears[1])} have ${issue.toothSum} teeth together; pairs in mesh between these shafts have about ${issue.meshingSum}. With teeth of one size they touch without the ${gear(issue.idler)}, and nothing would turn. Count both again.`,
  'piece-nowhere': (issue, { piece }) =>
    `The ${piece(issue.piece)} is said to belong to something that is no longer in the box. Say what it sits on or goes with, or take it out.`,
  'bore-over-outside': (issue, { piece, length }) =>
    `The ${piece(issue.piece)} has a bore of ${length(issue.boreMm)} in an outside of ${length(issue.outsideMm)}. Measure both again.`,
  'bore-under-shaft': (issue, { piece, length }) =>
    `The ${piece(issue.piece)} has a bore of ${length(issue.boreMm)}, but its shaft is ${length(issue.shaftMm)} thick there. Measure both again.`,
  'piece-trapped': (issue, { piece, length }) =>
    `The ${piece(issue.piece)} comes off over neither end: on both sides its shaft is thicker than its bore of ${length(issue.boreMm)}. Check bore and steps, or say that it is split.`,
  'piece-off-its-shaft': (issue, { piece, length }) =>
    `The ${piece(issue.piece)} stands at ${length(issue.stationMm)}, but its shaft runs from ${length(issue.fromMm)} to ${length(issue.toMm)}.`,
  'piece-doubled': (issue, { piece }) =>
    `The ${piece(issue.piece)} is there twice: one place has one of them. Take one out.`,
  'pieces-overlap': (issue, { piece, partOf, length }) =>
    `The ${piece(issue.piece)} stands ${length(issue.byMm)} deep in the ${partOf(issue.other)}. Check their lengths and stations.`,
  'stack-longer-than-shaft': (issue, { body, length }) =>
    `What stands on the ${body(issue.member)} is ${length(issue.stackMm)} long, the shaft ${length(issue.shaftMm)}. Check the lengths.`,
}

/** One sentence or two on a problem of a box. */
export function issueWords(
  draft: BoxDraft,
  issue: BoxIssue,
  words: Vocabulary = PLAIN_WORDS,
): string {
  return capitalize(wordsOf(issue, namesIn(draft, words)))
}

function wordsOf<Code extends IssueCode>(issue: IssueOf<Code>, names: Names): string {
  return ISSUE_WORDS[issue.code](issue, names)
}

export function refusalWords(refusal: EditRefusal): string {
  switch (refusal.code) {
    case 'unknown-gear':
      return `There is no gear "${refusal.gear}" in this box any more. Load the page again.`
    case 'impossible-count':
      return `${refusal.toothCount} is not kept. ${TOOTH_COUNT_ADVICE}`
    case 'empty-name':
      return 'A box needs a name. The old one stays.'
    case 'long-name':
      return `A name has ${LARGEST.nameLength} characters at most; this has ${refusal.length}. The old one stays.`
    case 'beyond-limits':
      return `That was not kept: ${refusal.message}`
  }
}

function finalDriveWords(finalDrive: FinalDrive | null): string {
  return finalDrive
    ? `${finalDrive.drivenToothCount} on ${finalDrive.drivingToothCount} teeth`
    : 'none'
}

function changedPart(naming: Naming, change: Exclude<Change, { kind: 'field' }>): string {
  if (change.kind === 'order') return `the order of the ${LIST_WORDS[change.list]}s`
  return change.list === 'leftWarnings'
    ? 'a warning left as it is'
    : `“${changedPartName(naming, change)}”`
}

/** What became of an entry that met somebody else's. */
export function conflictWords(draft: BoxDraft, conflict: EditConflict, words: Vocabulary): string {
  const naming: Naming = { box: indexBox(draft), words }
  const gear = (id: string): string => {
    const found = naming.box.gears.get(id)
    return found ? gearName(naming, found) : id
  }
  switch (conflict.code) {
    case 'kept-as-second-count':
      return `Meanwhile ${gear(conflict.gear)} was counted as ${conflict.theirs} elsewhere. Your ${conflict.yours} is kept as the second count. Settle which is right.`
    case 'count-not-placed':
      return `Meanwhile ${gear(conflict.gear)} was counted as ${conflict.theirs} elsewhere. That stands; your ${conflict.yours ?? 'removal'} is in the history. Count it again.`
    case 'settling-not-placed': {
      const { first, second } = conflict.theirs
      const counts = [first, second].filter((count) => count !== null).join(' and ')
      return `Meanwhile ${gear(conflict.gear)} was counted anew elsewhere: ${counts || 'no count'} stands. Your ${conflict.yours} is in the history. Look at both, and settle it again.`
    }
    case 'name-not-placed':
      return `Meanwhile the box was renamed "${conflict.theirs}" elsewhere. That stands; your "${conflict.yours}" is in the history. Rename it again if yours is right.`
    case 'change-not-placed': {
      const { met } = conflict
      const what =
        met.kind === 'field' ? `the box's ${BOX[met.field].word}` : changedPart(naming, met)
      return `Meanwhile ${what} was changed elsewhere. That stands; yours is in the history. Look at it, and change it again if yours is right.`
    }
    case 'final-drive-not-placed':
      return `Meanwhile the final drive was set to ${finalDriveWords(conflict.theirs)} elsewhere. That stands; yours, ${finalDriveWords(conflict.yours)}, is in the history. Enter it again if yours is right.`
  }
}
