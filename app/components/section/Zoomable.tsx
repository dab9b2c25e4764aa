/** Room for a drawing any corner of which can be enlarged: by wheel, two fingers, keys and buttons. */
import { Maximize2, Minus, Plus } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'

import clsx from 'clsx'

/** How much it can be enlarged, and by how much a press does it. */
const MOST = 6
const STEP = 1.6
/** How far an arrow key goes, in CSS pixels. */
const PAN_PX = 60

/** What is grasped by itself, and not with the drawing. */
const GRASPED = '[data-drags], [data-grip], a, button, input, .drum-point'

/** Whether a wheel over the drawing is for it, and not for the page that it is on. */
function isForDrawing(event: WheelEvent, frame: Element, scale: number): boolean {
  if (event.ctrlKey || scale > 1) return true
  if (event.deltaY >= 0) return false
  for (let at = frame.parentElement; at; at = at.parentElement) if (at.scrollTop > 0) return false
  return true
}

function isForGesture(event: Event, frame: Element, scale: number): boolean {
  if (event instanceof WheelEvent) return isForDrawing(event, frame, scale)
  // Two fingers enlarge wherever they are put down.
  if ('touches' in event && (event as TouchEvent).touches.length > 1) return true
  if (event.target instanceof Element && event.target.closest(GRASPED)) return false
  if ('touches' in event) return scale > 1
  return scale > 1 && (!(event instanceof MouseEvent) || event.button === 0)
}

/** What the buttons and keys do, once what follows gestures is there. */
interface Zoom {
  readonly by: (factor: number) => void
  readonly pan: (x: number, y: number) => void
  readonly whole: () => void
}

/** Follows gestures over a frame and has what is in it stand as they have it. */
async function follow(
  frame: HTMLElement,
  inner: HTMLElement,
  onScale: (scale: number) => void,
): Promise<Zoom & { readonly stop: () => void }> {
  const [{ zoom, zoomIdentity, zoomTransform }, { select }] = await Promise.all([
    import('d3-zoom'),
    import('d3-selection'),
  ])
  const behaviour = zoom<HTMLElement, unknown>()
    .scaleExtent([1, MOST])
    .extent(() => [
      [0, 0],
      [frame.clientWidth, frame.clientHeight],
    ])
    .filter((event: Event) => isForGesture(event, frame, zoomTransform(frame).k))
    .on('zoom', ({ transform }: { readonly transform: typeof zoomIdentity }) => {
      const { k, x, y } = transform
      inner.style.transform = k === 1 ? '' : `translate(${x}px, ${y}px) scale(${k})`
      onScale(transform.k)
    })
  const fitted = new ResizeObserver(() => {
    behaviour.translateExtent([
      [0, 0],
      [frame.clientWidth, frame.clientHeight],
    ])
  })
  fitted.observe(frame)
  const selection = select(frame).call(behaviour).on('dblclick.zoom', null)
  return {
    by: (factor) => {
      behaviour.scaleBy(selection, factor)
    },
    pan: (x, y) => {
      const { k } = zoomTransform(frame)
      behaviour.translateBy(selection, x / k, y / k)
    },
    whole: () => {
      behaviour.transform(selection, zoomIdentity)
    },
    stop: () => {
      fitted.disconnect()
      selection.on('.zoom', null)
    },
  }
}

const PANS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [PAN_PX, 0],
  ArrowRight: [-PAN_PX, 0],
  ArrowUp: [0, PAN_PX],
  ArrowDown: [0, -PAN_PX],
}

interface ZoomableProps {
  readonly children: React.ReactNode
}

export function Zoomable({ children }: ZoomableProps) {
  const frame = useRef<HTMLDivElement>(null)
  const inner = useRef<HTMLDivElement>(null)
  const larger = useRef<HTMLButtonElement>(null)
  const zoom = useRef<Zoom>(null)
  const [scale, setScale] = useState(1)
  useEffect(() => {
    if (!frame.current || !inner.current) return undefined
    let isGone = false
    let stop: (() => void) | undefined
    void follow(frame.current, inner.current, setScale).then(
      (found) => {
        if (isGone) found.stop()
        else {
          zoom.current = found
          stop = found.stop
        }
      },
      // Without it the drawing is as large as it is.
      () => undefined,
    )
    return () => {
      isGone = true
      stop?.()
    }
  }, [])
  const isEnlarged = scale > 1
  return (
    <div ref={frame} className={clsx('zoomable', isEnlarged && 'is-enlarged')}>
      <div ref={inner} className="zoomable-inner">
        {children}
      </div>
      <div
        role="toolbar"
        aria-label="Enlarge the drawing"
        className="zoomable-tools no-print"
        onKeyDown={(event) => {
          const pan = PANS[event.key]
          if (!pan || !isEnlarged) return
          event.preventDefault()
          zoom.current?.pan(...pan)
        }}
      >
        {isEnlarged && (
          <>
            <button
              type="button"
              aria-label="The whole drawing"
              onClick={() => {
                zoom.current?.whole()
                // This one is gone then.
                larger.current?.focus()
              }}
            >
              <Maximize2 aria-hidden />
            </button>
            <button type="button" aria-label="Smaller" onClick={() => zoom.current?.by(1 / STEP)}>
              <Minus aria-hidden />
            </button>
          </>
        )}
        <button
          ref={larger}
          type="button"
          aria-label="Larger"
          onClick={() => zoom.current?.by(STEP)}
        >
          <Plus aria-hidden />
        </button>
      </div>
    </div>
  )
}
