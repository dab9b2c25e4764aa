import { ArrowDown, ArrowUp } from 'lucide-react'

import type { Axis, BoxDraft, Member } from 'core'
import { AXIS, MEMBER, freshId, indexBox, moveLane, removePart, setTwins, toggleOutput } from 'core'

import type { LengthUnit } from '~/words/format.ts'
import { bodyName, capitalize, lineName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { CheckField, EntryField, SelectField } from '~/components/Fields.tsx'
import { StepFields } from './StepFields.tsx'
import type { Drafting } from './useDrafting.ts'

interface MemberFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly member: Member
}

/** Holds a body to the case, or lets go of it. */
function toggleHeld(draft: BoxDraft, body: string): BoxDraft {
  const held = draft.links.find((link) => link.kind === 'held' && link.body === body)
  return held
    ? removePart(draft, { list: 'links', id: held.id })
    : { ...draft, links: [...draft.links, { id: freshId(draft, 'held'), kind: 'held', body }] }
}

/** Changes some of a member; answers that nothing is wrong with it. */
type PutMember = (change: Partial<Member>) => null

export function MemberFields({ drafting, words, member }: MemberFieldsProps) {
  const { draft, become } = drafting
  const put: PutMember = (change) => {
    become(withPart(draft, 'members', { ...member, ...change }))
    return null
  }
  const naming = { box: indexBox(draft), words }
  const entries = { naming, fields: MEMBER, of: member, onChange: put }
  const gears = draft.gears.filter((gear) => gear.member === member.id)
  const [twin] = gears.flatMap(({ twinOf }) => naming.box.gears.get(twinOf ?? '')?.member ?? [])
  const others = draft.members.filter(
    ({ id, axis }) => axis !== member.axis && draft.gears.some((gear) => gear.member === id),
  )
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries {...entries} names={['name', 'kind', 'fromMm', 'toMm']} />
        <BearingFields member={member} unit={words.lengthUnit} put={put} />
        <FieldEntries
          {...entries}
          names={['axis']}
          shown={{
            axis: {
              label: 'Line',
              options: draft.axes.map(({ id }, at) => [id, `${at + 1}: ${lineName(naming, id)}`]),
            },
          }}
        />
        {gears.length > 0 && (
          <SelectField
            label="Twin of, counted once"
            value={twin ?? ''}
            options={[
              ['', 'no other shaft'],
              ...others.map(({ id }) => [id, capitalize(bodyName(naming, id))] as const),
            ]}
            onChange={(id) => {
              become(setTwins(draft, member.id, id === '' ? undefined : id))
            }}
          />
        )}
        <LaneButtons drafting={drafting} member={member} />
      </div>
      <MemberFlags drafting={drafting} member={member}>
        <FieldEntries {...entries} names={['isHollow']} />
      </MemberFlags>
      <StepFields drafting={drafting} words={words} member={member} />
    </>
  )
}

interface BearingFieldsProps {
  readonly member: Member
  readonly unit: LengthUnit
  readonly put: PutMember
}

/** Where its bearings stand. */
function BearingFields({ member, unit, put }: BearingFieldsProps) {
  return ([0, 1] as const).map((which) => (
    <EntryField
      key={`bearing ${which} ${member.bearingsMm?.[which]} ${unit}`}
      label={which === 0 ? 'First bearing' : 'Second bearing'}
      unit={unit}
      inputMode="decimal"
      value={member.bearingsMm ? lengthText(member.bearingsMm[which], unit) : ''}
      onCommit={(text) => {
        if (text.trim() === '') return put({ bearingsMm: undefined })
        const length = parseLength(text, unit)
        if (!length.ok) return length.sentence
        const [first, second] = member.bearingsMm ?? [member.fromMm, member.toMm]
        const bearingsMm: [number, number] =
          which === 0 ? [length.value, second] : [first, length.value]
        return bearingsMm[0] < bearingsMm[1]
          ? put({ bearingsMm })
          : 'The first bearing stands nearer the input end.'
      }}
    />
  ))
}

/** Puts the line that a member lies on above or below its neighbour. */
function LaneButtons({
  drafting: { draft, become },
  member,
}: Pick<MemberFieldsProps, 'drafting' | 'member'>) {
  const lane = draft.axes.findIndex(({ id }) => id === member.axis)
  return (
    <div className="flex items-end gap-1">
      {(
        [
          [-1, 'Line up', ArrowUp],
          [1, 'Line down', ArrowDown],
        ] as const
      ).map(([by, title, Icon]) => (
        <button
          key={title}
          type="button"
          className="button flex-1"
          aria-label={title}
          disabled={!draft.axes[lane + by]}
          onClick={() => {
            become(moveLane(draft, member.axis, by))
          }}
        >
          <Icon aria-hidden />
        </button>
      ))}
    </div>
  )
}

interface MemberFlagsProps extends Pick<MemberFieldsProps, 'drafting' | 'member'> {
  readonly children: React.ReactNode
}

/** What it is to the power, and to the case. */
function MemberFlags({ drafting: { draft, become }, member, children }: MemberFlagsProps) {
  return (
    <div className="grid grid-cols-2">
      <CheckField
        label="Power enters here"
        isChecked={draft.input === member.id}
        onChange={() => {
          become({ ...draft, input: member.id })
        }}
      />
      <CheckField
        label="Power leaves here"
        isChecked={draft.outputs.includes(member.id)}
        onChange={() => {
          become(toggleOutput(draft, member.id))
        }}
      />
      {children}
      <CheckField
        label="Held to the case"
        isChecked={draft.links.some((link) => link.kind === 'held' && link.body === member.id)}
        onChange={() => {
          become(toggleHeld(draft, member.id))
        }}
      />
    </div>
  )
}

export function AxisFields({ drafting: { draft, become }, words, axis }: AxisFieldsProps) {
  return (
    <FieldEntries
      naming={{ box: indexBox(draft), words }}
      fields={AXIS}
      of={axis}
      names={['name']}
      onChange={(change) => {
        become(withPart(draft, 'axes', { ...axis, ...change }))
        return null
      }}
    />
  )
}

interface AxisFieldsProps extends Omit<MemberFieldsProps, 'member'> {
  readonly axis: Axis
}
