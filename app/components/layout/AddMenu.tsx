import { Plus } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'

import type { Added, BoxDraft } from 'core'
import {
  addCoupler,
  addDifferential,
  addGear,
  addIdler,
  addMember,
  addPlanetary,
  addWorm,
  freshId,
} from 'core'

import { bodyName } from '~/words/names.ts'
import { indexBox } from 'core'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { Drafting } from './useDrafting.ts'

/** The member that new parts go on: the selected one, that of the selected gear or coupler, or the first. */
export function memberInHand({ draft, selected }: Drafting): string | undefined {
  const gear = draft.gears.find(({ id }) => selected?.list === 'gears' && id === selected.id)
  const coupler = draft.couplers.find(
    ({ id }) => selected?.list === 'couplers' && id === selected.id,
  )
  const wanted = gear?.member ?? coupler?.hub ?? selected?.id
  return (draft.members.find(({ id }) => id === wanted) ?? draft.members[0])?.id
}

function addInterlock(draft: BoxDraft): Added {
  const id = freshId(draft, 'interlock')
  const interlocks = [...(draft.interlocks ?? []), { id, couplers: [] }]
  return { draft: { ...draft, interlocks }, added: { list: 'interlocks', id } }
}

function addRule(draft: BoxDraft): Added {
  const id = freshId(draft, 'rule')
  const rules = [...(draft.rules ?? []), { id, forbids: {}, reason: 'Not to be used together.' }]
  return { draft: { ...draft, rules }, added: { list: 'rules', id } }
}

interface AddMenuProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
}

/** What can be added and how; null where there is nothing to add it to. */
type AddItem = readonly [title: string, build: (() => Added) | null]

function addItems({ drafting, words }: AddMenuProps): readonly AddItem[] {
  const { draft, selected } = drafting
  const member = memberInHand(drafting)
  const on =
    member === undefined ? '' : ` on the ${bodyName({ box: indexBox(draft), words }, member)}`
  const gear = draft.gears.find(({ id }) => selected?.list === 'gears' && id === selected.id)
  const axis = draft.members.find(({ id }) => id === member)?.axis ?? null
  const onMember = (build: (memberId: string) => Added): (() => Added) | null =>
    member === undefined ? null : () => build(member)
  return [
    [`Gear${on}`, onMember((id) => addGear(draft, id))],
    ['Shaft on a line of its own', () => addMember(draft, 'shaft', null)],
    ['Shaft on the same line', axis === null ? null : () => addMember(draft, 'shaft', axis)],
    ['Cluster on a line of its own', () => addMember(draft, 'cluster', null)],
    ['Idler', () => addIdler(draft, gear?.stationMm ?? 100)],
    [`Sleeve${on}`, onMember((id) => addCoupler(draft, 'synchronizer', id))],
    [`Dog ring${on}`, onMember((id) => addCoupler(draft, 'dog-ring', id))],
    [`Clutch${on}`, onMember((id) => addCoupler(draft, 'friction-clutch', id))],
    [`Planetary set${on}`, onMember((id) => addPlanetary(draft, id))],
    [
      `Planetary set, planets in pairs,${on}`,
      onMember((id) => addPlanetary(draft, id, 'double-planetary')),
    ],
    [
      `Planetary set, stepped planets,${on}`,
      onMember((id) => addPlanetary(draft, id, 'stepped-planetary')),
    ],
    [`Worm${on}, with its wheel`, onMember((id) => addWorm(draft, id))],
    [`Differential${on}`, onMember((id) => addDifferential(draft, id))],
    ['Interlock', () => addInterlock(draft)],
    ['Rule against a combination', () => addRule(draft)],
  ]
}

/** Everything that can be added to a drawing. */
export function AddMenu({ drafting, words }: AddMenuProps) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button button-main">
        <Plus aria-hidden /> Add a part
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="start"
        side="top"
        className="bg-sheet border-ink z-40 max-h-(--radix-dropdown-menu-content-available-height) min-w-[17rem] overflow-auto border-2 p-1"
        aria-label="Parts to add"
      >
        {addItems({ drafting, words }).map(([title, build]) => (
          <DropdownMenu.Item
            key={title}
            disabled={build === null}
            onSelect={() => {
              drafting.add(build?.())
            }}
            className="menu-item data-disabled:text-steel outline-none"
          >
            {title}
          </DropdownMenu.Item>
        ))}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  )
}
