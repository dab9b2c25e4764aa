import { Plus } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useMemo } from 'react'

import type { BoxDraft, PieceKind } from 'core'
import { PIECE_DEFINITIONS, PIECE_KINDS, addPiece, indexBox } from 'core'

import type { PartRef } from 'core'

import { proposalsOf, withProposed } from '~/views/layout/pieces.ts'
import { bodyName, couplerName } from '~/words/names.ts'
import { pieceKindWords } from '~/words/pieces.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { memberInHand } from './AddMenu.tsx'
import type { Drafting } from './useDrafting.ts'

/** Where the selected part stands along its shaft. */
function stationInHand(draft: BoxDraft, selected: PartRef | undefined): number | undefined {
  const all = [...draft.gears, ...draft.couplers, ...(draft.pieces ?? [])]
  return all.find(({ id }) => id === selected?.id)?.stationMm
}

/** The coupler that is selected, or to which the selected part belongs. */
function couplerInHand({ draft, selected }: Drafting) {
  const piece = draft.pieces?.find(({ id }) => selected?.list === 'pieces' && id === selected.id)
  const wanted = selected?.list === 'couplers' ? selected.id : piece?.coupler
  return draft.couplers.find(({ id }) => id === wanted)
}

interface Item {
  readonly title: string
  readonly choose: () => void
}

/** Bearings, washers, rings and the rest: all that the drawing tells of, or one. */
export function AddPieceMenu({
  drafting,
  words,
}: {
  readonly drafting: Drafting
  readonly words: Vocabulary
}) {
  const { draft } = drafting
  const proposals = useMemo(() => proposalsOf(draft), [draft])
  const groups = [
    { label: 'What the drawing tells of', items: proposedItems(drafting, words, proposals) },
    ...singleGroups(drafting, words),
  ]
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button">
        <Plus aria-hidden /> Bearings, rings…
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="start"
        side="top"
        className="bg-sheet border-ink z-40 max-h-(--radix-dropdown-menu-content-available-height) min-w-[19rem] overflow-auto border-2 p-1"
        aria-label="Bearings, rings and other parts to add"
      >
        {groups
          .filter(({ items }) => items.length > 0)
          .map(({ label, items }) => (
            <DropdownMenu.Group key={label} aria-label={label}>
              <DropdownMenu.Label className="text-graphite px-3 pt-2 text-[0.86rem] font-semibold">
                {label}
              </DropdownMenu.Label>
              {items.map(({ title, choose }) => (
                <DropdownMenu.Item key={title} onSelect={choose} className="menu-item outline-none">
                  {title}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          ))}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  )
}

/** All that is proposed at once, then kind by kind. */
function proposedItems(
  { draft, become }: Drafting,
  words: Vocabulary,
  proposals: ReturnType<typeof proposalsOf>,
): readonly Item[] {
  if (proposals.length === 0) return []
  const total = proposals.reduce((sum, { pieces }) => sum + pieces.length, 0)
  const add = (kinds: readonly PieceKind[]) => () => {
    become(withProposed(draft, new Set(kinds)))
  }
  return [
    { title: `All of it: ${total} parts`, choose: add(proposals.map(({ kind }) => kind)) },
    ...proposals.map(({ kind, pieces }) => ({
      title: `${pieces.length} × ${pieceKindWords(words, kind)}`,
      choose: add([kind]),
    })),
  ]
}

/** One of a kind: on the shaft in hand, for the coupler in hand, or in the case. */
function singleGroups(drafting: Drafting, words: Vocabulary) {
  const { draft, selected, add } = drafting
  const naming = { box: indexBox(draft), words }
  const member = memberInHand(drafting)
  const coupler = couplerInHand(drafting)
  const shaft = draft.members.find(({ id }) => id === member)
  const stationMm =
    stationInHand(draft, selected) ?? (shaft && Math.round((shaft.fromMm + shaft.toMm) / 2))
  const one = (sits: readonly string[], place: Parameters<typeof addPiece>[2]): readonly Item[] =>
    PIECE_KINDS.filter((kind) => sits.includes(PIECE_DEFINITIONS[kind].sits)).map((kind) => ({
      title: pieceKindWords(words, kind),
      choose: () => {
        add(addPiece(draft, kind, place))
      },
    }))
  return [
    ...(coupler
      ? [
          {
            label: `One for the ${couplerName(naming, coupler)}`,
            items: one(['coupler', 'selector', 'clutch'], { coupler: coupler.id }),
          },
        ]
      : []),
    ...(member === undefined
      ? []
      : [
          {
            label: `One on the ${bodyName(naming, member)}`,
            items: one(['shaft'], {
              on: member,
              ...(stationMm !== undefined && { stationMm }),
            }),
          },
        ]),
    ...(shaft?.kind === 'differential-case'
      ? [
          {
            label: `One in the ${bodyName(naming, shaft.id)}`,
            items: one(['differential'], { on: shaft.id }),
          },
        ]
      : []),
    { label: 'One in the case', items: one(['case'], {}) },
    ...(coupler
      ? []
      : [{ label: 'One of the clutch or the drum', items: one(['selector', 'clutch'], {}) }]),
  ]
}
