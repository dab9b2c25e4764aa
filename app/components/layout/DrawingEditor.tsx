import type { DragEndEvent } from '@dnd-kit/core'
import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import clsx from 'clsx'
import { useRef, useState } from 'react'

import type { BoxIssue, PairKind, PartRef, Section } from 'core'
import { bodyOfGear, leftWarning, movePart, pairsOf, removePart, toggleMesh } from 'core'

import type { Layers } from '~/views/section/layers.ts'
import { parseCount } from '~/views/count/parseCount.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Scale } from '~/views/section/scale.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { formatPartRef, parsePartRef, partOfIssue } from '~/views/layout/partRef.ts'
import { partTitle } from '~/views/layout/partTitle.ts'
import type { Drafting } from './useDrafting.ts'

/** A press that moves no further than this, in pixels, is a choice and not a drag. */
const DRAG_DISTANCE_PX = 5
/** What an arrow key moves a part by, alone and with Shift. */
const STEP_MM = { small: 1, large: 10 }
/** How much of a worm can be taken hold of. */
const THREAD_WIDTH_MM = 24
/** A coupler is taken hold of by its sleeve, over the shaft. */
const COUPLER = { widthMm: 26, heightMm: 18 }

interface DrawingEditorProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly issues: readonly BoxIssue[]
  readonly onCount: (gearId: string, toothCount: number | null) => void
  readonly layers: Layers
  readonly title: string
}

/** One thing in the drawing that can be taken hold of. */
interface Handle {
  readonly part: PartRef
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** The drawing with parts that can be chosen, moved along their axis and brought into mesh. */
export function DrawingEditor(props: DrawingEditorProps) {
  const { drafting, words, issues, onCount, layers, title } = props
  const { draft, selected, select, become } = drafting
  const [typing, setTyping] = useState<Typing>()
  const frame = useRef<HTMLDivElement>(null)
  const scaleRef = useRef<Scale>(null)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_DISTANCE_PX } }),
  )

  const troubled = new Set(
    issues.flatMap((issue) => {
      const part = partOfIssue(draft, issue)
      if (!part || leftWarning(draft, issue)) return []
      const link = part.list === 'links' ? draft.links.find(({ id }) => id === part.id) : undefined
      const pairs = link ? pairsOf(link) : []
      return pairs.length > 0 ? pairs.flatMap(({ a, b }) => [a, b]) : [part.id]
    }),
  )

  const handles = (section: Section, scale: Scale): readonly Handle[] => {
    scaleRef.current = scale
    const box = (
      part: PartRef,
      middleXMm: number,
      widthMm: number,
      middleYMm: number,
      heightMm: number,
    ): Handle => ({
      part,
      x: scale.x(middleXMm - widthMm / 2),
      width: widthMm * scale.perMmX,
      y: scale.y(middleYMm - heightMm / 2),
      height: heightMm * scale.perMmY,
    })
    return [
      ...section.members.map(({ member, yMm, radiusMm }) =>
        box(
          { list: 'members', id: member.id },
          (member.fromMm + member.toMm) / 2,
          member.toMm - member.fromMm,
          yMm,
          2 * radiusMm,
        ),
      ),
      ...section.gears.map(({ gear, yMm, widthMm, radiusMm }) =>
        box({ list: 'gears', id: gear.id }, gear.stationMm, widthMm, yMm, 2 * radiusMm),
      ),
      ...section.couplers.map(({ coupler, yMm, baseRadiusMm }) =>
        box(
          { list: 'couplers', id: coupler.id },
          coupler.stationMm,
          COUPLER.widthMm,
          yMm - baseRadiusMm - COUPLER.heightMm / 2,
          COUPLER.heightMm,
        ),
      ),
      ...section.planetaries.map(({ link, yMm, stationMm, sunRadiusMm, ringRadiusMm }) =>
        box(
          { list: 'links', id: link.id },
          stationMm,
          10,
          yMm - (sunRadiusMm + ringRadiusMm) / 2,
          ringRadiusMm - sunRadiusMm,
        ),
      ),
      ...section.differentials.map(({ link, yMm, stationMm }) =>
        box({ list: 'links', id: link.id }, stationMm, 26, yMm, 30),
      ),
      ...section.worms.map(({ link, yMm, stationMm, radiusMm }) =>
        box({ list: 'links', id: link.id }, stationMm, THREAD_WIDTH_MM, yMm, 2 * radiusMm),
      ),
      ...section.pieces.map(({ piece, yMm, fromMm, toMm, innerMm, outerMm }) =>
        box(
          { list: 'pieces', id: piece.id },
          (fromMm + toMm) / 2,
          toMm - fromMm,
          // On one side of the shaft, so that shaft and gear can be taken hold of on the other.
          yMm + (innerMm + outerMm) / 2,
          outerMm - innerMm,
        ),
      ),
    ]
  }

  const finishDrag = ({ active, over, delta }: DragEndEvent): void => {
    const scale = scaleRef.current
    const svg = frame.current?.querySelector('svg')
    const part = parsePartRef(draft, String(active.id))
    if (!scale || !svg || !part) return
    const mate = over ? parsePartRef(draft, String(over.id)) : undefined
    const kind = mate && meshKindFor(drafting, part, mate)
    if (mate && kind) {
      become(toggleMesh(draft, part.id, mate.id, kind))
      return
    }
    const perUnit = svg.getScreenCTM()?.a ?? 1
    const byMm = Math.round(delta.x / perUnit / scale.perMmX)
    if (byMm !== 0) become(movePart(draft, part, byMm))
  }

  return (
    <div ref={frame} className="h-full min-h-0">
      <DndContext
        id="drawing"
        sensors={sensors}
        collisionDetection={pointerWithin}
        onDragStart={({ active }) => {
          select(parsePartRef(draft, String(active.id)))
        }}
        onDragEnd={finishDrag}
      >
        <SectionDrawing
          draft={draft}
          words={words}
          layers={layers}
          title={title}
          overlay={(section, scale) => [
            ...handles(section, scale).map((handle) => (
              <PartHandle
                key={`${handle.part.list}:${handle.part.id}`}
                handle={handle}
                title={partTitle(draft, words, handle.part)}
                isSelected={selected?.list === handle.part.list && selected.id === handle.part.id}
                isTroubled={troubled.has(handle.part.id)}
                onSelect={() => {
                  select(handle.part)
                }}
                onMove={(byMm) => {
                  become(movePart(draft, handle.part, byMm))
                }}
                onRemove={() => {
                  become(removePart(draft, handle.part))
                }}
                onType={(first) => {
                  if (handle.part.list !== 'gears') return
                  select(handle.part)
                  setTyping({ handle, first })
                }}
              />
            )),
            typing && (
              <CountInPlace
                key="typing"
                typing={typing}
                onDone={(toothCount) => {
                  if (toothCount !== undefined) onCount(typing.handle.part.id, toothCount)
                  setTyping(undefined)
                  frame.current
                    ?.querySelector<SVGElement>(`[data-part="gears:${typing.handle.part.id}"]`)
                    ?.focus()
                }}
              />
            ),
          ]}
        />
      </DndContext>
    </div>
  )
}

