import type { DragEndEvent } from '@dnd-kit/core'
import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core'
import { useMemo, useRef, useState } from 'react'

import type { BoxDraft, BoxIssue, PairKind, PartRef } from 'core'
import { bodyOfGear, movePart, toggleMesh } from 'core'

import type { Layers } from '~/views/section/layers.ts'
import { parseCount } from '~/views/count/parseCount.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Scale } from '~/views/section/scale.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { Handle } from '~/views/layout/handles.ts'
import { handlesOf } from '~/views/layout/handles.ts'
import { parsePartRef, troubledParts } from '~/views/layout/partRef.ts'
import { partTitle } from '~/views/layout/partTitle.ts'
import { PartHandle } from './PartHandle.tsx'
import type { Drafting } from './useDrafting.ts'

/** A press that moves no further than this, in pixels, is a choice and not a drag. */
const DRAG_DISTANCE_PX = 5
interface DrawingEditorProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly issues: readonly BoxIssue[]
  readonly onCount: (gearId: string, toothCount: number | null) => void
  readonly layers: Layers
  readonly title: string
}

/** The box after a part was dragged: brought into mesh with what it was let go on, or moved along. */
function draftAfterDrag(
  { active, over, delta }: DragEndEvent,
  drafting: Drafting,
  frame: HTMLElement | null,
  scale: Scale | null,
): BoxDraft | undefined {
  const { draft } = drafting
  const svg = frame?.querySelector('svg')
  const part = parsePartRef(draft, String(active.id))
  if (!scale || !svg || !part) return undefined
  const mate = over ? parsePartRef(draft, String(over.id)) : undefined
  const kind = mate && meshKindFor(drafting, part, mate)
  if (mate && kind) return toggleMesh(draft, part.id, mate.id, kind)
  const perUnit = svg.getScreenCTM()?.a ?? 1
  const byMm = Math.round(delta.x / perUnit / scale.perMmX)
  return byMm === 0 ? undefined : movePart(draft, part, byMm)
}

/** The drawing with parts that can be chosen, moved along their axis and brought into mesh. */
export function DrawingEditor(props: DrawingEditorProps) {
  const { drafting, words, issues, onCount, layers, title } = props
  const { draft, select, become } = drafting
  const [typing, setTyping] = useState<Typing>()
  const frame = useRef<HTMLDivElement>(null)
  const scaleRef = useRef<Scale>(null)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_DISTANCE_PX } }),
  )

  const troubled = useMemo(() => troubledParts(draft, issues), [draft, issues])

  const finishDrag = (event: DragEndEvent): void => {
    const next = draftAfterDrag(event, drafting, frame.current, scaleRef.current)
    if (next) become(next)
  }

  const finishTyping = (toothCount?: number | null): void => {
    if (!typing) return
    const { id } = typing.handle.part
    if (toothCount !== undefined) onCount(id, toothCount)
    setTyping(undefined)
    frame.current?.querySelector<SVGElement>(`[data-part="gears:${id}"]`)?.focus()
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
          isFixed
          draft={draft}
          words={words}
          layers={layers}
          title={title}
          overlay={(section, scale) => {
            scaleRef.current = scale
            return (
              <>
                {handlesOf(section, scale).map((handle) => (
                  <PartHandle
                    key={`${handle.part.list}:${handle.part.id}`}
                    handle={handle}
                    drafting={drafting}
                    title={partTitle(draft, words, handle.part)}
                    isTroubled={troubled.has(handle.part.id)}
                    onType={(first) => {
                      if (handle.part.list !== 'gears') return
                      select(handle.part)
                      setTyping({ handle, first })
                    }}
                  />
                ))}
                {typing && <CountInPlace typing={typing} onDone={finishTyping} />}
              </>
            )
          }}
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
  const isOver = useRef(false)
  /** Once: the field is left as well when it goes. */
  const finish = (toothCount?: number | null) => {
    if (isOver.current) return
    isOver.current = true
    onDone(toothCount)
  }
  const commit = () => {
    const entry = parseCount(text)
    if (text !== '' && !entry.ok) setIsRefused(true)
    else finish(entry.ok && text !== '' ? entry.toothCount : undefined)
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
          if (event.key === 'Escape') finish()
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
