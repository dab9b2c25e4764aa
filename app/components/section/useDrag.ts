/** Something of a drawing that is dragged, told in the units of its drawing. */
import type { PointerEvent } from 'react'
import { useRef } from 'react'

interface Point {
  readonly x: number
  readonly y: number
}

type Dragging = PointerEvent<SVGGraphicsElement>

/** Where a pointer is in the drawing that an element belongs to. */
function pointIn({ currentTarget, clientX, clientY }: Dragging): Point {
  const matrix = (currentTarget.ownerSVGElement ?? currentTarget).getScreenCTM()?.inverse()
  return new DOMPoint(clientX, clientY).matrixTransform(matrix)
}

/**
 * What an element needs to be dragged; nothing where it is not to be. `onDrag` is told how far the
 * pointer has gone since it came down, and what `onStart` gave then.
 */
export function useDrag<Start>(
  onStart: () => Start,
  onDrag: ((gone: Point, start: Start, at: Point) => void) | undefined,
) {
  const held = useRef<{ readonly from: Point; readonly start: Start } | null>(null)
  if (!onDrag) return {}
  const letGo = (): void => {
    held.current = null
  }
  return {
    'data-drags': true,
    onPointerDown: (event: Dragging): void => {
      event.currentTarget.setPointerCapture(event.pointerId)
      held.current = { from: pointIn(event), start: onStart() }
    },
    onPointerMove: (event: Dragging): void => {
      if (!held.current) return
      const at = pointIn(event)
      const { from, start } = held.current
      onDrag({ x: at.x - from.x, y: at.y - from.y }, start, at)
    },
    onPointerUp: letGo,
    onPointerCancel: letGo,
  }
}
