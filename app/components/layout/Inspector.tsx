import { Copy, Trash2 } from 'lucide-react'

import type { PartRef } from 'core'
import { duplicatePart, removePart } from 'core'

import type { Vocabulary } from '~/words/vocabulary.ts'
import { partTitle } from '~/views/layout/partTitle.ts'

import { AxisFields, MemberFields } from './MemberFields.tsx'
import { CouplerFields } from './CouplerFields.tsx'
import { GearFields } from './GearFields.tsx'
import { LinkFields } from './LinkFields.tsx'
import { InterlockFields, PositionFields, RuleFields } from './OtherFields.tsx'
import { PieceFields } from './PieceFields.tsx'
import type { Drafting } from './useDrafting.ts'

interface InspectorProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  /** Counts go in as counts, so that two people's disagree and nothing is lost. */
  readonly onCount: (gearId: string, toothCount: number | null) => void
}

const CAN_BE_COPIED = ['gears', 'couplers', 'members', 'pieces']

/** Everything that can be said of the selected part. */
export function Inspector({ drafting, words, onCount }: InspectorProps) {
  const { draft, selected, become, add, select } = drafting
  if (!selected)
    return (
      <p className="text-graphite">
        Choose a part in the drawing or in the table. Drag it along its axis; drag a gear on to
        another to bring them into mesh, and again to part them. With the keyboard: Tab to a part,
        arrows move it by 1 mm, with Shift by 10 mm, Delete takes it out.
      </p>
    )
  return (
    <section aria-label="Selected part" className="flex flex-col gap-3">
      <h2 className="text-[1.2rem]">{partTitle(draft, words, selected)}</h2>
      <PartFields
        key={`${selected.list}:${selected.id}`}
        drafting={drafting}
        part={selected}
        words={words}
        onCount={onCount}
      />
      <div className="border-rule flex flex-wrap gap-2 border-t pt-3">
        {CAN_BE_COPIED.includes(selected.list) && (
          <button
            type="button"
            className="button"
            onClick={() => {
              add(duplicatePart(draft, selected))
            }}
          >
            <Copy aria-hidden /> Duplicate
          </button>
        )}
        <button
          type="button"
          className="button"
          onClick={() => {
            become(removePart(draft, selected))
            select(undefined)
          }}
        >
          <Trash2 aria-hidden /> Take out
        </button>
      </div>
    </section>
  )
}

interface PartFieldsProps extends InspectorProps {
  readonly part: PartRef
}

function PartFields({ drafting, part, words, onCount }: PartFieldsProps) {
  const { draft } = drafting
  const found = <P extends { readonly id: string }>(
    parts: readonly P[] | undefined,
  ): P | undefined => parts?.find(({ id }) => id === part.id)
  const common = { drafting, words }
  switch (part.list) {
    case 'gears': {
      const gear = found(draft.gears)
      return gear ? <GearFields {...common} gear={gear} onCount={onCount} /> : null
    }
    case 'members': {
      const member = found(draft.members)
      return member ? <MemberFields {...common} member={member} /> : null
    }
    case 'axes': {
      const axis = found(draft.axes)
      return axis ? <AxisFields {...common} axis={axis} /> : null
    }
    case 'couplers': {
      const coupler = found(draft.couplers)
      return coupler ? <CouplerFields {...common} coupler={coupler} /> : null
    }
    case 'links': {
      const link = found(draft.links)
      return link ? <LinkFields {...common} link={link} /> : null
    }
    case 'positions': {
      const position = found(draft.positions)
      return position ? <PositionFields {...common} position={position} /> : null
    }
    case 'interlocks': {
      const interlock = found(draft.interlocks)
      return interlock ? <InterlockFields {...common} interlock={interlock} /> : null
    }
    case 'rules': {
      const rule = found(draft.rules)
      return rule ? <RuleFields {...common} rule={rule} /> : null
    }
    case 'pieces': {
      const piece = found(draft.pieces)
      return piece ? <PieceFields {...common} piece={piece} /> : null
    }
    case 'sheet':
    case 'precedences':
    case 'selectors':
    case 'interlockParts':
    case 'drums':
    case 'clutches':
    case 'leftWarnings':
      return null
  }
}
