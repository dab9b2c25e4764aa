/** What was done to a box, in words. */
import type { BoxDraft, Change, Edit, Field, Fields } from 'core'
import { BOX, checkBox, fieldsOfPart, indexBox, ordinal, warningKey } from 'core'

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

type Values = Readonly<Record<string, unknown>>

/** Changes within one field that are told one by one; more are told as one. */
const MOST_TOLD = 4

const isSame = (one: unknown, other: unknown): boolean =>
  JSON.stringify(one ?? null) === JSON.stringify(other ?? null)

/** What is another in a thing, field by field. */
function fieldsChanged(naming: Naming, fields: Fields, before: Values, after: Values): string[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter((key) => !isSame(before[key], after[key]))
    .map((key) => {
      const field = fields[key]
      return field
        ? fieldChanged(naming, field, before[key], after[key])
        : 'something that this Udrix does not know'
    })
}

function fieldChanged(naming: Naming, field: Field, before: unknown, after: unknown): string {
  const { word } = field
  const inside =
    field.type === 'group'
      ? fieldsChanged(naming, field.fields, asValues(before), asValues(after))
      : field.type === 'list' && field.of.type === 'group'
        ? partsChanged(naming, field.of.fields, asList(before), asList(after))
        : undefined
  if (inside) {
    // Of a list in another order, and of what has nothing in it, there is nothing to tell one by one.
    const isTold = inside.length > 0 && inside.length <= MOST_TOLD
    return isTold ? `${word}: ${inside.join('; ')}` : `${word} changed`
  }
  const [was, is] = [before, after].map((value) => valueWords(naming, field, value))
  return was === 'changed' || is === 'changed' ? `${word} changed` : `${word} ${was} → ${is}`
}

// What a field holds is of its type.
const asValues = (value: unknown): Values => (value ?? {}) as Values
const asList = (value: unknown): readonly Values[] => (value ?? []) as readonly Values[]

/** What is another in a list of things within a part: those with an id by that, others by their number. */
function partsChanged(
  naming: Naming,
  fields: Fields,
  before: readonly Values[],
  after: readonly Values[],
): readonly string[] {
  const byKey = (list: readonly Values[]): ReadonlyMap<string, Values> =>
    new Map(list.map((each, at) => [typeof each.id === 'string' ? each.id : `${at}`, each]))
  const [old, now] = [byKey(before), byKey(after)]
  const isNamed = fields.id?.type === 'own-id' && fields.id.isName === true
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((key, at) => {
    const [was, is] = [old.get(key), now.get(key)]
    const name = isNamed ? key : `the ${ordinal(at + 1)}`
    if (!was || !is) return `${name} ${is ? 'added' : 'taken out'}`
    return isSame(was, is) ? [] : `${name} ${fieldsChanged(naming, fields, was, is).join(', ')}`
  })
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
      const { before, after } = change
      const said = fieldChanged({ box: indexBox(named), words }, BOX[change.field], before, after)
      return capitalize(said)
    }
    case 'order':
      return `${capitalize(LIST_WORDS[change.list])}s put in another order`
    case 'part': {
      if (change.list === 'leftWarnings') return leftWarningWords(draft, words, change)
      const naming = { box: indexBox(named), words }
      const name = changedPartName(naming, change)
      if (!change.before) return `Added: ${name}`
      if (!change.after) return `Taken out: ${name}`
      return `${capitalize(name)}: ${fieldsChanged(naming, fieldsOfPart(change.list, change.after), change.before, change.after).join(', ')}`
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
