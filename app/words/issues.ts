/** What the core and the services find wrong, in words: what, where, by how much, what to do. */
import type { BoxDraft, BoxIssue, Change, EditConflict, EditRefusal, FinalDrive } from 'core'
import { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, indexBox, namingEnds } from 'core'

import { LIST_WORDS, changedPartName } from './changedPart.ts'
import { formatLength } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, couplerName, gearName } from './names.ts'
import { pieceNameById } from './pieces.ts'
import { FIELD_WORDS, PLAIN_WORDS } from './vocabulary.ts'
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

/** One sentence or two on a problem of a box. */
export function issueWords(
  draft: BoxDraft,
  issue: BoxIssue,
  words: Vocabulary = PLAIN_WORDS,
): string {
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
    const id = ref.slice(ref.indexOf(':') + 1)
    return ref.startsWith('gear:') ? gear(id) : piece(id)
  }
  const length = (mm: number): string => formatLength(mm, words.lengthUnit)
  switch (issue.code) {
    case 'unknown-id':
      return `There is no ${ID_WORDS[issue.expected]} "${issue.id}" in this box. Correct the id, or add the part.`
    case 'duplicate-id':
      return `The id "${issue.id}" is given twice. Give each part an id of its own.`
    case 'tooth-count-out-of-range':
      return `${issue.toothCount} teeth on ${gear(issue.gear)}: a gear has ${issue.least} to ${issue.most}. Count it again.`
    case 'twin-of-a-twin':
      return `${gear(issue.gear)} is said to be alike with ${gear(issue.twin)}, which is itself, or itself a twin. Choose the gear that all of them are alike with.`
    case 'twins-differ':
      return `${gear(issue.gear)} has ${issue.toothCount} teeth and ${gear(issue.twin)} ${issue.twinToothCount}, though they are said to be alike. Count both again, or say on Lay out that the shafts are no twins.`
    case 'tooth-count-not-whole':
      return `${issue.toothCount} teeth on ${gear(issue.gear)}: teeth are counted in whole numbers. Count it again.`
    case 'mesh-within-one-body':
      return `The pair ${pair(issue.link)} turns as one part, so it cannot drive itself. Make one of the gears free, or mesh it with another.`
    case 'planet-steps-apart':
      return `The two steps of the planets between ${pair(issue.link)} do not turn as one. Put both on one shaft.`
    case 'mesh-on-one-axis':
      return `The pair ${pair(issue.link)} is on one axis; gears in mesh are on two. Move one of them to another shaft.`
    case 'ring-not-larger':
      return `A ring of ${issue.ringToothCount} teeth cannot go round a gear of ${issue.innerToothCount}. Count both again.`
    case 'planet-does-not-fit':
      return `Planets of ${issue.planetToothCount} teeth do not fit: ring and sun leave room for ${issue.fittingToothCount}. Count sun, planet and ring again.`
    case 'planets-cannot-be-spaced':
      return `${issue.planetCount} planets cannot be spaced evenly: sun and ring have ${issue.toothSum} teeth together, which ${issue.planetCount} does not divide.`
    case 'link-joins-one-body':
      return `The link "${issue.link}" joins the ${bodyName(naming, issue.body)} with itself. Choose two different parts.`
    case 'coupler-engages-own-hub':
      return `The coupler "${issue.coupler}" locks the ${bodyName(naming, issue.body)} to itself. Choose the part that it is to lock.`
    case 'coupler-has-two-centres':
      return `The coupler "${issue.coupler}" has two positions that do nothing. One centre is enough.`
    case 'coupler-place-not-named':
      return `Position "${issue.position}" does not say where the coupler "${issue.coupler}" stands, and that coupler has no centre.`
    case 'position-repeats':
      return `Positions "${issue.other}" and "${issue.position}" put every coupler in the same place.`
    case 'output-is-input':
      return `The ${bodyName(naming, issue.body)} is both input and output. Choose another output.`
    case 'ends-reversed':
      return `The ${bodyName(naming, issue.member)} begins at ${issue.fromMm} mm and ends at ${issue.toMm} mm. It must end further on than it begins.`
    case 'gear-without-mesh':
      return `${gear(issue.gear)} meshes with nothing. Mesh it, or take it out.`
    case 'gear-off-its-member':
      return `${gear(issue.gear)} stands at ${issue.stationMm} mm, but its shaft runs from ${issue.fromMm} mm to ${issue.toMm} mm.`
    case 'position-interlocked':
      return `No lever reaches ${position(issue.position)}: the interlock keeps the ${coupler(issue.couplers[1])} at its centre while the ${coupler(issue.couplers[0])} is engaged. Change the position, or the interlock.`
    case 'position-forbidden': {
      const rule = draft.rules?.find(({ id }) => id === issue.rule)
      return `Position ${position(issue.position)} is forbidden: ${rule?.reason ?? issue.rule} Change the position, or the rule.`
    }
    case 'modules-differ':
      return `${pair(issue.link)} state modules of ${issue.moduleMm[0]} mm and ${issue.moduleMm[1]} mm; gears in mesh share one. Measure both again.`
    case 'centre-distance-differs':
      return `${pair(issue.link)} need a centre distance of ${formatLength(issue.centreDistanceMm, words.lengthUnit)}; ${pair(issue.other)} between the same shafts need ${formatLength(issue.otherCentreDistanceMm, words.lengthUnit)}. Check teeth, module and helix of both pairs.`
    case 'tooth-sums-differ':
      return `${pair(issue.link)} have ${issue.toothSum} teeth together; the other pair between these shafts, ${pair(issue.other)}, ${issue.otherToothSum}. Count both pairs again.`
    case 'tooth-sum-differs':
      return `${pair(issue.link)} have ${issue.toothSum} teeth together; the other pairs between these shafts have about ${issue.usualToothSum}. Count both again.`
    case 'piece-nowhere':
      return `The ${piece(issue.piece)} is said to belong to something that is no longer in the box. Say what it sits on or goes with, or take it out.`
    case 'bore-over-outside':
      return `The ${piece(issue.piece)} has a bore of ${length(issue.boreMm)} in an outside of ${length(issue.outsideMm)}. Measure both again.`
    case 'bore-under-shaft':
      return `The ${piece(issue.piece)} has a bore of ${length(issue.boreMm)}, but its shaft is ${length(issue.shaftMm)} thick there. Measure both again.`
    case 'piece-trapped':
      return `The ${piece(issue.piece)} comes off over neither end: on both sides its shaft is thicker than its bore of ${length(issue.boreMm)}. Check bore and steps, or say that it is split.`
    case 'piece-off-its-shaft':
      return `The ${piece(issue.piece)} stands at ${length(issue.stationMm)}, but its shaft runs from ${length(issue.fromMm)} to ${length(issue.toMm)}.`
    case 'piece-doubled':
      return `The ${piece(issue.piece)} is there twice: one place has one of them. Take one out.`
    case 'pieces-overlap':
      return `The ${piece(issue.piece)} stands ${length(issue.byMm)} deep in the ${partOf(issue.other)}. Check their lengths and stations.`
    case 'stack-longer-than-shaft':
      return `What stands on the ${bodyName(naming, issue.member)} is ${length(issue.stackMm)} long, the shaft ${length(issue.shaftMm)}. Check the lengths.`
  }
}

export function refusalWords(refusal: EditRefusal): string {
  switch (refusal.code) {
    case 'unknown-gear':
      return `There is no gear "${refusal.gear}" in this box any more. Load the page again.`
    case 'impossible-count':
      return `${refusal.toothCount} is not kept. ${TOOTH_COUNT_ADVICE}`
    case 'empty-name':
      return 'A box needs a name. The old one stays.'
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
        met.kind === 'field' ? `the box's ${FIELD_WORDS[met.field]}` : changedPart(naming, met)
      return `Meanwhile ${what} was changed elsewhere. That stands; yours is in the history. Look at it, and change it again if yours is right.`
    }
    case 'final-drive-not-placed':
      return `Meanwhile the final drive was set to ${finalDriveWords(conflict.theirs)} elsewhere. That stands; yours, ${finalDriveWords(conflict.yours)}, is in the history. Enter it again if yours is right.`
  }
}
