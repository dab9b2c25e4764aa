/** What was done to a box, in words. */
import type { BoxDraft, Change, Edit, Part, PartList } from 'core'
import { BOX, checkBox, fieldsOfPart, indexBox, warningKey } from 'core'

import { LIST_WORDS, changedPartName, withPartsOf } from './changedPart.ts'
import { formatTeeth } from './format.ts'
import { issueWords } from './issues.ts'
import type { Naming } from './names.ts'
import { capitalize, gearName } from './names.ts'
import { valueWords } from './fields.ts'
import type { Vocabulary } from './vocabulary.ts'

/** Who made an edit; empty where nobody said. */
export function originWords({ by }: { readonly by: string }): string {
  return by === '' ? '' : `by ${by}`
}

function fieldsChanged(naming: Naming, list: PartList, before: Part, after: Part): string {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter((key) => JSON.stringify(before[key] ?? null) !== JSON.stringify(after[key] ?? null))
    .map((key) => {
      const field = fieldsOfPart(list, after)[key] ?? fieldsOfPart(list, before)[key]
      if (!field) return 'something that this Udrix does not know'
      const [was, is] = [before[key], after[key]].map((value) => valueWords(naming, field, value))
      const name = field.word
      return was === 'changed' || is === 'changed' ? `${name} changed` : `${name} ${was} → ${is}`
    })
    .join(', ')
}

/** The warning in full while the box still has it. */
function leftWarningWords(
  draft: BoxDraft,
  words: Vocabulary,
  { id, after }: Extract<Change, { readonly kind: 'part' }>,
): string {
  const checked = checkBox(draft)
  const issue = (checked.ok ? checked.warnings : []).find((each) => warningKey(each) === id)
  const said = issue ? issueWords(draft, issue, words) : 'its figures are others now'
  return `${after ? 'Warning left as it is' : 'Warned again'}: ${said}`
}

/** One change in a few words, without a full stop; its part is called as in `named`. */
function changeWords(draft: BoxDraft, named: BoxDraft, words: Vocabulary, change: Change): string {
  switch (change.kind) {
    case 'field': {
      const field = BOX[change.field]
      const [was, is] = [change.before, change.after].map((value) =>
        valueWords({ box: indexBox(named), words }, field, value),
      )
      const name = capitalize(field.word)
      return was === 'changed' || is === 'changed' ? `${name} changed` : `${name}: ${was} → ${is}`
    }
    case 'order':
      return `${capitalize(LIST_WORDS[change.list])}s put in another order`
    case 'part': {
      if (change.list === 'leftWarnings') return leftWarningWords(draft, words, change)
      const naming = { box: indexBox(named), words }
      const name = changedPartName(naming, change)
      if (!change.before) return `Added: ${name}`
      if (!change.after) return `Taken out: ${name}`
      return `${capitalize(name)}: ${fieldsChanged(naming, change.list, change.before, change.after)}`
    }
  }
}

/** What was changed together, a line each, without full stops. */
export function changesWords(
  draft: BoxDraft,
  words: Vocabulary,
  changes: readonly Change[],
): readonly string[] {
  const named = withPartsOf(draft, changes)
  return changes.map((change) => changeWords(draft, named, words, change))
}

/** One edit in the history, as a line or several. */
export function editWords(
  draft: BoxDraft,
  words: Vocabulary,
  edit: Edit | null,
): readonly string[] {
  if (!edit) return ['A change that this Udrix does not know']
  const gear = (id: string): string => {
    const naming = { box: indexBox(draft), words }
    const found = naming.box.gears.get(id)
    return capitalize(found ? gearName(naming, found) : id)
  }
  switch (edit.kind) {
    case 'count': {
      const count = edit.toothCount === null ? 'count taken back' : formatTeeth(edit.toothCount)
      return [`${gear(edit.gear)}: ${edit.reading === 'second' ? 'second count, ' : ''}${count}`]
    }
    case 'settle':
      return [`${gear(edit.gear)}: settled at ${formatTeeth(edit.toothCount)}`]
    case 'rename':
      return [`Name: ${edit.base} → ${edit.name}`]
    case 'final-drive':
      return [
        edit.finalDrive
          ? `Final drive: ${edit.finalDrive.drivenToothCount} on ${edit.finalDrive.drivingToothCount} teeth`
          : 'Final drive taken out',
      ]
    case 'change':
      return changesWords(draft, words, edit.changes)
  }
}