/** A gear whose count is being typed in the drawing. */
interface Typing {
  readonly handle: Handle
  readonly first: string
}

/** Size of the field in the drawing, in viewBox units. */
const FIELD = { width: 84, height: 52 }

function CountInPlace({
  typing: { handle, first },
  onDone,
}: {
  readonly typing: Typing
  readonly onDone: (toothCount?: number | null) => void
}) {
  const [text, setText] = useState(first)
  const [isRefused, setIsRefused] = useState(false)
  const commit = () => {
    const entry = parseCount(text)
    if (text !== '' && !entry.ok) setIsRefused(true)
    else onDone(entry.ok && text !== '' ? entry.toothCount : undefined)
  }
  return (
    <foreignObject
      x={handle.x + handle.width / 2 - FIELD.width / 2}
      y={handle.y + handle.height / 2 - FIELD.height / 2}
      width={FIELD.width}
      height={FIELD.height}
    >
      <input
        aria-label="Teeth"
        aria-invalid={isRefused}
        className="field h-full text-center text-[1.4rem] font-bold"
        inputMode="numeric"
        autoFocus
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setIsRefused(false)
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          event.stopPropagation()
          if (event.key === 'Enter') commit()
          if (event.key === 'Escape') onDone()
        }}
      />
    </foreignObject>
  )
}

/** How two gears would mesh; undefined when the drop means nothing of the kind. */
function meshKindFor({ draft }: Drafting, part: PartRef, mate: PartRef): PairKind | undefined {
  if (part.list !== 'gears' || mate.list !== 'gears' || part.id === mate.id) return undefined
  const [one, other] = [part, mate].map(({ id }) => draft.gears.find((gear) => gear.id === id))
  if (!one || !other || bodyOfGear(one) === bodyOfGear(other)) return undefined
  const axisOf = (memberId: string) => draft.members.find(({ id }) => id === memberId)?.axis
  return axisOf(one.member) === axisOf(other.member) ? undefined : 'external-mesh'
}

interface PartHandleProps {
  readonly handle: Handle
  readonly title: string
  readonly isSelected: boolean
  readonly isTroubled: boolean
  readonly onSelect: () => void
  readonly onMove: (byMm: number) => void
  readonly onRemove: () => void
  /** A count is to be typed in place, beginning with this digit. */
  readonly onType: (first: string) => void
}

function PartHandle(props: PartHandleProps) {
  const { handle, title, isSelected, isTroubled, onSelect, onMove, onRemove, onType } = props
  const { part, x, y, width, height } = handle
  const id = formatPartRef(part)
  const canMove = part.list !== 'links'
  const drag = useDraggable({ id, disabled: !canMove })
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
      onClick={onSelect}
      onDoubleClick={() => {
        onType('')
      }}
      onKeyDown={(event) => {
        const step = event.shiftKey ? STEP_MM.large : STEP_MM.small
        if (event.key === 'Enter' || event.key === ' ') onSelect()
        else if (event.key === 'ArrowLeft' && canMove) onMove(-step)
        else if (event.key === 'ArrowRight' && canMove) onMove(step)
        else if (event.key === 'Delete') onRemove()
        else if (/^\d$/.test(event.key)) onType(event.key)
        else return
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
      {isTroubled && (
        <g className="mark" aria-hidden>
          <path d={`M${x + width / 2} ${y - 34}l13 24h-26z`} />
          <text x={x + width / 2} y={y - 14} textAnchor="middle">
            !
          </text>
        </g>
      )}
    </g>
  )
}
