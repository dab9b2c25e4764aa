import { useDraggable, useDroppable } from '@dnd-kit/core'
import clsx from 'clsx'

import type { PartRef } from 'core'
import { movePart, removePart } from 'core'

import type { Handle } from '~/views/layout/handles.ts'
import { formatPartRef } from '~/views/layout/partRef.ts'

import type { Drafting } from './useDrafting.ts'

/** What an arrow key moves a part by, alone and with Shift. */
const STEP_MM = { small: 1, large: 10 }

interface PartHandleProps {
  readonly handle: Handle
  readonly drafting: Drafting
  readonly title: string
  readonly isTroubled: boolean
  /** A count is to be typed in place, beginning with this digit. */
  readonly onType: (first: string) => void
}

function canMove({ list }: PartRef): boolean {
  return list !== 'links'
}

/** Does what a key asks of a part; false where it asks nothing. */
function takeKey(
  { key, shiftKey }: React.KeyboardEvent,
  { part }: Handle,
  { draft, select, become }: Drafting,
  onType: (typed: string) => void,
): boolean {
  const step = shiftKey ? STEP_MM.large : STEP_MM.small
  if (key === 'Enter' || key === ' ') select(part)
  else if (key === 'ArrowLeft' && canMove(part)) become(movePart(draft, part, -step))
  else if (key === 'ArrowRight' && canMove(part)) become(movePart(draft, part, step))
  else if (key === 'Delete') become(removePart(draft, part))
  else if (/^\d$/.test(key)) onType(key)
  else return false
  return true
}

/** Something in the drawing that can be chosen, moved by pointer and keys, and taken out. */
export function PartHandle({ handle, drafting, title, isTroubled, onType }: PartHandleProps) {
  const { part, x, y, width, height } = handle
  const { selected, select } = drafting
  const id = formatPartRef(part)
  const isSelected = selected?.list === part.list && selected.id === part.id
  const drag = useDraggable({ id, disabled: !canMove(part) })
  const drop = useDroppable({ id, disabled: part.list !== 'gears' })
  const shift = drag.transform
  return (
    <g
      ref={(element) => {
        // The library wants an HTML element but only measures it.
        drag.setNodeRef(element as unknown as HTMLElement)
        drop.setNodeRef(element as unknown as HTMLElement)
      }}
      {...drag.listeners}
      role="button"
      tabIndex={0}
      aria-label={title}
      aria-pressed={isSelected}
      className={clsx(
        'handle',
        isSelected && 'selected',
        drag.isDragging && 'dragging',
        drop.isOver && !drag.isDragging && 'target',
      )}
      data-part={id}
      onClick={() => {
        select(part)
      }}
      onDoubleClick={() => {
        onType('')
      }}
      onKeyDown={(event) => {
        if (!takeKey(event, handle, drafting, onType)) return
        event.preventDefault()
        event.stopPropagation()
      }}
    >
      <title>{title}</title>
      <rect x={x} y={y} width={width} height={height} />
      {drag.isDragging && shift && (
        <line
          className="reach"
          x1={x + width / 2}
          y1={y + height / 2}
          x2={x + width / 2 + shift.x}
          y2={y + height / 2 + shift.y}
        />
      )}
      {isTroubled && <TroubleMark atX={x + width / 2} atY={y} />}
    </g>
  )
}

/** Stands over a part that something is wrong with. */
function TroubleMark({ atX, atY }: { readonly atX: number; readonly atY: number }) {
  return (
    <g className="mark" aria-hidden>
      <path d={`M${atX} ${atY - 34}l13 24h-26z`} />
      <text x={atX} y={atY - 14} textAnchor="middle">
        !
      </text>
    </g>
  )
}
